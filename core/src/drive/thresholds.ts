/** Sensor resistance that a code stands for, with the fixed resistor to minus. @example 22 kΩ, 12 bits, 2000: 23.06 kΩ */
export const sensorFromCode = (code: number, fixedOhm: number, bits: number): number =>
  fixedOhm * (2 ** bits / code - 1);

/** A reading of the maker's own: what it was like, and the code that was read. */
export interface NamedReading {
  readonly name: string;
  /** Of the converter. */
  readonly code: number;
}

/** One switch point between two named conditions: two codes with a gap that noise can't cross. */
export interface Threshold {
  /** Names of the readings below and above. */
  readonly between: readonly [string, string];
  /** Code under which it changes to the lower. */
  readonly fallsBelow: number;
  /** Code over which it changes back. */
  readonly risesAbove: number;
  /** Twice the noise must be less than this for one switching a crossing. */
  readonly gap: number;
  /** Its gap is over twice the noise. */
  readonly holds: boolean;
}

/**
 * Thresholds between the maker's own readings, in order of their codes: at a third and two thirds of each step, so that
 * every level is reached and none chatters; `holds` where the gap is wider than the noise both ways.
 */
export function chooseThresholds(readings: readonly NamedReading[], noise: number): readonly Threshold[] {
  const sorted = [...readings].sort((a, b) => a.code - b.code);
  return sorted.slice(1).map((upper, i) => {
    const lower = sorted[i] ?? upper;
    const step = upper.code - lower.code;
    const [fallsBelow, risesAbove] = [Math.round(lower.code + step / 3), Math.round(upper.code - step / 3)];
    const gap = risesAbove - fallsBelow;
    return { between: [lower.name, upper.name], fallsBelow, risesAbove, gap, holds: gap > 2 * noise };
  });
}

/** Does a code that was read agree with the one that was to be expected, within a share? */
export const codeAgrees = (code: number, expected: number, share = 0.3): boolean =>
  Math.abs(code - expected) <= Math.max(2, expected * share);
