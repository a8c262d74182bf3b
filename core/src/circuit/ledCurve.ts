import { solveRising } from './root.ts';

/** The curve of a light-emitting diode, `V(I) = nVt·ln(I/Is + 1) + I·Rs` (Shockley with series resistance). */
export interface LedCurve {
  readonly nVtV: number;
  readonly saturationA: number;
  readonly seriesOhm: number;
}

/**
 * The curve through two readings, with the series resistance given.
 * @throws if the readings don't rise, or the series resistance alone would explain more than the rise.
 * @example the amber check light: 1.78 V at 1 mA, 2.06 V at 20 mA, 6.5 Ω → nVt 0.05224 V, Is 1.805e−18 A
 */
export function fitLedCurve(options: {
  readonly low: { readonly currentA: number; readonly voltageV: number };
  readonly high: { readonly currentA: number; readonly voltageV: number };
  readonly seriesOhm: number;
}): LedCurve {
  const { low, high, seriesOhm } = options;
  const rise = high.voltageV - low.voltageV - seriesOhm * (high.currentA - low.currentA);
  if (!(high.currentA > low.currentA && low.currentA > 0 && rise > 0)) {
    throw new Error(
      `A light's curve must rise: got ${low.voltageV} V at ${low.currentA} A and ${high.voltageV} V at ${high.currentA} A`,
    );
  }
  const nVtV = rise / Math.log(high.currentA / low.currentA);
  const saturationA = low.currentA / Math.expm1((low.voltageV - seriesOhm * low.currentA) / nVtV);
  return { nVtV, saturationA, seriesOhm };
}

/** Forward voltage at a current; 0 V at 0 A. */
export function forwardVoltageV(curve: LedCurve, currentA: number): number {
  return curve.nVtV * Math.log1p(currentA / curve.saturationA) + currentA * curve.seriesOhm;
}

/** The curve of a light whose drop is higher by this much at every current above the faintest. */
export function shiftCurve(curve: LedCurve, byV: number): LedCurve {
  return { ...curve, saturationA: curve.saturationA * Math.exp(-byV / curve.nVtV) };
}

const slopeOhm = (curve: LedCurve, currentA: number): number =>
  curve.nVtV / (currentA + curve.saturationA) + curve.seriesOhm;

/**
 * The current through `count` lights in series with a resistor on a supply: the one root of
 * `Vs − Vswitch − k·V(I) − I·R = 0`. 0 A when the supply can't reach the lights' drop; never negative.
 */
export function solveString(options: {
  readonly supplyV: number;
  readonly resistanceOhm: number;
  readonly curve: LedCurve;
  readonly count?: number;
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
