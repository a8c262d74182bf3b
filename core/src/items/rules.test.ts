import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import { applyEdits, type Design } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import type { Item } from './types.ts';

const at = { xMm: 0, yMm: 0 };
const pack = itemOf('pack', { id: 'pack', name: 'Pack', part: 'pack-three-aa-nimh' });
const light = itemOf('light', { id: 'light', name: 'Lamp', places: [{ id: 'a', at, hollowId: null }] });
const found = (design: Design) => checkDesign(design, assess(design));

/** Each kind of item as it may stand wrongly, what is found of it, and a mend that is offered for it. */
const cases: readonly (readonly [what: string, items: readonly Item[], id: string, label: string])[] = [
  [
    'a magnet switch without a magnet',
    [itemOf('switch', { id: 'reed', name: 'Reed', part: 'switch-magnet-0a5' })],
    'magnet-none:reed',
    'A disc of 6.00 mm × 3.00 mm behind',
  ],
  [
    'a light gate that stays lit by day',
    [itemOf('light gate', { id: 'gate', name: 'Gate', at, pullUpOhm: 4700, darkLux: 2, brightLux: 60 })],
    'gate-lit-by-day:gate',
    'Take',
  ],
  [
    'a load that a pin should switch',
    [
      itemOf('board', { id: 'board', name: 'Board', part: 'controller-tiny-3v' }),
      itemOf('load', {
        id: 'sound',
        name: 'Sound',
        part: 'load-motor-6v',
        switchedBy: { way: 'pin high', board: null },
      }),
    ],
    'load-way:sound',
    'Feed it always',
  ],
  [
    'a pack that is charged while it runs',
    [
      itemOf('pack', {
        id: 'second',
        name: 'Second',
        part: 'pack-lithium-round-3400',
        charging: 'in place, while it runs',
      }),
    ],
    'charge-and-use:second',
    'Charge it taken out',
  ],
  [
    'a capacity that no such cell has',
    [
      itemOf('pack', {
        id: 'big',
        name: 'Big',
        part: 'pack-lithium-round-3400',
        capacityMah: { likely: 12_000, spread: 600, origin: 'guess' },
      }),
    ],
    'capacity-much:big',
    'Take what its kind holds',
  ],
];

const told = usualPrinter.message;

describe('what a kind finds of its own items', () => {
  it.each(cases)('%s: told once, and its mend mends it', (_what, items, id, label) => {
    const design = circuitOf([light, pack, ...items]);
    const own = found(design).filter((finding) => finding.id === id);
    expect(own).toHaveLength(1);
    const fix = own[0]?.fixes.find((each) => told(each.label).startsWith(label));
    if (!fix) throw new Error(`${id} offers "${label}": ${own[0]?.fixes.map((each) => told(each.label))}`);
    const mended = applyEdits(design, fix.edits);
    expect(found(mended).filter((finding) => finding.id === id)).toEqual([]);
  });

  it('a light gate whose two levels no pull-up serves: said so, and nothing is offered that would not help', () => {
    // 3.3 V at the least and 4.35 V at the most, full on at 2.5 V or so: 2 and 2.2 lx lie too close together.
    const gate = itemOf('light gate', { id: 'gate', name: 'Gate', at, pullUpOhm: 4700, darkLux: 2, brightLux: 2.2 });
    const own = found(circuitOf([light, pack, gate])).filter((finding) => finding.id.startsWith('gate-'));
    expect(own.map(({ id }) => id)).toEqual(['gate-levels:gate']);
    expect(own[0]?.fixes).toEqual([]);
    expect(own[0]?.mend).toContain('farther apart');
  });

  it('a switch that a magnet holds off is on once the magnet is lost: told, and mended; one that it holds on is not', () => {
    const magnet = { diameterMm: 6, thicknessMm: 3, remanenceMt: 1200, wallMm: 2 };
    const held = (litWhen: 'near' | 'away') =>
      circuitOf([
        light,
        pack,
        itemOf('switch', {
          id: 'reed',
          name: 'Reed',
          part: 'switch-magnet-0a5',
          feed: 'pack',
          magnet: { ...magnet, litWhen },
        }),
      ]);
    const lost = (design: Design) => found(design).filter(({ rule }) => rule === 'magnet-lost');
    expect(lost(held('near'))).toEqual([]);
    const [told] = lost(held('away'));
    expect(lost(applyEdits(held('away'), told?.fixes[0]?.edits ?? []))).toEqual([]);
  });

  it('a motor whose start is not said is asked for it, one that says it is not', () => {
    const usualA = { likely: 0.3, spread: 0.05, origin: 'measured' } as const;
    const motor = (change: object) =>
      found(
        circuitOf([
          light,
          pack,
          itemOf('load', { id: 'winch', name: 'Winch', part: 'load-motor-6v', feed: 'pack', ...change }),
        ]),
      ).filter(({ rule }) => rule === 'load-start').length;
    expect([motor({}), motor({ usualA }), motor({ usualA, startA: usualA })]).toEqual([0, 1, 0]);
  });
});
