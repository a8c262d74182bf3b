import { defineFormula } from '../units/index.ts';

const COPPER_OHM_MM2_PER_M = 0.01724;

/** One core of copper foil, a metre of it. @example 5 mm × 0.05 mm: 0.069 Ω/m */
export const foilOhm = defineFormula({
  name: 'Resistance of copper foil',
  gives: { meaning: 'resistance of a metre', kind: 'ohmPerMetre' },
  symbols: {
    b: { meaning: 'width', kind: 'lengthMm' },
    h: { meaning: 'thickness', kind: 'lengthMm' },
  },
  form: '{r} = 0.01724 Ω·mm²/m / ({b} · {h})',
  source: 'copper at 20 °C; a corner or an overlap adds to it',
  reckon: ({ b, h }) => COPPER_OHM_MM2_PER_M / (b * h),
});

/** One core of enamelled wire, a metre of it. @example 0.3 mm of copper: 0.244 Ω/m */
export const roundOhm = defineFormula({
  name: 'Resistance of enamelled wire',
  gives: { meaning: 'resistance of a metre', kind: 'ohmPerMetre' },
  symbols: { d: { meaning: 'diameter of the copper', kind: 'lengthMm' } },
  form: '{r} = 0.01724 Ω·mm²/m / (π/4 · {d}²)',
  source: 'copper at 20 °C',
  reckon: ({ d }) => COPPER_OHM_MM2_PER_M / ((Math.PI / 4) * d * d),
});

/** Contacts that share a core's current. @example 1.92 A on 1.5 A contacts: two, 0.96 A each */
export const contactsFor = (currentA: number, contactLimitA: number): number =>
  Math.max(1, Math.ceil(currentA / contactLimitA - 1e-9));
