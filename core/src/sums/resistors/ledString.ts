import { solveString } from '../../circuit/index.ts';
import { seriesResistor, standardNeighbours } from '../../drive/index.ts';
import { fillSum, say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { sample } from '../drawing.ts';
import { ask, assume } from '../inputs.ts';
import { curveThrough } from '../lightCurves.ts';
import { defineSum, finding, findingsWhere, mainFigure } from '../sum.ts';

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
    forwardV: ask('voltageV', 'forward', 'Forward drop at that current', 1.934, { most: 6, usual: [1.1, 3.9] }),
    currentA: ask('currentA', 'current', 'Wanted current', 0.008, ledBand),
    ratedA: assume('currentA', 'rated', 'Highest current of the light', 0.02, ledBand),
  },
  reckon: ({ freshV, nominalV, spentV, forwardV, currentA, ratedA }) => {
    const curve = curveThrough(forwardV, currentA);
    const most = Math.floor((nominalV - 0.05) / forwardV);
    if (most < 1)
      throw new SumError(
        say`${volts(nominalV)} does not light even one light of ${volts(forwardV)}: take more cells, a boost converter, or a light of a lower drop`,
      );
    const rows = Array.from({ length: Math.min(12, most) }, (_, i) => {
      const count = i + 1;
      const ohm = standardNeighbours((nominalV - count * forwardV) / currentA).above;
      const at = (supplyV: number): number => solveString({ supplyV, resistanceOhm: ohm, curve, count });
      return {
        count,
        ohm,
        fresh: at(freshV),
        nominal: at(nominalV),
        spent: at(spentV),
        share: (count * forwardV) / nominalV,
      };
    });
    const steady = rows.filter((row) => row.fresh <= ratedA && row.spent >= row.nominal * 0.5);
    const best = steady[steady.length - 1];
    return {
      results: [
        mainFigure('bestCount', 'Most in series that stays steady', 'count', best?.count ?? null),
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
          rows: rows.map((row) => [row.count, row.ohm, row.fresh, row.nominal, row.spent, row.share]),
        },
      ],
      steps: [fillSum(seriesResistor, { Vs: nominalV, Vd: 0, Vf: (best?.count ?? 1) * forwardV, I: currentA })],
      findings: findingsWhere([
        rows.some((row) => row.fresh > ratedA),
        finding(
          'string-hot',
          'mend',
          'Long strings are over the rating on a fresh pack',
          'What just works at the nominal voltage is too bright fresh and dark at the end.',
          'Fewer in series, so that a quarter of the voltage is left for the resistor; or a constant-current driver.',
        ),
      ]),
      drawing: {
        kind: 'lines',
        x: { label: 'pack', kind: 'voltageV' },
        y: { label: 'current', kind: 'currentA' },
        lines: [
          ...rows.map((row) => ({
            name: `${row.count} in series`,
            role: row === best ? ('curve' as const) : ('second' as const),
            points: sample(spentV, freshV, 30, (v) =>
              solveString({ supplyV: v, resistanceOhm: row.ohm, curve, count: row.count }),
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
