import { defineFormula } from '../units/index.ts';

/**
 * From the air of a closed hollow to the room, by its walls. @example 64 × 44 × 50 mm: 164 cm², 12.2 K/W
 */
export const hollowWalls = defineFormula({
  name: 'Resistance of a closed hollow’s walls',
  gives: { meaning: 'from the air in it to the room', kind: 'thermalKPerW' },
  symbols: {
    w: { meaning: 'width', kind: 'lengthMm' },
    h: { meaning: 'height', kind: 'lengthMm' },
    d: { meaning: 'depth', kind: 'lengthMm' },
  },
  form: '{R} = 1 / (5 W/m²K · 2 · ({w}·{h} + {w}·{d} + {h}·{d}))',
  source:
    'still air on both sides of a thin wall: about 10 W/m²K each, one behind the other; half of it where a side lies on cloth',
  reckon: ({ w, h, d }) => 1e6 / (5 * 2 * (w * h + w * d + h * d)),
});

/** What the air of a closed hollow takes up with the skin of its walls. @example 64 × 44 × 50 mm: 164 cm², 26 J/K */
export const hollowCapacity = defineFormula({
  name: 'Heat that a closed hollow takes up',
  gives: { meaning: 'of its air and its walls', kind: 'heatJPerK' },
  symbols: {
    w: { meaning: 'width', kind: 'lengthMm' },
    h: { meaning: 'height', kind: 'lengthMm' },
    d: { meaning: 'depth', kind: 'lengthMm' },
  },
  form: '{C} = 1,600 J/m²K · 2 · ({w}·{h} + {w}·{d} + {h}·{d})',
  source: 'walls of 2 mm of plastic (1.6 J/cm³K), half as warm as the air in them; the air itself is next to nothing',
  reckon: ({ w, h, d }) => (1600 * 2 * (w * h + w * d + h * d)) / 1e6,
});
