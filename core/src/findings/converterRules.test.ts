import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { checkDesign } from './index.ts';

const at = (xMm: number) => ({ xMm, yMm: 10 });
const told = (design: Design, rule: string) => checkDesign(design, assess(design)).filter((each) => each.rule === rule);
const lights = (feed: string, count: number): Item =>
  itemOf('light', {
    id: 'lamp',
    name: 'Lamp',
    part: 'led-5mm-red',
    feed,
    switchedBy: { way: 'always on' },
    wantedCurrentA: 0.015,
    places: Array.from({ length: count }, (_, i) => ({ id: `l${i}`, at: at(100 + 10 * i), hollowId: null })),
  });

describe('a linear regulator', () => {
  const fed = (count: number, part = 'linear-5v-1a'): Design =>
    circuitOf([
      itemOf('pack', { id: 'pack', name: 'Pack', at: at(0), part: 'pack-three-lithium-round' }),
      itemOf('converter', { id: 'reg', name: 'Regulator', at: at(40), part, feed: 'pack' }),
      lights('reg', count),
    ]);

  it('burns more than half of three cells, where one that switches would not: said with what it would save', () => {
    const design = fed(12);
    const [finding] = told(design, 'regulator-wastes');
    // 12 · 15 mA = 180 mA at 5 V and the same 180 mA from 11.1 V; one that switches takes about 0.9 W / (0.9 · 11.1 V) = 90 mA.
    expect(finding?.actual?.value).toBeCloseTo(0.185, 1);
    expect(finding?.limit?.value).toBeGreaterThan(0.07);
    expect(finding?.limit?.value).toBeLessThan(0.11);
    const before = assess(design).runsFor?.likelyH ?? 0;
    const mended = applyEdits(design, finding?.fixes[0]?.edits ?? []);
    expect(told(mended, 'regulator-wastes')).toEqual([]);
    expect((assess(mended).runsFor?.likelyH ?? 0) / before).toBeGreaterThan(1.6);
  });

  it('is left in peace where it is for a few milliamperes, or is none', () => {
    expect(told(fed(1), 'regulator-wastes')).toEqual([]);
    expect(told(fed(12, 'buck-5v-3a'), 'regulator-wastes')).toEqual([]);
  });
});

describe('a reservoir behind a contact', () => {
  const fed = (part: string, reservoirUf: number | null, ...between: readonly Item[]): Design =>
    circuitOf([
      itemOf('pack', { id: 'pack', name: 'Pack', at: at(0), part: 'pack-lithium-round-3400' }),
      itemOf('switch', { id: 'switch', name: 'Switch', at: at(20), part, feed: 'pack' }),
      ...between,
      itemOf('board', { id: 'board', at: at(60), part: 'controller-sewable-3v3', feed: 'switch' }),
      itemOf('pixel tape', {
        id: 'tape',
        name: 'Tape',
        part: 'pixel-tape-60',
        feed: between.length > 0 ? 'boost' : 'switch',
        reservoirUf,
        route: [at(80), at(280)],
      }),
    ]);

  it('sparks through a small one: 4.2 V over a tenth of an ohm, twenty times 0.3 A being 6 A', () => {
    const [finding] = told(fed('switch-slide-0a3', 1000), 'inrush');
    expect(finding?.actual?.value).toBeGreaterThan(15);
    expect(finding?.limit?.value).toBeCloseTo(6, 6);
    expect(usualPrinter.message(finding?.what ?? '')).toContain('1000');
    expect(told(fed('switch-slide-3a', 1000), 'inrush')).toEqual([]);
    expect(told(fed('switch-slide-0a3', null), 'inrush')).toEqual([]);
  });

  it('is filled slowly by a converter between', () => {
    const boost = itemOf('converter', { id: 'boost', name: 'Boost', at: at(40), part: 'boost-5v-1a5', feed: 'switch' });
    expect(told(fed('switch-slide-0a3', 1000, boost), 'inrush')).toEqual([]);
  });
});

describe('minus of what is read, and of what is started', () => {
  const apart = { minus: 'apart' } as const;
  const base = [
    itemOf('pack', { id: 'pack', name: 'Pack', at: at(0), part: 'pack-lithium-round-3400' }),
    itemOf('board', { id: 'board', at: at(60), part: 'controller-sewable-3v3', feed: 'pack' }),
    itemOf('pack', { id: 'second', name: 'Second', at: at(20), part: 'pack-three-aa-nimh', ...apart }),
  ];

  it('a charge sense on a pack whose minus is apart reads nothing that it knows', () => {
    const sense = itemOf('charge sense', { id: 'sense', name: 'Sense', at: at(50), board: 'board', of: 'second' });
    expect(told(circuitOf([...base, sense]), 'minus-apart').length).toBe(1);
    expect(
      told(circuitOf([...base.slice(0, 2), { ...base[2], minus: 'joined' } as Item, sense]), 'minus-apart'),
    ).toEqual([]);
  });
});

describe('a converter that is not fed', () => {
  const behind = (pack: string, part: string, count: number): Design =>
    circuitOf([
      itemOf('pack', { id: 'pack', name: 'Pack', at: at(0), part: pack }),
      itemOf('converter', { id: 'boost', name: 'Boost', at: at(40), part, feed: 'pack' }),
      lights('boost', count),
    ]);
  it('is told where its source is below what it works from, whatever hangs on it', () => {
    // A cell has 4.2 V at most, and this one works from 5 V.
    const [finding, ...others] = told(behind('pack-lithium-round-2600', 'boost-12v-1a', 6), 'input-low');
    expect(others).toEqual([]);
    expect(finding?.gravity).toBe('stop');
    expect(finding?.aboutId).toBe('boost');
    expect(finding?.actual?.value).toBeLessThan(4.2);
    expect(finding?.limit?.value).toBe(5);
    expect(told(behind('pack-three-lithium-round', 'boost-12v-1a', 6), 'input-low')).toEqual([]);
  });
  it('is told where it asks more than the source has at any voltage: 2.4 A at 5 V of a cell of 0.35 Ω', () => {
    // 12 W out are 14 W in; 4.2² V² / (4 · 0.35 Ω) are 12.6 W.
    expect(
      told(behind('pack-lithium-pouch-150', 'boost-5v-3a', 160), 'collapses').map(({ gravity }) => gravity),
    ).toEqual(['stop']);
    expect(told(behind('pack-lithium-round-5000', 'boost-5v-3a', 160), 'collapses')).toEqual([]);
  });
});
