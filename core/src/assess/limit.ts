import { diceOf, type Show, type ShowLimit, type SupplyLimit } from '../motion/index.ts';
import { type Consumer, fullOf } from './consumers.ts';

/** A rail that the program's limiter guards: node of its tree, and the most that it gives. */
export interface Guarded {
  /** Number of the rail’s node in its tree. */
  readonly node: number;
  /** The most that it gives with little charge left and all else dark. */
  readonly limitA: number;
  readonly nodeOf: (consumer: Consumer) => number;
}

/** What the limiter counts with of one supply: rounded up for what lights draw, down for what it gives with little charge left. */
function limitSupply(guarded: Guarded | null, show: Show, consumers: ReadonlyMap<string, Consumer>): SupplyLimit {
  const microA = (currentA: number): number => Math.ceil(currentA * 1e6);
  const isHere = (consumer: Consumer): boolean => guarded === null || guarded.nodeOf(consumer) === guarded.node;
  const here = [...consumers.values()].filter(isHere);
  return {
    restMicroA: microA(here.reduce((sum, consumer) => sum + consumer.restA + consumer.steadyPeakA, 0)),
    // Where not even the dark lights can be fed the limit is next to nothing, not none.
    limitMicroA: guarded ? Math.max(1, Math.floor(guarded.limitA * 1e6)) : 0,
    microAPerByte: show.groups.map((group) => {
      const consumer = consumers.get(group.id);
      const fullA = consumer && isHere(consumer) ? fullOf(consumer, 'peak') : 0;
      return microA(fullA / Math.max(1, group.points * diceOf(group)));
    }),
    // What hangs on another rail of the same supply is dimmed with it, so that the piece stays of one brightness.
    dims: show.groups.map((group) => {
      const consumer = consumers.get(group.id);
      return guarded === null || consumer === undefined || guarded.nodeOf(consumer) >= 0;
    }),
  };
}

/** What the limiter of a program keeps to: each supply on which something hangs that it moves, the hungriest first. */
export function limitOf(guards: readonly Guarded[], show: Show, consumers: ReadonlyMap<string, Consumer>): ShowLimit {
  const limits = guards
    .map((guard) => limitSupply(guard, show, consumers))
    .filter(({ microAPerByte }) => microAPerByte.some((each) => each > 0));
  const [first = limitSupply(guards[0] ?? null, show, consumers), ...others] = limits;
  return { ...first, others };
}
