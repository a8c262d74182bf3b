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

/**
 * What falls on one square centimetre on the axis of a light.
 * @example 12 mW, half of it at 15° off the axis, 30 mm away: m = 20, so 12 mW · 21 / (2π · 9 cm²) = 4.46 mW
 */
export const powerOnAxis = defineFormula({
  name: 'Light on a square centimetre, on the axis',
  gives: { meaning: 'radiant power on one cm²', kind: 'powerW' },
  symbols: {
    P: { meaning: 'radiant power of the light', kind: 'powerW' },
    a: { meaning: 'angle off the axis at which it gives half', kind: 'angleDeg' },
    d: { meaning: 'distance', kind: 'lengthMm' },
  },
  form: '{E} = {P} · ({m} + 1) / (2π · {d}²), {m} = −ln 2 / ln cos {a}',
  source: 'an emitter whose intensity falls as the m-th power of the cosine; inverse square of the distance',
  reckon: ({ P, a, d }) => {
    const m = -Math.LN2 / Math.log(Math.cos((a * Math.PI) / 180));
    return (P * (m + 1)) / (2 * Math.PI * (d / 10) ** 2);
  },
});
