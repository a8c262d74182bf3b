import type { PlacedGroup } from '../lights/index.ts';
import type { Design, Mood, Move } from '../plan/index.ts';

/** A move with its settings in the engine's own units: whole milliseconds and 8-bit levels. */
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
    };

type Rgb = readonly [number, number, number];

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
      return { kind: 'dark', periodMs: 1 };
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
