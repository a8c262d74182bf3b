import type { Assessment, SupplyAssessment } from '../assess.ts';
import type { WireRun } from '../network/index.ts';
import { chooseFuse, sourceAt } from '../power/index.ts';
import type { Message } from '../units/index.ts';

/** A lead out of a source, as a fuse in it would have to suit. */
export interface LeadToFuse {
  /** At its height; nothing can be said where it has no end, or nothing flows. */
  readonly steadyA: number;
  /** What the source gives into a short: a fuse above half of it never blows. */
  readonly shortA: number;
  /** What the fuse must guard. */
  readonly guarded: readonly { readonly name: Message; readonly limitA: number }[];
}

/** What a fuse must guard: plug and switch in the source's own lead, and every wire behind it that nothing else limits. */
const guardedBy = (supply: SupplyAssessment, runs: readonly WireRun[]): LeadToFuse['guarded'] => [
  ...supply.tree.links.filter(
    ({ id, node }) => (id === 'plug' || id === 'switch') && (node === 0 || supply.tree.nodes[node]?.parent === 0),
  ),
  ...runs.flatMap(({ sourceId, name, couldCarryA }) =>
    sourceId === supply.rail.id ? [{ name, limitA: couldCarryA }] : [],
  ),
];

/** The lead of a source in a plan, with all that is behind it. */
export function leadOf(supply: SupplyAssessment, { runs }: Pick<Assessment, 'runs'>): LeadToFuse {
  const { openV, ohm } = sourceAt(supply.tree.source, 1);
  return { steadyA: supply.mostA, shortA: openV / Math.max(1e-3, ohm), guarded: guardedBy(supply, runs) };
}

/** The most that a fuse in a lead may be rated for: what it guards bears it, and a short still blows it. */
export const guardA = ({ guarded, shortA }: LeadToFuse): number =>
  Math.min(...guarded.map(({ limitA }) => limitA), shortA / 2);

/** The fuses that suit a lead; none where no fuse could ever blow, or nothing flows. */
export const fusesFor = (lead: LeadToFuse): ReturnType<typeof chooseFuse> | null =>
  Number.isFinite(lead.steadyA) && lead.steadyA > 0 ? chooseFuse(lead.steadyA, guardA(lead)) : null;

/** The fuse that suits a lead, in amperes: above its steady current, below what the lead bears. Null where none does. */
export const suitFuse = (lead: LeadToFuse): number | null => fusesFor(lead)?.bestA ?? null;
