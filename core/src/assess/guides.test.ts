import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { exportTemplateSvg, tellAssessment } from '../exports/index.ts';
import { checkDesign } from '../findings/index.ts';
import { gatheredMm, reckonGuided, shareInCone } from '../lights/index.ts';
import { applyEdits, changeItem, createPlan, type Design } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';

/** Bow wave: ninety fibres of half a millimetre over one pixel, in a row of holes. */
const bundleOf = (change: object = {}, count = 90): Design =>
  circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 200 }, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'board', at: { xMm: 20, yMm: 200 }, part: 'controller-large-5v' }),
    itemOf('pixel tape', { id: 'pixel', name: 'Pixel', part: 'pixel-single-1', route: [{ xMm: 200, yMm: 150 }] }),
    itemOf('guide', {
      id: 'wave',
      name: 'Bow wave',
      at: { xMm: 200, yMm: 140 },
      part: 'fibre-0.5',
      gapMm: 1,
      lights: [{ groupId: 'pixel', light: 1 }],
      ends: Array.from({ length: count }, (_, i) => ({
        id: `e${i}`,
        at: { xMm: 20 + 4 * i, yMm: 40 },
        hollowId: null,
      })),
      ...change,
    }),
  ]);
const guideOf = (design: Design) => {
  const [guide] = assess(design).guides;
  if (!guide) throw new Error('no guide');
  return guide;
};
const ids = (design: Design): string[] =>
  checkDesign(design, assess(design))
    .map(({ id }) => id)
    .filter((id) => id.startsWith('guide-'));

describe('a bundle of fibres over a pixel', () => {
  it('is 5.24 mm thick, and a die of 2 mm with 60° to each side lights all of it from 0.93 mm on', () => {
    const { guided } = guideOf(bundleOf());
    expect(guided?.mouthMm).toBeCloseTo(5.24, 2);
    expect(guided?.neededGapMm).toBeCloseTo(0.93, 2);
    expect(guided?.litShare).toBe(1);
  });
  it('few fibres fill less than many: two lie in twice their width, nine in 3.613 times, four to a hole in 2.414 times', () => {
    // Two circles of 0.5 mm in one of 1 mm fill a half of it; √(2 / 0.82) would say 0.78 mm.
    expect(guideOf(bundleOf({}, 2)).guided).toMatchObject({ mouthMm: 1, kept: { meetsFibre: 0.5 } });
    expect(guideOf(bundleOf({}, 9)).boreMm).toBeCloseTo(3.613 * 0.5 + 0.1, 9);
    expect(guideOf(bundleOf({ perEnd: 4 })).holeMm).toBeCloseTo(2.414 * 0.5 + 0.1, 9);
    // One more fibre never makes a bundle thinner.
    const widths = Array.from({ length: 120 }, (_, i) => gatheredMm(i + 1, 0.5));
    expect(widths).toEqual([...widths].sort((a, b) => a - b));
  });
  it('loses its light step by step: a quarter of it goes into ±30°, 82 % meets a fibre, 92 % passes both faces', () => {
    const { guided, ends } = guideOf(bundleOf({ lengthMm: 1000 }));
    // At 1 mm the rim of the mouth is 69° off: the fibre's own cone of ±30° is the narrower, sin² 30° = 0.25.
    expect(guided?.kept.meetsFibre).toBeCloseTo(0.82, 9);
    expect(guided?.kept.entersCone).toBeCloseTo(0.25, 9);
    expect(guided?.kept.faces).toBeCloseTo(0.96 * 0.96, 9);
    // 0.3 dB on a metre: 10^-0.03.
    expect(guided?.kept.onTheWay).toBeCloseTo(0.9333, 4);
    const share = 0.25 * 0.82 * 0.9216 * 0.9333;
    expect(guided?.share).toBeCloseTo(share, 4);
    // A flat emitter of 1.8 cd gives π · 1.8 lm; a ninetieth of what is left leaves by a cone of π · 0.25 sr.
    expect(ends[0]?.intensityMcd).toBeCloseTo((1800 * share) / 90 / 0.25, 1);
  });
  it('a share in a cone is the integral over it: a flat emitter sin², a narrow one most of it', () => {
    const integral = (halfAngle: number, cone: number): number => {
      const power = -Math.LN2 / Math.log(Math.cos((halfAngle * Math.PI) / 180));
      const steps = 20_000;
      const upTo = (deg: number): number => {
        let sum = 0;
        for (let i = 0; i < steps; i += 1) {
          const angle = ((i + 0.5) / steps) * ((deg * Math.PI) / 180);
          sum += Math.cos(angle) ** power * Math.sin(angle) * ((deg * Math.PI) / 180 / steps);
        }
        return sum;
      };
      return upTo(cone) / upTo(90);
    };
    for (const [halfAngle, cone] of [
      [60, 30],
      [15, 30],
      [25, 10],
      [60, 90],
    ] as const)
      expect(shareInCone(halfAngle, cone)).toBeCloseTo(integral(halfAngle, cone), 5);
  });
  it('never gives more than went in, and no more from farther away', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 5, max: 80 }),
        fc.constantFrom(0.25, 0.5, 1, 3),
        fc.boolean(),
        (guides, gap10, halfAngleDeg, diameterMm, filled) => {
          const at = (gapMm: number) =>
            reckonGuided({
              guides,
              ends: guides,
              lamps: 1,
              emitter: { widthMm: 2, halfAngleDeg, intensityMcd: 1000 },
              gapMm,
              filled,
              lengthMm: 300,
              part: { diameterMm, numericalAperture: 0.5, lossDbPerMetre: 0.3 },
            });
          const [near, far] = [at(gap10 / 10), at(gap10 / 10 + 1)];
          expect(near.share).toBeGreaterThanOrEqual(far.share - 1e-12);
          expect(near.share).toBeLessThan(1);
          expect(far.litShare).toBeGreaterThanOrEqual(near.litShare);
        },
      ),
      { numRuns: 200, seed: 4 },
    );
  });
  it('too near lights the middle alone: said with how many stay dark, and mended by the gap or by glue', () => {
    const near = bundleOf({ gapMm: 0 });
    const finding = checkDesign(near, assess(near)).find(({ id }) => id === 'guide-near:wave');
    // (2 / 5.24)² = 14.6 %: 77 of 90 dark.
    expect(usualPrinter.message(finding?.what ?? '')).toMatch(/about 77 of 90 stay dark/);
    for (const fix of finding?.fixes ?? []) expect(ids(applyEdits(near, fix.edits))).not.toContain('guide-near:wave');
    expect(ids(bundleOf({ gapMm: 20 }))).toContain('guide-far:wave');
    expect(ids(bundleOf())).toEqual([]);
  });
  it('a fibre thicker than its bore, a bundle thicker than its own, a pipe shorter than the wall: each named', () => {
    const bored = (change: object): Design => ({
      ...bundleOf(change, 3),
      hollows: [{ kind: 'bore', id: 'b', name: 'b', at: { xMm: 0, yMm: 0 }, diameterMm: 0.5, depthMm: 2 }],
    });
    const ends = [{ id: 'e0', at: { xMm: 0, yMm: 0 }, hollowId: 'b' }];
    expect(ids(bored({ ends }))).toContain('guide-tight:wave:e0');
    expect(ids(bored({ hollowId: 'b' }))).toContain('guide-tight:wave:mouth');
    expect(ids(bundleOf({ lengthMm: 1, skinMm: 3 }))).toContain('guide-short:wave');
  });
  it('nothing before it, a light that is gone, no holes: said once each, and no figure is made up', () => {
    expect(ids(bundleOf({ lights: [] }))).toEqual(['guide-unlit:wave']);
    expect(guideOf(bundleOf({ lights: [] })).guided).toBeNull();
    expect(ids(bundleOf({ lights: [{ groupId: 'pixel', light: 7 }] }))).toEqual(['guide-unlit:wave']);
    expect(ids(bundleOf({}, 0))).toEqual(['guide-endless:wave']);
  });
  it('is bought by the metre, gathered and counted at the bench, and drilled by the template', () => {
    const design = bundleOf({ lengthMm: 250 });
    const assessment = assess(design);
    // 90 · 0.25 m.
    expect(assessment.shopping.find(({ name }) => name === 'Fibre, clear plastic, 0.5 mm')?.quantity).toBeCloseTo(
      22.5,
      9,
    );
    const steps = listSteps(design, assessment);
    expect(steps.find(({ id }) => id === 'guide-cut:wave')?.expect).toMatchObject({ likely: 90 });
    expect(usualPrinter.message(steps.find(({ id }) => id === 'guide-fit:wave')?.todo ?? '')).toContain('Pixel');
    const plan = createPlan({ id: '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a0f', name: 'Bow wave', design });
    const svg = exportTemplateSvg(plan, assessment, 'front', usualPrinter);
    expect(svg).toContain('Bow wave 1, drill 0.600 mm');
    expect(svg).toContain('Bow wave, bore 5.34 mm');
    // Other programs are told the same: the light by the number that stands on the tape.
    const [told] = tellAssessment(plan, assessment, usualPrinter).guides;
    expect(told).toMatchObject({ id: 'wave', guides: 90 });
    expect(told?.holeMm).toBeCloseTo(0.6, 9);
    expect(told?.ends[89]).toMatchObject({ from: [{ item: 'pixel', light: 1 }], lengthMm: 250 });
    // No wire leads to it.
    expect(assessment.runs.some(({ id }) => id.includes('wave'))).toBe(false);
  });
});

