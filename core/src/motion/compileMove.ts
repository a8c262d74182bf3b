import type { BreathCurve, FlickerCharacter, Move } from '../plan/index.ts';
import { breathCurves } from '../plan/index.ts';

export type Rgb = readonly [number, number, number];

interface Lit {
  readonly rgb: Rgb;
  readonly level: number;
}

/**
 * A move with its settings in the engine's own units: whole milliseconds, 8-bit levels, whole lights. After `periodMs`
 * the frames come again; a build-up is the one that does not, it stays at its height.
 */
export type CompiledMove = { readonly periodMs: number } & (
  | ({ readonly kind: 'steady' } & Lit)
  | {
      readonly kind: 'breathe';
      readonly rgb: Rgb;
      readonly low: number;
      readonly high: number;
      readonly curve: BreathCurve;
    }
  | ({ readonly kind: 'chase'; readonly groups: number; readonly stepMs: number; readonly sense: 1 | -1 } & Lit)
  | ({ readonly kind: 'sweep'; readonly tail: number } & Lit)
  | ({ readonly kind: 'fill' } & Lit)
  | ({
      readonly kind: 'drift';
      readonly second: Rgb;
      /** Shift of phase from light to light, of 65,536. */
      readonly shift: number;
      /** Mixes light instead of levels, so that the current goes in a straight line. */
      readonly keepsCurrent: boolean;
    } & Lit)
  | ({ readonly kind: 'sparkle'; readonly share256: number; readonly stepMs: number; readonly seed: number } & Lit)
  | ({
      readonly kind: 'flicker';
      readonly low: number;
      readonly stepMs: number;
      /** Values below it are dark, those above full; 0 = the level glides. */
      readonly threshold: number;
      readonly alike: boolean;
      readonly seed: number;
    } & Lit)
  | ({ readonly kind: 'shots'; readonly count: number; readonly onMs: number; readonly offMs: number } & Lit)
  | ({ readonly kind: 'build-up'; readonly low: number } & Lit)
  | ({
      readonly kind: 'cells';
      readonly columns: number;
      readonly rows: number;
      /** Bit n: with n living neighbours. */
      readonly birth: number;
      readonly survival: number;
      readonly wraps: boolean;
      readonly melts: boolean;
      readonly stepMs: number;
      readonly share256: number;
      readonly seed: number;
    } & Lit)
  | ({ readonly kind: 'gauge'; readonly control: number } & Lit)
  | ({
      readonly kind: 'steps';
      readonly second: Rgb;
      readonly control: number;
      readonly count: number;
      readonly low: number;
    } & Lit)
);

/** What a move has to know of where it is shown. */
export interface MoveGround {
  /** Rows and columns of the lights; a plain group is one row. */
  readonly columns: number;
  readonly rows: number;
  /** Number of a control in the show; `NO_CONTROL` where there is none. */
  readonly controlIndex: (id: string | null) => number;
}

/** A value that nothing gives counts as full. */
export const NO_CONTROL = 255;

/** Slots after which chance comes round. */
export const SPARKLE_SLOTS = 64;
export const FLICKER_SLOTS = 256;

interface FlickerRow {
  readonly stepMs: number;
  /** Lowest level, of 255 of the move's own. */
  readonly low: number;
  readonly threshold: number;
  readonly alike: boolean;
}

/** What each kind of flicker is made of, found by eye, and none of it faster than three flashes a second at any start number. */
const flickers: Readonly<Record<FlickerCharacter, FlickerRow>> = {
  candle: { stepMs: 180, low: 120, threshold: 0, alike: false },
  ember: { stepMs: 600, low: 60, threshold: 0, alike: false },
  'failing tube': { stepMs: 400, low: 20, threshold: 90, alike: true },
  'engine idle': { stepMs: 240, low: 150, threshold: 0, alike: true },
  'engine full': { stepMs: 60, low: 238, threshold: 0, alike: true },
};

