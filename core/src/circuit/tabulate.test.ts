import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tabulate } from './index.ts';
import { tabulateSmooth } from './tabulate.ts';

/** Three dice in series with 100 Ω: what bends hardest just where it begins to conduct. */
const bending = (volts: number): number => Math.max(0, Math.log1p(Math.exp((volts - 8.4) / 0.15)) * 0.15) / 100;

describe('a current by rows', () => {
  it('is itself on its rows, and between them within a ten-thousandth for rows of a millivolt', () => {
    const rows = tabulate(bending);
    fc.assert(
      fc.property(fc.double({ min: 8, max: 12, noNaN: true }), (volts) => {
        expect(Math.abs(rows(volts) - bending(volts))).toBeLessThanOrEqual(1e-4 * bending(volts));
      }),
      { seed: 5 },
    );
    expect(rows(9)).toBe(bending(9));
  });

  it('of rows ten times as far apart is as good by the third degree, where straight lines are off by several thousandths', () => {
    const [smooth, straight] = [tabulateSmooth(bending, 0.05), tabulate(bending, 0.05)];
    const worst = (of: (volts: number) => number): number =>
      Math.max(
        ...Array.from({ length: 500 }, (_, i) => 8 + i * 0.0071).map((volts) =>
          Math.abs(of(volts) / bending(volts) - 1),
        ),
      );
    expect(worst(smooth)).toBeLessThan(1e-3);
    expect(worst(straight)).toBeGreaterThan(5e-3);
  });

  it('asks for each row once, however often it is read', () => {
    let asked = 0;
    const rows = tabulateSmooth((volts) => {
      asked += 1;
      return volts * volts;
    }, 0.1);
    for (let i = 0; i < 100; i += 1) rows(1.23);
    expect(asked).toBe(4);
    // A parabola is met exactly.
    expect(rows(1.23)).toBeCloseTo(1.23 * 1.23, 12);
  });

  it('is never below nothing, also just before it begins', () => {
    const begins = tabulateSmooth((volts) => Math.max(0, volts - 1), 0.1);
    for (let volts = 0.5; volts < 1.5; volts += 0.007) expect(begins(volts)).toBeGreaterThanOrEqual(0);
  });
});
