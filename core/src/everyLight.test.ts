import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, planOf } from '../tests/designs.ts';
import { assess } from './assess.ts';
import { listSteps } from './bench/index.ts';
import { drawNetwork } from './exact/index.ts';
import { exportShoppingCsv, exportTemplateSvg, exportWireCsv } from './exports/index.ts';
import { checkDesign } from './findings/index.ts';
import { kinds } from './items/index.ts';
import {
  builtInLibrary,
  type LedPart,
  leds,
  type ownColumns,
  pixelShapes,
  readPartsCsv,
  writePartsCsv,
} from './parts/index.ts';
import type { Design, Item } from './plan/index.ts';
import { readPlanText } from './plan/reading.ts';
import { usualPrinter } from './units/index.ts';

/** What a stage does not have of a kind, with the reason: an empty one is no reason. */
interface Not {
  readonly none: string;
}

/** A kind of light as a maker uses it, with what every stage must have of it. */
interface Case {
  readonly name: string;
  readonly item: Item;
  /** What it hangs on beside a supply of 5 V and a board. */
  readonly beside?: readonly Item[];
  readonly volts?: number;
  /** The caution that comes with it. */
  readonly caution: string | Not;
  /** What of it is in the exact network. */
  readonly element: true | Not;
  /** The family whose table a maker's own come from. */
  readonly ownTable: keyof typeof ownColumns | Not;
  /** A reading that the bench expects of it, by the beginning of its step's id. */
  readonly reading: string;
}

const solder = 'caution-solder';
const place = [{ id: 'a', at: { xMm: 100, yMm: 60 }, hollowId: null }];
const route = [
  { xMm: 40, yMm: 100 },
  { xMm: 240, yMm: 100 },
];
const single = (part: string, change: object = {}): Item =>
  itemOf('light', { id: 'it', name: 'It', part, places: place, ...change });
const pixels = (part: string, change: object = {}): Item =>
  itemOf('pixel tape', { id: 'it', name: 'It', part, route, ...change });
const plain = (part: string): Item => itemOf('plain tape', { id: 'it', name: 'It', part, route });
const lit = { element: true, ownTable: 'led', reading: 'channel:it' } as const;
const onData = { element: true, ownTable: 'pixel-tape', reading: 'far-end:it' } as const;

const ledCases: readonly Case[] = [...new Set(leds.map(({ body }) => body))].map((body): Case => {
  const part = leds.find((each) => each.body === body) as LedPart;
  const isStar = body === 'power star';
  return {
    ...lit,
    name: `light, ${body}`,
    item: single(part.id, isStar ? { wantedCurrentA: 0.2, resistorRatedW: 2 } : {}),
    volts: part.madeForV ?? (part.forwardAt20mAV > 5 ? 12 : 5),
    caution: isStar ? 'caution-star' : solder,
  };
});

const cases: readonly Case[] = [
  ...ledCases,
  {
    ...lit,
    name: 'lights in a string',
    item: single('led-5mm-red', {
      inSeries: 2,
      places: [...place, { id: 'b', at: { xMm: 120, yMm: 60 }, hollowId: null }],
    }),
    caution: solder,
  },
  ...(
    [
      ['a scanned grid', { way: 'scanned grid', board: null, rows: 3, part: null, columnsBy: null }],
      ['lights between shared pins', { way: 'shared pins', board: null }],
      ['a grid on a scan driver', { way: 'scan driver', by: 'scanner', rows: 3 }],
    ] as const
  ).map(
    ([name, switchedBy]): Case => ({
      ...lit,
      name,
      item: single('led-5mm-green', {
        switchedBy,
        diodes: true,
        places: Array.from({ length: 9 }, (_, i) => ({
          id: `g${i}`,
          at: { xMm: 90 + 10 * (i % 3), yMm: 60 + 10 * Math.floor(i / 3) },
          hollowId: null,
        })),
      }),
      beside: [itemOf('scan driver', { id: 'scanner', at: { xMm: 50, yMm: 20 } })],
      caution: solder,
    }),
  ),
  { ...lit, name: 'light, three colours', item: single('led-5mm-three-colours-minus'), caution: solder },
  { ...lit, name: 'light, three colours and white', item: single('led-10mm-four-colours-minus'), caution: solder },
  { ...lit, name: 'light, infrared', item: single('led-5mm-infrared-850'), caution: 'caution-invisible' },
  { ...lit, name: 'light, ultraviolet', item: single('led-5mm-ultraviolet-365'), caution: 'caution-invisible' },
  { ...onData, name: 'pixel tape', item: pixels('pixel-tape-60'), caution: solder },
  { ...onData, name: 'pixel tape with a white die', item: pixels('pixel-tape-60-rgbw'), caution: solder },
  {
    ...onData,
    name: 'pixel tape in rows',
    item: pixels('pixel-tape-60', { grid: { columns: 4, rows: 3, snakes: true } }),
    caution: solder,
  },
  { ...onData, name: 'pixel tape for 12 V in threes', item: pixels('pixel-tape-12v-60'), volts: 12, caution: solder },
  ...pixelShapes.map(
    (part): Case => ({ ...onData, name: part.name, item: pixels(part.id, { route: [route[0]] }), caution: solder }),
  ),
  ...['plain-tape-5v-60-1', 'plain-tape-12v-60-3', 'plain-tape-12v-384-1'].map(
    (part): Case => ({
      name: part,
      item: plain(part),
      volts: part.includes('12v') ? 12 : 5,
      caution: solder,
      element: true,
      ownTable: { none: 'a metre of it is described in place: what it takes with every colour at full' },
      reading: 'channel:it',
    }),
  ),
  {
    name: 'light guides',
    item: itemOf('guide', { id: 'it', name: 'It', lights: [{ groupId: 'lamp', light: 1 }], ends: place }),
    beside: [itemOf('light', { id: 'lamp', name: 'Lamp', part: 'led-5mm-white', places: place })],
    caution: solder,
    element: { none: 'no current flows in it' },
    ownTable: 'guide',
    reading: 'guide-cut:it',
  },
];

