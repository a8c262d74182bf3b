import { say, seconds } from '../../units/index.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u8 } from '../program.ts';
import { share, time } from '../rows.ts';
import { between, level8, litOf, wholeMs } from '../whole.ts';
import type { BuildUp } from './schema.ts';

/** It is the move that does not come again: it stays at its height. */
interface CompiledBuildUp extends CompiledBase {
  readonly kind: 'build-up';
  readonly low: number;
}

/** From low to high once, and then it stays. */
export const buildUp = defineMove<BuildUp, CompiledBuildUp>({
  kind: 'build-up',
  rank: 100,
  usual: (colour, height) => ({ kind: 'build-up', colour, riseS: 6, low: 0, level: height }),
  rows: [time('riseS', 'Rises over'), share('low', 'From'), share('level', 'To')],
  words: (move) => say`builds up over ${seconds(move.riseS)}`,
  spanS: (move) => move.riseS * 1.3,
  compile: (move) => ({ kind: 'build-up', periodMs: wholeMs(move.riseS), ...litOf(move), low: level8(move.low) }),
  program: { low: u8((move) => move.low) },
  // It stays at its height for the rest of the mood.
  programBytes: 160,
  sampleMs: (move) => [move.periodMs],
  begin: (moment, move) => {
    moment.level = between(move.low, move.level, Math.min(moment.tMs, move.periodMs), move.periodMs);
  },
});
