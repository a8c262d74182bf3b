import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitLedCurve, forwardVoltageV, type LedCurve, shiftCurve, solveString } from './index.ts';

/** The check parts of the needs: 1 mA and 20 mA points with their series resistance. */
const amber = fitLedCurve({
  low: { currentA: 0.001, voltageV: 1.78 },
  high: { currentA: 0.02, voltageV: 2.06 },
  seriesOhm: 6.5,
});
const white = fitLedCurve({
  low: { currentA: 0.001, voltageV: 2.72 },
  high: { currentA: 0.02, voltageV: 3.14 },
  seriesOhm: 11,
});

/** A second solver: plain halving on the loop equation, no slope. */
function bisect(curve: LedCurve, supplyV: number, resistanceOhm: number, count = 1): number {
  let [low, high] = [0, supplyV / (resistanceOhm + count * curve.seriesOhm)];
  for (let i = 0; i < 200; i += 1) {
    const middle = (low + high) / 2;
    if (count * forwardVoltageV(curve, middle) + middle * resistanceOhm > supplyV) high = middle;
    else low = middle;
  }
  return low;
}

describe('the curve of a light', () => {
  it('has the fitted parameters of the check parts', () => {
    expect(amber.nVtV).toBeCloseTo(0.05224, 5);
    expect(amber.saturationA / 1.805e-18).toBeCloseTo(1, 2);
    expect(white.nVtV).toBeCloseTo(0.07043, 5);
    expect(white.saturationA / 1.978e-20).toBeCloseTo(1, 1);
  });
  it.each([
    ['amber', amber, 0.005, 1.89],
    ['amber through its first point', amber, 0.001, 1.78],
    ['amber through its second', amber, 0.02, 2.06],
    ['white', white, 0.012, 3.016],
  ])('%s: volts at a current', (_name, curve, currentA, volts) => {
    expect(forwardVoltageV(curve, currentA)).toBeCloseTo(volts, 3);
  });
  it.each([
    [amber, 2.0, 0.01377, 5],
    [amber, 1.5, 0.000005, 6],
    [white, 3.3, 0.0316, 4],
  ])('current at a voltage, solved', (curve, volts, amps, digits) => {
    // No resistor: the light alone on the voltage.
    expect(solveString({ supplyV: volts, resistanceOhm: 0, curve })).toBeCloseTo(amps, digits);
  });
  it('rises strictly and is inverted to a part in a thousand million', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 0.05, noNaN: true }), (currentA) => {
        const volts = forwardVoltageV(amber, currentA);
        expect(forwardVoltageV(amber, currentA * 1.01)).toBeGreaterThan(volts);
        expect(
          Math.abs(solveString({ supplyV: volts, resistanceOhm: 0, curve: amber }) - currentA) / currentA,
        ).toBeLessThan(1e-7);
      }),
      { seed: 1 },
    );
  });
  it('refuses readings that do not rise', () => {
    expect(() =>
      fitLedCurve({ low: { currentA: 0.001, voltageV: 2 }, high: { currentA: 0.02, voltageV: 2.05 }, seriesOhm: 10 }),
    ).toThrow(/must rise/);
  });
  it('moved by a voltage, drops that much more', () => {
    expect(forwardVoltageV(shiftCurve(white, 0.15), 0.01) - forwardVoltageV(white, 0.01)).toBeCloseTo(0.15, 9);
  });
});

describe('strings', () => {
  it.each([
    [1, 1200, [8.88, 7.64, 6.9, 5.91]],
    [3, 680, [9.89, 7.8, 6.55, 4.9]],
    [4, 470, [10.13, 7.24, 5.54, 3.34]],
    [5, 180, [14.3, 7.96, 4.44, 0.84]],
  ])('%d amber with %d Ω at 12.6, 11.1, 10.2 and 9.0 V', (count, resistanceOhm, milliamps) => {
    const found = [12.6, 11.1, 10.2, 9].map(
      (supplyV) => 1000 * solveString({ supplyV, resistanceOhm, curve: amber, count }),
    );
    found.forEach((current, i) => {
      expect(Math.abs(current - (milliamps[i] ?? 0))).toBeLessThan(0.0101);
    });
  });
  it('agrees with halving, closes the loop, and is never negative', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 24, noNaN: true }),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        (supplyV, resistanceOhm, count) => {
          const current = solveString({ supplyV, resistanceOhm, curve: white, count });
          expect(current).toBeGreaterThanOrEqual(0);
          expect(Math.abs(current - bisect(white, supplyV, resistanceOhm, count))).toBeLessThan(1e-11);
          if (current > 1e-9)
            expect(Math.abs(supplyV - count * forwardVoltageV(white, current) - current * resistanceOhm)).toBeLessThan(
              1e-7,
            );
        },
      ),
      { seed: 2, numRuns: 300 },
    );
  });
  it('gives no more current for more resistance', () => {
    expect(solveString({ supplyV: 5, resistanceOhm: 200, curve: white })).toBeLessThan(
      solveString({ supplyV: 5, resistanceOhm: 180, curve: white }),
    );
  });
});
