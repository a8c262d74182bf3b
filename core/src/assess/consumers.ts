import { type ItemRole, kindOf, type OwnDraw, type PlacedGroup, sparesBefore } from '../items/index.ts';
import { type Board, type Driven, isProgrammed, type LoadDrive, type Rails, unlitOverPin } from '../network/index.ts';
import type { Figure, Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import type { RailLaw } from '../power/index.ts';
import type { ControlDraw } from './controlDraws.ts';

/** What one item draws: always, while it is lit by no program, and on top of it with every light at full. */
export interface Consumer extends OwnDraw {
  readonly id: string;
  readonly name: string;
  /** The rail that it draws from; null while nothing feeds it. */
  readonly railId: string | null;
  /** Added by moods with every light at full, and loads at their usual. */
  readonly fullA: number;
  /** The same at its height, where that is more: a load that starts. */
  readonly peakFullA?: number;
  /** Null = the same at any voltage of its rail. */
  readonly follows: Follows | null;
  /** Of what moods add, so much comes from the rail of the board that switches it; null where that is the same rail. */
  readonly byBoard: HeldByBoard | null;
}

/** What a board gives to hold transistors on: with every light at full, and by the voltage of the board's rail. */
interface HeldByBoard {
  readonly boardId: string;
  readonly fullA: number;
  readonly law: RailLaw;
}

/** Lights that follow their rail: the law that is true of them, and which of its lights they are. */
export interface Follows {
  /** What all that follow together draw, by the rail’s voltage. */
  readonly law: RailLaw;
  /** Its own place among them. */
  readonly slot: number;
  /** How many follow by this law. */
  readonly slots: number;
}

/** What is lit for a share of the time draws that share of what it draws at full. */
export const followAlone = (fullAt: (railV: number) => number): Follows => ({
  law: (railV, shares) => {
    const share = shares[0] ?? 0;
    return share === 0 ? 0 : share * fullAt(railV);
  },
  slot: 0,
  slots: 1,
});

/** What moods add at full: over time, or at the height. */
export const fullOf = ({ fullA, peakFullA }: Pick<Consumer, 'fullA' | 'peakFullA'>, at: 'mean' | 'peak'): number =>
  at === 'peak' ? (peakFullA ?? fullA) : fullA;

const plain = {
  restA: 0,
  steadyA: 0,
  steadyPeakA: 0,
  startA: 0,
  fullA: 0,
  relativeSpread: 0,
  follows: null,
  byBoard: null,
};

const sumOf = (driven: readonly Driven[], of: (each: Driven) => number): number =>
  driven.reduce((sum, each) => sum + of(each), 0);

/** Driven alike or colour by colour: one consumer for each item and rail. */
function consumerOfLights(
  group: PlacedGroup,
  driven: readonly Driven[],
  nominalOf: (railId: string | null) => number,
): Consumer[] {
  const [first] = driven;
  if (!first) return [];
  const programmed = driven.filter((each) => isProgrammed(each.way));
  const steady = driven.filter((each) => !isProgrammed(each.way));
  const currentA = sumOf(driven, (each) => each.corners.currentA);
  const brightA = sumOf(driven, (each) => each.corners.mostA);
  const dimA = sumOf(driven, (each) => each.corners.leastA);
  const steadyA = sumOf(steady, (each) => each.totalA);
  const fullA = sumOf(programmed, (each) => each.totalA + each.holdA);
  const boardA = (boardV: number): number => sumOf(programmed, (each) => each.boardA(boardV));
  const heldA = boardA(nominalOf(first.board?.railId ?? null));
  const board = heldA > 0 ? first.board : null;
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
      follows: followAlone(at),
      byBoard: board && { boardId: board.id, fullA: heldA, law: followAlone(boardA).law },
    },
  ];
}

/** Pixels, each with its chip that never rests; at full with every die lit. */
function consumerOfPixels(group: Extract<PlacedGroup, { shape: 'pixels' }>, railId: string | null): Consumer {
  // A spare pixel takes what a dark one does.
  const spares = sparesBefore(group);
  const die: Figure = group.tape.dieCurrentA ?? group.part.dieCurrentA;
  return {
    ...plain,
    id: group.id,
    name: group.name,
    railId,
    restA: (group.cut.lights + spares) * group.part.restCurrentA.likely,
    fullA: group.lit * group.part.dice * die.likely,
    relativeSpread: die.spread / die.likely,
  };
}

