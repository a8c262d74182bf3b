import type { Assessment } from '../assess.ts';
import { money } from '../units/index.ts';
import { type Figure, undecided } from './figure.ts';

const TITLE = 'Cost of one copy';

/** What is bought for one copy, by usual prices. */
export function costPerCopy({ shopping, costPerCopy: cost }: Assessment): Figure {
  if (shopping.length === 0) return undecided(TITLE, ['something to buy']);
  return {
    title: TITLE,
    likely: cost,
    cautious: cost,
    needs: [],
    answer: money(cost),
    lead: 'By usual prices, for one copy; your own prices stand with your own parts.',
    lines: shopping.map((line) => ({ label: line.name, value: money(line.cost) })),
    sums: [],
    doubt: null,
  };
}
