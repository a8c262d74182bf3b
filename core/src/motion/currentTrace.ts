import { paintFrame } from './frame.ts';
import { litOf, type RailLimit } from './limit.ts';
import type { Show } from './show.ts';

/** Between two frames looked at; the shortest shot worth drawing lasts longer. */
const LOOK_MS = 20;
/** Looks in one column at most, so that a slow evening of a mood still draws at once. */
const MOST_LOOKS = 16;

/**
 * Current of a mood over time on one rail, from the engine's own frames, before the limiter, in amperes: evenly spaced
 * columns, each the highest of the frames within it, so that a short flash is not stepped over.
 */
export function traceCurrent(
  show: Show,
  moodIndex: number,
  rail: RailLimit,
  options: { readonly spanMs: number; readonly columns: number },
): readonly number[] {
  const frame = new Uint8Array(show.frameBytes);
  const columnMs = options.spanMs / options.columns;
  const looks = Math.min(MOST_LOOKS, Math.max(1, Math.ceil(columnMs / LOOK_MS)));
  return Array.from({ length: options.columns }, (_, column) => {
    let highest = 0;
    for (let look = 0; look < looks; look += 1) {
      paintFrame(show, moodIndex, Math.trunc((column + look / looks) * columnMs), frame);
      highest = Math.max(highest, litOf(show, rail, frame));
    }
    return (rail.restMicroA + highest / 255) / 1e6;
  });
}
