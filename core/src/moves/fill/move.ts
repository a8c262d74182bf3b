import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { filledLevel } from '../filled.ts';
import { along, level, time } from '../rows.ts';
import { phaseOf, triangle } from '../waves.ts';
import { evenly, litOf, SAMPLES, wholeMs } from '../whole.ts';
import { sayAlong } from '../words.ts';
import type { Fill } from './schema.ts';

interface CompiledFill extends CompiledBase {
  readonly kind: 'fill';
}

/** The lights fill up from the first to the last, and empty again. */
export const fill = defineMove<Fill, CompiledFill>({
  kind: 'fill',
  rank: 50,
  usual: (colour, height) => ({ kind: 'fill', colour, periodS: 6, level: height }),
  rows: [time('periodS', 'Fill and empty'), along, level],
  words: (move) => say`fills and empties in ${seconds(move.periodS)}${sayAlong(move)}`,
  spanS: (move) => move.periodS * 2,
  calmer: (move) => slower('periodS', move.periodS, 0.5),
  travels: true,
  compile: (move) => ({ kind: 'fill', periodMs: wholeMs(move.periodS), ...litOf(move) }),
  program: {},
  cyclesAPixel: 475,
  programBytes: 385,
  sampleMs: (move) => evenly(move.periodMs, SAMPLES),
  begin: (moment, move, _reads, length) => {
    moment.at256 = Math.trunc((triangle(phaseOf(moment.tMs, move.periodMs)) * length * 256) / 65_535);
  },
  level: filledLevel,
});
