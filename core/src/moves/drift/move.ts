import { bands } from '../../items/limits.ts';
import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { PLACE_STEPS } from '../places.ts';
import { rgbField, u8, u32 } from '../program.ts';
import type { Rgb } from '../rgb.ts';
import { along, colour, count, keeps, level, time } from '../rows.ts';
import { phaseOf, waveAt } from '../waves.ts';
import { evenly, litOf, parseColour, SAMPLES, wholeMs } from '../whole.ts';
import { sayAlong } from '../words.ts';
import type { Drift } from './schema.ts';

interface CompiledDrift extends CompiledBase {
  readonly kind: 'drift';
  readonly second: Rgb;
  /** Shift of phase from light to light, of 65,536. */
  readonly shift: number;
  /** Mixes light instead of levels, so that the current goes in a straight line. */
  readonly keepsCurrent: boolean;
}

/** Two colours mixed by a wave that runs along the lights. */
export const drift = defineMove<Drift, CompiledDrift>({
  kind: 'drift',
  rank: 60,
  usual: (first, height) => ({ kind: 'drift', colour: first, second: '#2a6bff', periodS: 8, wave: 20, level: height }),
  rows: [
    time('periodS', 'There and back'),
    colour('second', 'To the colour'),
    count('wave', 'Lights to a wave', bands.wave),
    along,
    keeps,
    level,
  ],
  words: (move) => say`drifts between two colours in ${seconds(move.periodS)}${sayAlong(move)}`,
  spanS: (move) => move.periodS * 2,
  calmer: (move) => slower('periodS', move.periodS, 0.5),
  compile: (move) => ({
    kind: 'drift',
    periodMs: wholeMs(move.periodS),
    ...litOf(move),
    second: parseColour(move.second),
    shift: move.wave === 0 ? 0 : Math.trunc(65_536 / move.wave),
    keepsCurrent: move.keeps === 'current',
  }),
  program: {
    second: rgbField((move) => move.second),
    shift: u32((move) => move.shift),
    keeps_current: u8((move) => move.keepsCurrent),
  },
  cyclesAPixel: 590,
  programBytes: 845,
  sampleMs: (move) => evenly(move.periodMs, SAMPLES),
  begin: (moment, move) => {
    moment.phase = phaseOf(moment.tMs, move.periodMs);
  },
  blend: (move, moment, place256) => {
    const steps = Math.trunc((place256 * PLACE_STEPS) / 256);
    return waveAt((moment.phase + Math.trunc((steps * move.shift) / PLACE_STEPS)) & 65_535);
  },
});
