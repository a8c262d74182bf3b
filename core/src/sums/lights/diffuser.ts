import { tellDots } from '../../findings/index.ts';
import {
  arcMinuteDistanceM,
  depthOverPitchFor,
  diffusers,
  dotsVanishFromM,
  endShare,
  firstHarmonic,
  profileOf,
  rippleOf,
} from '../../lights/index.ts';
import { fillSum, mm, percent, say } from '../../units/index.ts';
import { ask, assume, choice } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers how deep a channel must be so that no dots show. */
export const diffuserSum = defineSum({
  name: 'diffuser',
  title: 'Evenness behind a diffuser',
  about: 'Whether the dots of a row show through, near and from the audience, and what depth makes them even.',
  group: 'lights',
  inputs: {
    perMetre: ask('perMetre', 'density', 'Lights a metre', 74, { least: 1, most: 1000, usual: [14, 400] }),
    depthMm: ask('lengthMm', 'depth', 'Depth from light to diffuser', 11, { most: 500, usual: [1, 100] }),
    wish: assume('fraction', 'wish', 'Ripple that is even enough', 0.08, { least: 0.001, most: 0.9 }),
    distanceMm: assume('lengthMm', 'distance', 'Distance of the audience', 5000, { least: 50, most: 1e6 }),
    diffuser: choice('diffuser', 'Diffuser', Object.keys(diffusers), 'baking parchment'),
  },
  reckon: ({ perMetre, depthMm, wish, distanceMm, diffuser: kind }) => {
    const pitchMm = 1000 / perMetre;
    const ripple = rippleOf(depthMm, pitchMm);
    const ratio = depthOverPitchFor(wish);
    const [low, high] = diffusers[kind] ?? [1, 1];
    const vanishM = dotsVanishFromM(ripple, pitchMm);
    return {
      results: [
        mainFigure('ripple', 'Ripple', 'fraction', ripple),
        figure('pitchMm', 'Pitch', 'lengthMm', pitchMm),
        figure('depthOverPitch', 'Depth over pitch', 'count', depthMm / pitchMm),
        figure('depthForWishMm', say`Depth for ${percent(wish)}`, 'lengthMm', ratio * pitchMm),
        figure('perMetreForWish', 'Lights a metre for it at this depth', 'perMetre', (1000 * ratio) / depthMm),
        figure('endShare', 'Brightness over the end light', 'fraction', endShare(depthMm, pitchMm)),
        figure('vanishFromMm', 'Dots are not seen from', 'lengthMm', vanishM * 1000),
        figure('arcMinuteMm', 'Pitch is one arc-minute at', 'lengthMm', arcMinuteDistanceM(pitchMm) * 1000),
        figure('transmissionLeast', 'Light let through, least', 'fraction', low),
        figure('transmissionMost', 'Light let through, most', 'fraction', high),
        figure('currentFactor', 'Current for the same look as bare', 'count', 2 / (low + high)),
      ],
      steps: [fillSum(firstHarmonic, { h: depthMm, p: pitchMm })],
      findings: [
        ...asInPlan(tellDots({ name: 'the row', depthMm, pitchMm, evenEnough: wish })),
        ...findingsWhere([
          ripple > wish && vanishM * 1000 < distanceMm,
          finding(
            'even-from-afar',
            'mind',
            say`From ${mm(distanceMm)} it looks even all the same`,
            'The eye can’t tell such fine and weak dots from there (reckoned for a dim room).',
            'Decide by who looks from where.',
          ),
        ]),
      ],
      drawing: {
        kind: 'lines',
        x: { label: 'along the row', kind: 'lengthMm' },
        y: { label: 'brightness', kind: 'fraction' },
        lines: [
          {
            name: 'on the diffuser',
            role: 'curve',
            points: profileOf({ depthMm, pitchMm, lights: 8, points: 240 }).map(
              ({ xMm, share }) => [xMm, share] as const,
            ),
          },
        ],
        marks: [],
      },
    };
  },
});
