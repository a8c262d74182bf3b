import { defineFormula } from '../units/index.ts';

/** Diameter of a bundle. @example 100 fibres of 0.75 mm that fill 0.82: 8.28 mm */
export const fibreBundle = defineFormula({
  name: 'Diameter of a bundle of fibres',
  gives: { meaning: 'diameter', kind: 'lengthMm' },
  symbols: {
    n: { meaning: 'fibres', kind: 'count' },
    d: { meaning: 'diameter of one', kind: 'lengthMm' },
    f: { meaning: 'share of the area that fibres fill', kind: 'fraction' },
  },
  form: '{D} = {d} · √({n} / {f})',
  source: 'areas add; a hand-pushed bundle fills 0.82, no packing more than 0.907 (π/√12)',
  reckon: ({ n, d, f }) => d * Math.sqrt(n / f),
});

/** How far a bundle must stand off its emitter so that every fibre is lit. @example 8 mm bundle, 2 mm die, half-angle 30°: 5.2 mm */
export const gapToCover = defineFormula({
  name: 'Gap between light and bundle',
  gives: { meaning: 'least gap', kind: 'lengthMm' },
  symbols: {
    D: { meaning: 'diameter of the bundle', kind: 'lengthMm' },
    s: { meaning: 'width of the light’s die', kind: 'lengthMm' },
    a: { meaning: 'half angle of the light', kind: 'angleDeg' },
  },
  form: '{g} = ({D} − {s}) / (2 · tan({a}))',
  source: 'the cone from the edge of the die must reach the rim',
  reckon: ({ D, s, a }) => Math.max(0, (D - s) / (2 * Math.tan((a * Math.PI) / 180))),
});

/** Half of the cone that a fibre takes in, in degrees. @example NA 0.5: ±30° */
export const acceptanceDeg = (numericalAperture: number): number =>
  (Math.asin(Math.min(1, numericalAperture)) * 180) / Math.PI;

/** Share of a cosine emitter's light that falls into a fibre's cone: sin² of its half angle. */
export const acceptedShare = (numericalAperture: number): number => Math.min(1, numericalAperture) ** 2;
