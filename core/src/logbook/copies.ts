import { defineFormula } from '../units/index.ts';

/** Parts for so many copies, spares with them. @example 3 copies of 15 with a tenth more: 49.5, so 50 */
export const batchCount = defineFormula({
  name: 'Parts for all copies, with spares',
  gives: { meaning: 'parts', kind: 'count' },
  symbols: {
    c: { meaning: 'copies', kind: 'count' },
    n: { meaning: 'parts in each', kind: 'count' },
    s: { meaning: 'spares', kind: 'fraction' },
  },
  form: '{N} = {c} · {n} · (1 + {s})',
  source: 'spares are for what breaks on the bench',
  reckon: ({ c, n, s }) => c * n * (1 + s),
});

/** Whole lots that cover a number. @example 132.3 in lots of 25: 6 lots, 150 */
export const lotsFor = (parts: number, lot: number): number => Math.ceil(parts / lot - 1e-9);

/** Price of one from a number upwards. */
export interface PriceBreak {
  /** So many or more. */
  readonly from: number;
  /** Price of one, then. */
  readonly each: number;
}

/** The cheapest number to buy that covers what is needed, which may be more than is needed. */
export interface Purchase {
  readonly count: number;
  /** Price of one. */
  readonly each: number;
  /** Of the whole lot. */
  readonly total: number;
}

/** @example 44 needed, 0.42 from 10, 0.30 from 50: 50 for 15.00 instead of 44 for 18.48 */
export function cheapestPurchase(needed: number, breaks: readonly PriceBreak[]): Purchase | null {
  const sorted = [...breaks].sort((a, b) => a.from - b.from);
  const choices = sorted.map((row): Purchase => {
    const count = Math.max(needed, row.from);
    return { count, each: row.each, total: count * row.each };
  });
  return choices.reduce<Purchase | null>((best, each) => (!best || each.total < best.total ? each : best), null);
}
