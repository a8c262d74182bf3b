import { balanceOf, trimMassG, turningForce } from '../../lights/index.ts';
import { fillSum } from '../../units/index.ts';
import { assume, optional, pairs } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers where a piece hangs, and what pulls when it turns. */
export const balanceSum = defineSum({
  name: 'balance',
  title: 'Mass and balance',
  about: 'Moments left and right of an axis, the mass that trims them, and the force of what turns unbalanced.',
  group: 'lights',
  inputs: {
    masses: pairs({
      word: 'masses',
      label: 'Masses and places',
      hint: 'mass : place from the axis, left less than 0',
      names: ['massG', 'atMm'],
      kinds: ['massG', 'lengthMm'],
      bands: [
        { least: 0, most: 1e5 },
        { least: -1e5, most: 1e5 },
      ],
      initial: [
        [12, -180],
        [10.8, 200],
      ],
    }),
    trimAtMm: optional('lengthMm', 'trim', 'Place for a trim mass', { least: -1e5, most: 1e5 }),
    speedRpm: assume('speedRpm', 'speed', 'Speed, if it turns', 0, { least: 0, most: 1e5 }),
  },
  reckon: ({ masses, trimAtMm, speedRpm }) => {
    const found = balanceOf(masses.map(([massG, atMm]) => ({ massG, atMm })));
    const trim = trimAtMm === null ? null : trimMassG(found, trimAtMm);
    const pull = { m: Math.abs(found.residualGmm), r: 1, n: speedRpm };
    return {
      results: [
        mainFigure('residualGmm', 'Out of balance, right side down', 'momentGmm', found.residualGmm),
        figure('leftGmm', 'Moment of the left', 'momentGmm', found.leftGmm),
        figure('rightGmm', 'Moment of the right', 'momentGmm', found.rightGmm),
        figure('totalG', 'Mass in all', 'massG', found.totalG),
        figure('centreMm', 'Centre of mass from the axis', 'lengthMm', found.centreMm),
        ...(trimAtMm === null ? [] : [figure('trimG', 'Trim mass there', 'massG', trim)]),
        figure('forceN', 'Force on the axle when it turns', 'forceN', turningForce.reckon(pull)),
      ],
      steps: speedRpm > 0 ? [fillSum(turningForce, pull)] : [],
      findings: findingsWhere(
        [
          Math.abs(found.residualGmm) > 0.02 * Math.max(found.leftGmm, found.rightGmm),
          finding(
            'unbalanced',
            'mend',
            'The two sides are not equal in moment',
            'Equal mass is not equal moment: what lies farther out counts for more.',
            'Trim the light side, or move the heavy one in.',
          ),
        ],
        [
          trimAtMm !== null && trim === null,
          finding(
            'trim-wrong-side',
            'mend',
            'A mass there makes it worse',
            'It would lie on the heavy side.',
            'Choose a place on the other side of the axis.',
          ),
        ],
      ),
    };
  },
});
