import type { Show, ShowGroup } from './show.ts';
import { whiteOf } from './white.ts';

/** What some lights may draw together, for the program's own limiter: whole microamperes. */
export interface RailLimit {
  /** Drawn with every light dark. */
  readonly restMicroA: number;
  /** 0 = not known: nothing is limited. */
  readonly limitMicroA: number;
  /** What one die at 255 adds, by group in the order of the show; 0 for what does not count here. */
  readonly microAPerByte: readonly number[];
}

/** What one supply bears. What hangs on it is dimmed together, so that the piece stays of one brightness. */
export interface SupplyLimit {
  /** Of each rail that lights hang on, the hungriest first. */
  readonly rails: readonly RailLimit[];
  /** Number of the rail of each group, in the order of the show; −1 where it hangs on another supply. */
  readonly railOf: readonly number[];
  /** Of all its rails together, what each draws weighted by what it costs there; null where they can't be too much. */
  readonly together: RailLimit | null;
}

/** What the supplies of a show bear: the one on which its hungriest lights hang comes first. */
export interface ShowLimit {
  /** Drawn from all of them with every light dark. */
  readonly restMicroA: number;
  readonly supplies: readonly SupplyLimit[];
}

/** All limits of a supply, in the order in which the program goes through them. */
export const limitsOfSupply = ({ rails, together }: SupplyLimit): readonly RailLimit[] =>
  together ? [...rails, together] : rails;

/** Whether any supply has more than one limit, so that a program asks for the part of the engine that weighs them. */
export const isByRail = ({ supplies }: ShowLimit): boolean =>
  supplies.some((supply) => limitsOfSupply(supply).length > 1);

/** The rail that is told of where one is: that of the hungriest lights. */
export function firstRail({ supplies }: ShowLimit): RailLimit {
  const [rail] = supplies[0]?.rails ?? [];
  if (!rail) throw new Error('A limit has a rail, if only one of which nothing is known');
  return rail;
}

/** Bytes of a group as they draw: a white die takes the place of three, so two of what they have in common are not drawn. */
function bytesOf({ offset, points, bytesPerPoint, whiteDie }: ShowGroup, frame: Uint8Array): number {
  let bytes = 0;
  const end = offset + points * bytesPerPoint;
  for (let i = offset; i < end; i += 1) bytes += frame[i] ?? 0;
  if (whiteDie === 'lit') for (let i = offset; i < end; i += 3) bytes -= 2 * whiteOf(frame, i);
  return bytes;
}

const sumOf = (show: Show, limit: RailLimit, frame: Uint8Array, counts: (group: ShowGroup) => boolean): number =>
  show.groups.reduce((sum, group, g) => {
    const each = limit.microAPerByte[g] ?? 0;
    return each > 0 && counts(group) ? sum + bytesOf(group, frame) * each : sum;
  }, 0);

const isDimmed = (group: ShowGroup): boolean => !group.switches;

/** What all rails together give the lights of a frame, which are all that a limiter dims, in microamperes times 255. */
export const lightsOf = (show: Show, { supplies }: ShowLimit, frame: Uint8Array): number =>
  supplies.reduce((sum, { rails }) => rails.reduce((on, rail) => on + sumOf(show, rail, frame, isDimmed), sum), 0);

/** Current of a frame on one rail as the limiter counts it, in microamperes times 255. */
export const litOf = (show: Show, limit: RailLimit, frame: Uint8Array): number => sumOf(show, limit, frame, () => true);

/** The scale at which a frame keeps one limit; 256 = as it is. */
function scaleFor(show: Show, limit: RailLimit, frame: Uint8Array): number {
  if (limit.limitMicroA === 0) return 256;
  const lit = sumOf(show, limit, frame, isDimmed);
  const switched = sumOf(show, limit, frame, (group) => !isDimmed(group));
  const room = Math.max(0, Math.max(0, limit.limitMicroA - limit.restMicroA) * 255 - switched);
  return lit <= room ? 256 : Math.trunc((room * 256) / lit);
}

/** Scales down what hangs on one supply; gives the scale. */
function limitSupply(show: Show, supply: SupplyLimit, frame: Uint8Array): number {
  const scale = limitsOfSupply(supply).reduce((least, limit) => Math.min(least, scaleFor(show, limit, frame)), 256);
  if (scale === 256) return scale;
  show.groups.forEach(({ switches, offset, points, bytesPerPoint }, g) => {
    if (switches || (supply.railOf[g] ?? -1) < 0) return;
    const end = offset + points * bytesPerPoint;
    for (let i = offset; i < end; i += 1) frame[i] = ((frame[i] ?? 0) * scale) >> 8;
  });
  return scale;
}

/**
 * Scales a frame down, in place, that would pass a limit; gives the least scale, 256 = untouched. Every byte of a light
 * on that supply is cut alike, so the colours stay, and what is on or off stays as it is; rounding is always down, so what
 * is left is never above the limit while the switched loads alone are not.
 */
export const limitFrame = (show: Show, { supplies }: ShowLimit, frame: Uint8Array): number =>
  supplies.reduce((least, supply) => Math.min(least, limitSupply(show, supply, frame)), 256);
