import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batchCount, cheapestPurchase, lotsFor } from './index.ts';

describe('copies and cost', () => {
  it('7 copies × 18 + 5 % = 132.3: 6 lots of 25 = 150', () => {
    const parts = batchCount.reckon({ c: 7, n: 18, s: 0.05 });
    expect(parts).toBeCloseTo(132.3, 9);
    expect(lotsFor(parts, 25)).toBe(6);
    expect(lotsFor(150, 25)).toBe(6);
  });
  it('44 needed, 0.42 from 10, 0.30 from 50: 50 cost 15.00 where 44 cost 18.48', () => {
    const breaks = [
      { from: 10, each: 0.42 },
      { from: 50, each: 0.3 },
    ];
    expect(44 * 0.42).toBeCloseTo(18.48, 9);
    expect(cheapestPurchase(44, breaks)).toEqual({ count: 50, each: 0.3, total: 15 });
    expect(cheapestPurchase(12, breaks)?.count).toBe(12);
    expect(cheapestPurchase(4, [])).toBeNull();
  });
  it('is never dearer than buying just what is needed at its own price', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 2, max: 100 }), (needed, from) => {
        const breaks = [
          { from: 1, each: 0.5 },
          { from, each: 0.4 },
        ];
        const plain = needed * (needed >= from ? 0.4 : 0.5);
        expect(cheapestPurchase(needed, breaks)?.total).toBeLessThanOrEqual(plain + 1e-9);
      }),
      { seed: 41 },
    );
  });
});
