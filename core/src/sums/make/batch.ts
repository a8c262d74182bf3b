import { batchCount, cheapestPurchase, lotsFor } from '../../logbook/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume, pairs } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers parts for several copies. */
export const batchSum = defineSum({
  name: 'batch',
  title: 'Parts for all copies',
  about: 'How many to buy for all copies with spares, in whole lots and at the cheapest price break.',
  group: 'heat and make',
  inputs: {
    copies: ask('count', 'copies', 'Copies', 7, { whole: true, least: 1, most: 10_000, usual: [1, 200] }),
    each: ask('count', 'each', 'In each', 18, { whole: true, least: 1, most: 100_000 }),
    spares: assume('fraction', 'spares', 'Spares', 0.05, { least: 0, most: 2 }),
    lot: assume('count', 'lot', 'Sold in lots of', 1, { whole: true, least: 1, most: 100_000 }),
    stock: assume('count', 'stock', 'In the drawer', 0, { whole: true, least: 0, most: 1e6 }),
    breaks: pairs({
      word: 'prices',
      label: 'Prices',
      hint: 'from how many : price of one',
      names: ['from', 'price'],
      kinds: ['count', 'money'],
      bands: [
        { whole: true, least: 1, most: 1e6 },
        { least: 0, most: 1e6 },
      ],
      initial: [],
    }),
  },
  reckon: ({ copies, each, spares, lot, stock, breaks }) => {
    const parts = batchCount.reckon({ c: copies, n: each, s: spares });
    // What a product loses in its last digit is not one more part.
    const needed = Math.ceil(parts - 1e-9);
    const missing = Math.max(0, needed - stock);
    const lots = lotsFor(missing, lot);
    const buy = cheapestPurchase(
      lots * lot,
      breaks.map(([from, price]) => ({ from, each: price })),
    );
    return {
      results: [
        mainFigure('lots', lot === 1 ? 'To buy' : 'Lots to buy', 'count', lots),
        figure('parts', 'Needed, with spares', 'count', needed),
        figure('withoutSpares', 'Without', 'count', copies * each),
        figure('bought', 'That is', 'count', lots * lot),
        figure('shortBy', 'The drawer is short by', 'count', Math.max(0, copies * each - stock)),
        ...(buy
          ? [
              figure('cheapestCount', 'Cheapest number to buy', 'count', buy.count),
              figure('total', 'Costs', 'money', buy.total),
            ]
          : []),
      ],
      steps: [fillSum(batchCount, { c: copies, n: each, s: spares })],
      findings: findingsWhere([
        buy !== null && buy.count > lots * lot,
        finding(
          'more-is-cheaper',
          'mind',
          `Buying ${buy?.count ?? 0} costs less than the ${lots * lot} needed`,
          'A price break lies just above.',
          'What is left over goes into the drawer.',
        ),
      ]),
    };
  },
});
