import type { Show, ShowLimit } from '../motion/index.ts';
import { findRailLimitA, type PowerPath } from '../power/index.ts';
import type { Consumer } from './budget.ts';

/** What the limiter counts with: rounded up for what lights draw, down for what the supply gives with little charge left. */
export function limitOf(path: PowerPath | null, show: Show, consumers: readonly Consumer[]): ShowLimit {
  const microA = (currentA: number): number => Math.ceil(currentA * 1e6);
  return {
    restMicroA: microA(consumers.reduce((sum, consumer) => sum + consumer.restA, 0)),
    // Where not even the dark lights can be fed the limit is next to nothing, not none.
    limitMicroA: path ? Math.max(1, Math.floor(findRailLimitA(path) * 1e6)) : 0,
    microAPerByte: show.groups.map((group) => {
      const fullA = consumers.find((consumer) => consumer.id === group.id)?.fullA ?? 0;
      return microA(fullA / Math.max(1, group.points * group.bytesPerPoint));
    }),
  };
}
