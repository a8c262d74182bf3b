import { forwardVoltageV, solveString } from '../../circuit/index.ts';
import { seriesResistor } from '../../drive/index.ts';
import { tellFading } from '../../findings/index.ts';
import { type ToString, weighString } from '../../network/index.ts';
import { fillSum, say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { sample } from '../drawing.ts';
import { ask, assume } from '../inputs.ts';
import { curveOfLight, dropInput, readingsInput } from '../lightCurves.ts';
import { asInPlan, defineSum, mainFigure } from '../sum.ts';

const ledBand = { most: 3, usual: [0.0005, 0.05] } as const;

/** Answers how many lights in series. */
export const ledStringSum = defineSum({
  name: 'led-string',
  title: 'How many in series?',
  about:
    'Strings of one to many lights on a pack, from fresh to spent: current, fall of brightness, share of the energy.',
  group: 'drive',
  inputs: {
    freshV: ask('voltageV', 'fresh', 'Pack, fresh', 12.6, { most: 60, usual: [1.2, 30] }),
    nominalV: ask('voltageV', 'nominal', 'Pack, nominal', 11.1, { most: 60, usual: [1.2, 30] }),
    spentV: ask('voltageV', 'spent', 'Pack, spent', 9, { most: 60, usual: [0.8, 30] }),
    forwardV: dropInput(1.934),
    readings: readingsInput,
    currentA: ask('currentA', 'current', 'Wanted current', 0.008, ledBand),
    ratedA: assume('currentA', 'rated', 'Highest current of the light', 0.02, ledBand),
    spreadV: assume('voltageV', 'spread', 'Drop varies by, either way', 0.1, { least: 0, most: 1 }),
    sourceOhm: assume('resistanceOhm', 'source', 'Resistance of the supply, as one light alone sees it', 0, {
      least: 0,
      most: 1e4,
    }),
  },
  reckon: ({ freshV, nominalV, spentV, forwardV, readings, currentA, ratedA, spreadV, sourceOhm }) => {
    if (spentV > nominalV || nominalV > freshV)
      throw new SumError(
        say`A pack falls as it empties: fresh ${volts(freshV)}, nominal ${volts(nominalV)}, spent ${volts(spentV)} do not; give them in that order`,
      );
    const curve = curveOfLight(forwardV, currentA, readings);
    const dropV = forwardVoltageV(curve, currentA);
    // Of as many lights in all, longer strings are fewer: each sees so much less of what they share.
    const asked = (count: number): ToString => ({
      curve,
      forwardSpreadV: spreadV,
      ratedCurrentA: ratedA,
      wantedCurrentA: currentA,
      feed: { leastV: spentV, nominalV, mostV: freshV, seriesOhm: sourceOhm / count, dropV: 0 },
    });
    const rows = Array.from({ length: 12 }, (_, i) => i + 1).flatMap((count) => weighString(asked(count), count) ?? []);
    if (rows.length === 0)
      throw new SumError(
        say`${volts(nominalV)} does not light even one light of ${volts(dropV)}: take more cells, a boost converter, or a light of a lower drop`,
      );
    const best = rows.findLast(({ isSteady }) => isSteady);
    const [alone] = rows;
    return {
      results: [
        mainFigure('bestCount', 'Most in series that stays steady', 'count', best?.inSeries ?? null),
        {
          form: 'table',
          key: 'strings',
          label: 'Strings',
          columns: [
            { key: 'count', label: 'lights', kind: 'count' },
            { key: 'resistorOhm', label: 'resistor', kind: 'resistanceOhm' },
            { key: 'freshA', label: 'fresh', kind: 'currentA' },
            { key: 'nominalA', label: 'nominal', kind: 'currentA' },
            { key: 'spentA', label: 'spent', kind: 'currentA' },
            { key: 'lightShare', label: 'to the lights', kind: 'fraction' },
          ],
          rows: rows.map((row) => [row.inSeries, row.resistorOhm, row.freshA, row.usualA, row.spentA, row.lightShare]),
        },
      ],
      steps: [fillSum(seriesResistor, { Vs: nominalV, Vd: 0, Vf: (best?.inSeries ?? 1) * dropV, I: currentA })],
      findings: asInPlan(
        best !== undefined || !alone
          ? null
          : tellFading({
              name: 'One light by itself',
              inSeries: 1,
              nominalV,
              currentA: alone.usualA,
              spentV,
              spentA: alone.spentA,
              shorter: null,
            }),
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'pack', kind: 'voltageV' },
        y: { label: 'current', kind: 'currentA' },
        lines: [
          ...rows.map((row) => ({
            name: `${row.inSeries} in series`,
            role: row === best ? ('curve' as const) : ('second' as const),
            points: sample(spentV, freshV, 30, (v) =>
              solveString({
                supplyV: v,
                resistanceOhm: row.resistorOhm + sourceOhm / row.inSeries,
                curve,
                count: row.inSeries,
              }),
            ),
          })),
          {
            name: 'rated',
            role: 'limit' as const,
            points: [
              [spentV, ratedA],
              [freshV, ratedA],
            ],
          },
        ],
        marks: [],
      },
    };
  },
});
