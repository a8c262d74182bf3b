import { efficiencyAt, type PackModel } from '../items/index.ts';
import type { Rail, Rails } from '../network/index.ts';
import { chemistries, findPart, type Library } from '../parts/index.ts';
import { keepsFor } from '../power/index.ts';
import type { Consumer } from './consumers.ts';
import type { SupplyAssessment } from './supplies.ts';

/** A pack while the piece waits, on the way, and over a whole evening. */
export interface StandBy {
  readonly supplyId: string;
  readonly name: string;
  /** By the voltage that such cells are sold by, as carriers reckon. */
  readonly energyWh: number;
  /** With every switch off: what hangs before them, and what its protection draws. */
  readonly off: { readonly drawnA: number; readonly keepsH: number };
  /** Switched on and dark. */
  readonly dark: { readonly drawnA: number; readonly keepsH: number };
  /** How many are brought, the first among them. */
  readonly brought: number;
  /** How many an evening of this length asks for, by the cautious figure; null while it is not known how long one lasts. */
  readonly asked: number | null;
  /** When each is exchanged for the next, from the start. */
  readonly swapsH: readonly number[];
  /** How long all that are brought last, with caution. */
  readonly eveningH: number | null;
}

/** What is taken in at a rail with every programmed light dark, by this rail’s own amperes: with its switches closed, or open. */
function takenIn(rail: Rail, isOn: boolean, rails: Rails, consumers: readonly Consumer[]): number {
  const ownA = consumers
    .filter(({ railId }) => railId === rail.id)
    .reduce((sum, each) => sum + each.restA + each.steadyA, 0);
  const further = rails.list
    .filter((each) => each.fromId === rail.id)
    .reduce((sum, behind) => {
      const { gives } = behind;
      if (gives.form === 'contact' && !isOn) return sum;
      const outA = takenIn(behind, isOn, rails, consumers);
      if (gives.form !== 'converter' || !gives.part) return sum + outA;
      const inV = rail.range?.nominalV ?? gives.part.outputV;
      const share = efficiencyAt(gives.part, outA, inV);
      return sum + gives.part.idleA + (outA * gives.part.outputV) / Math.max(0.01, share * inV);
    }, 0);
  return ownA + further;
}

const keeping = (pack: PackModel, drawnA: number) => ({
  drawnA,
  keepsH: keepsFor.reckon({ C: pack.capacityMah, I: drawnA, s: pack.selfDischargeAMonth }),
});

/** Every pack while it waits, and how many an evening asks for. */
export const listStandBy = (
  hoursWanted: number,
  library: Library,
  rails: Rails,
  consumers: readonly Consumer[],
  supplies: readonly SupplyAssessment[],
): StandBy[] =>
  supplies.flatMap(({ rail, tree, runsFor }): StandBy[] => {
    if (tree.source.kind !== 'pack' || rail.gives.form !== 'cells' || !rail.gives.part) return [];
    const { pack } = tree.source;
    const { item, part } = rail.gives;
    const guardA = findPart(library, 'protection', item.protection ?? null)?.drainA ?? 0;
    const brought = 1 + (item.spares ?? 0);
    const eachH = runsFor && runsFor.cautiousH > 0 ? runsFor.cautiousH : null;
    return [
      {
        supplyId: rail.id,
        name: rail.name,
        energyWh:
          (chemistries[part.chemistry].nominalV * part.cellsInSeries * (item.capacityMah ?? part.capacityMah).likely) /
          1000,
        off: keeping(pack, takenIn(rail, false, rails, consumers) + guardA),
        dark: keeping(pack, takenIn(rail, true, rails, consumers) + guardA),
        brought,
        asked: eachH === null ? null : Math.max(1, Math.ceil(hoursWanted / eachH - 1e-9)),
        swapsH:
          eachH === null
            ? []
            : Array.from({ length: brought - 1 }, (_, i) => eachH * (i + 1)).filter((h) => h < hoursWanted),
        eveningH: runsFor ? runsFor.cautiousH * brought : null,
      },
    ];
  });

/** How long the piece runs with all packs that are brought, with caution: the set that ends first. Null without a pack. */
export const eveningWithSpares = (standBy: readonly StandBy[]): number | null => {
  const all = standBy.flatMap(({ eveningH }) => eveningH ?? []);
  return all.length > 0 ? Math.min(...all) : null;
};
