import { defineFormula } from '../units/index.ts';
import { standardNeighbours } from './standardValues.ts';

/** Code of a divider whose fixed resistor is to minus; the supply cancels out. @example 10 kΩ over 10 kΩ at 10 bits (top 1024): 512 */
export const dividerCode = defineFormula({
  name: 'Code of a light sensor',
  gives: { meaning: 'code', kind: 'count' },
  symbols: {
    Rf: { meaning: 'fixed resistor, to minus', kind: 'resistanceOhm' },
    Rs: { meaning: 'sensor, to plus', kind: 'resistanceOhm' },
    top: { meaning: 'codes of the converter', kind: 'count' },
  },
  form: '{code} = floor({top} · {Rf} / ({Rf} + {Rs}))',
  source: 'voltage divider read against its own supply',
  reckon: ({ Rf, Rs, top }) => Math.min(top - 1, Math.floor((top * Rf) / (Rf + Rs))),
});

/** Fixed resistor that tells dark from light best. @example 180 kΩ dark, 2.4 kΩ light: 20.8 kΩ */
export const bestFixed = defineFormula({
  name: 'Best fixed resistor for a light sensor',
  gives: { meaning: 'fixed resistor', kind: 'resistanceOhm' },
  symbols: {
    Rd: { meaning: 'sensor in the dark', kind: 'resistanceOhm' },
    Rl: { meaning: 'sensor in light', kind: 'resistanceOhm' },
  },
  form: '{Rf} = √({Rd} · {Rl})',
  source: 'the geometric mean gives the widest step between the two levels',
  reckon: ({ Rd, Rl }) => Math.sqrt(Rd * Rl),
});

/** A sensor's divider with its two thresholds: dark below `darkBelow`, light again above `lightAbove`. */
export interface SensorDesign {
  /** A standard value. */
  readonly fixedOhm: number;
  /** The best one, to the last digit. */
  readonly exactOhm: number;
  /** Read with the sensor covered. */
  readonly darkCode: number;
  /** Read with it in light. */
  readonly lightCode: number;
  /** Code under which it counts as dark. */
  readonly darkBelow: number;
  /** Code over which it counts as light again. */
  readonly lightAbove: number;
  /** Drawn all day, at its most. */
  readonly standingA: number;
  /** How long the part alone takes from light to the threshold of dark, which is its slow way. */
  readonly toDarkS: number;
  /** Across the fixed resistor, against lamps that pulse; null where the part is too slow to see them. */
  readonly smoothingUf: number | null;
}

/** What light makes conduct. */
export type LightElement = 'photoresistor' | 'phototransistor';

/** In a fading light a photoresistor rises by so much a second, and falls at once in light; typical of the kind. */
const RISE_OHM_PER_S = 200_000;
const FALL_S = 0.05;
/** A lamp on the mains pulses a hundred times a second: this long is ten of its pulses. */
const SMOOTH_S = 0.1;
const capacitorsUf = [0.1, 0.22, 0.47, 1, 2.2, 4.7, 10, 22, 47];

/** How long a photoresistor takes to rise. @example from 2.4 kΩ to 62.4 kΩ: 0.3 s */
export const riseOfPhotoresistor = defineFormula({
  name: 'How slow a photoresistor is towards the dark',
  gives: { meaning: 'time', kind: 'timeS' },
  symbols: {
    R1: { meaning: 'in light', kind: 'resistanceOhm' },
    R2: { meaning: 'at the threshold', kind: 'resistanceOhm' },
  },
  form: '{t} = max(0.05 s, ({R2} − {R1}) / 200 kΩ/s)',
  source: 'typical of the kind: about 200 kΩ a second; the darker, the longer it goes on',
  reckon: ({ R1, R2 }) => Math.max(FALL_S, (R2 - R1) / RISE_OHM_PER_S),
});

/** With a reference below its supply, the light reading stays this far below the top of the converter. */
const TOP_SHARE = 0.95;

/**
 * Designs the divider from the maker's two readings. The thresholds stand at a third and two thirds of the way
 * between them: the gap is what keeps the lamp from chattering at dusk.
 * @param options `supplyV` feeds the divider; `referenceV` is what the converter counts as its top, that supply if
 * it is not said
 */
export function designSensor(options: {
  /** Read covered. */
  readonly darkOhm: number;
  /** Read in light. */
  readonly lightOhm: number;
  /** Of the converter. */
  readonly bits: number;
  /** The darkest and lightest reading of all that share its divider; left out, its own. */
  readonly span?: { readonly darkOhm: number; readonly lightOhm: number };
  /** Above the divider. */
  readonly supplyV: number;
  /** The converter’s own; left out, it is the supply. */
  readonly referenceV?: number;
  /** Left out, a photoresistor. */
  readonly element?: LightElement;
}): SensorDesign {
  const { darkOhm, lightOhm, bits, supplyV, referenceV = supplyV, span = options } = options;
  const widestOhm = bestFixed.reckon({ Rd: span.darkOhm, Rl: span.lightOhm });
  const mostOhm = referenceV < supplyV ? span.lightOhm / (supplyV / (referenceV * TOP_SHARE) - 1) : Infinity;
  const exactOhm = Math.min(widestOhm, mostOhm);
  const { below, above } = standardNeighbours(exactOhm);
  const fixedOhm = above > mostOhm || exactOhm / below < above / exactOhm ? below : above;
  const codes = 2 ** bits;
  const code = (sensorOhm: number): number =>
    Math.min(codes - 1, dividerCode.reckon({ Rf: fixedOhm, Rs: sensorOhm, top: (codes * supplyV) / referenceV }));
  const [darkCode, lightCode] = [code(darkOhm), code(lightOhm)];
  const third = (lightCode - darkCode) / 3;
  const darkBelow = Math.round(darkCode + third);
  const atThresholdOhm = fixedOhm * ((codes * supplyV) / referenceV / Math.max(1, darkBelow) - 1);
  const isSlow = options.element !== 'phototransistor';
  return {
    fixedOhm,
    exactOhm,
    darkCode,
    lightCode,
    darkBelow,
    lightAbove: Math.round(lightCode - third),
    standingA: supplyV / (fixedOhm + span.lightOhm),
    toDarkS: isSlow ? riseOfPhotoresistor.reckon({ R1: lightOhm, R2: atThresholdOhm }) : SMOOTH_S,
    smoothingUf: isSlow ? null : smoothingUf(fixedOhm),
  };
}

/** The capacitor across the fixed resistor that outlasts the pulses of a lamp. */
const smoothingUf = (fixedOhm: number): number =>
  capacitorsUf.find((microfarads) => microfarads * 1e-6 * fixedOhm >= SMOOTH_S) ?? Math.max(...capacitorsUf);
