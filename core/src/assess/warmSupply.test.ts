import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import { controllers, converters } from '../parts/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';

/** Ten pixels, white and full, on 5 V that are made of more by a converter. */
const fedWith = (volts: number, converter = 'linear-5v-1a', board = 'controller-large-5v'): Design => ({
  ...circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts }),
    itemOf('converter', { id: 'step', name: 'Step-down', at: { xMm: 0, yMm: 0 }, part: converter, feed: 'supply' }),
    itemOf('board', { id: 'board', name: 'Board', at: { xMm: 0, yMm: 0 }, part: board, feed: 'step' }),
    itemOf('pixel tape', {
      id: 'tape',
      part: 'pixel-tape-60',
      feed: 'step',
      route: [
        { xMm: 0, yMm: 0 },
        { xMm: 167, yMm: 0 },
      ],
    }),
  ]),
  moods: {
    list: [moodOf({ id: 'white', brightness: 1, moves: { tape: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
    startId: 'white',
    cues: [],
    course: [],
    cueUses: [],
  },
});
const partOf = (design: Design, id: string) => assess(design).warm.parts.find((part) => part.id === id);

describe('what makes a voltage gets warm', () => {
  it('a linear converter burns what is over: (9 − 5) V at what ten pixels and a board take, 50 K for each watt', () => {
    const design = fedWith(9);
    const part = partOf(design, 'converter:step');
    // Ten pixels of 36.8 mA and the board's own.
    const boardA = assess(design).consumers.find(({ id }) => id === 'board')?.restA ?? 0;
    const heatW = 4 * (0.368 + boardA);
    expect(part?.heatW).toBeCloseTo(heatW, 1);
    expect((part?.forGood.insideC ?? 0) - (part?.airC ?? 0)).toBeCloseTo(50 * (part?.heatW ?? 0), 6);
  });
  it('a switching one loses what its efficiency leaves, of the same load far less', () => {
    const [linear, switching] = ['linear-5v-1a', 'buck-5v-3a'].map((id) => partOf(fedWith(12, id), 'converter:step'));
    const efficiency = converters.find(({ id }) => id === 'buck-5v-3a')?.efficiency.map(([, value]) => value) ?? [];
    // Whatever the curve says at this load: between its best and its worst.
    const outW = 5 * 0.39;
    expect(switching?.heatW ?? 0).toBeLessThan(outW * (1 / Math.min(...efficiency) - 1) + 0.2);
    expect(linear?.heatW ?? 0).toBeGreaterThan(4 * (switching?.heatW ?? 0));
  });
  it('too hot is a stop, and the switching one that gives as much is offered, and mends it', () => {
    const hot = fedWith(13);
    const finding = checkDesign(hot, assess(hot)).find(({ id }) => id === 'too-hot:converter:step');
    expect(finding).toMatchObject({ gravity: 'stop', stage: 'power' });
    const fix = finding?.fixes[0];
    expect(usualPrinter.message(fix?.label ?? '')).toMatch(/^Take: /);
    const mended = applyEdits(hot, fix?.edits ?? []);
    expect(checkDesign(mended, assess(mended)).map(({ id }) => id)).not.toContain('too-hot:converter:step');
  });
  it('the regulator of a board takes what its rail has over the chip: told of only where that is felt', () => {
    const radio = partOf(fedWith(5, 'buck-5v-3a', 'controller-radio-3v3'), 'regulator:board');
    const drawA = controllers.find(({ id }) => id === 'controller-radio-3v3')?.drawA.likely ?? 0;
    // From 5 V, give or take three in a hundred, to 3.3 V.
    expect((radio?.heatW ?? 0) / drawA).toBeGreaterThan(1.69);
    expect((radio?.heatW ?? 0) / drawA).toBeLessThan(1.9);
    // A board that runs on its rail has none.
    expect(partOf(fedWith(5, 'buck-5v-3a'), 'regulator:board')).toBeUndefined();
  });
});

describe('what is closed in one box', () => {
  const closed = (box: boolean): Design => {
    const design = fedWith(9);
    return {
      ...design,
      hollows: [
        { kind: 'box', id: 'belly', name: 'Belly', at: { xMm: 0, yMm: 0 }, widthMm: 100, heightMm: 60, depthMm: 40 },
      ],
      items: [
        ...design.items.map((item) => (item.id === 'step' && box ? ({ ...item, boxId: 'belly' } as Item) : item)),
        itemOf('load', {
          id: 'horn',
          name: 'Horn',
          at: { xMm: 0, yMm: 0 },
          part: 'load-sound-3w',
          feed: 'step',
          ...(box && { boxId: 'belly' }),
        }),
      ],
    };
  };

  it('warms its air together: 8.06 K a watt through walls of 100 × 60 × 40 mm', () => {
    const [open, shut] = [closed(false), closed(true)].map((design) => ({
      step: partOf(design, 'converter:step'),
      horn: partOf(design, 'load:horn'),
    }));
    if (!open?.step || !open.horn || !shut?.step || !shut.horn) throw new Error('not warm');
    // 1 / (5 W/m²K · 2 · (0.006 + 0.004 + 0.0024) m²) = 8.06 K/W, times what both keep.
    const riseK = (open.step.heatW + open.horn.heatW) / (10 * 0.0124);
    expect(shut.step.forGood.insideC - open.step.forGood.insideC).toBeCloseTo(riseK, 3);
    expect(shut.horn.forGood.insideC - open.horn.forGood.insideC).toBeCloseTo(riseK, 3);
  });

  it('a load keeps seven tenths of 5 V at its usual 0.15 A: 0.53 W, 10.5 K at 20 K a watt', () => {
    const horn = partOf(closed(false), 'load:horn');
    expect(horn?.heatW).toBeCloseTo(0.7 * 5 * 0.15, 2);
    expect((horn?.forGood.insideC ?? 0) - (horn?.airC ?? 0)).toBeCloseTo(10.5, 0);
  });

  it('is warmed by the lights in it too, though none of them is told of: 1.47 W of ten white pixels, 11.9 K', () => {
    const design = closed(false);
    const items = design.items.map((item) =>
      item.kind === 'pixel tape' ? ({ ...item, hollowId: 'belly' } as Item) : item,
    );
    const { parts, boxes } = assess({ ...design, items }).warm;
    // Eight tenths of 5 V · 10 · 36.8 mA, behind 8.06 K/W.
    expect((boxes[0]?.airC ?? 0) - design.piece.ambientC).toBeCloseTo(11.9, 1);
    expect(parts.map(({ what }) => what)).not.toContain('glow');
    expect(assess(design).warm.boxes).toEqual([]);
  });

  it('is warm slowly: the air of the box gathers what its walls take up, and its own time is told apart from for good', () => {
    const base = closed(true);
    const after = (runS: number | undefined) => {
      const items = base.items.map((item) => (item.kind === 'load' ? ({ ...item, runS } as Item) : item));
      return partOf({ ...base, items }, 'load:horn');
    };
    const brief = after(120);
    const always = after(undefined);
    if (!brief || !always) throw new Error('not warm');
    expect(always.after).toEqual(always.forGood);
    expect(brief.forGood.outsideC).toBeCloseTo(always.forGood.outsideC, 9);
    // By itself 1 − e^(−120/300) = 33 % of 10.5 K, 3.5 K; the box, 0.0248 m² · 1,600 J/m²K = 40 J/K, has by then
    // taken up at most what was made in 120 s: 2.4 W · 120 s / 40 J/K = 7 K.
    const ownK = 3.5;
    const madeW = brief.heatW + (partOf(base, 'converter:step')?.heatW ?? 0);
    expect(brief.after.outsideC - brief.airC).toBeGreaterThan(ownK);
    expect(brief.after.outsideC - brief.airC).toBeLessThan(ownK + (madeW * 120) / 39.7);
    // In the order of time nothing gets cooler.
    const courseC = brief.course.map(({ outsideC }) => outsideC);
    expect([...courseC].sort((a, b) => a - b)).toEqual(courseC);
  });

  it('that holds by glue, has cells beside it or is carried on a body is told of, once each', () => {
    const base = closed(true);
    const warmer = (change: object, carriedBy: 'nobody' | 'adult' = 'nobody', ambientC = 18): Design => ({
      ...base,
      piece: { ...base.piece, ambientC, carriedBy },
      items: base.items.map((item) => (item.id === 'step' ? ({ ...item, ...change } as Item) : item)),
    });
    const ids = (design: Design): string[] =>
      checkDesign(design, assess(design))
        .map(({ id }) => id)
        .filter((id) => /^(softens|hot-touch|cells-warm)/.test(id));
    expect(ids(warmer({}))).toEqual([]);
    expect(ids(warmer({ heldBy: 'printed PETG' }))).toEqual(['softens:converter:step']);
    // The air comes to 18 + 4.93 W · 8.06 K/W = 57.8 °C, the outside of the walls to half of that rise: 37.9 °C.
    expect(assess(warmer({})).warm.boxes[0]?.airC).toBeCloseTo(57.8, 0);
    expect(ids(warmer({}, 'adult'))).toEqual([]);
    // In the sun, at 30 °C, the walls are at 49.9 °C.
    expect(ids(warmer({}, 'adult', 30))).toEqual(['hot-touch:box:belly']);
    const withCells: Design = {
      ...warmer({}),
      items: [
        ...warmer({}).items,
        itemOf('pack', { id: 'spare', at: { xMm: 0, yMm: 0 }, boxId: 'belly' }),
        itemOf('light', {
          id: 'eye',
          feed: 'spare',
          places: [{ id: 'p', at: { xMm: 5, yMm: 0 }, hollowId: null }],
          switchedBy: { way: 'always on' },
        }),
      ],
    };
    expect(ids(withCells)).toEqual(['cells-warm:spare']);
  });
});

describe('what bears its work for a time only', () => {
  const motor = (runS: number | null): Design =>
    circuitOf([
      itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 12 }),
      itemOf('load', {
        id: 'motor',
        name: 'Motor',
        at: { xMm: 0, yMm: 0 },
        part: 'load-motor-12v',
        usualA: { likely: 2.5, spread: 0, origin: 'measured' },
        mostA: { likely: 2.5, spread: 0, origin: 'measured' },
        ...(runS !== null && { runS }),
      }),
    ]);
  const found = (design: Design) =>
    checkDesign(design, assess(design)).filter(({ id }) => /^(too-hot|hot-left-on):load/.test(id));

  it('for good it is stopped; for a minute it is well, and told of what comes if it is left on', () => {
    // 12 V · 2.5 A · 0.7 = 21 W at 20 / √30 = 3.65 K/W: 76.7 K over 18 °C is 94.7 °C, past 90 °C.
    expect(found(motor(null)).map(({ gravity }) => gravity)).toEqual(['stop']);
    const [told, ...rest] = found(motor(60));
    expect(rest).toEqual([]);
    expect(told?.id).toBe('hot-left-on:load:motor');
    // 15 J/K · 30^0.75 = 192 J/K behind 3.65 K/W: τ = 702 s; 72 of 76.7 K after 702 s · ln(76.7 / 4.7) = 1,960 s, 33 min.
    expect(usualPrinter.message(told?.what ?? '')).toMatch(/after about 33 min$/);
  });
});
