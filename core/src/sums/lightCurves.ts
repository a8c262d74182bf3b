import { fitLedReadings, forwardVoltageV, type LedCurve } from '../circuit/index.ts';

/** Slope and series resistance typical of a light of this drop: two families, low (red to yellow) and high (green to white). */
const family = (forwardV: number): { readonly nVtV: number; readonly seriesOhm: number } =>
  forwardV < 2.4 ? { nVtV: 0.05224, seriesOhm: 6.5 } : { nVtV: 0.07043, seriesOhm: 11 };

/** The curve through one known drop, with the slope typical of its family (n·Vt and Rs of the check lights). */
export function curveThrough(forwardV: number, currentA: number): LedCurve {
  const { nVtV, seriesOhm } = family(forwardV);
  // A large die has less resistance: at 20 mA and below the typical one holds, above it falls with the current.
  const ohm = Math.min(seriesOhm, (seriesOhm * 0.02) / Math.max(currentA, 1e-6));
  const saturationA = currentA / Math.expm1((forwardV - ohm * currentA) / nVtV);
  return { nVtV, saturationA, seriesOhm: ohm };
}

/** The curve through a maker's readings; through one of them with the typical slope. */
export function curveOfReadings(
  readings: readonly (readonly [currentA: number, voltageV: number])[],
  seriesOhm: number | null,
): LedCurve {
  const [only] = readings;
  if (readings.length === 1 && only) return curveThrough(only[1], only[0]);
  const typicalOhm = family(Math.max(...readings.map((reading) => reading[1]))).seriesOhm;
  return fitLedReadings(
    readings.map(([currentA, voltageV]) => ({ currentA, voltageV })),
    seriesOhm ?? typicalOhm,
  );
}

/** Volts over current, for drawing: from nearly nothing to a current. */
export const curvePoints = (curve: LedCurve, mostA: number, points = 80): readonly (readonly [number, number])[] =>
  Array.from({ length: points }, (_, i): readonly [number, number] => {
    const currentA = (mostA * (i + 0.02)) / points;
    return [forwardVoltageV(curve, currentA), currentA];
  });
