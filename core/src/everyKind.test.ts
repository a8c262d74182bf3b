import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, planOf } from '../tests/designs.ts';
import { assess } from './assess.ts';
import { listSteps } from './bench/index.ts';
import { drawNetwork } from './exact/index.ts';
import { exportShoppingCsv, exportWireCsv, tellAssessment } from './exports/index.ts';
import { checkDesign } from './findings/index.ts';
import { kinds } from './items/index.ts';
import { builtInLibrary, type ownColumns, readPartsCsv, writePartsCsv } from './parts/index.ts';
import type { Design, Item } from './plan/index.ts';
import { readPlanText } from './plan/reading.ts';
import { usualPrinter } from './units/index.ts';

/** What a stage does not have of a kind, with the reason: an empty one is no reason. */
interface Not {
  readonly none: string;
}

/** A kind that is no light, as a maker uses it, with what every stage must have of it. */
interface Case {
  readonly item: Item;
  /** What it hangs on, or what hangs on it. */
  readonly beside?: readonly Item[];
  /** Fed by the supply, or as it says itself. */
  readonly feed?: string;
  /** Ports that are on nets, which its wires name. */
  readonly ports: number;
  /** The exact network has it, with this in its words. */
  readonly element: string | Not;
  /** Its line to buy, by the beginning. */
  readonly buys: string | Not;
  /** A step at the bench with a reading, by the beginning of its id. */
  readonly reading: string | Not;
  readonly caution: string | Not;
  readonly ownTable: keyof typeof ownColumns | Not;
}

const at = { xMm: 60, yMm: 40 };
const apart = { xMm: 120, yMm: 90 };
const lamp = (change: object): Item =>
  itemOf('light', {
    id: 'lamp',
    name: 'Lamp',
    part: 'led-5mm-red',
    places: [{ id: 'a', at, hollowId: null }],
    ...change,
  });

const noTable = (why: string): Not => ({ none: why });
const onPin = { none: 'a milliampere at most flows in it: the board draws it' };
const common = {
  ports: 2,
  caution: { none: 'nothing in it is hot, sharp or charged' },
  ownTable: noTable('it has no figures but those that its form asks for'),
} as const;

