import { defineFormula } from '../units/index.ts';

/** Dose of light on a patch. @example 0.1 W over 20 cm² for 60 s: 0.3 J/cm² */
export const lightDose = defineFormula({
  name: 'Dose of light',
  gives: { meaning: 'dose', kind: 'doseJPerCm2' },
  symbols: {
    P: { meaning: 'radiant power that arrives', kind: 'powerW' },
    A: { meaning: 'area it falls on', kind: 'areaCm2' },
    t: { meaning: 'time', kind: 'timeS' },
  },
  form: '{H} = {P} · {t} / {A}',
  source: 'energy over area; a dose grows in proportion, unlike a look',
  reckon: ({ P, A, t }) => (P * t) / A,
});

/** Seconds to a dose. @example 1.0 J/cm² from 12 mW over 2.5 cm²: 208 s */
export const secondsToDose = (doseJPerCm2: number, powerW: number, areaCm2: number): number =>
  (doseJPerCm2 * areaCm2) / powerW;
