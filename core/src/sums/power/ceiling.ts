import { NOTHING_LEFT, tellNothingLit } from '../../findings/index.ts';
import { perceivedShare } from '../../lights/index.ts';
import { ceilingSum } from '../../power/index.ts';
import { amps, fillSum, say } from '../../units/index.ts';
import { ask, assume } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers how bright before the weakest link gives way. */
export const brightnessCeilingSum = defineSum({
  name: 'ceiling',
  title: 'Brightness ceiling',
  about:
    'The greatest brightness at which the weakest link still holds, in white, in one colour and for what the program should limit.',
  group: 'power',
  inputs: {
    limitA: ask('currentA', 'limit', 'The weakest link carries', 1.5, { most: 200, usual: [0.05, 20] }),
    pixels: ask('count', 'pixels', 'Pixels', 66, { whole: true, least: 1, most: 100_000, usual: [1, 3000] }),
    otherA: assume('currentA', 'other', 'Controller and all else', 0.12, { least: 0, most: 50 }),
    restA: assume('currentA', 'rest', 'Rest current of a pixel', 0.0008, { least: 0, most: 0.01 }),
    dieA: assume('currentA', 'die', 'One die at full', 0.012, { most: 0.1, usual: [0.004, 0.025] }),
    dice: assume('count', 'dice', 'Dice lit in the colour used', 3, { least: 0.05, most: 5 }),
  },
  reckon: ({ limitA, pixels, otherA, restA, dieA, dice }) => {
    const I0 = otherA + pixels * restA;
    const at = (lit: number): number =>
      Math.min(1, Math.max(0, ceilingSum.reckon({ Im: limitA, I0, I1: pixels * lit * dieA })));
    const white = at(3);
    const used = at(dice);
    // A boot level that holds in white even with a fifth of the limit gone.
    const boot = Math.min(1, Math.max(0, ceilingSum.reckon({ Im: limitA * 0.8, I0, I1: pixels * 3 * dieA })));
    return {
      results: [
        mainFigure('brightness', 'Ceiling', 'fraction', used),
        figure('white', 'In white', 'fraction', white),
        figure('oneDie', 'One die', 'fraction', at(1)),
        figure('limiter8', 'Limiter in the program, of 255', 'count', Math.floor(used * 255 + 1e-9)),
        figure('boot', 'Level to start up with', 'fraction', boot),
        figure('atCeilingA', 'Draws at the ceiling', 'currentA', I0 + pixels * dice * dieA * used),
        figure('fullWhiteA', 'All white at full would draw', 'currentA', I0 + pixels * 3 * dieA),
        figure('look', 'The ceiling looks like', 'fraction', perceivedShare.reckon({ x: used })),
      ],
      steps: [fillSum(ceilingSum, { Im: limitA, I0, I1: pixels * dice * dieA })],
      findings: [
        ...asInPlan(
          used < NOTHING_LEFT
            ? tellNothingLit({
                name: 'The link',
                limitedBy: say`dark it draws ${amps(I0)} of ${amps(limitA)}`,
                actual: { kind: 'fraction', value: used },
                limit: { kind: 'fraction', value: 1 },
              })
            : null,
        ),
        ...findingsWhere(
          [
            boot < 0.02 && used >= NOTHING_LEFT,
            finding(
              'boot-loops',
              'mend',
              'There is hardly a level that starts safely',
              'Started at full it resets before any setting can reach it.',
              'A stronger link; start dark.',
            ),
          ],
          [
            true,
            finding(
              'say-the-colour',
              'mind',
              'A percentage without its colour says nothing',
              'White is three dice, red is one; and half of the slider is half of the current only after the gamma curve.',
              'Limit the current in the program, not the slider.',
            ),
          ],
        ),
      ],
    };
  },
});
