import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { efficiencyAt, linearHeat } from '../items/index.ts';
import { converters } from '../parts/index.ts';
import {
  BROWN_OUT_MARGIN_V,
  bridgePower,
  drawFromMain,
  type EvenTape,
  evenFeeds,
  fewestFeeds,
  findRailLimitA,
  gainChange,
  operate,
  packEnergy,
  packsForEvent,
  planCharging,
  rateLaw,
  singleRail,
  startDipV,
  swapTimesH,
  tapeVoltages,
} from './index.ts';

describe('charging', () => {
  const pouch = { chemistry: 'lithium-ion', capacityMah: 850, chargerA: 0.425, loadA: 0 } as const;
  it('850 mAh: at most 425 mA, 2.4 h; a load of 60 mA is over the end current of 42.5 mA and it never ends', () => {
    expect(planCharging(pouch)).toMatchObject({ mostA: 0.425, tooFast: false, neverEnds: false });
    expect(planCharging(pouch)?.hours).toBeCloseTo(2.4, 6);
    expect(planCharging({ ...pouch, loadA: 0.06 })).toMatchObject({ endA: 0.0425, neverEnds: true });
  });
  it('1 A on a 150 mAh pouch is too fast; 3 Ah lead-acid takes 0.3 to 0.9 A; alkaline none at all', () => {
    expect(planCharging({ ...pouch, capacityMah: 150, chargerA: 1 })?.tooFast).toBe(true);
    const lead = planCharging({ ...pouch, chemistry: 'lead-acid', capacityMah: 3000 });
    expect([lead?.leastA, lead?.mostA]).toEqual([expect.closeTo(0.3, 9), expect.closeTo(0.9, 9)]);
    expect(planCharging({ ...pouch, chemistry: 'alkaline' })).toBeNull();
  });
});

describe('how long', () => {
  const lead = { C: 4000, H: 20, k: 1.15 };
  it.each([
    [0.2, 20],
    [0.8, 4.06],
    [1.6, 1.83],
  ])('4 Ah at 20 h, k 1.15, %d A: %d h', (I, hours) => expect(rateLaw.reckon({ ...lead, I })).toBeCloseTo(hours, 2));
  it('11.1 V × 2.6 Ah = 28.9 Wh; 5.5 h ÷ 1.9 h: 3 packs, where the likely 2.8 h would say 2', () => {
    expect(packEnergy.reckon({ U: 11.1, C: 2600 })).toBeCloseTo(28.9, 1);
    expect(packsForEvent.reckon({ T: 5.5, t: 1.9 })).toBe(3);
    expect(packsForEvent.reckon({ T: 5.5, t: 2.8 })).toBe(2);
    expect(swapTimesH(5.5, 1.9)).toEqual([1.9, 3.8]);
  });
});

