import { type BreathCurve, breathCurves } from '../../items/limits.ts';
import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u8 } from '../program.ts';
import { choice, share, time } from '../rows.ts';
import { phaseOf, triangle, waveAt } from '../waves.ts';
import { evenly, level8, parseColour, SAMPLES, wholeMs } from '../whole.ts';
import { sayLevel } from '../words.ts';
import type { Breathe } from './schema.ts';

interface CompiledBreath extends CompiledBase {
  readonly kind: 'breathe';
  readonly low: number;
  readonly curve: BreathCurve;
}

/** A beat that rises at once and dies away over its part of the period. */
function beat(phase: number, from: number, rise: number, fall: number, height: number): number {
  if (phase < from || phase >= from + rise + fall) return 0;
  if (phase < from + rise) return Math.trunc((height * (phase - from)) / rise);
  const left = from + rise + fall - phase;
  return Math.trunc((height * Math.trunc((left * 255) / fall) ** 2) / 65_025);
}

/** Height of a breath at a phase, 0…255. */
function shapeOf(curve: BreathCurve, phase: number): number {
  switch (curve) {
    case 'soft':
      return waveAt(phase);
    case 'even':
      return Math.trunc(triangle(phase) / 257);
    case 'sharp':
      return beat(phase, 0, 4096, 61_440, 255);
    default:
      return Math.max(beat(phase, 0, 3072, 12_288, 255), beat(phase, 15_360, 3072, 20_480, 170));
  }
}

/** Up and down between two levels, by one of four curves. */
export const breathe = defineMove<Breathe, CompiledBreath>({
  kind: 'breathe',
  rank: 20,
  usual: (colour, high) => ({ kind: 'breathe', colour, periodS: 3, low: Math.min(0.1, high), high }),
  heightOf: (move) => move.high,
  rows: [
    time('periodS', 'One breath'),
    choice<BreathCurve>('curve', 'Rises and falls', {
      soft: 'softly',
      even: 'evenly',
      sharp: 'up at once',
      heart: 'like a heart',
    }),
    share('low', 'Lowest'),
    share('high', 'Highest'),
  ],
  words: (move) => say`breathes in ${seconds(move.periodS)}, ${sayLevel(move.low)} to ${sayLevel(move.high)}`,
  spanS: (move) => move.periodS * 2,
  calmer: (move) => slower('periodS', move.periodS, move.curve === 'heart' ? 1 : 0.5),
  compile: (move) => ({
    kind: 'breathe',
    periodMs: wholeMs(move.periodS),
    rgb: parseColour(move.colour),
    level: level8(move.high),
    low: level8(move.low),
    curve: move.curve ?? breathCurves[0],
  }),
  program: { low: u8((move) => move.low), curve: u8((move) => breathCurves.indexOf(move.curve)) },
  programBytes: 1000,
  sampleMs: (move) => evenly(move.periodMs, SAMPLES),
  begin: (moment, move) => {
    const rise = (move.level - move.low) * shapeOf(move.curve, phaseOf(moment.tMs, move.periodMs));
    // Half a step is added toward the rise's own side, so that a falling breath rounds like a rising one.
    moment.level = move.low + Math.trunc((rise + (rise < 0 ? -127 : 127)) / 255);
  },
});
