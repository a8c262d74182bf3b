import { type Item, itemsOf } from '../items/index.ts';
import type { PlacedGroup } from '../lights/index.ts';
import { type Board, type Driven, isProgrammed, type Rails } from '../network/index.ts';
import { type Figure, findPart, type Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** What one item draws: always, while it is lit by no program, and on top of it with every light at full. */
export interface Consumer {
  readonly id: string;
  readonly name: string;
  /** The rail that it draws from; null while nothing feeds it. */
  readonly railId: string | null;
  /** Drawn with every light dark. */
  readonly restA: number;
  /** Lit by its supply or by a hand, whatever the moods do: on the mean, and at its most. */
  readonly steadyA: number;
  readonly steadyPeakA: number;
  /** In the first moment, where that is more. */
  readonly startA: number;
  /** Added by moods with every light at full. */
  readonly fullA: number;
  /** Half-width of the doubt, as a share of what it draws. */
  readonly relativeSpread: number;
  /**
   * Lights that follow their rail: all of them at full, at a voltage of it, where they are lit for a share; null = the
   * same at any voltage.
   */
  readonly atRail: ((railV: number, share: number) => number) | null;
}

/** Red, green and blue: a white die beside them is sent nothing by the program and stays dark. */
const LIT_DICE = 3;

const plain = { restA: 0, steadyA: 0, steadyPeakA: 0, startA: 0, fullA: 0, relativeSpread: 0, atRail: null };

const sumOf = (driven: readonly Driven[], of: (each: Driven) => number): number =>
  driven.reduce((sum, each) => sum + of(each), 0);

/** Driven alike or colour by colour: one consumer for each item and rail. */
function consumerOfLights(group: PlacedGroup, driven: readonly Driven[]): Consumer[] {
  const [first] = driven;
  if (!first) return [];
  const programmed = driven.filter((each) => isProgrammed(each.way));
  const steady = driven.filter((each) => !isProgrammed(each.way));
  const currentA = sumOf(driven, (each) => each.corners.currentA);
  const brightA = sumOf(driven, (each) => each.corners.brightestA);
  const dimA = sumOf(driven, (each) => each.corners.dimmestA);
  const steadyA = sumOf(steady, (each) => each.totalA);
  const fullA = sumOf(programmed, (each) => each.totalA + each.holdA);
  // A part of each kind follows the rail as the whole does.
  const at = (railV: number): number => sumOf(driven, (each) => each.atRail(railV));
  return [
    {
      ...plain,
      id: group.id,
      name: group.name,
      railId: first.railId,
      steadyA,
      steadyPeakA: steadyA,
      fullA,
      relativeSpread: currentA <= 0 ? 0 : (brightA - dimA) / 2 / currentA,
      atRail: at,
    },
  ];
}

const figureOf = (own: Figure | null, typical: Figure): Figure => own ?? typical;

function consumerOfLoad(item: Extract<Item, { kind: 'load' }>, library: Library, railId: string | null): Consumer[] {
  const part = findPart(library, 'load', item.part);
  if (!part) return [];
  const [rest, usual, most, start] = [
    figureOf(item.restA, part.restA),
    figureOf(item.usualA, part.usualA),
    figureOf(item.mostA, part.mostA),
    figureOf(item.startA, part.startA),
  ];
  const usualA = Math.max(rest.likely, usual.likely);
  return [
    {
      ...plain,
      id: item.id,
      name: item.name,
      railId,
      restA: rest.likely,
      steadyA: usualA - rest.likely,
      steadyPeakA: Math.max(usualA, most.likely) - rest.likely,
      startA: Math.max(start.likely, most.likely),
      relativeSpread: usual.likely > 0 ? usual.spread / usual.likely : 0,
    },
  ];
}

/** What every item of a plan draws, in the order: boards, lights, what switches without a board, other loads. */
export function listConsumers(options: {
  readonly design: Pick<Design, 'items'>;
  readonly library: Library;
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly placed: readonly PlacedGroup[];
  readonly driven: readonly Driven[];
  readonly loadRailOf: (itemId: string) => string | null;
}): Consumer[] {
  const { design, library, rails, boards, placed, driven, loadRailOf } = options;
  const ofBoards = boards.map(
    ({ id, part, railId, item }): Consumer => ({
      ...plain,
      id,
      name: boards.length > 1 ? item.name : part.name,
      railId,
      restA: part.drawA.likely,
      relativeSpread: part.drawA.spread / part.drawA.likely,
    }),
  );
  const lights = placed.flatMap((group): Consumer[] => {
    if (group.kind !== 'tape')
      return consumerOfLights(
        group,
        driven.filter((each) => each.itemId === group.id),
      );
    const die: Figure = group.tape.dieCurrentA ?? group.part.dieCurrentA;
    return [
      {
        ...plain,
        id: group.id,
        name: group.name,
        railId: rails.feedOf(group.tape),
        restA: group.cut.lights * group.part.restCurrentA.likely,
        fullA: group.cut.lights * LIT_DICE * die.likely,
        relativeSpread: die.spread / die.likely,
      },
    ];
  });
  const gates = itemsOf(design, 'light gate').map((gate): Consumer => {
    const railId = rails.feedOf(gate);
    const volts = railId === null ? 0 : (rails.byId.get(railId)?.range?.nominalV ?? 0);
    // In light the sensor pulls the gate down: the pull-up's current flows all day.
    return { ...plain, id: gate.id, name: gate.name, railId, restA: volts / gate.pullUpOhm, relativeSpread: 0.1 };
  });
  const own = itemsOf(design, 'driver', 'box').flatMap((item): Consumer[] => {
    const part = item.kind === 'driver' ? findPart(library, 'driver', item.part) : findPart(library, 'box', item.part);
    return part
      ? [{ ...plain, id: item.id, name: item.name, railId: rails.feedOf(item), restA: part.ownA, relativeSpread: 0.2 }]
      : [];
  });
  const loads = itemsOf(design, 'load').flatMap((item) => consumerOfLoad(item, library, loadRailOf(item.id)));
  return [...ofBoards, ...lights, ...gates, ...own, ...loads];
}
