import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlan, soundDesign, soundSimple } from '../../tests/designs.ts';
import { assess, prepareNights } from '../assess.ts';
import {
  boostInput,
  countedCurrentA,
  efficiencyAt,
  modelPack,
  openCircuitVoltageV,
  type PackModel,
  solveConstantPower,
} from '../items/index.ts';
import { converters, packs } from '../parts/index.ts';
import { amps } from '../units/index.ts';
import {
  type BrightnessDraw,
  ceilingSum,
  chooseFuse,
  createRandom,
  drawAtBrightness,
  drawFromMain,
  estimateRunsFor,
  findCeiling,
  findCeilingOverDischarge,
  findObstacle,
  findReserve,
  type NightStretch,
  operate,
  plainRunTime,
  runNight,
  type SupplyTree,
  sampleNight,
  singleRail,
} from './index.ts';

const boost = converters.find((part) => part.id === 'boost-5v-1a5') ?? null;
const lithium = packs[0];
if (!lithium || !boost) throw new Error('test parts are in the catalogue');
const pack = modelPack({ part: lithium, capacityMah: lithium.capacityMah, ambientC: 21 });
type Path = Parameters<typeof singleRail>[0];
const boosted: Path = {
  pack,
  leadOhm: 0.05,
  converter: boost,
  links: [{ id: 'converter output', name: 'The converter', limitA: 1.5, side: 'out', share: 1, offsetA: 0 }],
  brownOutV: 3.6,
};
const straight: Path = { ...boosted, converter: null, links: [] };
interface Stretch {
  readonly minutes: number;
  readonly meanA: number;
  readonly peakA: number;
}
const stretch = (meanA: number, peakA = meanA): Stretch => ({ minutes: 60, meanA, peakA });
const courseOn = (tree: SupplyTree, course: readonly Stretch[]): NightStretch[] =>
  course.map(({ minutes, meanA, peakA }) => ({
    moodId: 'm',
    minutes,
    mean: drawFromMain(tree, meanA),
    peak: drawFromMain(tree, peakA),
  }));
const run = (path: Path, course: readonly Stretch[], stepS = 20) => {
  const tree = singleRail(path);
  return runNight(tree, courseOn(tree, course), { stepS });
};
const at = (path: Path, charge: number, railA: number) => {
  const tree = singleRail(path);
  return operate(tree, charge, drawFromMain(tree, railA));
};

