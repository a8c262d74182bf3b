import { equalLook, fadeSteps, perceivedShare } from '../../lights/index.ts';
import { fillSum, percent, say } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { assume, list } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers lights that shall look alike. */
export const equalLookSum = defineSum({
  name: 'equal-look',
  title: 'Unlike colours, alike in look',
  about:
    'How far each colour has to be dimmed so that all look equally bright, and what a cut in current costs the eye.',
  group: 'lights',
  inputs: {
    intensities: list('intensityMcd', 'intensities', 'Intensity of each at full', [900, 4000, 1100], { least: 0.01 }),
    currentA: assume('currentA', 'current', 'Current of each at full', 0.02, { most: 5, usual: [0.0005, 1] }),
    cap: assume('fraction', 'cap', 'Brightness cap', 0.4, { least: 0.01, most: 1 }),
    bits: assume('count', 'bits', 'Bits of the dimming', 8, { whole: true, least: 4, most: 16 }),
  },
  reckon: ({ intensities, currentA, cap, bits }) => {
    if (intensities.length === 0)
      throw new SumError('Give at least one intensity, got none: intensities=900mcd,4000mcd');
    const levels = equalLook(intensities);
    const capFirst = fadeSteps({ gamma: 2.2, cap, bits, capFirst: true });
    const capLast = fadeSteps({ gamma: 2.2, cap, bits, capFirst: false });
    return {
      results: [
        {
          form: 'table',
          key: 'levels',
          label: 'Each light',
          columns: [
            { key: 'intensityMcd', label: 'at full', kind: 'intensityMcd' },
            { key: 'level', label: 'level', kind: 'fraction' },
            { key: 'currentA', label: 'mean current', kind: 'currentA' },
            { key: 'level8', label: 'of 255', kind: 'count' },
          ],
          rows: levels.map((level, i) => [intensities[i] ?? 0, level, level * currentA, Math.round(level * 255)]),
        },
        mainFigure(
          'look',
          say`How bright ${percent(cap)} of the light looks`,
          'fraction',
          perceivedShare.reckon({ x: cap }),
        ),
        figure('stepsCapFirst', 'Steps of a fade, cap before gamma', 'count', capFirst.steps),
        figure('stepsCapLast', 'Steps of a fade, cap after gamma', 'count', capLast.steps),
      ],
      steps: [fillSum(perceivedShare, { x: cap })],
      findings: findingsWhere([
        capFirst.steps < 60,
        finding(
          'coarse-fade',
          'mind',
          `Capped before the gamma only ${capFirst.steps} steps of a fade are left`,
          'The low end of the fade jumps, where the eye sees it best.',
          'Cap after the gamma, or dim with more bits.',
        ),
      ]),
    };
  },
});
