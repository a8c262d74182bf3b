import { type GroupLoad, measureMood, type Show } from '../src/motion/index.ts';

/** What the first mood of a show asks of its first group; `lightsAt` as for `measureMood`. */
export function firstLoad(show: Show, lightsAt?: readonly number[]): GroupLoad {
  const load = measureMood(show, show.moods[0] ?? { layers: [] }, () => lightsAt).groups[0];
  if (!load) throw new Error('a show with a group');
  return load;
}
