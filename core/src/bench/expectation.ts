import { type Message, type QuantityKind, quantity, say } from '../units/index.ts';

/** The band a reading should lie in: the model's spread and the meter's own, added as in the worst case. */
export interface Expectation {
  /** What the meter is set to. */
  readonly kind: QuantityKind;
  /** In base units of that kind. */
  readonly likely: number;
  /** Least that is still right. */
  readonly low: number;
  /** Most that is still right; infinite where there is no upper end. */
  readonly high: number;
}

/** A usual hand meter: one and a half per cent of the reading. */
const METER_SHARE = 0.015;

/** @example a model of 0.98 A ± 6 %, meter ± 1.5 %: 0.907 to 1.053 A */
export function expectShare(kind: QuantityKind, likely: number, modelShare: number): Expectation {
  const width = Math.abs(likely) * (modelShare + METER_SHARE);
  return { kind, likely, low: likely - width, high: likely + width };
}

/** A band given by its ends, widened by the meter. */
export function expectBetween(kind: QuantityKind, low: number, high: number, likely = (low + high) / 2): Expectation {
  return { kind, likely, low: low - METER_SHARE * Math.abs(low), high: high + METER_SHARE * Math.abs(high) };
}

/** The band in words. @example "365 Ω to 415 Ω", "1.00 kΩ or more", "43" */
export function sayBand({ kind, low, high }: Expectation): Message {
  if (!Number.isFinite(high)) return say`${quantity(kind, low)} or more`;
  return low === high ? quantity(kind, low) : say`${quantity(kind, low)} to ${quantity(kind, high)}`;
}

/** What the milliampere range of a usual hand meter bears, with room for a slip. */
const MILLIAMPERES_TO_A = 0.15;

/**
 * The range of a hand meter for a current that may come to so much at most: the 10 A one shows 10 mA at best, and what is
 * too much for the other blows its fuse.
 */
export const meterRange = (mostA: number): string => (mostA <= MILLIAMPERES_TO_A ? 'milliampere range' : '10 A range');

/** How a reading stands to what was expected: within, just outside, or off. */
export type Verdict = 'right' | 'near' | 'wrong';

/** A reading judged, with what its distance from the likely value points at. */
export interface Judgement {
  readonly verdict: Verdict;
  /** Against the likely value, as a share. */
  readonly deviation: number;
  /** What it points at, behind the verdict. */
  readonly words: Message;
}

const slips: readonly (readonly [factor: number, words: string])[] = [
  [1000, 'a thousand times too much: was it milli?'],
  [1e-3, 'a thousandth: was the unit mistaken?'],
  [10, 'ten times too much: a decade out, or the point in the wrong place'],
  [0.1, 'a tenth: a decade out, or the point in the wrong place'],
];

function explain(value: number, expected: Expectation): string {
  if (expected.kind === 'currentA' && Math.abs(value) < expected.low * 0.02)
    return 'no current: a light the wrong way round, an open joint, or the meter’s own fuse';
  if (expected.kind === 'voltageV' && Math.abs(value) < 0.05)
    return 'no voltage: switch, fuse or plug open, or the probes on one net';
  // An open-ended band holds anything above it, so a slip can't be told from a fault there.
  const slip = Number.isFinite(expected.high)
    ? slips.find(([factor]) => value / factor >= expected.low && value / factor <= expected.high)
    : undefined;
  if (slip) return slip[1];
  if (expected.kind === 'resistanceOhm' && value < expected.low)
    return 'too low: look for a bridge, or a wrong resistor';
  return value < expected.low ? 'too low' : 'too high';
}

/** Judges a reading at once: inside the band, within half a band of it, or wrong with the likeliest slip. */
export function judgeReading(expected: Expectation, value: number): Judgement {
  const deviation = expected.likely === 0 || !Number.isFinite(expected.likely) ? 0 : value / expected.likely - 1;
  const band = sayBand(expected);
  if (value >= expected.low && value <= expected.high)
    return { verdict: 'right', deviation, words: say`as expected (${band})` };
  const half = Number.isFinite(expected.high) ? (expected.high - expected.low) / 4 : 0;
  if (value >= expected.low - half && value <= expected.high + half)
    return { verdict: 'near', deviation, words: say`just outside ${band}: measure again, then look closer` };
  return { verdict: 'wrong', deviation, words: say`${explain(value, expected)} (expected ${band})` };
}
