import { celsius, defineFormula, type Message, type Quantity, quantity, say, seconds } from '../units/index.ts';

/** A temperature at a time, as read off a thermometer or a thermal camera. */
export interface ReflowPoint {
  /** From the start. */
  readonly atS: number;
  readonly temperatureC: number;
}

/** What an alloy and its paste want; the paste's own sheet rules. */
export interface ReflowAlloy {
  readonly meltsC: number;
  /** Least and most. */
  readonly peakC: readonly [least: number, most: number];
  /** Least and most time above melting. */
  readonly aboveMeltS: readonly [least: number, most: number];
  /** Going up. */
  readonly mostRampKPerS: number;
  /** Going down. */
  readonly mostCoolKPerS: number;
}

/** Usual limits of the two alloys. */
export const reflowAlloys = {
  'tin-lead': { meltsC: 183, peakC: [205, 225], aboveMeltS: [45, 90], mostRampKPerS: 3, mostCoolKPerS: 6 },
  'lead-free': { meltsC: 217, peakC: [235, 250], aboveMeltS: [60, 120], mostRampKPerS: 3, mostCoolKPerS: 6 },
} as const satisfies Record<string, ReflowAlloy>;

/** What a reflow came to, and where it left the usual limits of its alloy. */
export interface ReflowVerdict {
  readonly peakC: number;
  /** Time above melting. */
  readonly aboveMeltS: number;
  /** Within 4 K of the peak. */
  readonly atPeakS: number;
  readonly steepestRampKPerS: number;
  readonly steepestCoolKPerS: number;
  /** Where it left the usual limits; empty where it did not. */
  readonly faults: readonly Message[];
}

/** Time spent at or above a level, straight lines between the readings. */
export function timeAbove(points: readonly ReflowPoint[], levelC: number): number {
  return points.slice(1).reduce((sum, to, i) => {
    const from = points[i] ?? to;
    const span = to.atS - from.atS;
    const [low, high] = [Math.min(from.temperatureC, to.temperatureC), Math.max(from.temperatureC, to.temperatureC)];
    if (low >= levelC) return sum + span;
    return high <= levelC ? sum : sum + (span * (high - levelC)) / (high - low);
  }, 0);
}

/**
 * Judges a soldering by its list of times and temperatures.
 * @example lead-free, 245 °C held 18 s, 1.5 K/s up, 2.5 K/s down: 22.3 s at the peak, 47.9 s above 217 °C: too short
 */
export function judgeReflow(points: readonly ReflowPoint[], alloy: ReflowAlloy): ReflowVerdict {
  const slopes = points.slice(1).map((to, i) => {
    const from = points[i] ?? to;
    return (to.temperatureC - from.temperatureC) / Math.max(1e-9, to.atS - from.atS);
  });
  const peakC = Math.max(...points.map((point) => point.temperatureC));
  const verdict = {
    peakC,
    aboveMeltS: timeAbove(points, alloy.meltsC),
    atPeakS: timeAbove(points, peakC - 4),
    steepestRampKPerS: Math.max(0, ...slopes),
    steepestCoolKPerS: Math.max(0, ...slopes.map((slope) => -slope)),
  };
  const rate = (value: number): Quantity => quantity('rateKPerS', value);
  const faults = [
    peakC < alloy.peakC[0] && say`peak ${celsius(peakC)} is below ${celsius(alloy.peakC[0])}: cold joints`,
    peakC > alloy.peakC[1] && say`peak ${celsius(peakC)} is above ${celsius(alloy.peakC[1])}: lenses and boards suffer`,
    verdict.aboveMeltS < alloy.aboveMeltS[0] &&
      say`${seconds(verdict.aboveMeltS)} above ${celsius(alloy.meltsC)} is less than ${seconds(alloy.aboveMeltS[0])}: it may not have flowed everywhere`,
    verdict.aboveMeltS > alloy.aboveMeltS[1] &&
      say`${seconds(verdict.aboveMeltS)} above ${celsius(alloy.meltsC)} is more than ${seconds(alloy.aboveMeltS[1])}: flux is spent, pads lift`,
    verdict.steepestRampKPerS > alloy.mostRampKPerS + 1e-9 &&
      say`it rises by ${rate(verdict.steepestRampKPerS)}, more than ${rate(alloy.mostRampKPerS)}: parts crack, paste spits balls`,
    verdict.steepestCoolKPerS > alloy.mostCoolKPerS + 1e-9 &&
      say`it cools by ${rate(verdict.steepestCoolKPerS)}, more than ${rate(alloy.mostCoolKPerS)}: thermal shock`,
  ].filter((fault) => fault !== false);
  return { ...verdict, faults };
}

/** Solder that paste leaves on a pad. @example 2 mm × 1 mm × 0.12 mm, half of it flux: 0.12 mm³ */
export const solderVolume = defineFormula({
  name: 'Solder from a deposit of paste',
  gives: { meaning: 'volume of metal', kind: 'volumeMm3' },
  symbols: {
    a: { meaning: 'pad length', kind: 'lengthMm' },
    b: { meaning: 'pad width', kind: 'lengthMm' },
    h: { meaning: 'height of the paste', kind: 'lengthMm' },
    m: { meaning: 'metal in the paste, by volume', kind: 'fraction' },
  },
  form: '{V} = {a} · {b} · {h} · {m}',
  source: 'half of a paste’s volume is flux',
  reckon: ({ a, b, h, m }) => a * b * h * m,
});
