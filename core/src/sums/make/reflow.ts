import { judgeReflow, reflowAlloys, solderVolume } from '../../heat/index.ts';
import type { Finding } from '../../items/index.ts';
import { capitalise, celsius, fillSum, quantity, say, seconds } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { assume, choice, optional, pairs } from '../inputs.ts';
import { defineSum, figure, finding, mainFigure, text } from '../sum.ts';

/** Each fault as a finding, and what deceives the eye. */
const judge = (faults: ReturnType<typeof judgeReflow>['faults']): Finding[] => [
  ...faults.map((fault, i) =>
    finding(
      `reflow-${i + 1}`,
      'mend',
      capitalise(fault),
      'Usual limits of the alloy; the sheets of paste and part rule.',
      'Change the hold or the ramp and watch it again.',
    ),
  ),
  finding(
    'shiny-metal',
    'mind',
    'A thermal camera reads bare metal far too low',
    'It sees the room’s reflection.',
    'Put a spot of matt tape on it, or a thermometer under the part.',
  ),
];

/** Answers whether a soldering was sound. */
export const reflowSum = defineSum({
  name: 'reflow',
  title: 'Was it soldered right?',
  about: 'Judges a reflow by a list of times and temperatures: ramp, time above melting, peak, cooling.',
  group: 'heat and make',
  inputs: {
    points: pairs({
      word: 'points',
      label: 'Times and temperatures',
      hint: 'time : temperature',
      names: ['timeS', 'temperatureC'],
      kinds: ['timeS', 'temperatureC'],
      bands: [
        { least: 0, most: 100_000 },
        { least: -40, most: 600 },
      ],
      initial: [
        [0, 25],
        [146.7, 245],
        [164.7, 245],
        [244.7, 45],
      ],
    }),
    alloy: choice('alloy', 'Alloy', ['tin-lead', 'lead-free'], 'lead-free'),
    padAMm: optional('lengthMm', 'pad', 'Pad length'),
    padBMm: optional('lengthMm', 'padwidth', 'Pad width'),
    pasteMm: assume('lengthMm', 'paste', 'Height of the paste', 0.12, { least: 0.01, most: 3 }),
  },
  reckon: ({ points, alloy, padAMm, padBMm, pasteMm }) => {
    if (points.length < 2)
      throw new SumError(`Give at least two readings, got ${points.length}: points=0s:25C,150s:245C`);
    const sorted = points.map(([atS, temperatureC]) => ({ atS, temperatureC }));
    const back = sorted.findIndex((point, i) => i > 0 && point.atS <= (sorted[i - 1]?.atS ?? 0));
    if (back > 0)
      throw new SumError(
        say`The times must rise from reading to reading; number ${back + 1} is at ${seconds(sorted[back]?.atS ?? 0)}, after ${seconds(sorted[back - 1]?.atS ?? 0)}: put them in order`,
      );
    const limits = reflowAlloys[alloy];
    const verdict = judgeReflow(sorted, limits);
    const first = sorted[0]?.atS ?? 0;
    const last = sorted[sorted.length - 1]?.atS ?? 0;
    const solder = padAMm === null || padBMm === null ? null : { a: padAMm, b: padBMm, h: pasteMm, m: 0.5 };
    return {
      results: [
        text(
          'verdict',
          'Verdict',
          verdict.faults.length === 0 ? 'within the usual limits of this alloy' : 'not within the usual limits',
        ),
        mainFigure('peakC', 'Peak', 'temperatureC', verdict.peakC),
        figure('aboveMeltS', say`Above ${celsius(limits.meltsC)}`, 'timeS', verdict.aboveMeltS),
        figure('atPeakS', say`Within ${quantity('temperatureRiseK', 4)} of the peak`, 'timeS', verdict.atPeakS),
        figure('rampKPerS', 'Steepest rise', 'rateKPerS', verdict.steepestRampKPerS),
        figure('coolKPerS', 'Steepest fall', 'rateKPerS', verdict.steepestCoolKPerS),
        ...(solder ? [figure('solderMm3', 'Solder on the pad', 'volumeMm3', solderVolume.reckon(solder))] : []),
      ],
      steps: solder ? [fillSum(solderVolume, solder)] : [],
      findings: judge(verdict.faults),
      drawing: {
        kind: 'lines',
        x: { label: 'time', kind: 'timeS' },
        y: { label: 'temperature', kind: 'temperatureC' },
        lines: [
          { name: 'measured', role: 'curve', points: sorted.map((point) => [point.atS, point.temperatureC] as const) },
          {
            name: 'melts',
            role: 'limit',
            points: [
              [first, limits.meltsC],
              [last, limits.meltsC],
            ],
          },
          {
            name: 'highest peak',
            role: 'limit',
            points: [
              [first, limits.peakC[1]],
              [last, limits.peakC[1]],
            ],
          },
        ],
        marks: [],
      },
    };
  },
});
