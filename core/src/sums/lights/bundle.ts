import { acceptanceDeg, acceptedShare, fibreBundle, filledShare, gapToCover, gatheredMm } from '../../lights/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers a fibre bundle and the gap before its light. */
export const bundleSum = defineSum({
  name: 'bundle',
  title: 'A bundle of fibres',
  about: 'Bore for a fibre bundle, and the gap in front of the light that lights all of it.',
  group: 'lights',
  inputs: {
    fibres: ask('count', 'fibres', 'Fibres', 90, { whole: true, least: 1, most: 5000 }),
    fibreMm: ask('lengthMm', 'diameter', 'Diameter of one', 0.5, { least: 0.05, most: 10 }),
    fill: assume('fraction', 'fill', 'Share that many fibres fill', 0.82, { least: 0.4, most: 0.907 }),
    dieMm: assume('lengthMm', 'die', 'Width of the light’s die', 2, { least: 0.1, most: 50 }),
    halfAngleDeg: assume('angleDeg', 'angle', 'Half angle of the light', 60, { least: 2, most: 85 }),
    aperture: assume('count', 'aperture', 'Numerical aperture of the fibre', 0.5, { least: 0.05, most: 1 }),
  },
  reckon: ({ fibres, fibreMm, fill, dieMm, halfAngleDeg, aperture }) => {
    const diameterMm = gatheredMm(fibres, fibreMm, fill);
    return {
      results: [
        mainFigure('diameterMm', 'Diameter of the bundle', 'lengthMm', diameterMm),
        figure(
          'leastDiameterMm',
          'No packing is thinner than',
          'lengthMm',
          fibreBundle.reckon({ n: fibres, d: fibreMm, f: Math.PI / Math.sqrt(12) }),
        ),
        figure(
          'gapMm',
          'Least gap to the light',
          'lengthMm',
          gapToCover.reckon({ D: diameterMm, s: dieMm, a: halfAngleDeg }),
        ),
        figure('acceptanceDeg', 'A fibre takes light within, either way', 'angleDeg', acceptanceDeg(aperture)),
        figure('acceptedShare', 'Of a wide light it takes in', 'fraction', acceptedShare(aperture)),
      ],
      steps: [
        fillSum(fibreBundle, { n: fibres, d: fibreMm, f: filledShare(fibres, fibreMm, diameterMm) }),
        fillSum(gapToCover, { D: diameterMm, s: dieMm, a: halfAngleDeg }),
      ],
      findings: findingsWhere([
        acceptanceDeg(aperture) < halfAngleDeg,
        finding(
          'rays-lost',
          'mind',
          'Rays outside the fibre’s cone are lost',
          'The light is wider than what the fibre takes in.',
          'A narrow light, or a lens; glue in the gap mixes the light and costs some.',
        ),
      ]),
    };
  },
});
