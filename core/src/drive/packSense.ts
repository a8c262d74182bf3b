import { defineFormula } from '../units/index.ts';
import { standardNeighbours } from './standardValues.ts';

/** Code of a pack’s voltage behind a divider, against the converter’s reference. @example 4 V halved, 3.3 V reference, top 4096: 2482 */
export const senseCode = defineFormula({
  name: 'Code for a pack voltage behind a divider',
  gives: { meaning: 'code', kind: 'count' },
  symbols: {
    U: { meaning: 'pack', kind: 'voltageV' },
    R1: { meaning: 'resistor to the pack', kind: 'resistanceOhm' },
    R2: { meaning: 'resistor to minus', kind: 'resistanceOhm' },
    Vr: { meaning: 'reference', kind: 'voltageV' },
    top: { meaning: 'codes of the converter', kind: 'count' },
  },
  form: '{code} = floor({U} · {R2} / ({R1} + {R2}) / {Vr} · {top})',
  source: 'voltage divider against a fixed reference',
  reckon: ({ U, R1, R2, Vr, top }) => Math.min(top - 1, Math.floor(((U * R2) / (R1 + R2) / Vr) * top)),
});

/** The divider of a charge sense with its two thresholds in codes, and the codes of an empty and of a full pack. */
export interface PackSenseDesign {
  /** To the pack. */
  readonly upperOhm: number;
  /** To minus. */
  readonly lowerOhm: number;
  /** Code under which the charge counts as low. */
  readonly lowBelow: number;
  /** Code over which it counts as well again. */
  readonly wellAbove: number;
  /** Read at the cut-off. */
  readonly emptyCode: number;
  /** Read when full. */
  readonly fullCode: number;
  /** Drawn all day, from a full pack. */
  readonly standingA: number;
}

const LOWER_OHM = 100_000;
/** Even without dividing, a resistor keeps a wrong wire from harming the pin. */
const LEAST_UPPER_OHM = 10_000;
/** A full pack stays this far below the top of the converter. */
const TOP_SHARE = 0.95;
/** A pack that rests comes back a little: only this far above the threshold is it well again. */
const WELL_SHARE = 1.05;

/**
 * Designs the divider that reads a pack against the controller's own supply, and its thresholds.
 * @param options voltages of the whole pack; `referenceV` is what the converter counts as its top
 */
export function designPackSense(options: {
  /** At rest. */
  readonly fullV: number;
  /** At the cut-off. */
  readonly emptyV: number;
  /** Where the alarm is wanted. */
  readonly lowV: number;
  /** What the converter counts as its top. */
  readonly referenceV: number;
  /** Of the converter. */
  readonly bits: number;
}): PackSenseDesign {
  const { fullV, emptyV, lowV, referenceV, bits } = options;
  const wanted = LOWER_OHM * (fullV / (referenceV * TOP_SHARE) - 1);
  const upperOhm = wanted <= LEAST_UPPER_OHM ? LEAST_UPPER_OHM : standardNeighbours(wanted).above;
  const code = (packV: number): number =>
    senseCode.reckon({ U: packV, R1: upperOhm, R2: LOWER_OHM, Vr: referenceV, top: 2 ** bits });
  return {
    upperOhm,
    lowerOhm: LOWER_OHM,
    lowBelow: code(lowV),
    wellAbove: code(lowV * WELL_SHARE),
    emptyCode: code(emptyV),
    fullCode: code(fullV),
    standingA: fullV / (upperOhm + LOWER_OHM),
  };
}
