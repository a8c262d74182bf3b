import { bands } from '../../items/limits.ts';
import { say } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { chanceByte } from '../chance.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u16, u32 } from '../program.ts';
import { level, seed, share, time } from '../rows.ts';
import { evenly, litOf, wholeMs } from '../whole.ts';
import { sayLevel } from '../words.ts';
import type { Sparkle } from './schema.ts';

interface CompiledSparkle extends CompiledBase {
  readonly kind: 'sparkle';
  readonly share256: number;
  readonly stepMs: number;
  readonly seed: number;
}

/** Slots after which chance comes round. */
const SLOTS = 64;

/** Single lights come and go by chance. */
export const sparkle = defineMove<Sparkle, CompiledSparkle>({
  kind: 'sparkle',
  rank: 70,
  usual: (colour, height) => ({ kind: 'sparkle', colour, share: 0.15, stepS: 0.4, seed: 1, level: height }),
  rows: [share('share', 'Lit at once'), time('stepS', 'Each for', bands.stepS), seed, level],
  words: (move) => say`sparkles, ${sayLevel(move.share)} lit at once`,
  spanS: (move) => move.stepS * 12,
  calmer: (move) => slower('stepS', move.stepS, 0.5),
  compile: (move) => {
    const stepMs = wholeMs(move.stepS);
    const share256 = Math.round(move.share * 256);
    return { kind: 'sparkle', periodMs: stepMs * SLOTS, ...litOf(move), share256, stepMs, seed: move.seed };
  },
  program: {
    share256: u16((move) => move.share256),
    step_ms: u32((move) => move.stepMs),
    seed: u16((move) => move.seed),
  },
  cyclesAPixel: 1070,
  programBytes: 380,
  sampleMs: (move) => evenly(move.periodMs, 2 * SLOTS),
  begin: (moment, move) => {
    const inPeriod = moment.tMs % move.periodMs;
    const part = Math.trunc(((inPeriod % move.stepMs) * 512) / move.stepMs);
    moment.slot = Math.trunc(inPeriod / move.stepMs);
    moment.part = part < 256 ? part : 512 - part;
  },
  level: (move, moment, point) =>
    chanceByte(move.seed, point, moment.slot) >= move.share256 ? 0 : (move.level * moment.part) >> 8,
});
