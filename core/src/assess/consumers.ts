import { type ItemRole, kindOf, type OwnDraw, type PlacedGroup } from '../items/index.ts';
import { type Board, type Driven, isProgrammed, type Rails } from '../network/index.ts';
import type { Figure, Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** What one item draws: always, while it is lit by no program, and on top of it with every light at full. */
export interface Consumer extends OwnDraw {
  readonly id: string;
  readonly name: string;
  /** The rail that it draws from; null while nothing feeds it. */
  readonly railId: string | null;
  /** Added by moods with every light at full. */
  readonly fullA: number;
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
  const boardNames = new Map(boards.map(({ id, part, item }) => [id, boards.length > 1 ? item.name : part.name]));
  const drawing = (role: ItemRole): Consumer[] =>
    design.items.flatMap((item): Consumer[] => {
      const kind = kindOf(item.kind);
      if (kind.role !== role) return [];
      const railId = role === 'load' ? loadRailOf(item.id) : rails.feedOf(item);
      const nominalV = railId === null ? 0 : (rails.byId.get(railId)?.range?.nominalV ?? 0);
      const own = kind.draws?.(item, library, nominalV);
      return own ? [{ ...plain, ...own, id: item.id, name: boardNames.get(item.id) ?? item.name, railId }] : [];
    });
  const lights = placed.flatMap((group): Consumer[] => {
    if (group.shape !== 'pixels')
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
  return [...drawing('board'), ...lights, ...drawing('switches'), ...drawing('load')];
}
