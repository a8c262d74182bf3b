import { paintFrame } from './frame.ts';
import type { ShowLimit } from './limit.ts';
import type { Show } from './show.ts';

/** Current of a mood over time on the rail, from the engine's own frames, before the limiter: evenly spaced, in amperes. */
export function traceCurrent(
  show: Show,
  moodIndex: number,
  limit: ShowLimit,
  options: { readonly spanMs: number; readonly columns: number },
): readonly number[] {
  const frame = new Uint8Array(show.frameBytes);
  return Array.from({ length: options.columns }, (_, column) => {
    paintFrame(show, moodIndex, Math.trunc((column * options.spanMs) / options.columns), frame);
    const litMicroA = show.groups.reduce((sum, group, g) => {
      let bytes = 0;
      const end = group.offset + group.points * group.bytesPerPoint;
      for (let i = group.offset; i < end; i += 1) bytes += frame[i] ?? 0;
      return sum + (bytes * (limit.microAPerByte[g] ?? 0)) / 255;
    }, 0);
    return (limit.restMicroA + litMicroA) / 1e6;
  });
}
