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
