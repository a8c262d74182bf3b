import { type RailRange, rangeOfChip } from '../items/index.ts';
import { type Library, type TransistorPart, transistors } from '../parts/index.ts';
import type { Driven } from './driven.ts';
import type { Rails } from './rails.ts';
import { standBefore, type TransistorSwitch } from './transistors.ts';

/** Warm, a field-effect transistor conducts so much worse than it is promised to when cool; typical of the kind. */
const HOT = 1.5;

/** A transistor before a channel, with what it costs there. */
export interface Compared {
  readonly part: TransistorPart;
  /** What it keeps of the rail, warm. */
  readonly lostV: number;
  readonly heatW: number;
  /** What holds it on. */
  readonly holdA: number;
  /** What drives it with the pack at its lowest, and what it asks for to be full on. */
  readonly drivenV: number;
  readonly fullOnV: number;
  /** It bears the channel at its brightest. */
  readonly bears: boolean;
}

function compare(on: TransistorSwitch, channelA: number, brightestA: number): Compared {
  const { part, driven } = on;
  const lostV = part.type === 'bipolar' ? part.onDropV : channelA * part.onOhm * HOT;
  return {
    part,
    lostV,
    heatW: lostV * channelA,
    holdA: on.pinA,
    drivenV: driven.leastV,
    fullOnV: part.gateV,
    bears: brightestA <= part.currentLimitA,
  };
}

/**
 * The transistor before a channel, and of the other sort the one that would do there best: bipolar beside field-effect,
 * or the other way round. Null where no transistor switches it.
 */
export function compareTransistors(
  driven: Driven,
  rails: Rails,
  library: Library,
): { readonly own: Compared; readonly other: Compared | null } | null {
  const { transistor, board, railId, channelA, channelBrightestA } = driven;
  const rail = railId === null ? null : rails.byId.get(railId)?.range;
  const boardRail = board?.railId == null ? null : rails.byId.get(board.railId)?.range;
  if (!transistor || !board || !rail || !boardRail) return null;
  const chip: RailRange = rangeOfChip(board.part, boardRail);
  const between = { chip, rail, aboveV: Math.max(0, rail.mostV - chip.leastV) };
  const of = (part: TransistorPart): Compared =>
    compare(standBefore(part, between, channelA, library, false), channelA, channelBrightestA);
  const others = transistors
    .filter(({ side, type }) => side === transistor.part.side && type !== transistor.part.type)
    .map(of);
  const serves = ({ fullOnV, drivenV, bears, holdA }: Compared): boolean =>
    bears && fullOnV <= drivenV + 1e-9 && holdA <= board.part.pinLimitA;
  return {
    own: compare(transistor, channelA, channelBrightestA),
    other: others.find(serves) ?? others.find(({ bears }) => bears) ?? others.at(-1) ?? null,
  };
}
