import { diceOf, type Show, type ShowLimit } from '../motion/index.ts';
import { type Consumer, fullOf } from './consumers.ts';

/** The rail that the program's limiter guards: node of its tree, and the most that it gives. */
export interface Guarded {
  /** Number of the rail’s node in its tree. */
  readonly node: number;
  /** The most that it gives with little charge left and all else dark. */
  readonly limitA: number;
  readonly nodeOf: (consumer: Consumer) => number;
}

/** What the limiter counts with: rounded up for what lights draw, down for what the supply gives with little charge left. */
export function limitOf(guarded: Guarded | null, show: Show, consumers: ReadonlyMap<string, Consumer>): ShowLimit {
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
  };
}
