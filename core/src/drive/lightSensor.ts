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
}

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
  /** Above the divider. */
  readonly supplyV: number;
  /** The converter’s own; left out, it is the supply. */
  readonly referenceV?: number;
}): SensorDesign {
  const { darkOhm, lightOhm, bits, supplyV, referenceV = supplyV } = options;
  const widestOhm = bestFixed.reckon({ Rd: darkOhm, Rl: lightOhm });
  const mostOhm = referenceV < supplyV ? lightOhm / (supplyV / (referenceV * TOP_SHARE) - 1) : Infinity;
  const exactOhm = Math.min(widestOhm, mostOhm);
  const { below, above } = standardNeighbours(exactOhm);
  const fixedOhm = above > mostOhm || exactOhm / below < above / exactOhm ? below : above;
  const codes = 2 ** bits;
  const code = (sensorOhm: number): number =>
    Math.min(codes - 1, dividerCode.reckon({ Rf: fixedOhm, Rs: sensorOhm, top: (codes * supplyV) / referenceV }));
  const [darkCode, lightCode] = [code(darkOhm), code(lightOhm)];
  const third = (lightCode - darkCode) / 3;
  return {
    fixedOhm,
    exactOhm,
    darkCode,
    lightCode,
    darkBelow: Math.round(darkCode + third),
    lightAbove: Math.round(lightCode - third),
    standingA: supplyV / (fixedOhm + lightOhm),
  };
}
