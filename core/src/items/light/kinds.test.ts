import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../../tests/designs.ts';
import { assess } from '../../assess.ts';
import { listSteps } from '../../bench/index.ts';
import { solveNetlist } from '../../circuit/index.ts';
import { drawNetwork } from '../../exact/index.ts';
import { checkDesign } from '../../findings/index.ts';
import { curveOfPart, powerOnAxis, secondsToDose } from '../../lights/index.ts';
import { ledBodies, leds } from '../../parts/index.ts';
import { applyEdits, type Design, type Item } from '../../plan/index.ts';
import { usualPrinter } from '../../units/index.ts';

const lit = (part: string, volts: number, change: Partial<Extract<Item, { kind: 'light' }>> = {}): Design =>
  circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts }),
    itemOf('light', {
      id: 'eyes',
      name: 'Eyes',
      part,
      places: [0, 30, 60].map((xMm, i) => ({ id: `p${i}`, at: { xMm, yMm: 0 }, hollowId: null })),
      switchedBy: { way: 'always on' },
      ...change,
    }),
  ]);
const found = (design: Design) => checkDesign(design, assess(design));
const idsOf = (design: Design): string[] => found(design).map(({ id }) => id);

describe('every body of single light', () => {
  it('stands in the library, rises with its current, and bears what it is rated for', () => {
    expect(new Set(leds.map(({ body }) => body))).toEqual(new Set(ledBodies));
    expect(new Set(leds.map(({ id }) => id)).size).toBe(leds.length);
    for (const part of leds) expect(() => curveOfPart(part), part.id).not.toThrow();
  });

  it('is reckoned, wired, bought and tested in a plan, and the whole circuit agrees', () => {
    for (const part of leds.filter(({ dice }) => dice === undefined)) {
      // Each on a supply that suits it.
      const volts = part.madeForV ?? Math.ceil(part.forwardAt20mAV + 2);
      const design = lit(part.id, volts, { wantedCurrentA: Math.min(0.01, part.ratedCurrentA) });
      const assessment = assess(design);
      const [driven] = assessment.driven;
      expect(driven?.corners.currentA, part.id).toBeGreaterThan(0.003);
      expect(driven?.corners.brightestA, part.id).toBeLessThanOrEqual(part.ratedCurrentA * 1.000001);
      expect(
        assessment.shopping.some(({ name }) => name === part.name),
        part.id,
      ).toBe(true);
      const steps = listSteps(design, assessment).map(({ id }) => id);
      expect(steps, part.id).toContain('drop:eyes');
      expect(steps, part.id).toContain('channel:eyes:1');
      expect(steps.includes('resistor:eyes'), part.id).toBe(part.insideOhm === undefined);
      const solved = solveNetlist(drawNetwork(design, assessment, { charge: 1, moodId: null, openIds: [] }).netlist);
      const litA = solved.ok ? (solved.currentA.get('eyes: light 1') ?? 0) : 0;
      expect(Math.abs(litA / (driven?.corners.currentA ?? 0) - 1), part.id).toBeLessThan(0.01);
      expect(
        idsOf(design).filter((id) => /^(over-rating|head-room|module-dim|double-resistor)/.test(id)),
        part.id,
      ).toEqual([]);
    }
  });
});

describe('lights with the resistor inside', () => {
  it('on what they were made for want no resistor: eleven milliamperes, none bought, none in the wire list', () => {
    const assessment = assess(lit('led-module-5v-white', 5));
    // At 11.1 mA the die drops 3.00 V, its own 11 Ω in it: (5 V − 3.00 V) / 180 Ω = 11.1 mA.
    expect(assessment.driven[0]?.corners.currentA).toBeCloseTo(0.0111, 4);
    expect(assessment.shopping.some(({ name }) => usualPrinter.message(name).startsWith('Resistor'))).toBe(false);
    expect(assessment.joins.some(({ id }) => id.startsWith('legs:eyes'))).toBe(false);
  });
  it('a second resistor before it is named and taken out by a click', () => {
    const design = lit('led-module-12v-amber', 12, { resistorOhm: 470 });
    const double = found(design).find(({ id }) => id === 'double-resistor:eyes');
    expect(usualPrinter.message(double?.what ?? '')).toMatch(/820 Ω inside, and 470 Ω/);
    expect(idsOf(applyEdits(design, double?.fixes[0]?.edits ?? []))).not.toContain('double-resistor:eyes');
  });
  it('on less than they were made for they are dim, on more they are over their rating', () => {
    expect(idsOf(lit('led-module-12v-white', 5))).toContain('module-dim:eyes');
    expect(idsOf(lit('led-module-5v-white', 12))).toContain('over-rating:eyes');
  });
});

describe('invisible light', () => {
  it('a dose: on the axis by the cosine law and the inverse square; half the current, twice the time', () => {
    // m = −ln 2 / ln cos 15° = 19.99; 12 mW · 20.99 / (2π · 3² cm²) = 4.454 mW on a square centimetre.
    const near = powerOnAxis.reckon({ P: 0.012, a: 15, d: 30 });
    expect(near).toBeCloseTo(0.004454, 5);
    expect(powerOnAxis.reckon({ P: 0.012, a: 15, d: 60 })).toBeCloseTo(near / 4, 9);
    expect(secondsToDose(1, near / 2, 1)).toBeCloseTo(2 * secondsToDose(1, near, 1), 6);
  });
  it('all of it arrives: over the half sphere the axis and its law come to the whole power', () => {
    for (const a of [8, 15, 30, 60]) {
      const m = -Math.LN2 / Math.log(Math.cos((a * Math.PI) / 180));
      const onAxis = powerOnAxis.reckon({ P: 1, a, d: 10 });
      let whole = 0;
      const steps = 20_000;
      for (let i = 0; i < steps; i += 1) {
        const angle = ((i + 0.5) / steps) * (Math.PI / 2);
        whole += onAxis * Math.cos(angle) ** m * 2 * Math.PI * Math.sin(angle) * (Math.PI / 2 / steps);
      }
      expect(whole).toBeCloseTo(1, 4);
    }
  });
  it('asks for a visible light beside it, adds one on the same switch, and says how to see that it is on', () => {
    const design = lit('led-5mm-infrared', 5);
    const asked = found(design).find(({ id }) => id === 'no-indicator:eyes');
    expect(asked?.gravity).toBe('mend');
    const told = applyEdits(design, asked?.fixes[0]?.edits ?? []);
    expect(idsOf(told)).not.toContain('no-indicator:eyes');
    expect(assess(told).driven).toHaveLength(2);
    const steps = listSteps(design, assess(design));
    expect(usualPrinter.message(steps.find(({ id }) => id === 'unseen:eyes')?.todo ?? '')).toMatch(/camera/);
    expect(idsOf(design)).toContain('caution-invisible');
    // A visible light asks for nothing of the kind.
    expect(idsOf(lit('led-5mm-red', 5)).filter((id) => /indicator|invisible/.test(id))).toEqual([]);
  });
});
