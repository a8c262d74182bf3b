import { defineFormula } from '../units/index.ts';

/** What a transistor and its load come to where both agree. */
export interface OnLine {
  readonly currentA: number;
  /** Left across the transistor. */
  readonly acrossV: number;
  /** In the transistor. */
  readonly heatW: number;
}

/** What is switched: its supply, and the resistance that it stands for. */
export interface LoadLine {
  readonly supplyV: number;
  readonly ohm: number;
}

/** A load by the current that it takes from its supply, when nothing is lost in what switches it. */
export const lineOf = (supplyV: number, currentA: number): LoadLine => ({ supplyV, ohm: supplyV / currentA });

const at = ({ supplyV, ohm }: LoadLine, acrossV: number): OnLine => {
  const currentA = Math.max(0, (supplyV - acrossV) / ohm);
  return { currentA, acrossV, heatW: currentA * acrossV };
};

/** What a bipolar transistor lets through. @example 5 mA in the base, a gain of 100: 0.5 A */
export const collectorCurrent = defineFormula({
  name: 'What a bipolar transistor lets through',
  gives: { meaning: 'collector current at most', kind: 'currentA' },
  symbols: {
    h: { meaning: 'gain at this current and temperature', kind: 'count' },
    Ib: { meaning: 'current into its base', kind: 'currentA' },
  },
  form: '{Ic} = {h} · {Ib}',
  source: 'the gain of a transistor that is not full on',
  reckon: ({ h, Ib }) => h * Ib,
});

/** Where a bipolar transistor and its load agree: full on it loses its drop, half on whatever its gain leaves over. */
export function bipolarOnLine(line: LoadLine, baseA: number, gain: number, onDropV: number): OnLine {
  const mostA = collectorCurrent.reckon({ h: gain, Ib: Math.max(0, baseA) });
  const full = at(line, Math.min(onDropV, line.supplyV));
  return mostA >= full.currentA ? full : at(line, line.supplyV - mostA * line.ohm);
}

/** A field-effect transistor by what its sheet says of it. */
export interface FetPoint {
  /** Where it begins to conduct. */
  readonly thresholdV: number;
  /** On-resistance, and the gate voltage that it is promised at. */
  readonly onOhm: number;
  readonly promisedAtV: number;
}

/** Amperes for each volt squared over the threshold. @example 0.1 Ω at 4.5 V, threshold 1.5 V: 3.33 A/V² */
const steepness = ({ thresholdV, onOhm, promisedAtV }: FetPoint): number =>
  1 / (onOhm * Math.max(1e-6, promisedAtV - thresholdV));

/** What a field-effect transistor lets through with so much across it, by the same law as `fetOnLine`. */
export function fetThrough(acrossV: number, gateV: number, fet: FetPoint): number {
  const overV = Math.max(0, gateV - fet.thresholdV);
  const v = Math.min(acrossV, overV);
  return steepness(fet) * (overV - v / 2) * v;
}

/**
 * Where a field-effect transistor and its load agree at a gate voltage: by the square law through its threshold and its
 * promised point (Shichman and Hodges), typical of the kind and promised by nobody between the two.
 */
export function fetOnLine(line: LoadLine, gateV: number, fet: FetPoint): OnLine {
  const overV = gateV - fet.thresholdV;
  if (overV <= 0) return at(line, line.supplyV);
  const k = steepness(fet);
  const mostA = (k / 2) * overV * overV;
  const saturated = at(line, line.supplyV - mostA * line.ohm);
  if (saturated.acrossV >= overV) return saturated;
  // Below its knee: k·(over·v − v²/2) = (supply − v)/R, the root that is under the knee.
  const a = (k * line.ohm) / 2;
  const b = k * line.ohm * overV + 1;
  const acrossV = (2 * line.supplyV) / (b + Math.sqrt(b * b - 4 * a * line.supplyV));
  return at(line, acrossV);
}

/** From 25 °C, for each kelvin: typical of silicon. */
const JUNCTION_V_A_K = -0.002;
const GAIN_A_K = 0.006;
const THRESHOLD_V_A_K = -0.003;
const ON_OHM_A_K = 0.005;
const KNOWN_AT_C = 25;

/** What a base takes to conduct, and the gain, at a temperature: cold it wants more volts and gives less. */
export const bipolarAt = (
  celsius: number,
  baseEmitterV: number,
  gain: number,
): { baseEmitterV: number; gain: number } => ({
  baseEmitterV: baseEmitterV + JUNCTION_V_A_K * (celsius - KNOWN_AT_C),
  gain: gain * Math.max(0.2, 1 + GAIN_A_K * (celsius - KNOWN_AT_C)),
});

/** A field-effect transistor at a temperature: cold it opens later, hot it resists more. */
export const fetAt = (celsius: number, fet: FetPoint): FetPoint => {
  const thresholdV = Math.max(0.05, fet.thresholdV + THRESHOLD_V_A_K * (celsius - KNOWN_AT_C));
  return {
    thresholdV,
    // What is promised is promised in the cold too.
    promisedAtV: Math.max(fet.promisedAtV, thresholdV + 0.05),
    onOhm: fet.onOhm * Math.max(0.7, 1 + ON_OHM_A_K * (celsius - KNOWN_AT_C)),
  };
};
