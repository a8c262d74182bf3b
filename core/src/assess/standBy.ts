import type { PackModel } from '../items/index.ts';
import type { Driven, Rails } from '../network/index.ts';
import { chemistries, findPart, type Library } from '../parts/index.ts';
import { keepsFor, packEnergy, packsForEvent } from '../power/index.ts';
import type { Consumer } from './consumers.ts';
import { drawnFrom } from './drawnFrom.ts';
import type { SupplyAssessment } from './supplies.ts';

/** A pack while the piece waits, on the way, and over a whole evening. */
export interface StandBy {
  readonly supplyId: string;
  readonly name: string;
  /** By the voltage that such cells are sold by, as carriers reckon. */
  readonly energyWh: number;
  /** With every switch off: what hangs before them, and what its protection draws. */
  readonly off: { readonly drawnA: number; readonly keepsH: number };
  /**
   * Switched on and dark: every light out that a program, a gate, a box or a hand can put out. Null where there is nothing
   * to leave on so: a light is lit for as long as its supply is, or nothing flows that does not flow switched off.
   */
  readonly dark: { readonly drawnA: number; readonly keepsH: number } | null;
  /** How many are brought, the first among them. */
  readonly brought: number;
  /** How many an evening of this length asks for, by the cautious figure; null while it is not known how long one lasts. */
  readonly asked: number | null;
  /** When each is exchanged for the next, from the start. */
  readonly swapsH: readonly number[];
  /** How long all that are brought last, with caution. */
  readonly eveningH: number | null;
}

const keeping = (pack: PackModel, drawnA: number) => ({
  drawnA,
  keepsH: keepsFor.reckon({ C: pack.capacityMah, I: drawnA, s: pack.selfDischargeAMonth }),
});

/** What the figures of a pack that waits follow from. */
interface StandByInput {
  readonly library: Library;
  readonly rails: Rails;
  readonly consumers: readonly Consumer[];
  readonly driven: readonly Driven[];
}

/** Every pack while it waits, and how many an evening asks for. */
export const listStandBy = (
  hoursWanted: number,
  { library, rails, consumers, driven }: StandByInput,
  supplies: readonly SupplyAssessment[],
): StandBy[] =>
  supplies.flatMap(({ rail, tree, runsFor }): StandBy[] => {
    if (tree.source.kind !== 'pack' || rail.gives.form !== 'cells' || !rail.gives.part) return [];
    const { pack } = tree.source;
    const { item, part } = rail.gives;
    const guardA = findPart(library, 'protection', item.protection ?? null)?.drainA ?? 0;
    const brought = 1 + (item.spares ?? 0);
    const isLight = (id: string): boolean => driven.some(({ itemId }) => itemId === id);
    const restA =
      (isOut: (id: string) => boolean) =>
      (railId: string): number =>
        consumers
          .filter((each) => each.railId === railId)
          .reduce((sum, each) => sum + each.restA + (isOut(each.id) ? 0 : each.steadyA), 0);
    const offA =
      drawnFrom(
        rail,
        rails,
        restA(() => false),
        ({ gives }) => gives.form !== 'contact',
      ) + guardA;
    const darkA = drawnFrom(rail, rails, restA(isLight)) + guardA;
    const neverDark = driven.some(
      ({ way, railId }) => way.id === 'always on' && rails.byId.get(railId ?? '')?.sourceId === rail.id,
    );
    const eachH = runsFor && runsFor.cautiousH > 0 ? runsFor.cautiousH : null;
    return [
      {
        supplyId: rail.id,
        name: rail.name,
        energyWh: packEnergy.reckon({
          U: chemistries[part.chemistry].nominalV * part.cellsInSeries,
          C: (item.capacityMah ?? part.capacityMah).likely,
        }),
        off: keeping(pack, offA),
        dark: neverDark || darkA <= offA ? null : keeping(pack, darkA),
        brought,
        asked: eachH === null ? null : Math.max(1, packsForEvent.reckon({ T: hoursWanted, t: eachH })),
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
