import type { Show, ShowGroup } from './show.ts';
import { whiteOf } from './white.ts';

/** What one supply bears, for the program's own limiter: whole microamperes. */
export interface SupplyLimit {
  /** Drawn with every light dark. */
  readonly restMicroA: number;
  /** 0 = not known: nothing is limited. */
  readonly limitMicroA: number;
  /** What one die at 255 adds, by group in the order of the show. */
  readonly microAPerByte: readonly number[];
  /** Whether a group hangs on this supply, and so is dimmed for it. */
  readonly dims: readonly boolean[];
}

/** What all supplies of a show bear: the one on which its hungriest lights hang, and the others. */
export interface ShowLimit extends SupplyLimit {
  readonly others: readonly SupplyLimit[];
}

/** Bytes of a group as they draw: a white die takes the place of three, so two of what they have in common are not drawn. */
function bytesOf({ offset, points, bytesPerPoint, whiteDie }: ShowGroup, frame: Uint8Array): number {
  let bytes = 0;
  const end = offset + points * bytesPerPoint;
  for (let i = offset; i < end; i += 1) bytes += frame[i] ?? 0;
  if (whiteDie === 'lit') for (let i = offset; i < end; i += 3) bytes -= 2 * whiteOf(frame, i);
  return bytes;
}

const sumOf = (show: Show, limit: SupplyLimit, frame: Uint8Array, counts: (group: ShowGroup) => boolean): number =>
  show.groups.reduce(
    (sum, group, g) => (counts(group) ? sum + bytesOf(group, frame) * (limit.microAPerByte[g] ?? 0) : sum),
    0,
  );

/** The same of the lights alone, which are all that a limiter dims. */
export const lightsOf = (show: Show, limit: SupplyLimit, frame: Uint8Array): number =>
  sumOf(show, limit, frame, (group) => !group.switches);

/** Current of a frame as the limiter counts it, in microamperes times 255. */
export const litOf = (show: Show, limit: SupplyLimit, frame: Uint8Array): number =>
  sumOf(show, limit, frame, () => true);

/** Scales down what hangs on one supply; gives the scale. */
function limitSupply(show: Show, limit: SupplyLimit, frame: Uint8Array): number {
  if (limit.limitMicroA === 0) return 256;
  const switched = sumOf(show, limit, frame, (group) => group.switches === true);
  const lit = lightsOf(show, limit, frame);
  const room = Math.max(0, Math.max(0, limit.limitMicroA - limit.restMicroA) * 255 - switched);
  if (lit <= room) return 256;
  const scale = Math.trunc((room * 256) / lit);
  show.groups.forEach(({ switches, offset, points, bytesPerPoint }, g) => {
    if (switches || !limit.dims[g]) return;
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
export const limitFrame = (show: Show, limit: ShowLimit, frame: Uint8Array): number =>
  limit.others.reduce(
    (least, other) => Math.min(least, limitSupply(show, other, frame)),
    limitSupply(show, limit, frame),
  );
