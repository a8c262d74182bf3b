import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlan, soundDesign } from '../../tests/designs.ts';
import { assess, prepareNights } from '../assess.ts';
import { converters, packs } from '../parts/index.ts';
import {
  boostInput,
  ceilingSum,
  chooseFuse,
  countedCurrentA,
  createRandom,
  efficiencyAt,
  estimateRunsFor,
  findCeiling,
  findCeilingOverDischarge,
  findObstacle,
  modelPack,
  type NightStretch,
  openCircuitVoltageV,
  operate,
  type PackModel,
  type PowerPath,
  plainRunTime,
  runNight,
  sampleNight,
  solveConstantPower,
} from './index.ts';

const boost = converters.find((part) => part.id === 'boost-5v-1a5') ?? null;
const lithium = packs[0];
if (!lithium || !boost) throw new Error('test parts are in the catalogue');
const pack = modelPack({ part: lithium, capacityMah: lithium.capacityMah, ambientC: 21 });
const boosted: PowerPath = {
  pack,
  leadOhm: 0.05,
  converter: boost,
  links: [{ id: 'converter output', name: 'The converter', limitA: 1.5, carries: 'rail', share: 1, offsetA: 0 }],
  brownOutV: 3.6,
};
const straight: PowerPath = { ...boosted, converter: null, links: [] };
const stretch = (meanA: number, peakA = meanA): NightStretch => ({ moodId: 'm', minutes: 60, meanA, peakA });
const run = (path: PowerPath, course: readonly NightStretch[], stepS = 20) =>
  runNight(path, course, { stepS, mostHours: 240 });

describe('converters (N32)', () => {
  it.each([
    [5, 1.4, 0.9, 4.1, 1.9],
    [5, 1.4, 0.9, 3.3, 2.36],
  ])('%d V %d A at %d takes %d V in: %d A', (Vo, Io, n, Vi, amps) => {
    expect(boostInput.reckon({ Vo, Io, n, Vi })).toBeCloseTo(amps, 2);
  });
  it('10.80 W behind 0.25 Ω holds at 3.4 V and has no solution at 3.2 V', () => {
    expect((3.4 ** 2 / (4 * 0.25)).toFixed(2)).toBe('11.56');
    const held = solveConstantPower(3.4, 0.25, 10.8);
    expect(held).not.toBeNull();
    // The root gives the power asked, on the stable side.
    expect((3.4 - (held ?? 0) * 0.25) * (held ?? 0)).toBeCloseTo(10.8, 9);
    expect(3.4 - (held ?? 0) * 0.25).toBeGreaterThan(1.7);
    expect(solveConstantPower(3.2, 0.25, 10.8)).toBeNull();
  });
  it('keeps power: in = out + heat', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 1.2, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        (railA, charge) => {
          const operation = operate(boosted, charge, railA);
          if (operation.collapses) return;
          expect(operation.packA * operation.packV).toBeCloseTo(5 * railA + operation.lossW, 5);
          expect(operation.packA).toBeGreaterThan(railA);
        },
      ),
      { seed: 12 },
    );
  });
  it('is worse at the ends of its load and with less input', () => {
    expect(efficiencyAt(boost, 0.01, 3.7)).toBeLessThan(efficiencyAt(boost, 0.5, 3.7));
    expect(efficiencyAt(boost, 1.5, 3.7)).toBeLessThan(efficiencyAt(boost, 0.75, 3.7));
    expect(efficiencyAt(boost, 0.5, 3.1)).toBeLessThan(efficiencyAt(boost, 0.5, 4.1));
  });
});

describe('packs (N31)', () => {
  it('rate law: 4 Ah stated at 20 h lasts 20.0, 4.06 and 1.83 h at 0.2, 0.8 and 1.6 A', () => {
    const lead = { ratedCurrentA: 0.2, rateExponent: 1.15 };
    const hours = (amps: number): number => 4 / countedCurrentA(lead, amps);
    expect(hours(0.2)).toBeCloseTo(20, 1);
    expect(hours(0.8)).toBeCloseTo(4.06, 2);
    expect(hours(1.6)).toBeCloseTo(1.83, 2);
  });
  it('1800 mAh at 420 mA is at most 4.29 h', () => {
    expect(plainRunTime.reckon({ C: 1800, I: 0.42 })).toBeCloseTo(4.29, 2);
  });
  it('rises with charge, and is smaller and stiffer in the cold', () => {
    for (const part of packs) {
      const warm = modelPack({ part, capacityMah: part.capacityMah, ambientC: 21 });
      const cold = modelPack({ part, capacityMah: part.capacityMah, ambientC: 0 });
      for (let charge = 0.05; charge <= 1; charge += 0.05)
        expect(openCircuitVoltageV(warm, charge)).toBeGreaterThan(openCircuitVoltageV(warm, charge - 0.05));
      expect(cold.capacityMah).toBeLessThan(warm.capacityMah);
      expect(cold.resistanceOhm).toBeGreaterThan(warm.resistanceOhm);
    }
  });
});

