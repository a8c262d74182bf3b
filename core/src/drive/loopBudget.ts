import { defineFormula } from '../units/index.ts';

/** Share of its time that the loop of a controller takes; above 1 it can’t keep up. @example 12 ms sent and 3 ms of work, 50 times a second: 0.75 */
export const loopShare = defineFormula({
  name: 'Share of the loop that is taken',
  gives: { meaning: 'share of the time', kind: 'fraction' },
  symbols: {
    Ts: { meaning: 'sending the pixels', kind: 'timeS' },
    Tw: { meaning: 'other work a frame', kind: 'timeS' },
    f: { meaning: 'frames a second', kind: 'frequencyHz' },
  },
  form: '{u} = ({Ts} + {Tw}) · {f}',
  source: 'the controller does one thing at a time; while pixels are sent nothing interrupts it',
  reckon: ({ Ts, Tw, f }) => (Ts + Tw) * f,
});

/** Longest time that a button pressed at the wrong moment waits: a frame that has just begun, and the one that shows it. */
export const longestWaitS = (sendS: number, workS: number, framesPerS: number): number =>
  Math.max(1 / framesPerS, sendS + workS) + sendS + workS;
