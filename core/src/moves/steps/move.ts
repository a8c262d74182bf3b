import { bands } from '../../items/limits.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { rgbField, u8 } from '../program.ts';
import type { Rgb } from '../rgb.ts';
import { colour, count, share, shows } from '../rows.ts';
import { readOf } from '../shown.ts';
import { between, level8, litOf, parseColour } from '../whole.ts';
import type { Steps } from './schema.ts';

interface CompiledSteps extends CompiledBase {
  readonly kind: 'steps';
  readonly second: Rgb;
  readonly control: number;
  readonly count: number;
  readonly low: number;
}

/** Which of so many steps a value stands on. */
const stepOf = (value: number, steps: number): number => Math.trunc((value * steps) / 256);

/** A value shown in steps of level and colour. */
export const steps = defineMove<Steps, CompiledSteps>({
  kind: 'steps',
  rank: 130,
  usual: (own, height) => ({
    kind: 'steps',
    colour: own,
    second: own,
    controlId: null,
    count: 4,
    low: 0.1,
    level: height,
  }),
  rows: [
    shows,
    count('count', 'Steps', bands.steps),
    colour('second', 'Colour of the lowest'),
    share('low', 'Lowest'),
    share('level', 'Highest'),
  ],
  words: (move) => `shows a value in ${move.count} steps`,
  spanS: () => 0,
  compile: (move, target) => ({
    kind: 'steps',
    periodMs: 1,
    ...litOf(move),
    second: parseColour(move.second),
    control: target.controlIndex(move.controlId),
    count: move.count,
    low: level8(move.low),
  }),
  program: {
    second: rgbField((move) => move.second),
    control: u8((move) => move.control),
    count: u8((move) => move.count),
    low: u8((move) => move.low),
  },
  programBytes: 260,
  sampleMs: () => [0],
  begin: (moment, move, reads) => {
    const step = stepOf(readOf(reads, move.control), move.count);
    moment.level = between(move.low, move.level, step, move.count - 1);
    moment.blend = Math.trunc((step * 255) / (move.count - 1));
  },
});
