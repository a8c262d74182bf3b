import type { SupplyAssessment } from '../assess.ts';
import { chooseFuse, type LoadedLink, sourceAt } from '../power/index.ts';

/** What a fuse must guard: the wire, the plug and the switch in a source's own lead. */
export const guardedBy = (supply: SupplyAssessment): readonly LoadedLink[] =>
  supply.links.filter(
    (link) =>
      (link.id === 'plug' || link.id === 'wire' || link.id === 'switch') &&
      (link.node === 0 || supply.tree.nodes[link.node]?.parent === 0) &&
      link.side !== 'own',
  );

/** What a source gives into a short: a fuse above that never blows. */
export function shortA(supply: SupplyAssessment): number {
  const { openV, ohm } = sourceAt(supply.tree.source, 1);
  return openV / Math.max(1e-3, ohm);
}

/** The fuses that suit a source, for what it gives at its height; none where no fuse could ever blow, or nothing flows. */
export function fusesFor(supply: SupplyAssessment): ReturnType<typeof chooseFuse> | null {
  if (!Number.isFinite(supply.mostA) || supply.mostA <= 0) return null;
  const weakestA = Math.min(...guardedBy(supply).map((link) => link.limitA), shortA(supply) / 2);
  return chooseFuse(supply.mostA, weakestA);
}

/** The fuse that suits the lead of a pack, in amperes: above its steady current, below what the lead bears. Null where none does. */
export const suitFuse = (supply: SupplyAssessment): number | null => fusesFor(supply)?.bestA ?? null;
