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

/** Width of a sheet that is rolled into a tube. @example 20 mm tube, 5 mm overlap: 67.8 mm */
export const rolledWidth = defineFormula({
  name: 'Width of a sheet to be rolled',
  gives: { meaning: 'width', kind: 'lengthMm' },
  symbols: {
    d: { meaning: 'diameter of the tube', kind: 'lengthMm' },
    o: { meaning: 'overlap', kind: 'lengthMm' },
  },
  form: '{w} = π · {d} + {o}',
  source: 'developed width',
  reckon: ({ d, o }) => Math.PI * d + o,
});

/** Shrink sleeve that passes over the part and recovers tight on it. */
export const shrinkFits = (beforeMm: number, afterMm: number, partMm: number): boolean =>
  beforeMm > partMm && afterMm < partMm;

/** Slack left at full travel: cut length less the way it has to bridge; a joint wants 1.3 times the straight way. */
export const slackAtTravelMm = (cutMm: number, farthestMm: number): number => cutMm - farthestMm;

/** Contacts that share a core's current. @example 1.92 A on 1.5 A contacts: two, 0.96 A each */
export const contactsFor = (currentA: number, contactLimitA: number): number =>
  Math.max(1, Math.ceil(currentA / contactLimitA - 1e-9));
