import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bipolarAt, bipolarOnLine, fetAt, fetOnLine, lineOf } from './loadLine.ts';

/** 5 V and 50 Ω: 100 mA with nothing in the way. */
const line = lineOf(5, 0.1);
/** k = 1/(0.1 · 3) = 3.333 A/V². */
const fet = { thresholdV: 1.5, onOhm: 0.1, promisedAtV: 4.5 };

describe('a transistor on the line of its load', () => {
  it('bipolar: full on by its drop, half on by its gain', () => {
    // (5 − 0.2)/50 = 96 mA; 2 mA · 100 would let 200 through.
    expect(bipolarOnLine(line, 0.002, 100, 0.2)).toEqual({
      currentA: 0.096,
      acrossV: 0.2,
      heatW: expect.closeTo(0.0192, 9),
    });
    // 0.4 mA · 100 = 40 mA: 2 V fall on the load, 3 V on the transistor, 120 mW.
    const half = bipolarOnLine(line, 0.0004, 100, 0.2);
    expect([half.currentA, half.acrossV, half.heatW]).toEqual([
      expect.closeTo(0.04, 12),
      expect.closeTo(3, 12),
      expect.closeTo(0.12, 12),
    ]);
    expect(bipolarOnLine(line, -0.001, 100, 0.2)).toEqual({ currentA: 0, acrossV: 5, heatW: 0 });
  });
  it('field-effect: off below its threshold, by the square law above, a resistance where it is promised', () => {
    expect(fetOnLine(line, 1.4, fet)).toEqual({ currentA: 0, acrossV: 5, heatW: 0 });
    // 0.1 V over: 3.333/2 · 0.01 = 16.7 mA, 0.833 V on the load, 4.167 V across it.
    const little = fetOnLine(line, 1.6, fet);
    expect(little.currentA).toBeCloseTo(0.016667, 5);
    expect(little.acrossV).toBeCloseTo(4.1667, 3);
    // Where it is promised its 0.1 Ω stands beside 50 Ω: 9.98 mV.
    expect(fetOnLine(line, 4.5, fet).acrossV).toBeCloseTo(0.00998, 4);
  });
  it('both laws meet where they part, and what flows satisfies both', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: 1, max: 24, noNaN: true }),
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        (gateV, supplyV, loadA) => {
          const own = lineOf(supplyV, loadA);
          const { currentA, acrossV, heatW } = fetOnLine(own, gateV, fet);
          const overV = Math.max(0, gateV - fet.thresholdV);
          const lets = (1 / 0.3) * (acrossV >= overV ? overV ** 2 / 2 : overV * acrossV - acrossV ** 2 / 2);
          expect(currentA).toBeCloseTo(lets, 9);
          expect(acrossV + currentA * own.ohm).toBeCloseTo(supplyV, 9);
          expect(heatW).toBeCloseTo(acrossV * currentA, 9);
        },
      ),
      { seed: 3, numRuns: 300 },
    );
  });
  it('is hottest half on: a quarter of supply times current, at half the voltage', () => {
    const most = Math.max(...Array.from({ length: 2000 }, (_, i) => bipolarOnLine(line, i / 2e6, 100, 0.2).heatW));
    expect(most).toBeCloseTo((5 * 0.1) / 4, 5);
  });
  it('cold it wants more and gives less; hot a field-effect one resists more', () => {
    // −10 °C is 35 K below: 0.75 + 0.07 V, and a fifth less gain.
    expect(bipolarAt(-10, 0.75, 100)).toEqual({ baseEmitterV: expect.closeTo(0.82, 9), gain: expect.closeTo(79, 9) });
    // 60 °C is 35 K above: 1.5 − 0.105 V, 17.5 % more resistance.
    expect(fetAt(60, fet)).toEqual({
      thresholdV: expect.closeTo(1.395, 9),
      promisedAtV: 4.5,
      onOhm: expect.closeTo(0.1175, 9),
    });
  });
});
