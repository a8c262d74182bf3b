import { Matrix, solve } from 'ml-matrix';
import { solveRising } from './root.ts';

/** The curve of a light-emitting diode, `V(I) = nVt·ln(I/Is + 1) + I·Rs` (Shockley with series resistance). */
export interface LedCurve {
  /** Emission coefficient times thermal voltage. */
  readonly nVtV: number;
  /** Current at which the exponential begins. */
  readonly saturationA: number;
  /** What rises in a straight line on top. */
  readonly seriesOhm: number;
}

/**
 * The curve through two readings, with the series resistance given.
 * @throws if the readings don't rise, or the series resistance alone would explain more than the rise.
 * @example the amber check light: 1.78 V at 1 mA, 2.06 V at 20 mA, 6.5 Ω → nVt 0.05224 V, Is 1.805e−18 A
 */
export function fitLedCurve(options: {
  /** At the smaller current. */
  readonly low: { readonly currentA: number; readonly voltageV: number };
  /** At the larger one. */
  readonly high: { readonly currentA: number; readonly voltageV: number };
  /** Said beforehand; the rest is fitted. */
  readonly seriesOhm: number;
}): LedCurve {
  const { low, high, seriesOhm } = options;
  const rise = high.voltageV - low.voltageV - seriesOhm * (high.currentA - low.currentA);
  if (!(high.currentA > low.currentA && low.currentA > 0 && rise > 0)) {
    throw new Error(
      `A light’s curve must rise: got ${low.voltageV} V at ${low.currentA} A and ${high.voltageV} V at ${high.currentA} A`,
    );
  }
  const nVtV = rise / Math.log(high.currentA / low.currentA);
  const saturationA = low.currentA / Math.expm1((low.voltageV - seriesOhm * low.currentA) / nVtV);
  return { nVtV, saturationA, seriesOhm };
}

/**
 * The curve through three or more readings, least squares in `ln I` and `I`: with three it passes through each.
 * Two readings need `seriesOhm`, since they say nothing about the bend.
 * @throws if there are fewer than two readings, or no rising curve passes near them
 * @example 1.78 V at 1 mA, 1.890 V at 5 mA, 2.06 V at 20 mA → nVt 0.0523 V, Rs 6.5 Ω
 */
export function fitLedReadings(
  readings: readonly { readonly currentA: number; readonly voltageV: number }[],
  seriesOhm: number,
): LedCurve {
  const sorted = [...readings].sort((a, b) => a.currentA - b.currentA);
  const [low, high] = [sorted[0], sorted[sorted.length - 1]];
  if (!low || !high || low === high)
    throw new Error(
      `A curve needs readings at two different currents or more, got ${sorted.length}; take another at about ten times the current`,
    );
  if (sorted.length === 2) return fitLedCurve({ low, high, seriesOhm });
  const rows = sorted.map(({ currentA, voltageV }) => ({ at: [Math.log(currentA), 1, currentA], voltageV }));
  const normal = new Matrix(3, 3);
  const right = new Matrix(3, 1);
  for (const { at, voltageV } of rows)
    for (let i = 0; i < 3; i += 1) {
      right.set(i, 0, right.get(i, 0) + (at[i] ?? 0) * voltageV);
      for (let j = 0; j < 3; j += 1) normal.set(i, j, normal.get(i, j) + (at[i] ?? 0) * (at[j] ?? 0));
    }
  const [nVtV = 0, offsetV = 0, ohm = 0] = solve(normal, right).getColumn(0);
  if (!(nVtV > 0.01 && ohm >= 0)) return fitLedCurve({ low, high, seriesOhm });
  return { nVtV, saturationA: Math.exp(-offsetV / nVtV), seriesOhm: ohm };
}

/** Forward voltage at a current; 0 V at 0 A. */
export function forwardVoltageV(curve: LedCurve, currentA: number): number {
  return curve.nVtV * Math.log1p(currentA / curve.saturationA) + currentA * curve.seriesOhm;
}

/** The curve of a light whose drop is higher by this much at every current above the faintest. */
export function shiftCurve(curve: LedCurve, byV: number): LedCurve {
  return { ...curve, saturationA: curve.saturationA * Math.exp(-byV / curve.nVtV) };
}

/** How steeply the voltage rises with the current, at a current. */
export const slopeOhm = (curve: LedCurve, currentA: number): number =>
  curve.nVtV / (currentA + curve.saturationA) + curve.seriesOhm;

/**
 * The current through `count` lights in series with a resistor on a supply: the one root of
 * `Vs − Vswitch − k·V(I) − I·R = 0`. 0 A when the supply can't reach the lights' drop; never negative.
 */
export function solveString(options: {
  /** Across string, resistor and switch together. */
  readonly supplyV: number;
  /** In series with the string. */
  readonly resistanceOhm: number;
  readonly curve: LedCurve;
  /** Lights in series; 1 where it is left out. */
  readonly count?: number;
  /** Lost in what switches it; 0 where it is left out. */
  readonly switchDropV?: number;
}): number {
  const { supplyV, resistanceOhm, curve, count = 1, switchDropV = 0 } = options;
  const drivingV = supplyV - switchDropV;
  if (drivingV <= 0) return 0;
  return solveRising({
    value: (currentA) => count * forwardVoltageV(curve, currentA) + currentA * resistanceOhm - drivingV,
    slope: (currentA) => count * slopeOhm(curve, currentA) + resistanceOhm,
    low: 0,
    high: drivingV / Math.max(1e-6, resistanceOhm + count * curve.seriesOhm),
    tolerance: 1e-13,
  });
}