describe('the night', () => {
  it('keeps charge: what flowed out is the integral of the current', () => {
    const night = run(boosted, [stretch(0.3), { ...stretch(0.6), minutes: 20 }], 10);
    const integral =
      night.samples.reduce(
        (sum, sample, i) => sum + sample.packA * ((night.samples[i + 1]?.atH ?? night.hours) - sample.atH),
        0,
      ) * 1000;
    expect(integral).toBeCloseTo(night.drawnMah, 6);
    // Lithium has no rate effect here, so charge used and charge drawn agree.
    const last = night.samples[night.samples.length - 1];
    expect((1 - (last?.charge ?? 0)) * pack.capacityMah).toBeLessThanOrEqual(night.drawnMah + 1e-6);
    expect(night.drawnMah).toBeLessThanOrEqual(pack.capacityMah + 1);
  });
  it('agrees with the closed form where there is one: an ideal pack and a steady load', () => {
    const ideal: PackModel = {
      openCircuitV: [5, 5],
      resistanceOhm: 1e-6,
      capacityMah: 1000,
      ratedCurrentA: 1,
      rateExponent: 1,
      cutOffV: 1,
    };
    const night = run({ pack: ideal, leadOhm: 0, converter: null, links: [], brownOutV: 1 }, [stretch(0.25)], 5);
    // 1000 mAh at 250 mA: four hours, then empty.
    expect(night.hours).toBeCloseTo(4, 2);
    expect(night.end).toBe('empty');
  });
  it('halving the step moves the answer by less than a half per cent', () => {
    const [coarse, fine] = [run(boosted, [stretch(0.4)], 60), run(boosted, [stretch(0.4)], 5)];
    expect(Math.abs(coarse.hours / fine.hours - 1)).toBeLessThan(0.005);
  });
  it('more light never lasts longer', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.9, noNaN: true }),
        fc.double({ min: 1.01, max: 1.6, noNaN: true }),
        (meanA, more) => {
          expect(run(boosted, [stretch(meanA * more)], 60).hours).toBeLessThanOrEqual(
            run(boosted, [stretch(meanA)], 60).hours + 0.03,
          );
        },
      ),
      { seed: 13, numRuns: 30 },
    );
  });
  it('currents and capacity both doubled last as long, on a pack without resistance', () => {
    const soft = { ...pack, resistanceOhm: 1e-9 };
    const once = run({ ...straight, pack: soft, leadOhm: 0 }, [stretch(0.3)]);
    const twice = run({ ...straight, pack: { ...soft, capacityMah: soft.capacityMah * 2 }, leadOhm: 0 }, [
      stretch(0.6),
    ]);
    expect(twice.hours).toBeCloseTo(once.hours, 6);
  });
  it.each([
    ['resets', straight, stretch(0.2, 4)],
    ['resets', straight, stretch(0.3)],
    ['drops out', { ...boosted, converter: { ...boost, inputLeastV: 3.4 } }, stretch(0.3)],
    ['cut-off', { ...boosted, pack: { ...pack, cutOffV: 3.5 } }, stretch(0.3)],
    ['empty', { ...straight, brownOutV: 0, pack: { ...pack, cutOffV: 0 } }, stretch(0.3)],
  ] as const)('says what ended it: %s', (end, path, load) => {
    expect(run(path, [load]).end).toBe(end);
  });
  it('bears an evening without stretches, and one without load', () => {
    expect(run(boosted, []).end).toBe('lasts');
    expect(run(straight, [stretch(0)], 600).end).toBe('lasts');
  });
});

