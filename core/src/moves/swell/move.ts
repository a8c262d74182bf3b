import { bands } from '../../items/limits.ts';
import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u8, u32 } from '../program.ts';
import { share, time } from '../rows.ts';
import { between, evenly, level8, litOf, SAMPLES, wholeMs } from '../whole.ts';
import type { Swell } from './schema.ts';

interface CompiledSwell extends CompiledBase {
  readonly kind: 'swell';
  readonly low: number;
  readonly riseMs: number;
  readonly holdMs: number;
  readonly fallMs: number;
}

/** Swell and hold: it rises, stays, falls, and rests at its lowest. */
export const swell = defineMove<Swell, CompiledSwell>({
  kind: 'swell',
  rank: 25,
  usual: (colour, height) => ({
    kind: 'swell',
    colour,
    riseS: 2,
    holdS: 3,
    fallS: 2,
    restS: 1,
    low: 0,
    level: height,
  }),
  rows: [
    time('riseS', 'Rises over'),
    time('holdS', 'Stays for', bands.pauseS),
    time('fallS', 'Falls over'),
    time('restS', 'Rests for', bands.pauseS),
    share('low', 'Lowest'),
    share('level', 'Highest'),
  ],
  words: (move) => say`swells in ${seconds(move.riseS)}, holds ${seconds(move.holdS)}, falls in ${seconds(move.fallS)}`,
  spanS: (move) => 1.5 * (move.riseS + move.holdS + move.fallS + move.restS),
  calmer: (move) => slower('restS', move.restS, 0.5 - move.riseS - move.holdS - move.fallS),
  compile: (move) => {
    const [riseMs, fallMs] = [wholeMs(move.riseS), wholeMs(move.fallS)];
    const [holdMs, restMs] = [Math.round(move.holdS * 1000), Math.round(move.restS * 1000)];
    return {
      kind: 'swell',
      periodMs: riseMs + holdMs + fallMs + restMs,
      ...litOf(move),
      low: level8(move.low),
      riseMs,
      holdMs,
      fallMs,
    };
  },
  // Its three times lie where other moves have theirs: a field of its own would lengthen every row of the program.
  program: {
    low: u8((move) => move.low),
    step_ms: u32((move) => move.riseMs),
    on_ms: u32((move) => move.holdMs),
    off_ms: u32((move) => move.fallMs),
  },
  // Its corners, and evenly between them.
  programBytes: 250,
  sampleMs: (move) =>
    [
      ...evenly(move.periodMs, SAMPLES),
      move.riseMs,
      move.riseMs + move.holdMs,
      move.riseMs + move.holdMs + move.fallMs,
    ].sort((a, b) => a - b),
  begin: (moment, move) => {
    const inPeriod = moment.tMs % move.periodMs;
    const falling = inPeriod - move.riseMs - move.holdMs;
    if (inPeriod < move.riseMs) moment.level = between(move.low, move.level, inPeriod, move.riseMs);
    else if (falling < 0) moment.level = move.level;
    else moment.level = falling < move.fallMs ? between(move.level, move.low, falling, move.fallMs) : move.low;
  },
});
