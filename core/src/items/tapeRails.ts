import { defineFormula } from '../units/index.ts';

/** Both copper rails of so many lights of tape. @example 0.3 Ω/m, 30 lights of 60 a metre: 0.15 Ω */
export const tapeRails = defineFormula({
  name: 'Resistance of a tape’s two rails',
  gives: { meaning: 'out and back', kind: 'resistanceOhm' },
  symbols: {
    r: { meaning: 'of a metre, out and back', kind: 'ohmPerMetre' },
    n: { meaning: 'lights passed', kind: 'count' },
    d: { meaning: 'lights a metre', kind: 'perMetre' },
  },
  form: '{R} = {r} · {n} / {d}',
  source: 'copper of even thickness: so much for each metre, wherever it is cut',
  reckon: ({ r, n, d }) => (r * n) / d,
});

/** From dot to dot of a tape, in millimetres: a pixel may light several as one. @example 20 pixels a metre of three each: 16.7 mm */
export const dotPitchMm = (part: { readonly perMetre: number; readonly dotsPerPixel?: number | undefined }): number =>
  1000 / (part.perMetre * (part.dotsPerPixel ?? 1));

/** Both rails of a tape from a light to the one so many further on. @example 60 a metre, 0.4 Ω a metre, 3 lights: 0.02 Ω */
export const railsOhm = (
  part: { readonly railOhmPerMetre: number; readonly perMetre: number },
  lights: number,
): number => tapeRails.reckon({ r: part.railOhmPerMetre, n: lights, d: part.perMetre });
