import type { Rgb } from './rgb.ts';

/** #rrggbb as three bytes. */
export function parseColour(colour: string): Rgb {
  const value = Number.parseInt(colour.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

/** A level, 0…1, as the engine counts it. */
export const level8 = (level: number): number => Math.round(level * 255);
/** Seconds as whole milliseconds, at least one: no period is nothing. */
export const wholeMs = (seconds: number): number => Math.max(1, Math.round(seconds * 1000));

/** Colour and height of a move in the engine's units. */
export const litOf = (move: {
  readonly colour: string;
  readonly level: number;
}): { readonly rgb: Rgb; readonly level: number } => ({ rgb: parseColour(move.colour), level: level8(move.level) });

/** So far from low to high as a part is of a whole. */
export const between = (low: number, high: number, part: number, whole: number): number =>
  low + Math.trunc(((high - low) * part) / whole);

/** As many times evenly over a period; of a short one every millisecond, so that none counts twice. */
export function evenly(periodMs: number, samples: number): readonly number[] {
  const count = Math.min(periodMs, samples);
  return Array.from({ length: count }, (_, i) => Math.trunc((i * periodMs) / count));
}

/** Frames that stand for a movement without steps. */
export const SAMPLES = 48;
