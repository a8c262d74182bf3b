import { bands } from '../../items/limits.ts';
import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u8, u32 } from '../program.ts';
import { count, level, time } from '../rows.ts';
import { litOf, wholeMs } from '../whole.ts';
import type { Shots } from './schema.ts';

interface CompiledShots extends CompiledBase {
  readonly kind: 'shots';
  readonly count: number;
  readonly onMs: number;
  readonly offMs: number;
}

/** So many flashes one after another, then a pause. */
export const shots = defineMove<Shots, CompiledShots>({
  kind: 'shots',
  rank: 90,
  usual: (colour, height) => ({ kind: 'shots', colour, count: 4, onS: 0.12, offS: 0.4, pauseS: 2, level: height }),
  rows: [
    count('count', 'Shots', bands.shots),
    time('onS', 'Lit', bands.stepS),
    time('offS', 'Dark', bands.stepS),
    time('pauseS', 'Pause after them', bands.pauseS),
    level,
  ],
  words: (move) => say`fires ${move.count} shot${move.count === 1 ? '' : 's'}, then rests ${seconds(move.pauseS)}`,
  spanS: (move) => 2 * (move.count * (move.onS + move.offS) + move.pauseS),
  calmer: (move) => slower('offS', move.offS, Math.max(0.05, 0.5 - move.onS)),
  switches: true,
  compile: (move) => {
    const [onMs, offMs] = [wholeMs(move.onS), wholeMs(move.offS)];
    const periodMs = move.count * (onMs + offMs) + Math.round(move.pauseS * 1000);
    return { kind: 'shots', periodMs, ...litOf(move), count: move.count, onMs, offMs };
  },
  program: {
    count: u8((move) => move.count),
    on_ms: u32((move) => move.onMs),
    off_ms: u32((move) => move.offMs),
  },
  // Lit and dark: how long each lasts is known exactly.
  programBytes: 340,
  sampleMs: (move) =>
    Array.from({ length: move.count }, (_, i) => i * (move.onMs + move.offMs)).flatMap((start) => [
      start,
      start + move.onMs,
    ]),
  litShare: (move) => (move.count * move.onMs) / move.periodMs,
  begin: (moment, move) => {
    const inPeriod = moment.tMs % move.periodMs;
    const both = move.onMs + move.offMs;
    moment.level = inPeriod < move.count * both && inPeriod % both < move.onMs ? move.level : 0;
  },
});
