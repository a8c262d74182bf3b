import { defineFormula } from '../units/index.ts';

const HOURS_A_MONTH = 730;

/** How long a charge keeps. @example 3400 mAh, 28 µA, 3 % a month: 168 µA in all, 20 240 h or 28 months */
export const keepsFor = defineFormula({
  name: 'How long a pack keeps while nothing is lit',
  gives: { meaning: 'time', kind: 'timeH' },
  symbols: {
    C: { meaning: 'capacity', kind: 'capacityMah' },
    I: { meaning: 'drawn all day', kind: 'currentA' },
    s: { meaning: 'lost by itself in a month', kind: 'fraction' },
  },
  form: '{t} = {C} / ({I} + {s} · {C} / 730 h)',
  source: 'charge by current; a month has 730 hours, and a cell’s own loss is taken for a current as well',
  reckon: ({ C, I, s }) => C / 1000 / (I + (s * C) / 1000 / HOURS_A_MONTH),
});
