import { listMovables, placeLights } from '../src/lights/index.ts';
import {
  compileShow,
  type GroupLoad,
  measureMood,
  paintFrame,
  type Show,
  type ShowInput,
} from '../src/motion/index.ts';
import type { Move } from '../src/moves/index.ts';
import { withOwnParts } from '../src/parts/index.ts';
import { controlsOf, type Design, type Mood } from '../src/plan/index.ts';
import { moodOf, type Simple, soundDesign, tapeOf } from './designs.ts';

/** The show of a design in which a program drives every light. */
export function showFrom(design: Design, sensing?: ShowInput['sensing']): Show {
  const library = withOwnParts(design.ownParts);
  return compileShow({
    moods: design.moods,
    movables: listMovables(
      design,
      placeLights(design, library),
      () => true,
      () => null,
    ),
    controls: controlsOf(design),
    ...(sensing ? { sensing } : {}),
  });
}

/** What the first mood of a show asks of its first group; `lightsAt` as for `measureMood`. */
export function firstLoad(show: Show, lightsAt?: readonly number[]): GroupLoad {
  const load = measureMood(show, show.moods[0] ?? { layers: [] }, () => lightsAt).groups[0];
  if (!load) throw new Error('a show with a group');
  return load;
}

export const white = '#ffffff';
export const steady = (colour: string, level = 1): Move => ({ kind: 'steady', colour, level });
export type Sets = NonNullable<Design['moods']['sets']>;

/** The show of one mood on a tape of six lights, unless the design says otherwise. */
export function showOf(mood: Partial<Mood>, change: Partial<Omit<Simple, 'moods'>> = {}, sets: Sets = []): Show {
  const design = soundDesign({
    tapes: [tapeOf({ part: 'pixel-tape-60', lengthMm: 100 })],
    ...change,
    moods: {
      list: [moodOf({ brightness: 1, moves: {}, ...mood })],
      startId: null,
      cues: [],
      course: [],
      cueUses: [],
      sets,
    },
  });
  return showFrom(design);
}
export const frameAt = (show: Show, tMs = 0): Uint8Array => {
  const out = new Uint8Array(show.frameBytes);
  paintFrame(show, 0, tMs, out);
  return out;
};
export const pixel = (show: Show, i: number, tMs = 0): number[] => [...frameAt(show, tMs).slice(i * 3, i * 3 + 3)];
export const lit = (show: Show, tMs = 0): number[] =>
  Array.from({ length: show.frameBytes / 3 }, (_, i) => i).filter((i) => (frameAt(show, tMs)[i * 3] ?? 0) > 0);
const GOLDEN = 0.618_033_988_749_894_9;

/** Moments of a mood in milliseconds: the first ones one after another as it runs, then some that fall evenly over ten hours. */
export const momentsMs = ({
  first,
  everyMs,
  late,
}: {
  readonly first: number;
  readonly everyMs: number;
  readonly late: number;
}) => ({
  first: Array.from({ length: first }, (_, i) => i * everyMs),
  late: Array.from({ length: late }, (_, i) => Math.trunc((((i + 1) * GOLDEN) % 1) * 36_000_000)),
});