const cases: readonly Case[] = [
  {
    ...common,
    item: itemOf('button', { id: 'it', name: 'It', at }),
    element: onPin,
    buys: 'Push button',
    reading: 'contact:it',
  },
  {
    ...common,
    item: itemOf('latching switch', { id: 'it', name: 'It', at }),
    element: onPin,
    buys: 'Slide switch',
    reading: 'contact:it',
  },
  {
    ...common,
    item: itemOf('tilt switch', { id: 'it', name: 'It', at }),
    element: onPin,
    buys: 'Tilt switch',
    reading: 'contact:it',
  },
  {
    ...common,
    item: itemOf('remote', { id: 'it', name: 'It', at }),
    ports: 3,
    element: 'all day',
    buys: 'Radio receiver',
    reading: 'contact:it',
  },
  {
    ...common,
    item: itemOf('light sensor', { id: 'it', name: 'It', at }),
    element: 'all day',
    buys: 'Light sensor',
    reading: 'sensor-dark:it',
  },
  {
    ...common,
    item: itemOf('knob', { id: 'it', name: 'It', at }),
    ports: 3,
    element: 'all day',
    buys: 'Knob',
    reading: 'knob:it',
  },
  {
    ...common,
    item: itemOf('motion sensor', { id: 'it', name: 'It', at }),
    ports: 3,
    element: 'all day',
    buys: 'Motion sensor',
    reading: 'contact:it',
  },
  {
    ...common,
    item: itemOf('sound sensor', { id: 'it', name: 'It', at }),
    ports: 3,
    element: 'all day',
    buys: 'Sound sensor',
    reading: 'contact:it',
  },
  {
    ...common,
    item: itemOf('charge sense', { id: 'it', name: 'It', at }),
    beside: [itemOf('pack', { id: 'pack', at: apart, part: 'pack-lithium-round-3400' })],
    element: 'all day',
    buys: 'Resistor',
    reading: 'sensor-charge:it',
  },
  {
    ...common,
    item: itemOf('signal', { id: 'it', name: 'It', at, from: 'second' }),
    ports: 1,
    beside: [itemOf('board', { id: 'second', at: apart, part: 'controller-large-5v', feed: 'supply' })],
    element: onPin,
    buys: { none: 'it is a wire between two boards' },
    reading: 'contact:it',
  },
  {
    ...common,
    item: itemOf('receiver', { id: 'it', name: 'It', at }),
    beside: [itemOf('remote', { id: 'key', name: 'Key', at, receiver: 'it', key: 1 })],
    element: 'it:',
    buys: 'Radio receiver, four',
    reading: 'contact:key',
    ownTable: 'receiver',
  },
  {
    ...common,
    item: itemOf('load', { id: 'it', name: 'It', at }),
    element: 'it:',
    buys: 'Sound',
    reading: 'run:it',
    ownTable: 'load',
  },
  {
    ...common,
    item: itemOf('board', { id: 'it', name: 'It', at, part: 'controller-large-5v' }),
    element: 'it:',
    buys: '.*controller',
    reading: 'rest-current',
    ownTable: 'controller',
  },
  {
    ...common,
    item: itemOf('pack', { id: 'it', name: 'It', at, part: 'pack-lithium-round-3400' }),
    beside: [lamp({ feed: 'it', switchedBy: { way: 'always on' } })],
    element: 'it:',
    buys: 'Lithium-ion cell',
    reading: 'pack-voltage:it',
    caution: 'caution-lithium',
    ownTable: 'pack',
  },
  {
    ...common,
    item: itemOf('outside supply', { id: 'it', name: 'It', at, part: 'supply-port-0a5' }),
    beside: [lamp({ feed: 'it', switchedBy: { way: 'always on' } })],
    element: 'it:',
    buys: '.*(port|supply)',
    reading: 'pack-voltage:it',
    caution: 'caution-mains',
  },
  {
    ...common,
    item: itemOf('converter', { id: 'it', name: 'It', at, part: 'linear-3v3-0a25' }),
    beside: [lamp({ feed: 'it', switchedBy: { way: 'always on' } })],
    ports: 3,
    element: 'it:',
    buys: 'Linear',
    reading: 'converter-output',
    ownTable: 'converter',
  },
  {
    ...common,
    item: itemOf('switch', { id: 'it', name: 'It', at }),
    beside: [lamp({ feed: 'it', switchedBy: { way: 'always on' } })],
    element: 'it:',
    buys: 'Slide switch',
    reading: 'open:it',
  },
  {
    ...common,
    item: itemOf('changeover', { id: 'it', name: 'It', at, other: 'bank' }),
    beside: [
      itemOf('outside supply', { id: 'bank', at: apart, part: 'supply-bench', volts: 5 }),
      lamp({ feed: 'it', switchedBy: { way: 'always on' } }),
    ],
    ports: 3,
    element: 'it:',
    buys: 'Changeover switch',
    reading: 'feed:it',
  },
  {
    ...common,
    item: itemOf('charger', { id: 'it', name: 'It', at }),
    beside: [
      itemOf('pack', { id: 'pack', at: apart, part: 'pack-lithium-round-3400', charging: 'in place, switched off' }),
    ],
    feed: 'pack',
    element: { none: 'it is unplugged while the piece runs' },
    buys: 'Charger',
    reading: 'charge-current:it',
    caution: 'caution-lithium',
    ownTable: 'charger',
  },
  {
    ...common,
    item: itemOf('light gate', { id: 'it', name: 'It', at }),
    beside: [lamp({ switchedBy: { way: 'light gate', by: 'it' } })],
    element: 'it:',
    buys: 'Light sensor',
    reading: 'gate-dark:it',
  },
  {
    ...common,
    item: itemOf('driver', { id: 'it', name: 'It', at }),
    beside: [lamp({ switchedBy: { way: 'driver', by: 'it', board: null } })],
    element: 'it:',
    buys: 'Constant-current driver',
    reading: 'channel:lamp',
  },
  {
    ...common,
    item: itemOf('box', { id: 'it', name: 'It', at }),
    beside: [lamp({ switchedBy: { way: 'box', by: 'it', output: 1 } })],
    element: 'it:',
    buys: '.*box',
    reading: 'channel:lamp',
  },
  {
    ...common,
    item: itemOf('scan driver', { id: 'it', name: 'It', at }),
    beside: [
      lamp({
        switchedBy: { way: 'scan driver', by: 'it', rows: 2 },
        places: [1, 2, 3, 4].map((i) => ({ id: `g${i}`, at: { xMm: 60 + 10 * i, yMm: 40 }, hollowId: null })),
      }),
    ],
    ports: 5,
    element: 'it:',
    buys: 'Scan driver',
    reading: 'channel:lamp',
  },
];

