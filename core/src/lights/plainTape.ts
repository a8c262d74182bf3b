import { defineFormula } from '../units/index.ts';

/** What plain tape draws at its stated voltage. @example 14.4 W/m, 2 m at 12 V: 2.4 A */
export const tapeCurrent = defineFormula({
  name: 'Current of a plain tape, all colours',
  gives: { meaning: 'current', kind: 'currentA' },
  symbols: {
    P: { meaning: 'power of a metre', kind: 'powerPerMetreW' },
    L: { meaning: 'length', kind: 'lengthMm' },
    U: { meaning: 'voltage', kind: 'voltageV' },
  },
  form: '{I} = {P} · {L} / {U}',
  source: 'stated power at the stated voltage, all colours lit',
  reckon: ({ P, L, U }) => (P * L) / 1000 / U,
});

/** Longest tape that a supply feeds in white, in millimetres. @example 9.6 W/m on 12 V 1.5 A: 1875 mm */
export const longestTapeMm = (supplyA: number, voltageV: number, wattsPerMetre: number): number =>
  ((supplyA * voltageV) / wattsPerMetre) * 1000;
