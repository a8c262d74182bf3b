import { fitLedReadings, forwardVoltageV, type LedCurve } from '../circuit/index.ts';
import { SumError } from './answer.ts';
import { optional, pairs } from './inputs.ts';

/** Above this a light is several dice in a row, each of about so much. */
const MOST_OF_A_DIE_V = 4.6;
const USUAL_DIE_V = 3.1;

/**
 * Slope and series resistance typical of a light of this drop: two families, low (red to yellow) and high (green to
 * white); of more volts than a die drops they are so many in a row.
 */
function family(forwardV: number): { readonly nVtV: number; readonly seriesOhm: number } {
  if (forwardV < 2.4) return { nVtV: 0.05224, seriesOhm: 6.5 };
  const dice = forwardV <= MOST_OF_A_DIE_V ? 1 : Math.max(2, Math.round(forwardV / USUAL_DIE_V));
  return { nVtV: 0.07043 * dice, seriesOhm: 11 * dice };
}

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

const noReadings: readonly (readonly [currentA: number, voltageV: number])[] = [];

/** A light's own readings, instead of its drop at one current. */
export const readingsInput = pairs({
  word: 'readings',
  label: 'Or your own readings of it',
  hint: 'current : voltage, one to three or more',
  names: ['currentA', 'voltageV'],
  kinds: ['currentA', 'voltageV'],
  bands: [
    { least: 1e-7, most: 10, usual: [0.0001, 1] },
    { least: 0.3, most: 60, usual: [1, 4.5] },
  ],
  initial: noReadings,
});

/** The drop of a light at the current that is wanted; left open where readings of it are given. */
export const dropInput = (exampleV?: number, label = 'Forward drop at that current') =>
  optional('voltageV', 'forward', label, { least: 0.3, most: 60, usual: [1.1, 3.9] }, exampleV);

/** The curve of a light by its readings or by its drop at a current; refuses to guess where neither is given. */
export function curveOfLight(
  forwardV: number | null,
  currentA: number,
  readings: readonly (readonly [currentA: number, voltageV: number])[],
): LedCurve {
  if (readings.length > 0) {
    try {
      return curveOfReadings(readings, null);
    } catch (cause) {
      throw new SumError(cause instanceof Error ? cause.message : 'The readings make no curve', { cause });
    }
  }
  if (forwardV === null)
    throw new SumError('Give the drop of the light or readings of it: forward=3.02V or readings=1mA:2.7V,20mA:3.1V');
  return curveThrough(forwardV, currentA);
}

/** A light that keeps its drop at every current, as the plain sum takes it: as steep as numbers allow. */
export function curveOfDrop(forwardV: number, currentA: number): LedCurve {
  const nVtV = forwardV / 600;
  return { nVtV, saturationA: currentA / Math.expm1(600), seriesOhm: 0 };
}

/** Volts over current, for drawing: from nearly nothing to a current. */
export const curvePoints = (curve: LedCurve, mostA: number, points = 80): readonly (readonly [number, number])[] =>
  Array.from({ length: points }, (_, i): readonly [number, number] => {
    const currentA = (mostA * (i + 0.02)) / points;
    return [forwardVoltageV(curve, currentA), currentA];
  });
