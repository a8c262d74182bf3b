import { evenFeeds, fewestFeeds, tapeVoltages } from '../../power/index.ts';
import { say, volts } from '../../units/index.ts';
import { ask } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';
import { evenTape, tapeInputs } from './evenTape.ts';

/** Answers where to feed a tape. */
export const feedPointsSum = defineSum({
  name: 'feed-points',
  title: 'Where to feed a tape',
  about: 'The fewest feed points that keep every pixel above a voltage, and where they go.',
  group: 'power',
  inputs: {
    ...tapeInputs,
    wantedV: ask('voltageV', 'wanted', 'Least voltage wanted', 4.5, { least: 0.5, most: 48, usual: [3, 24] }),
  },
  reckon: (values) => {
    const tape = evenTape(values);
    const found = fewestFeeds(tape, values.wantedV);
    const at = found?.at ?? evenFeeds(tape.pixels, 1);
    const solved = tapeVoltages(tape, at);
    const ends = Math.min(...tapeVoltages(tape, [0, tape.pixels - 1]).voltageV);
    const one = Math.min(...tapeVoltages(tape, [0]).voltageV);
    const mm = (i: number): number => ((i + 0.5) * 1000) / values.perMetre;
    return {
      results: [
        mainFigure('feeds', 'Feed points', 'count', found?.at.length ?? null),
        {
          form: 'figures',
          key: 'feedsMm',
          label: 'At, from the start',
          kind: 'lengthMm',
          values: found ? found.at.map(mm) : [],
        },
        figure('leastV', 'Least voltage with them', 'voltageV', found?.leastV ?? null),
        figure('oneEndV', 'Fed at one end only', 'voltageV', one),
        figure('bothEndsV', 'Fed at both ends', 'voltageV', ends),
        figure('totalA', 'Draws in all', 'currentA', solved.totalA),
      ],
      steps: [],
      findings: findingsWhere([
        found === null,
        finding(
          'cannot-feed',
          'stop',
          say`No number of feeds keeps ${volts(values.wantedV)}`,
          'The lead alone loses more than that.',
          'Thicker leads, a higher supply, or less brightness.',
        ),
      ]),
      drawing: {
        kind: 'lines',
        x: { label: 'along the tape', kind: 'lengthMm' },
        y: { label: 'voltage', kind: 'voltageV' },
        lines: [
          { name: 'with these feeds', role: 'curve', points: solved.voltageV.map((v, i) => [mm(i), v] as const) },
          {
            name: 'fed at one end',
            role: 'second',
            points: tapeVoltages(tape, [0]).voltageV.map((v, i) => [mm(i), v] as const),
          },
          {
            name: 'wanted',
            role: 'limit',
            points: [
              [0, values.wantedV],
              [values.lengthMm, values.wantedV],
            ],
          },
        ],
        marks: at.map((i) => ({ name: 'feed', at: [mm(i), solved.voltageV[i] ?? 0] as const })),
      },
    };
  },
});