const designOf = ({ item, beside = [], volts = 5 }: Case): Design => ({
  ...circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 10, yMm: 10 }, part: 'supply-bench', volts }),
    ...(volts > 5
      ? [itemOf('converter', { id: 'step', at: { xMm: 20, yMm: 10 }, part: 'buck-5v-3a', feed: 'supply' })]
      : []),
    itemOf('board', {
      id: 'board',
      at: { xMm: 30, yMm: 10 },
      part: 'controller-large-5v',
      feed: volts > 5 ? 'step' : 'supply',
    }),
    ...beside.map((each) => ({ ...each, feed: 'supply' }) as Item),
    ('feed' in item ? { ...item, feed: 'supply' } : item) as Item,
  ]),
  moods: {
    list: [
      {
        id: 'm',
        name: 'On',
        brightness: 1,
        moves: 'ends' in item ? {} : { it: { kind: 'steady', colour: '#ffffff', level: 0.8 } },
      },
    ],
    startId: 'm',
    cues: [],
    course: [],
    cueUses: [],
  },
});

describe('every kind of light, whole in the plan', () => {
  it('every kind of item that gives or leads light is in the list', () => {
    const listed = new Set(cases.map(({ item }) => item.kind));
    for (const { kind, role } of kinds) if (role === 'light' || role === 'guide') expect([...listed]).toContain(kind);
  });

  it.each(cases.map((each) => [each.name, each] as const))('%s', (_name, each) => {
    const design = designOf(each);
    const read = readPlanText(JSON.stringify(planOf(design)));
    expect(read.ok ? [] : read.problems).toEqual([]);
    const assessment = assess(design);
    const plan = planOf(design);

    // It has a place, and stands on the sheet that is drilled and cut by.
    const places = assessment.placed.find(({ id }) => id === 'it')?.places ?? assessment.guides[0]?.ends ?? [];
    expect(places.length).toBeGreaterThan(0);
    expect(exportTemplateSvg(plan, assessment, 'front', usualPrinter)).toContain('It');

    // Its ports are on nets, which its wires name; and its current flows in the exact network.
    const ports = assessment.nets.flatMap((net) => net.ports.filter(({ item }) => item === 'it'));
    const { netlist } = drawNetwork(design, assessment, { charge: 1, moodId: 'm', openIds: [] });
    const elements = netlist.filter(({ name }) => name.startsWith('it:'));
    if (each.element === true) {
      expect(ports.length).toBeGreaterThan(1);
      expect(exportWireCsv(assessment, usualPrinter)).toContain('It');
      expect(elements.length).toBeGreaterThan(0);
    } else {
      expect(each.element.none).not.toBe('');
      expect([ports.length, elements.length]).toEqual([0, 0]);
    }

    // It is bought, tested with a reading, and comes with its caution.
    const { part } = each.item as { readonly part: string };
    const known = builtInLibrary.parts.get(part);
    expect(exportShoppingCsv(assessment, 1, usualPrinter)).toContain(known?.name.split(',')[0] ?? '?');
    const steps = listSteps(design, assessment).filter(
      ({ id, expect: expected }) => id.startsWith(each.reading) && expected,
    );
    expect(steps.length, `a step ${each.reading} with a reading`).toBeGreaterThan(0);
    const told = checkDesign(design, assessment).map(({ id }) => id);
    if (typeof each.caution === 'string') expect(told).toContain(each.caution);
    else expect(each.caution.none).not.toBe('');

    // A maker's own of it comes by a table, and goes out by one.
    if (typeof each.ownTable === 'string') {
      const own = readPartsCsv(`kind,like,name,price\n${each.ownTable},${part},Mine,9\n`);
      expect(own.problems).toEqual([]);
      expect(readPartsCsv(writePartsCsv(own.parts)).parts).toEqual(own.parts);
    } else expect(each.ownTable.none).not.toBe('');
  });
});
