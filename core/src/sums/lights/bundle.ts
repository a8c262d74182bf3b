import { tellGap } from '../../findings/index.ts';
import {
  acceptanceDeg,
  acceptedShare,
  boreForGuidesMm,
  fibreBundle,
  filledShare,
  gapToCover,
  gatheredMm,
  reckonGuided,
} from '../../lights/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume, choice, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, mainFigure } from '../sum.ts';

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
    dieMm: assume('lengthMm', 'die', 'Width of the light’s die', 2, { least: 0.1, most: 60 }),
    halfAngleDeg: assume('angleDeg', 'angle', 'Half angle of the light', 60, { least: 2, most: 85 }),
    aperture: assume('count', 'aperture', 'Numerical aperture of the fibre', 0.5, { least: 0.05, most: 1 }),
    gapMm: optional('lengthMm', 'gap', 'Gap to the light, as it is', { least: 0, most: 200, usual: [0, 50] }),
    lamps: assume('count', 'lights', 'Lights over the mouth', 1, { whole: true, least: 1, most: 100 }),
    filled: choice('filled', 'Gap filled with clear glue', ['no', 'yes'], 'no'),
  },
  reckon: ({ fibres, fibreMm, fill, dieMm, halfAngleDeg, aperture, gapMm, lamps, filled }) => {
    const diameterMm = gatheredMm(fibres, fibreMm, fill);
    const neededGapMm = gapToCover.reckon({ D: diameterMm, s: dieMm, a: halfAngleDeg });
    const guided = reckonGuided({
      guides: fibres,
      ends: 1,
      lamps,
      emitter: { widthMm: dieMm, halfAngleDeg, intensityMcd: 1 },
      gapMm: gapMm ?? neededGapMm,
      filled: filled === 'yes',
      lengthMm: 0,
      part: { diameterMm: fibreMm, numericalAperture: aperture, lossDbPerMetre: 0 },
      fill,
    });
    return {
      results: [
        mainFigure('diameterMm', 'Diameter of the bundle', 'lengthMm', diameterMm),
        figure(
          'leastDiameterMm',
          'No packing is thinner than',
          'lengthMm',
          fibreBundle.reckon({ n: fibres, d: fibreMm, f: Math.PI / Math.sqrt(12) }),
        ),
        figure('gapMm', 'Least gap to the light', 'lengthMm', neededGapMm),
        figure('boreMm', 'Bore that takes it, with play', 'lengthMm', boreForGuidesMm(fibres, fibreMm, fill)),
        figure('litShare', 'Of the bundle, the light reaches', 'fraction', guided.litShare),
        figure('entersCone', 'Of its light, the fibres’ cone takes in', 'fraction', guided.kept.entersCone),
        figure('acceptanceDeg', 'A fibre takes light within, either way', 'angleDeg', acceptanceDeg(aperture)),
        figure('acceptedShare', 'Of a wide light it takes in', 'fraction', acceptedShare(aperture)),
      ],
      steps: [
        fillSum(fibreBundle, { n: fibres, d: fibreMm, f: filledShare(fibres, fibreMm, diameterMm) }),
        fillSum(gapToCover, { D: diameterMm, s: dieMm, a: halfAngleDeg }),
      ],
      findings: asInPlan(gapMm === null ? null : tellGap({ name: 'The fibres', atMouth: fibres, gapMm, guided })),
    };
  },
});
