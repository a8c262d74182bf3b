import { KNOB_OHM } from '../items/index.ts';
import { defineFormula } from '../units/index.ts';

/** A hand that rests on a knob does not hold it stiller than this share of its turn, each way. */
const SHAKE_SHARE = 0.03;

/** Code at a share of the turn. @example half of 3.3 V at 10 bits against 3.3 V: 512 */
export const knobCode = defineFormula({
  name: 'Code of a knob',
  gives: { meaning: 'code', kind: 'count' },
  symbols: {
    s: { meaning: 'share of its turn', kind: 'fraction' },
    Vs: { meaning: 'supply of the chip', kind: 'voltageV' },
    Vr: { meaning: 'reference', kind: 'voltageV' },
    top: { meaning: 'codes of the converter', kind: 'count' },
  },
  form: '{code} = floor({top} · {s} · {Vs} / {Vr})',
  source: 'the slider divides the supply by the turn of a linear knob',
  reckon: ({ s, Vs, Vr, top }) => Math.min(top - 1, Math.floor((top * s * Vs) / Vr)),
});

/** How a knob is read: what is drawn all day, and the two codes between which nothing changes. */
export interface KnobDesign {
  /** Turned down below this code. */
  readonly downBelow: number;
  /** Turned up above it. */
  readonly upAbove: number;
  /** At the end of its turn, or where the converter ends before. */
  readonly fullCode: number;
  /** Drawn all day. */
  readonly standingA: number;
}

/** Thresholds to both sides of where a knob is to count as turned up. */
export function designKnob(options: {
  /** Share of its turn. */
  readonly turnedTo: number;
  /** Of the chip. */
  readonly supplyV: number;
  /** What the converter counts as its top. */
  readonly referenceV: number;
  /** Of the converter. */
  readonly bits: number;
}): KnobDesign {
  const { turnedTo, supplyV, referenceV, bits } = options;
  const code = (s: number): number => knobCode.reckon({ s, Vs: supplyV, Vr: referenceV, top: 2 ** bits });
  return {
    downBelow: code(turnedTo - SHAKE_SHARE),
    upAbove: code(turnedTo + SHAKE_SHARE),
    fullCode: code(1),
    standingA: supplyV / KNOB_OHM,
  };
}
