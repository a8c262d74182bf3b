import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { volts } from '../units/index.ts';
import { ceilingSum, solveSupplyTree, type TreeLoad, type TreeRail } from './index.ts';

const pack: TreeRail = { name: 'pack', volts: 3.7, from: null, efficiency: 1, limitA: 5, idleA: 0, minus: 'common' };
const rail5: TreeRail = {
  name: '5 V',
  volts: 5,
  from: 'pack',
  efficiency: 0.9,
  limitA: 3,
  idleA: 0.001,
  minus: 'common',
};
/** Check jaw: 66 check pixels; controller 0.12 A. */
const jaw: TreeLoad = {
  name: 'jaw',
  rail: '5 V',
  peakA: 66 * 0.0368,
  meanA: 66 * 0.0008 + 66 * 0.036 * 0.4 * 0.3,
  restA: 66 * 0.0008,
};
const controller: TreeLoad = { name: 'controller', rail: '5 V', peakA: 0.12, meanA: 0.12, restA: 0.12 };

describe('budget and supply tree', () => {
  const state = solveSupplyTree({ rails: [pack, rail5], loads: [jaw, controller], signals: [] });
  const five = state.rails.find((each) => each.name === '5 V');
  it('check jaw and controller: peak 2.549 A, 0.173 A dark, evening 0.458 A', () => {
    expect(five?.peakA).toBeCloseTo(2.549, 3);
    expect(five?.restA).toBeCloseTo(0.173, 3);
    expect(five?.meanA).toBeCloseTo(0.458, 3);
  });
  it('the tree’s sum is the flat sum, and energy in = out + losses', () => {
    const flat = jaw.meanA + controller.meanA;
    expect(five?.meanA).toBeCloseTo(flat, 12);
    expect(state.rails[0]?.meanA).toBeCloseTo((flat * 5) / 0.9 / 3.7 + 0.001, 12);
    expect(Math.abs(state.inW - state.outW - state.lossW)).toBeLessThan(1e-9);
  });
  it('keeps energy on any tree', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 2, noNaN: true }), { minLength: 3, maxLength: 3 }),
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        (means, efficiency) => {
          const logic: TreeRail = { ...rail5, name: '3.3 V', volts: 3.3, from: '5 V', efficiency };
          const loads = means.map(
            (meanA, i): TreeLoad => ({
              name: `load ${i}`,
              rail: [pack, rail5, logic][i]?.name ?? '',
              peakA: meanA,
              meanA,
              restA: 0,
            }),
          );
          const solved = solveSupplyTree({ rails: [pack, rail5, logic], loads, signals: [] });
          expect(Math.abs(solved.inW - solved.outW - solved.lossW)).toBeLessThan(1e-6);
        },
      ),
      { seed: 61, numRuns: 60 },
    );
  });
  it('two supplies that share a signal need one minus, and 12 V never meets a 5 V pin', () => {
    const twelve: TreeRail = { ...pack, name: '12 V', volts: 12, minus: 'its own' };
    const { flaws } = solveSupplyTree({
      rails: [pack, rail5, twelve],
      loads: [],
      signals: [{ name: 'gate', fromRail: '5 V', toRail: '12 V', volts: 12, bearsV: 5 }],
    });
    expect(flaws).toEqual([
      'gate: 5 V and 12 V share a signal but not their minus; join them',
      ['gate: ', volts(12), ' meets a pin that bears ', volts(5)],
    ]);
  });
  it('a motor’s start counts in the first moment only', () => {
    const motor: TreeLoad = { name: 'fin', rail: '5 V', peakA: 0.3, meanA: 0.05, restA: 0, startA: 1.4 };
    const solved = solveSupplyTree({ rails: [pack, rail5], loads: [motor], signals: [] });
    expect(solved.rails[1]).toMatchObject({ peakA: 0.3, startA: 1.4 });
  });
  it('refuses a load on no rail, and a rail made from itself', () => {
    expect(() => solveSupplyTree({ rails: [pack], loads: [jaw], signals: [] })).toThrow(/no rail/);
    expect(() => solveSupplyTree({ rails: [{ ...rail5, from: '5 V' }], loads: [], signals: [] })).toThrow(
      /from itself/,
    );
    expect(() => solveSupplyTree({ rails: [rail5], loads: [], signals: [] })).toThrow(/no rail/);
  });
});

it('a limiter at the ceiling never passes the budget, over 100 000 random frames', () => {
  let state = 7;
  const random = (): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  const limitA = 1.5;
  const dark = 0.12 + 66 * 0.0008;
  for (let frame = 0; frame < 100_000; frame += 1) {
    // Level of the three dice of all pixels together, from none to full white.
    const litA = 66 * 0.012 * (random() + random() + random());
    const scale = Math.min(1, ceilingSum.reckon({ Im: limitA, I0: dark, I1: litA }));
    expect(dark + litA * scale).toBeLessThanOrEqual(limitA * (1 + 1e-12));
  }
});