describe('converters', () => {
  it('linear 7.4 → 5 V, 260 mA: 0.624 W, 67.6 %; 12 → 3.3 V, 90 mA: 0.783 W', () => {
    expect(linearHeat.reckon({ Vi: 7.4, Vo: 5, I: 0.26 })).toBeCloseTo(0.624, 9);
    expect(5 / 7.4).toBeCloseTo(0.676, 3);
    expect(linearHeat.reckon({ Vi: 12, Vo: 3.3, I: 0.09 })).toBeCloseTo(0.783, 9);
  });
  const path = (id: string, volts: number): Parameters<typeof singleRail>[0] => ({
    pack: {
      openCircuitV: [volts, volts],
      resistanceOhm: 0.1,
      resistanceTimes: [1, 1],
      capacityMah: 2000,
      ratedCurrentA: 1,
      rateExponent: 1,
      cutOffV: 0,
      tripV: null,
      selfDischargeAMonth: 0,
    },
    leadOhm: 0.05,
    converter: converters.find((part) => part.id === id) ?? null,
    brownOutV: 0,
  });
  const run = (id: string, volts: number, railA: number) => {
    const tree = singleRail(path(id, volts));
    return operate(tree, 1, drawFromMain(tree, railA));
  };
  it('what a rail gives at most is found wherever it lies: 40 A of a stiff pack, and where its own resistance ends it', () => {
    const stiff = { ...path('none', 12), leadOhm: 0.001, pack: { ...path('none', 12).pack, resistanceOhm: 0.001 } };
    const plug = { id: 'plug', name: 'Plug', limitA: 40, side: 'in', share: 1, offsetA: 0 } as const;
    const dark = [{ steadyA: 0, shaped: [] }];
    expect(findRailLimitA(singleRail({ ...stiff, links: [plug] }), 1, 0, dark)).toBeCloseTo(40, 2);
    // It resets below 9 V and a margin of 0.2 V: (12 − 9.2) V over 0.15 Ω are 18.7 A.
    const soft = singleRail({ ...path('none', 12), brownOutV: 9 });
    expect(findRailLimitA(soft, 1, 0, dark)).toBeCloseTo((12 - 9 - BROWN_OUT_MARGIN_V) / 0.15, 2);
  });
  it('power in = power out + heat, in all three kinds, at any load', () => {
    for (const [id, volts] of [
      ['boost-5v-1a5', 3.7],
      ['buck-5v-3a', 11.1],
      ['linear-5v-1a', 7.4],
    ] as const)
      fc.assert(
        fc.property(fc.double({ min: 0.001, max: 0.9, noNaN: true }), (railA) => {
          const found = run(id, volts, railA);
          expect((found.nodes[1]?.inV ?? 0) * found.packA).toBeCloseTo(found.railV * railA + found.lossW, 6);
          expect(found.lossW).toBeGreaterThan(0);
        }),
        { seed: 31, numRuns: 40 },
      );
  });
  it('a linear regulator passes the current on and its rail sinks with the input below its drop-out', () => {
    expect(run('linear-5v-1a', 7.4, 0.26).packA).toBeCloseTo(0.265, 9);
    const sunk = run('linear-5v-1a', 5.5, 0.26);
    expect(sunk.ok).toBe(false);
    expect(sunk.railV).toBeLessThan(5);
  });
  it('a buck draws less than it gives; a boost is better the higher its input', () => {
    expect(run('buck-5v-3a', 11.1, 1).packA).toBeLessThan(1);
    const boost = path('boost-5v-1a5', 3.7).converter;
    if (!boost) throw new Error('the part is in the catalogue');
    expect(efficiencyAt(boost, 0.5, 4.1)).toBeGreaterThan(efficiencyAt(boost, 0.5, 3.3));
  });
});

describe('sound and motors', () => {
  it('bridge on 4 Ω: 2.21 W at 4.2 V, 1.45 W at 3.4 V; 47 → 22 kΩ is +6.6 dB', () => {
    expect(bridgePower.reckon({ U: 4.2, R: 4 })).toBeCloseTo(2.21, 2);
    expect(bridgePower.reckon({ U: 3.4, R: 4 })).toBeCloseTo(1.445, 3);
    expect(gainChange.reckon({ Ra: 47_000, Rb: 22_000 })).toBeCloseTo(6.6, 1);
    // Ten times the power is 10 dB: about twice as loud.
    expect(10 * Math.log10(10)).toBe(10);
    expect(startDipV(2, 0.25)).toBe(0.5);
  });
});

describe('feed points', () => {
  const tape: EvenTape = {
    supplyV: 5,
    pixels: 120,
    pixelA: 0.0368,
    pitchOhm: 0.3 / 60,
    leadOhm: 0.05,
    fullAboveV: 3.7,
    endsAtV: 0,
  };
  it('each in the middle of its part', () => {
    expect(evenFeeds(100, 2)).toEqual([25, 75]);
    expect(evenFeeds(3, 9)).toEqual([0, 1, 2]);
  });
  it('finds the fewest: one less is not enough', () => {
    const found = fewestFeeds(tape, 4.6);
    expect(found?.at.length).toBeGreaterThan(1);
    const less = evenFeeds(120, (found?.at.length ?? 1) - 1);
    expect(Math.min(...tapeVoltages(tape, less).voltageV)).toBeLessThan(4.6);
    expect(fewestFeeds(tape, 5.1)).toBeNull();
  });
  it('finds the fewest where many are needed, too', () => {
    // Rails as thin as thread: four hundred times the ohms of a tape's copper.
    const thin = { ...tape, pitchOhm: tape.pitchOhm * 400 };
    const found = fewestFeeds(thin, 4.6);
    expect(found?.at.length).toBeGreaterThan(16);
    for (let feeds = 1; feeds < (found?.at.length ?? 0); feeds += 1)
      expect(Math.min(...tapeVoltages(thin, evenFeeds(120, feeds)).voltageV)).toBeLessThan(4.6);
  });
  it('no other two places are better than the two middles', () => {
    const least = (at: readonly number[]): number => Math.min(...tapeVoltages({ ...tape, pixels: 40 }, at).voltageV);
    const even = least(evenFeeds(40, 2));
    for (let a = 0; a < 40; a += 1)
      for (let b = a + 1; b < 40; b += 1) expect(least([a, b])).toBeLessThanOrEqual(even + 1e-3);
  });
});