const designOf = ({ item, beside = [], feed }: Case): Design => {
  const fed = (each: Item): Item =>
    'feed' in each && each.feed === null ? ({ ...each, feed: 'supply' } as Item) : each;
  return circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 10, yMm: 10 }, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'board', at: { xMm: 30, yMm: 10 }, part: 'controller-large-5v', feed: 'supply' }),
    lamp({ id: 'other', name: 'Other', feed: 'supply', switchedBy: { way: 'always on' } }),
    ...beside.map(fed),
    fed(('board' in item ? { ...item, board: 'board' } : feed ? { ...item, feed } : item) as Item),
  ]);
};

describe('every kind that is no light, whole in the plan', () => {
  it('every kind of item that is no light is in the list', () => {
    const listed = cases.map(({ item }) => item.kind);
    for (const { kind, role } of kinds) if (role !== 'light' && role !== 'guide') expect(listed).toContain(kind);
  });

  it.each(cases.map((each) => [each.item.kind, each] as const))('%s', (_kind, each) => {
    const design = designOf(each);
    const read = readPlanText(JSON.stringify(planOf(design)));
    expect(read.ok ? [] : read.problems).toEqual([]);
    const assessment = assess(design);
    const absent = (not: Not): void => expect(not.none).not.toBe('');

    // Its ports are on nets, which the wire list names.
    const ports = new Set(
      assessment.nets.flatMap((net) => net.ports.filter(({ item }) => item === 'it').map((p) => p.port)),
    );
    expect(ports.size).toBeGreaterThanOrEqual(each.ports);
    expect(exportWireCsv(assessment, usualPrinter)).toMatch(/\bIt\b/);

    const { netlist } = drawNetwork(design, assessment, { charge: 1, moodId: null, openIds: [] });
    const elements = netlist.filter(({ name }) => name.startsWith('it:'));
    if (typeof each.element === 'string') expect(elements.length).toBeGreaterThan(0);
    else {
      absent(each.element);
      expect(elements).toEqual([]);
    }

    const bought = exportShoppingCsv(assessment, 1, usualPrinter);
    if (typeof each.buys === 'string') expect(bought).toMatch(new RegExp(`^"?${each.buys}`, 'm'));
    else absent(each.buys);

    if (typeof each.reading === 'string') {
      const { reading } = each;
      const steps = listSteps(design, assessment).filter(({ id, expect: read }) => id.startsWith(reading) && read);
      expect(steps.length, `a step ${reading} with a reading`).toBeGreaterThan(0);
    } else absent(each.reading);

    const told = checkDesign(design, assessment).map(({ id }) => id);
    if (typeof each.caution === 'string') expect(told).toContain(each.caution);
    else absent(each.caution);

    if (typeof each.ownTable === 'string') {
      const { part } = each.item as { readonly part: string };
      expect(builtInLibrary.parts.has(part)).toBe(true);
      const own = readPartsCsv(`kind,like,name,price\n${each.ownTable},${part},Mine,9\n`);
      expect(own.problems).toEqual([]);
      expect(readPartsCsv(writePartsCsv(own.parts)).parts).toEqual(own.parts);
    } else absent(each.ownTable);

    // Another program is told of it.
    expect(JSON.stringify(tellAssessment(planOf(design), assessment, usualPrinter))).toContain('"it"');
  });
});
