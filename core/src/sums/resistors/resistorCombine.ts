import { combineToward, writeCombination } from '../../drive/index.ts';
import { percent, say } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, choice, list } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

/** Answers a value out of two resistors. */
export const resistorCombineSum = defineSum({
  name: 'resistor-combine',
  title: 'From the drawer',
  about: 'One, two or three resistors of the drawer that come nearest to a value, in every way of joining.',
  group: 'drive',
  inputs: {
    wantedOhm: ask('resistanceOhm', 'wanted', 'Wanted', 165.3, { most: 1e9 }),
    stock: list('resistanceOhm', 'stock', 'In the drawer', [47, 68, 100, 120, 270]),
    most: assume('count', 'most', 'At most how many', 2, { whole: true, least: 1, most: 3 }),
    side: choice('side', 'May be', ['nearest', 'at or above'], 'nearest'),
  },
  reckon: ({ wantedOhm, stock, most, side }) => {
    if (stock.length === 0)
      throw new SumError('The drawer is empty, and a pair needs one value at least: give stock=47,100,220');
    if (most > 2 && stock.length > 40)
      throw new SumError(`Three out of ${stock.length} values are too many ways; give at most 40, or take two`);
    const found = combineToward(wantedOhm, stock, {
      most: most >= 3 ? 3 : most >= 2 ? 2 : 1,
      keep: 6,
      atLeast: side === 'at or above',
    });
    const best = found[0];
    return {
      results: [
        mainFigure('ohm', 'Nearest', 'resistanceOhm', best?.ohm ?? null),
        text('joined', 'Made of', best ? writeCombination(best) : 'nothing in the drawer reaches it'),
        figure('off', 'Off by', 'fraction', best ? best.ohm / wantedOhm - 1 : null),
        {
          form: 'table',
          key: 'ways',
          label: 'The nearest ways',
          columns: [
            { key: 'parts', label: 'made of', kind: 'text' },
            { key: 'ohm', label: 'value', kind: 'resistanceOhm' },
            { key: 'off', label: 'off', kind: 'fraction' },
          ],
          rows: found.map((each) => [writeCombination(each), each.ohm, each.ohm / wantedOhm - 1]),
        },
      ],
      steps: [],
      findings: findingsWhere([
        best !== undefined && Math.abs(best.ohm / wantedOhm - 1) > 0.1,
        finding(
          'drawer-far',
          'mend',
          say`The nearest is ${percent(Math.abs((best?.ohm ?? 0) / wantedOhm - 1))} off`,
          'Reckon the current with it before you take it.',
          'Buy the value, or allow three together.',
        ),
      ]),
    };
  },
});