describe('converters', () => {
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
          const operation = at(boosted, charge, railA);
          if (operation.collapses) return;
          expect(operation.packA * (operation.nodes[1]?.inV ?? 0)).toBeCloseTo(5 * railA + operation.lossW, 5);
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

describe('packs', () => {
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
    const lostMah = (pack.capacityMah * pack.selfDischargeAMonth * night.hours) / 730;
    expect((1 - (last?.charge ?? 0)) * pack.capacityMah).toBeLessThanOrEqual(night.drawnMah + lostMah + 1e-6);
    expect(night.drawnMah).toBeLessThanOrEqual(pack.capacityMah + 1);
  });
  it('agrees with the closed form where there is one: an ideal pack and a steady load', () => {
    const ideal: PackModel = {
      openCircuitV: [5, 5],
      resistanceOhm: 1e-6,
      resistanceTimes: [1, 1],
      capacityMah: 1000,
      ratedCurrentA: 1,
      rateExponent: 1,
      cutOffV: 1,
      tripV: null,
      selfDischargeAMonth: 0,
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
    const soft = { ...pack, resistanceOhm: 1e-9, selfDischargeAMonth: 0 };
    const once = run({ ...straight, pack: soft, leadOhm: 0 }, [stretch(0.3)]);
    const twice = run({ ...straight, pack: { ...soft, capacityMah: soft.capacityMah * 2 }, leadOhm: 0 }, [
      stretch(0.6),
    ]);
    expect(twice.hours).toBeCloseTo(once.hours, 6);
  });
  it.each([
    // Four amperes: on a board that bears 2 V what is built into the cell lets go first, at 2.5 V.
    ['resets', straight, stretch(0.2, 4)],
    ['lets go', { ...straight, brownOutV: 2 }, stretch(0.2, 4)],
    ['resets', straight, stretch(0.3)],
    ['drops out', { ...boosted, converter: { ...boost, inputLeastV: 3.4 } }, stretch(0.3)],
    ['cut-off', { ...boosted, pack: { ...pack, cutOffV: 3.5 } }, stretch(0.3)],
    // At rest far above the 3.4 V at which its protection lets go; 1.2 A of light for a moment pull it below.
    ['lets go', { ...boosted, pack: { ...pack, tripV: 3.4 } }, stretch(0.1, 1.2)],
    ['empty', { ...straight, brownOutV: 0, pack: { ...pack, cutOffV: 0 } }, stretch(0.3)],
  ] as const)('says what ended it: %s', (end, path, load) => {
    expect(run(path, [load]).end).toBe(end);
  });
  it('bears an evening without stretches, and one without load', () => {
    expect(run(boosted, []).end).toBe('goes on');
    // What draws nothing is emptied by the pack's own loss: 3 % a month, so a lithium cell outlasts a year.
    const idle = run({ ...straight, brownOutV: 0 }, [stretch(0)], 86_400);
    expect(idle.hours).toBeGreaterThan(24 * 365);
    expect(Number.isFinite(idle.hours)).toBe(true);
  });
});

describe('ceilings', () => {
  /** The check jaw: 66 check pixels and a controller of 0.12 A, on 1.5 A. */
  const draw = (tree: SupplyTree, pixels: number, lightA = pixels * 0.036): BrightnessDraw[] => [
    { dark: drawFromMain(tree, 0.12 + pixels * 0.0008), light: drawFromMain(tree, lightA) },
  ];
  const ideal: Path = {
    ...straight,
    pack: { ...pack, openCircuitV: [5, 5], resistanceOhm: 1e-9 },
    leadOhm: 0,
    links: boosted.links,
  };
  it('white on 1.5 A: 55.9 % for 66 pixels, 71.5 % for 52', () => {
    const tree = singleRail(ideal);
    expect(findCeiling(tree, 1, draw(tree, 66)).brightness).toBeCloseTo(0.559, 3);
    expect(findCeiling(tree, 1, draw(tree, 52)).brightness).toBeCloseTo(0.715, 3);
    expect(ceilingSum.reckon({ Im: 1.5, I0: 0.12 + 66 * 0.0008, I1: 66 * 0.036 })).toBeCloseTo(0.5586, 4);
  });
  it('one die has no limit', () => {
    const tree = singleRail(ideal);
    expect(findCeiling(tree, 1, draw(tree, 66, 66 * 0.012))).toMatchObject({
      brightness: 1,
      limitedBy: null,
    });
  });
  it('just below nothing gives way, just above something does', () => {
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 150 }), fc.double({ min: 0.1, max: 1, noNaN: true }), (pixels, charge) => {
        const tree = singleRail(boosted);
        const load = draw(tree, pixels);
        const { brightness } = findCeiling(tree, charge, load);
        const obstacle = (share: number) =>
          load.map((each) => findObstacle(tree, charge, drawAtBrightness(each, share)))[0] ?? null;
        if (brightness > 0) expect(obstacle(brightness)).toBeNull();
        if (brightness < 1) expect(obstacle(brightness + 2e-5)).not.toBeNull();
      }),
      { seed: 14, numRuns: 100 },
    );
  });
  it('is lowest near the end of the charge, and fresh says nothing about it', () => {
    const tree = singleRail({ ...boosted, leadOhm: 0.25 });
    const over = findCeilingOverDischarge(tree, draw(tree, 66), findReserve(tree, drawFromMain(tree, 0.17)));
    expect(over.brightness).toBeLessThan(over.fresh);
    expect(Math.min(...over.curve.map((point) => point.brightness))).toBe(over.brightness);
  });
  it('names the link', () => {
    const tree = singleRail(boosted);
    expect(findCeiling(tree, 1, draw(tree, 66))).toMatchObject({
      linkId: 'converter output',
      limitedBy: ['the converter carries more than its ', amps(1.5)],
    });
  });
});

it('a fuse: steady 1.92 A, wire good for 3.0 A → 2.5 A', () => {
  expect(chooseFuse(1.92, 3)).toEqual({ leastA: 2.4, mostA: 3, bestA: 2.5 });
  expect(chooseFuse(1.92, 2)).toMatchObject({ bestA: null });
});

describe('doubt', () => {
  const design = soundDesign();
  const make = prepareNights(design).get('pack');
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
      power: { ...soundSimple.power, capacityMah: { likely: 3400, spread: 600, origin: 'guess' } },
    });
    const tight = soundDesign({
      power: { ...soundSimple.power, capacityMah: { likely: 3400, spread: 100, origin: 'measured' } },
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
    const nights = prepareNights(plan.design).get('pack');
    if (!runs || !nights) throw new Error('the demo has nights');
    const { tree, course } = nights(runs.cautious);
    expect(runNight(tree, course, { stepS: runs.stepS }).hours).toBe(runs.cautiousH);
  });
});