describe('ceilings (N30)', () => {
  /** The check jaw: 66 check pixels and a controller of 0.12 A, on 1.5 A. */
  const draw = (pixels: number) => ({
    restA: 0.12 + pixels * 0.0008,
    dynamicMeanA: pixels * 0.036,
    dynamicPeakA: pixels * 0.036,
  });
  const ideal: PowerPath = {
    ...straight,
    pack: { ...pack, openCircuitV: [5, 5], resistanceOhm: 1e-9 },
    leadOhm: 0,
    links: boosted.links,
  };
  it('white on 1.5 A: 55.9 % for 66 pixels, 71.5 % for 52', () => {
    expect(findCeiling(ideal, 1, draw(66)).brightness).toBeCloseTo(0.559, 3);
    expect(findCeiling(ideal, 1, draw(52)).brightness).toBeCloseTo(0.715, 3);
    expect(ceilingSum.reckon({ Im: 1.5, I0: 0.12 + 66 * 0.0008, I1: 66 * 0.036 })).toBeCloseTo(0.5586, 4);
  });
  it('one die has no limit', () => {
    expect(findCeiling(ideal, 1, { ...draw(66), dynamicPeakA: 66 * 0.012 })).toMatchObject({
      brightness: 1,
      limitedBy: null,
    });
  });
  it('just below nothing gives way, just above something does', () => {
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 150 }), fc.double({ min: 0.1, max: 1, noNaN: true }), (pixels, charge) => {
        const load = draw(pixels);
        const { brightness } = findCeiling(boosted, charge, load);
        const at = (share: number) => findObstacle(boosted, charge, load.restA + share * load.dynamicPeakA);
        if (brightness > 0) expect(at(brightness)).toBeNull();
        if (brightness < 1) expect(at(brightness + 2e-5)).not.toBeNull();
      }),
      { seed: 14, numRuns: 100 },
    );
  });
  it('is lowest near the end of the charge, and fresh says nothing about it', () => {
    const over = findCeilingOverDischarge({ ...boosted, leadOhm: 0.25 }, draw(66));
    expect(over.brightness).toBeLessThan(over.fresh);
    expect(Math.min(...over.curve.map((point) => point.brightness))).toBe(over.brightness);
  });
  it('names the link', () => {
    expect(findCeiling(boosted, 1, draw(66))).toMatchObject({
      linkId: 'converter output',
      limitedBy: 'the converter carries more than its 1.50 A',
    });
  });
});

it('a fuse: steady 1.92 A, wire good for 3.0 A → 2.5 A (N34)', () => {
  expect(chooseFuse(1.92, 3)).toEqual({ leastA: 2.4, mostA: 3, bestA: 2.5 });
  expect(chooseFuse(1.92, 2)).toMatchObject({ bestA: null });
});

describe('doubt (X02)', () => {
  const design = soundDesign();
  const make = prepareNights(design, assess(design));
  if (!make) throw new Error('the sound design has nights');
  it('the cautious figure is what nineteen or more sampled nights in twenty reach', () => {
    const runs = estimateRunsFor(make);
    const random = createRandom(4);
    const hours = Array.from({ length: 400 }, () => sampleNight(make, random, 60));
    const reached = hours.filter((each) => each >= runs.cautiousH).length / hours.length;
    expect(reached).toBeGreaterThan(0.93);
    expect(reached).toBeLessThan(1);
  });
  it('names its chief cause, and the same start number gives the same nights', () => {
    expect(estimateRunsFor(make).chiefCause).toMatch(/capacity|resistance|light current/);
    const [a, b] = [createRandom(1), createRandom(1)];
    expect([a(), a(), a()]).toEqual([b(), b(), b()]);
  });
  it('more spread never narrows the interval', () => {
    const wide = soundDesign({
      power: { ...design.power, capacityMah: { likely: 3400, spread: 600, origin: 'guess' } },
    });
    const tight = soundDesign({
      power: { ...design.power, capacityMah: { likely: 3400, spread: 100, origin: 'measured' } },
    });
    const gap = (each: typeof wide): number => {
      const runs = assess(each).supply?.runsFor;
      return (runs?.likelyH ?? 0) - (runs?.cautiousH ?? 0);
    };
    expect(gap(wide)).toBeGreaterThan(gap(tight));
  });
  it('the demo’s cautious night, drawn again, ends at the same hour', () => {
    const plan = demoPlan();
    const assessment = assess(plan.design);
    const runs = assessment.supply?.runsFor;
    const nights = prepareNights(plan.design, assessment);
    if (!runs || !nights) throw new Error('the demo has nights');
    const { path, course } = nights(runs.cautious);
    expect(runNight(path, course, { stepS: runs.stepS, mostHours: 240 }).hours).toBe(runs.cautiousH);
  });
});
