import { type FlickerCharacter, flickerCharacters } from '../../items/limits.ts';
import { chanceByte } from '../chance.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u8, u16, u32 } from '../program.ts';
import { choice, level, seed } from '../rows.ts';
import { between, evenly, litOf } from '../whole.ts';
import type { Flicker } from './schema.ts';

interface CompiledFlicker extends CompiledBase {
  readonly kind: 'flicker';
  readonly low: number;
  readonly stepMs: number;
  /** Values below it are dark, those above full; 0 = the level glides. */
  readonly threshold: number;
  readonly alike: boolean;
  readonly seed: number;
}

/** Slots after which chance comes round. */
const SLOTS = 256;

interface Character {
  readonly stepMs: number;
  /** Lowest level, of 255 of the move's own. */
  readonly low: number;
  readonly threshold: number;
  readonly alike: boolean;
}

/** What each kind of flicker is made of, found by eye, and none of it faster than three flashes a second at any start number. */
const characters: Readonly<Record<FlickerCharacter, Character>> = {
  candle: { stepMs: 180, low: 120, threshold: 0, alike: false },
  ember: { stepMs: 600, low: 60, threshold: 0, alike: false },
  'failing tube': { stepMs: 400, low: 20, threshold: 90, alike: true },
  'engine idle': { stepMs: 240, low: 150, threshold: 0, alike: true },
  'engine full': { stepMs: 60, low: 238, threshold: 0, alike: true },
};

/** Light that trembles by chance, as a flame, a tube or an engine does. */
export const flicker = defineMove<Flicker, CompiledFlicker>({
  kind: 'flicker',
  rank: 80,
  usual: (colour, height) => ({ kind: 'flicker', colour, character: 'candle', seed: 1, level: height }),
  rows: [choice('character', 'Like', Object.fromEntries(flickerCharacters.map((each) => [each, each]))), seed, level],
  words: (move) => `flickers like ${/^[aeiou]/.test(move.character) ? 'an' : 'a'} ${move.character}`,
  spanS: (move) => (move.character === 'ember' ? 8 : 4),
  calmer: (move) =>
    move.character === 'ember'
      ? null
      : { say: (it) => `Let ${it} glow like an ember`, key: 'character', value: 'ember' },
  compile: (move) => {
    const row = characters[move.character];
    const lit = litOf(move);
    const low = Math.trunc((lit.level * row.low) / 255);
    return { kind: 'flicker', periodMs: row.stepMs * SLOTS, ...lit, ...row, low, seed: move.seed };
  },
  program: {
    low: u8((move) => move.low),
    step_ms: u32((move) => move.stepMs),
    threshold: u8((move) => move.threshold),
    alike: u8((move) => move.alike),
    seed: u16((move) => move.seed),
  },
  cyclesAPixel: 2470,
  programBytes: 345,
  sampleMs: (move) => evenly(move.periodMs, SLOTS),
  isAlike: (move) => move.alike,
  begin: (moment, move) => {
    const inPeriod = moment.tMs % move.periodMs;
    moment.slot = Math.trunc(inPeriod / move.stepMs);
    moment.part = Math.trunc(((inPeriod % move.stepMs) * 256) / move.stepMs);
  },
  level: (move, { slot, part }, point) => {
    const light = move.alike ? 0 : point;
    const now = chanceByte(move.seed, light, slot);
    if (move.threshold > 0) return now < move.threshold ? move.low : move.level;
    const next = chanceByte(move.seed, light, (slot + 1) % SLOTS);
    return between(move.low, move.level, (now * (256 - part) + next * part) >> 8, 255);
  },
});