export function parseColour(colour: string): Rgb {
  const value = Number.parseInt(colour.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

const level8 = (level: number): number => Math.round(level * 255);
export const wholeMs = (seconds: number): number => Math.max(1, Math.round(seconds * 1000));
const bits = (numbers: readonly number[]): number => numbers.reduce((mask, number) => mask | (1 << number), 0);

/** The settings of a move in whole numbers. */
export function compileMove(move: Move, ground: MoveGround): CompiledMove {
  if (move.kind === 'breathe')
    return {
      kind: 'breathe',
      periodMs: wholeMs(move.periodS),
      rgb: parseColour(move.colour),
      low: level8(move.low),
      high: level8(move.high),
      curve: move.curve ?? breathCurves[0],
    };
  const lit = { rgb: parseColour(move.colour), level: level8(move.level) } as const;
  switch (move.kind) {
    case 'steady':
      return { kind: 'steady', periodMs: 1, ...lit };
    case 'chase': {
      const stepMs = wholeMs(move.stepS);
      const sense = move.direction === 'onward' ? 1 : -1;
      return { kind: 'chase', periodMs: stepMs * move.groups, ...lit, groups: move.groups, stepMs, sense };
    }
    case 'sweep':
      return { kind: 'sweep', periodMs: wholeMs(move.periodS), ...lit, tail: move.tail };
    case 'fill':
      return { kind: 'fill', periodMs: wholeMs(move.periodS), ...lit };
    case 'drift':
      return {
        kind: 'drift',
        periodMs: wholeMs(move.periodS),
        ...lit,
        second: parseColour(move.second),
        shift: move.wave === 0 ? 0 : Math.trunc(65_536 / move.wave),
        keepsCurrent: move.keeps === 'current',
      };
    case 'shots': {
      const [onMs, offMs] = [wholeMs(move.onS), wholeMs(move.offS)];
      const periodMs = move.count * (onMs + offMs) + Math.round(move.pauseS * 1000);
      return { kind: 'shots', periodMs, ...lit, count: move.count, onMs, offMs };
    }
    case 'build-up':
      return { kind: 'build-up', periodMs: wholeMs(move.riseS), ...lit, low: level8(move.low) };
    case 'gauge':
      return { kind: 'gauge', periodMs: 1, ...lit, control: ground.controlIndex(move.controlId) };
    case 'steps':
      return {
        kind: 'steps',
        periodMs: 1,
        ...lit,
        second: parseColour(move.second),
        control: ground.controlIndex(move.controlId),
        count: move.count,
        low: level8(move.low),
      };
    default:
      return compileChance(move, lit, ground);
  }
}

function compileChance(
  move: Extract<Move, { kind: 'sparkle' | 'flicker' | 'cells' }>,
  lit: Lit,
  ground: MoveGround,
): CompiledMove {
  switch (move.kind) {
    case 'sparkle': {
      const stepMs = wholeMs(move.stepS);
      const share256 = Math.round(move.share * 256);
      return { kind: 'sparkle', periodMs: stepMs * SPARKLE_SLOTS, ...lit, share256, stepMs, seed: move.seed };
    }
    case 'flicker': {
      const row = flickers[move.character];
      const low = Math.trunc((lit.level * row.low) / 255);
      return { kind: 'flicker', periodMs: row.stepMs * FLICKER_SLOTS, ...lit, ...row, low, seed: move.seed };
    }
    default: {
      const stepMs = wholeMs(move.stepS);
      return {
        kind: 'cells',
        periodMs: stepMs * move.generations,
        ...lit,
        columns: ground.columns,
        rows: ground.rows,
        birth: bits(move.birth),
        survival: bits(move.survival),
        wraps: move.wraps,
        melts: move.melts,
        stepMs,
        share256: Math.round(move.share * 256),
        seed: move.seed,
      };
    }
  }
}
