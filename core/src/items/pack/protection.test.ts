import { describe, expect, it } from 'vitest';
import { builtInLibrary } from '../../parts/catalogue.ts';
import { findPart } from '../../parts/index.ts';
import { ownPartSchema } from '../../plan/ownPartSchema.ts';
import { timeAboveCurrent, tripOf, tripsOnFilling } from './protection.ts';

const board = findPart(builtInLibrary, 'protection', 'protection-two-8a');

describe('a protection board of the maker’s own from before its delays were asked', () => {
  it('is read as it was, and trips as is typical: ten milliseconds, three times as a short', () => {
    const old = {
      kind: 'protection',
      id: 'own-old',
      like: 'protection-one-3a',
      name: 'Old',
      price: 1,
      cellsInSeries: 1,
      tripA: 4,
      cutOffV: 2.5,
      ohm: 0.05,
      drainA: 4e-6,
    };
    const read = ownPartSchema.safeParse(old);
    expect(read.success && read.data).toEqual(old);
    expect(read.success && read.data.kind === 'protection' && tripOf(read.data)).toEqual({
      tripA: 4,
      delayS: 0.01,
      shortA: 12,
      shortDelayS: 0.0003,
    });
  });
});

describe('a protection board while a reservoir fills', () => {
  it('8.4 V over 0.2 Ω into 2,000 µF: 42 A at once, above 25 A for 0.21 ms, as stepping through it says', () => {
    // 0.2 Ω · 2 mF = 0.4 ms; ln(42/25) = 0.519; 0.2075 ms.
    expect(timeAboveCurrent.reckon({ V: 8.4, R: 0.2, C: 2000, I: 25 })).toBeCloseTo(0.2075e-3, 6);
    const stepS = 1e-8;
    let [volts, aboveS] = [0, 0];
    for (let t = 0; t < 2e-3; t += stepS) {
      const amps = (8.4 - volts) / 0.2;
      if (amps > 25) aboveS += stepS;
      volts += (amps * stepS) / 2000e-6;
    }
    expect(timeAboveCurrent.reckon({ V: 8.4, R: 0.2, C: 2000, I: 25 })).toBeCloseTo(aboveS, 6);
    expect(timeAboveCurrent.reckon({ V: 8.4, R: 0.2, C: 2000, I: 50 })).toBe(0);
  });
  it('bears that, and lets go of three times as much, which lasts three times as long', () => {
    if (!board) throw new Error('no such board');
    expect(tripsOnFilling(board, { V: 8.4, R: 0.2, C: 2000 })).toBe(false);
    expect(tripsOnFilling(board, { V: 8.4, R: 0.2, C: 6000 })).toBe(true);
    // A slow filling that is never a short, but for longer than ten milliseconds above 8 A: 1 Ω · 1 F · ln(8.4/8).
    expect(tripsOnFilling(board, { V: 8.4, R: 1, C: 1e6 })).toBe(true);
  });
});
