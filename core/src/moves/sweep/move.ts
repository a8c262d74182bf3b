import { bands } from '../../items/limits.ts';
import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u16 } from '../program.ts';
import { along, count, level, time } from '../rows.ts';
import { phaseOf, triangle } from '../waves.ts';
import { evenly, litOf, SAMPLES, wholeMs } from '../whole.ts';
import { sayAlong } from '../words.ts';
import type { Sweep } from './schema.ts';

interface CompiledSweep extends CompiledBase {
  readonly kind: 'sweep';
  readonly tail: number;
}

/** A head that goes there and back along the lights, with a tail behind it. */
export const sweep = defineMove<Sweep, CompiledSweep>({
  kind: 'sweep',
  rank: 40,
  usual: (colour, height) => ({ kind: 'sweep', colour, periodS: 4, tail: 6, level: height }),
  rows: [time('periodS', 'There and back'), count('tail', 'Tail, lights', bands.tail), along, level],
  words: (move) => say`sweeps there and back in ${seconds(move.periodS)}${sayAlong(move)}`,
  spanS: (move) => move.periodS * 2,
  calmer: (move) => slower('periodS', move.periodS, 1, 'one'),
  travels: true,
  compile: (move) => ({ kind: 'sweep', periodMs: wholeMs(move.periodS), ...litOf(move), tail: move.tail }),
  program: { tail: u16((move) => move.tail) },
  cyclesAPixel: 660,
  programBytes: 445,
  sampleMs: (move) => evenly(move.periodMs, SAMPLES),
  begin: (moment, move, _reads, length) => {
    const phase = phaseOf(moment.tMs, move.periodMs);
    moment.at256 = Math.trunc((triangle(phase) * (length - 1) * 256) / 65_535);
    moment.rises = phase < 32_768;
  },
  // The head glides from light to light, the tail falls off behind it.
  level: (move, { rises, at256 }, _point, place256) => {
    const ahead = rises ? place256 - at256 : at256 - place256;
    const share = ahead >= 0 ? 256 - ahead : 256 - Math.trunc(-ahead / (move.tail + 1));
    return (move.level * Math.max(0, share)) >> 8;
  },
});
