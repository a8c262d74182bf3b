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
const partOf = (design: Design, id: string) => assess(design).warm.find((part) => part.id === id);

describe('what makes a voltage gets warm', () => {
  it('a linear converter burns what is over: (9 − 5) V at what ten pixels and a board take, 50 K for each watt', () => {
    const design = fedWith(9);
    const part = partOf(design, 'converter:step');
    // Ten pixels of 36.8 mA and the board's own.
    const boardA = assess(design).consumers.find(({ id }) => id === 'board')?.restA ?? 0;
    const heatW = 4 * (0.368 + boardA);
    expect(part?.heatW).toBeCloseTo(heatW, 1);
    expect((part?.insideC ?? 0) - (part?.airC ?? 0)).toBeCloseTo(50 * (part?.heatW ?? 0), 6);
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
    expect(shut.step.insideC - open.step.insideC).toBeCloseTo(riseK, 3);
    expect(shut.horn.insideC - open.horn.insideC).toBeCloseTo(riseK, 3);
  });

  it('a load keeps seven tenths of 5 V at its usual 0.15 A: 0.53 W, 10.5 K at 20 K a watt', () => {
    const horn = partOf(closed(false), 'load:horn');
    expect(horn?.heatW).toBeCloseTo(0.7 * 5 * 0.15, 2);
    expect((horn?.insideC ?? 0) - (horn?.airC ?? 0)).toBeCloseTo(10.5, 0);
  });
});