describe('pipes, each over a light of its own', () => {
  it('hole by hole from the light of its number, and round again', () => {
    const design = bundleOf(
      {
        gather: 'each',
        part: 'pipe-3',
        lights: [
          { groupId: 'ring', light: 1 },
          { groupId: 'ring', light: 2 },
        ],
      },
      3,
    );
    const ring = itemOf('pixel tape', {
      id: 'ring',
      name: 'Ring',
      part: 'pixel-ring-8',
      route: [{ xMm: 90, yMm: 90 }],
    });
    const { ends, sources } = guideOf({ ...design, items: [ring, ...design.items] });
    expect(ends.map(({ from }) => from.map((k) => sources[k]?.name))).toEqual([['Ring 1'], ['Ring 2'], ['Ring 1']]);
  });
  it('a round light of 15° into a pipe of its own width gives most of it, a flat one far less', () => {
    const withPart = (part: string): number => {
      const design = bundleOf({ gather: 'each', part: 'pipe-5', gapMm: 2, lights: [{ groupId: 'lamp', light: 1 }] }, 1);
      const lamp = itemOf('light', {
        id: 'lamp',
        name: 'Lamp',
        part,
        places: [{ id: 'p', at: { xMm: 0, yMm: 0 }, hollowId: null }],
      });
      return guideOf({ ...design, items: [lamp, ...design.items] }).guided?.kept.entersCone ?? 0;
    };
    expect(withPart('led-5mm-white')).toBeGreaterThan(0.7);
    expect(withPart('led-star-warm-white')).toBeLessThan(withPart('led-5mm-white'));
  });
  it('a light that is taken out of the plan is forgotten by its guides', () => {
    const design = bundleOf();
    const without = applyEdits(design, changeItem(design, 'wave', { lights: [] }));
    expect(ids(without)).toEqual(['guide-unlit:wave']);
  });
});
