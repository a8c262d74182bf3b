import type { PlacedGroup } from '../lights/index.ts';
import type { Design, FlickerCharacter, Mood, Move } from '../plan/index.ts';

type Rgb = readonly [number, number, number];

/**
 * A move with its settings in the engine's own units: whole milliseconds, 8-bit levels, whole lights. After `periodMs`
 * the frames come again; a build-up is the one that does not, it stays at its height.
 */
export type CompiledMove =
  | { readonly kind: 'dark'; readonly periodMs: 1 }
  | { readonly kind: 'steady'; readonly periodMs: 1; readonly rgb: Rgb; readonly level: number }
  | {
      readonly kind: 'breathe';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly low: number;
      readonly high: number;
    }
  | {
      readonly kind: 'chase';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly level: number;
      readonly groups: number;
      readonly stepMs: number;
      readonly sense: 1 | -1;
    }
  | {
      readonly kind: 'sweep';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly level: number;
      readonly tail: number;
    }
  | { readonly kind: 'fill'; readonly periodMs: number; readonly rgb: Rgb; readonly level: number }
  | {
      readonly kind: 'drift';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly second: Rgb;
      readonly level: number;
      /** Shift of phase from light to light, of 65,536. */
      readonly shift: number;
    }
  | {
      readonly kind: 'sparkle';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly level: number;
      readonly share256: number;
      readonly stepMs: number;
      readonly seed: number;
    }
  | {
      readonly kind: 'flicker';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly level: number;
      readonly low: number;
      readonly stepMs: number;
      /** Values below it are dark, those above full; 0 = the level glides. */
      readonly threshold: number;
      readonly alike: boolean;
      readonly seed: number;
    }
  | {
      readonly kind: 'shots';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly level: number;
      readonly count: number;
      readonly onMs: number;
      readonly offMs: number;
    }
  | {
      readonly kind: 'build-up';
      readonly periodMs: number;
      readonly rgb: Rgb;
      readonly level: number;
      readonly low: number;
    };

/** One light group as the engine sees it: `points` pixels of three bytes, or `points` channels of one. */
export interface ShowGroup {
  readonly id: string;
  readonly points: number;
  readonly bytesPerPoint: 1 | 3;
  readonly offset: number;
}

/** A mood ready to run: one move per group, in the order of the groups. */
export interface ShowMood {
  readonly id: string;
  /** 0…256: what every byte is multiplied by after the gamma curve, then divided by 256. */
  readonly brightness256: number;
  readonly moves: readonly CompiledMove[];
}

/** All that the engine needs to give frames. */
export interface Show {
  readonly groups: readonly ShowGroup[];
  readonly moods: readonly ShowMood[];
  readonly frameBytes: number;
}

export function parseColour(colour: string): Rgb {
  const value = Number.parseInt(colour.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

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

/** What each kind of flicker is made of, found by eye. */
const flickers: Readonly<Record<FlickerCharacter, FlickerRow>> = {
  candle: { stepMs: 90, low: 120, threshold: 0, alike: false },
  ember: { stepMs: 600, low: 60, threshold: 0, alike: false },
  'failing tube': { stepMs: 400, low: 20, threshold: 90, alike: true },
  'engine idle': { stepMs: 240, low: 150, threshold: 0, alike: true },
  'engine full': { stepMs: 60, low: 215, threshold: 0, alike: true },
};

const level8 = (level: number): number => Math.round(level * 255);
const wholeMs = (seconds: number): number => Math.max(1, Math.round(seconds * 1000));

export function compileMove(move: Move | undefined): CompiledMove {
  switch (move?.kind) {
    case 'steady':
      return { kind: 'steady', periodMs: 1, rgb: parseColour(move.colour), level: level8(move.level) };
    case 'breathe':
      return {
        kind: 'breathe',
        periodMs: wholeMs(move.periodS),
        rgb: parseColour(move.colour),
        low: level8(move.low),
        high: level8(move.high),
      };
    case 'chase': {
      const stepMs = wholeMs(move.stepS);
      const sense = move.direction === 'onward' ? 1 : -1;
      return {
        kind: 'chase',
        periodMs: stepMs * move.groups,
        rgb: parseColour(move.colour),
        level: level8(move.level),
        groups: move.groups,
        stepMs,
        sense,
      };
    }
    default:
      return move ? compileRunning(move) : { kind: 'dark', periodMs: 1 };
  }
}

type Running = Exclude<Move, { kind: 'steady' | 'breathe' | 'chase' }>;

function compileRunning(move: Running): CompiledMove {
  const common = { rgb: parseColour(move.colour), level: level8(move.level) } as const;
  switch (move.kind) {
    case 'sweep':
      return { kind: 'sweep', periodMs: wholeMs(move.periodS), ...common, tail: move.tail };
    case 'fill':
      return { kind: 'fill', periodMs: wholeMs(move.periodS), ...common };
    case 'drift':
      return {
        kind: 'drift',
        periodMs: wholeMs(move.periodS),
        ...common,
        second: parseColour(move.second),
        shift: move.wave === 0 ? 0 : Math.trunc(65_536 / move.wave),
      };
    case 'sparkle': {
      const stepMs = wholeMs(move.stepS);
      const share256 = Math.round(move.share * 256);
      return { kind: 'sparkle', periodMs: stepMs * SPARKLE_SLOTS, ...common, share256, stepMs, seed: move.seed };
    }
    case 'flicker': {
      const row = flickers[move.character];
      return {
        kind: 'flicker',
        periodMs: row.stepMs * FLICKER_SLOTS,
        ...common,
        ...row,
        low: Math.trunc((common.level * row.low) / 255),
        seed: move.seed,
      };
    }
    case 'shots': {
      const [onMs, offMs] = [wholeMs(move.onS), wholeMs(move.offS)];
      const periodMs = move.count * (onMs + offMs) + Math.round(move.pauseS * 1000);
      return { kind: 'shots', periodMs, ...common, count: move.count, onMs, offMs };
    }
    default:
      return { kind: 'build-up', periodMs: wholeMs(move.riseS), ...common, low: level8(move.low) };
  }
}

const compileMood = (mood: Mood, groups: readonly ShowGroup[]): ShowMood => ({
  id: mood.id,
  brightness256: Math.round(mood.brightness * 256),
  moves: groups.map((group) => compileMove(mood.moves[group.id])),
});

/** Makes the show of a design: groups get their places in the frame, moods their moves in whole numbers. */
export function compileShow(design: Design, placed: readonly PlacedGroup[]): Show {
  let offset = 0;
  const groups = placed.map((group): ShowGroup => {
    const points =
      group.kind === 'tape' ? group.cut.lights : Math.min(group.group.channels, Math.max(1, group.places.length));
    const bytesPerPoint = group.kind === 'tape' ? 3 : 1;
    const row = { id: group.id, points, bytesPerPoint, offset } as const;
    offset += points * bytesPerPoint;
    return row;
  });
  return { groups, moods: design.moods.list.map((mood) => compileMood(mood, groups)), frameBytes: offset };
}
