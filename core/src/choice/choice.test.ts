import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, planOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { applyEdits } from '../plan/index.ts';
import { readPlan } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';
import { chooseKind, type Wish } from './index.ts';

const wish = (change: Partial<Wish>): Wish => ({
  points: 10,
  stretchMm: null,
  control: 'as one',
  colour: 'one colour',
  isEven: false,
  depthMm: null,
  mostA: null,
  budget: null,
  railV: 5,
  ...change,
});
const idsOf = (change: Partial<Wish>) => chooseKind(wish(change)).options.map(({ id }) => id);
const reasonOf = (change: Partial<Wish>, id: string): string =>
  usualPrinter.message(chooseKind(wish(change)).excluded.find((each) => each.id === id)?.reason ?? '');

describe('what could light this', () => {
  it('210 pixels take 7.73 A at white and 0.168 A dark, on one pin; on 0.5 A white goes up to 4.4 %', () => {
    const asked = { points: 210, control: 'each by itself', colour: 'any colour', mostA: 0.5 } as const;
    const pixels = chooseKind(wish(asked)).options.find(({ id }) => id.startsWith('pixel-tape'));
    // 210 · (3 · 12 mA + 0.8 mA) = 7.728 A; 210 · 0.8 mA = 0.168 A; (0.5 − 0.168) / (7.728 − 0.168) = 4.39 %.
    expect(pixels?.worstA).toBeCloseTo(7.728, 6);
    expect(pixels?.pins).toBe(1);
    expect(usualPrinter.message(pixels?.misses[0] ?? '')).toMatch(
      /^dark they draw 168 mA: white goes up to 4\.39 % on 500 mA/,
    );
    // On less than they draw dark they can't be at all.
    expect(reasonOf({ ...asked, mostA: 0.15 }, 'pixel-tape-60')).toMatch(/^dark alone its 210 pixels draw 168 mA/);
    // A grid of 14 rows and 15 columns takes 29 pins; 15 lights of 10 mA are lit at once.
    const grid = chooseKind(wish({ ...asked, colour: 'one colour', mostA: null })).options.find(
      ({ id }) => id === 'scanned-grid',
    );
    expect([grid?.pins, grid?.worstA]).toEqual([29, 0.15]);
    expect(reasonOf({ ...asked, colour: 'one colour' }, 'shared-pins')).toMatch(/1\/210/);
    expect(reasonOf({ ...asked, colour: 'one colour', points: 2000 }, 'scanned-grid')).toMatch(
      /lines; a controller has \d+ pins/,
    );
  });
  it('what is impossible is never at the end of the list: it is not in it, with the reason', () => {
    expect(idsOf({ control: 'a run' })).not.toContain('plain-white');
    expect(reasonOf({ control: 'a run' }, 'plain-colour')).toMatch(/no run/);
    expect(reasonOf({ colour: 'any colour' }, 'singles-as-one')).toMatch(/one colour that it was bought in/);
    expect(reasonOf({ points: 40, control: 'each by itself' }, 'singles-a-pin-each')).toMatch(/40 pins/);
    expect(reasonOf({ points: 40, control: 'each by itself' }, 'singles-by-turns')).toMatch(/lit and dark together/);
    expect(reasonOf({ railV: 2 }, 'singles-as-one')).toMatch(/2\.00 V/);
    expect(idsOf({ control: 'each by itself', colour: 'any colour', points: 40 })).toEqual(['pixel-tape-60']);
  });
  it('pins: none on a switch, one for each group, one for each light, one for a chain', () => {
    const pinsOf = (change: Partial<Wish>, id: string) =>
      chooseKind(wish(change)).options.find((each) => each.id === id)?.pins;
    expect(pinsOf({}, 'singles-as-one')).toBe(0);
    expect(pinsOf({ control: 'a run' }, 'singles-by-turns')).toBe(3);
    expect(pinsOf({ control: 'each by itself' }, 'singles-a-pin-each')).toBe(10);
    expect(pinsOf({ control: 'each by itself', colour: 'any colour' }, 'pixel-tape-60')).toBe(1);
  });
  it('one point that may be bright: a power star stands among them, two do not', () => {
    expect(idsOf({ points: 1 })).toContain('power-star');
    expect(reasonOf({ points: 2 }, 'power-star')).toMatch(/one point/);
  });
  it('an even glow on little depth asks for denser tape, and is said to miss what no tape can', () => {
    const even = {
      points: null,
      stretchMm: 600,
      isEven: true,
      control: 'each by itself',
      colour: 'any colour',
    } as const;
    const tapeFor = (depthMm: number) =>
      chooseKind(wish({ ...even, depthMm })).options.find(({ id }) => id.startsWith('pixel-tape'));
    expect(tapeFor(40)?.id).toBe('pixel-tape-30');
    expect(Number(tapeFor(10)?.id.slice('pixel-tape-'.length))).toBeGreaterThanOrEqual(100);
    expect(tapeFor(10)?.misses).toEqual([]);
    expect(usualPrinter.message(tapeFor(2)?.misses[0] ?? '')).toMatch(/^an even glow wants/);
  });
  it('whatever is wished: nothing is both possible and not, figures are figures, fewer misses stand higher, and what is taken is a plan', () => {
    const anyWish = fc.record({
      isPoints: fc.boolean(),
      count: fc.integer({ min: 1, max: 300 }),
      lengthMm: fc.integer({ min: 5, max: 5000 }),
      control: fc.constantFrom('as one' as const, 'a run' as const, 'each by itself' as const),
      colour: fc.constantFrom('one colour' as const, 'white' as const, 'any colour' as const),
      isEven: fc.boolean(),
      depthMm: fc.option(fc.integer({ min: 1, max: 60 })),
      mostA: fc.option(fc.double({ min: 0.01, max: 20, noNaN: true })),
      budget: fc.option(fc.integer({ min: 1, max: 200 })),
      railV: fc.constantFrom(1.5, 3, 3.7, 5, 12, 24),
    });
    fc.assert(
      fc.property(anyWish, ({ isPoints, count, lengthMm, ...asked }) => {
        const whole: Wish = { ...asked, points: isPoints ? count : null, stretchMm: isPoints ? null : lengthMm };
        const { options, excluded } = chooseKind(whole);
        const ids = [...options, ...excluded].map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        options.forEach((option, i) => {
          for (const value of [option.worstA, option.usualA, option.cost, option.depthMm, option.joints]) {
            expect(Number.isFinite(value)).toBe(true);
            expect(value).toBeGreaterThan(0);
          }
          expect(option.usualA).toBeLessThanOrEqual(option.worstA + 1e-12);
          if (i > 0) expect(option.misses.length).toBeGreaterThanOrEqual(options[i - 1]?.misses.length ?? 0);
        });
        const base = circuitOf([
          itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 12 }),
        ]);
        let made = 0;
        const newId = () => {
          made += 1;
          return `n${made}`;
        };
        for (const option of options) {
          const taken = applyEdits(base, option.add(base, newId));
          expect(readPlan(planOf(taken)), option.id).toMatchObject({ ok: true });
          // As many lights as it says stand in the plan, and pixels draw there what is said of them here.
          const assessment = assess(taken);
          expect(assessment.lightCount, option.id).toBe(option.lights);
          const [pixels] = assessment.placed.filter(({ shape }) => shape === 'pixels');
          const drawn = assessment.consumers.find(({ id }) => id === pixels?.id);
          if (drawn) expect((drawn.restA + drawn.fullA) / option.worstA, option.id).toBeCloseTo(1, 9);
        }
      }),
      { numRuns: 60 },
    );
  });
});

it('so near to the sheet that thousands would be needed, single lights are out, with the number', () => {
  const wish: Wish = {
    points: null,
    stretchMm: 4800,
    control: 'as one',
    colour: 'one colour',
    isEven: true,
    depthMm: 1,
    mostA: null,
    budget: null,
    railV: 5,
  };
  const excluded = chooseKind(wish).excluded.find(({ id }) => id === 'singles-as-one');
  // Lights no farther apart than 2 mm on 4.8 m: 2401.
  expect(usualPrinter.message(excluded?.reason ?? '')).toContain('2401');
});
