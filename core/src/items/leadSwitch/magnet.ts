import { defineFormula } from '../../units/index.ts';

/** Field on the axis of a disc magnet. @example 1200 mT, 5 mm radius, 3 mm thick, 8 mm away: 37 mT; off the axis or by steel it is less */
export const discField = defineFormula({
  name: 'Field on the axis of a disc magnet',
  gives: { meaning: 'field', kind: 'fluxMt' },
  symbols: {
    Br: { meaning: 'remanence', kind: 'fluxMt' },
    r: { meaning: 'radius', kind: 'lengthMm' },
    t: { meaning: 'thickness', kind: 'lengthMm' },
    z: { meaning: 'distance from its face', kind: 'lengthMm' },
  },
  form: '{B} = {Br} / 2 · (({z} + {t}) / √({r}² + ({z} + {t})²) − {z} / √({r}² + {z}²))',
  source: 'evenly magnetised cylinder, on the axis, no steel nearby',
  reckon: ({ Br, r, t, z }) => (Br / 2) * ((z + t) / Math.hypot(r, z + t) - z / Math.hypot(r, z)),
});

/** Distance at which the field of a disc falls to a level, in mm; 0 where even its face is weaker. */
export function reachMm(
  magnet: { readonly Br: number; readonly r: number; readonly t: number },
  fieldMt: number,
): number {
  const field = (z: number): number => discField.reckon({ ...magnet, z });
  if (field(0) <= fieldMt) return 0;
  let [low, high] = [0, 1];
  while (field(high) > fieldMt) high *= 2;
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (field(middle) > fieldMt) low = middle;
    else high = middle;
  }
  return low;
}

/** What is left in hand over the wall that a magnet has to reach through. */
export const REACH_MARGIN = 1.3;

/** Whether a magnet works its switch through a wall, with a margin in hand. */
export const worksThrough = (pullInMm: number, wallMm: number): boolean => pullInMm >= wallMm * REACH_MARGIN;