/**
 * A load that a program runs: behind its transistor it draws nothing until it is started, at an input of its own it
 * waits. What it draws then is added by moods: on the mean what is usual, at the height what it starts with.
 */
function consumerOfLoad(load: Consumer, run: LoadDrive, boardV: number): Consumer {
  const { transistor, heldAt, railHeldA, startA, board } = run;
  const heldA = heldAt(boardV);
  const waitingA = transistor ? 0 : load.restA;
  const usualA = load.restA + load.steadyA;
  return {
    ...load,
    restA: waitingA,
    steadyA: 0,
    steadyPeakA: 0,
    startA: waitingA,
    fullA: usualA - waitingA + railHeldA + heldA,
    peakFullA: Math.max(usualA, startA) - waitingA + railHeldA + heldA,
    byBoard: heldA > 0 ? { boardId: board.id, fullA: heldA, law: followAlone(heldAt).law } : null,
  };
}

/** What every item of a plan draws, in the order: boards, lights, what switches without a board, other loads. */
export function listConsumers(options: {
  readonly design: Pick<Design, 'items'>;
  readonly library: Library;
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly placed: readonly PlacedGroup[];
  readonly driven: readonly Driven[];
  readonly loads: readonly LoadDrive[];
  /** What controls draw all day. */
  readonly controls: readonly ControlDraw[];
  /** The rail behind the contact or gate that switches an item; null where nothing does. */
  readonly loadRailOf: (itemId: string) => string | null;
}): Consumer[] {
  const { design, library, rails, boards, placed, driven, loads, controls, loadRailOf } = options;
  const boardNames = new Map(boards.map(({ id, part, item }) => [id, boards.length > 1 ? item.name : part.name]));
  const nominalOf = (railId: string | null): number =>
    (railId === null ? undefined : rails.byId.get(railId)?.range?.nominalV) ?? 0;
  const drawing = (role: ItemRole): Consumer[] =>
    design.items.flatMap((item): Consumer[] => {
      const kind = kindOf(item.kind);
      if (kind.role !== role) return [];
      const railId = role === 'load' ? loadRailOf(item.id) : rails.feedOf(item);
      const own = kind.draws?.(item, library, nominalOf(railId));
      if (!own) return [];
      const run = loads.find(({ itemId }) => itemId === item.id);
      const named = { id: item.id, name: boardNames.get(item.id) ?? item.name, railId };
      return [
        run
          ? consumerOfLoad({ ...plain, ...own, ...named }, run, nominalOf(run.board.railId))
          : { ...plain, ...own, ...named },
      ];
    });
  const lights = placed.flatMap((group): Consumer[] => {
    if (group.shape !== 'pixels')
      return consumerOfLights(
        group,
        driven.filter((each) => each.itemId === group.id),
        nominalOf,
      );
    return [consumerOfPixels(group, rails.feedOf(group.tape))];
  });
  const heard = controls.map(({ id, name, railId, draw }): Consumer => ({ ...plain, ...draw, id, name, railId }));
  const others = [...drawing('switches'), ...heard, ...drawing('load')];
  return withUnlit([...drawing('board'), ...lights, ...others], driven, nominalOf);
}

/**
 * Lights between one rail and a pin of a board on another keep what is left between the two while the pin says dark: it
 * comes out of their rail and goes into the board's, which needs so much less. On one rail the two come to nothing.
 */
function withUnlit(
  consumers: readonly Consumer[],
  driven: readonly Driven[],
  nominalOf: (railId: string | null) => number,
): Consumer[] {
  const restOf = new Map<string, number>();
  for (const each of driven) {
    const { board, railId, itemId, loopsOnChannel } = each;
    if (!board || board.railId === railId) continue;
    const left = unlitOverPin(each, nominalOf(railId), nominalOf(board.railId))?.drivenHighA ?? 0;
    const loops = loopsOnChannel.reduce((sum, count) => sum + count, 0);
    for (const [id, amps] of [
      [itemId, left * loops],
      [board.id, -left * loops],
    ] as const)
      restOf.set(id, (restOf.get(id) ?? 0) + amps);
  }
  return consumers.map((consumer) => {
    const restA = restOf.get(consumer.id) ?? 0;
    if (restA === 0) return consumer;
    return {
      ...consumer,
      restA: Math.max(0, consumer.restA + restA),
      // What a program lights comes on top of the rest.
      ...(restA > 0 ? { fullA: Math.max(0, consumer.fullA - restA) } : {}),
    };
  });
}
