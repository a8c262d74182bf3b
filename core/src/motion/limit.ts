import type { Show } from './show.ts';
import { whiteOf } from './white.ts';

/** What the supply bears, for the program's own limiter: whole microamperes. */
export interface ShowLimit {
  /** Drawn with every light dark. */
  readonly restMicroA: number;
  /** 0 = not known: nothing is limited. */
  readonly limitMicroA: number;
  /** What one die at 255 adds, by group in the order of the show. */
  readonly microAPerByte: readonly number[];
}

/** Current of a frame as the limiter counts it, in microamperes times 255. */
export function litOf(show: Show, limit: ShowLimit, frame: Uint8Array): number {
  return show.groups.reduce((sum, group, g) => {
    let bytes = 0;
    const end = group.offset + group.points * group.bytesPerPoint;
    for (let i = group.offset; i < end; i += 1) bytes += frame[i] ?? 0;
    // A white die takes the place of three: two of what they have in common are not drawn.
    if (group.whiteDie === 'lit') for (let i = group.offset; i < end; i += 3) bytes -= 2 * whiteOf(frame, i);
    return sum + bytes * (limit.microAPerByte[g] ?? 0);
  }, 0);
}

/**
 * Scales a frame down, in place, that would pass the limit; gives the scale, 256 = untouched. Every byte is cut alike, so
 * the colours stay; rounding is always down, so what is left is never above the limit.
 */
export function limitFrame(show: Show, limit: ShowLimit, frame: Uint8Array): number {
  if (limit.limitMicroA === 0) return 256;
  const lit = litOf(show, limit, frame);
  const room = Math.max(0, limit.limitMicroA - limit.restMicroA) * 255;
  if (lit <= room) return 256;
  const scale = Math.trunc((room * 256) / lit);
  for (let i = 0; i < frame.length; i += 1) frame[i] = ((frame[i] ?? 0) * scale) >> 8;
  return scale;
}
