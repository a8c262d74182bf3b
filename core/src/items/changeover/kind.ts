import { findPart } from '../../parts/index.ts';
import type { KindDefinition } from '../contract.ts';
import type { RailRange } from '../gives.ts';
import { feedRow, itsPart, partRow } from '../rows.ts';
import type { ChangeoverItem } from '../types.ts';
import { changeoverRule } from './rules.ts';

/** What a diode of low drop loses at an ampere, typical of the kind. */
export const FEED_DIODE_V = 0.4;

const DIODE_PRICE = 0.15;

const lessDiode = ({ by }: ChangeoverItem, before: RailRange | null): RailRange | null =>
  before && by === 'diodes'
    ? {
        leastV: before.leastV - FEED_DIODE_V,
        nominalV: before.nominalV - FEED_DIODE_V,
        mostV: before.mostV - FEED_DIODE_V,
      }
    : before;

/** Two feeds to one rail: a pack and what stands in for it. */
export const changeover: KindDefinition<'changeover'> = {
  kind: 'changeover',
  name: 'Two feeds to one rail',
  freshName: 'Changeover',
  stage: 'power',
  role: 'passes',
  create: ({ id, name, at }) => ({
    kind: 'changeover',
    id,
    name,
    at,
    feed: null,
    other: null,
    by: 'switch',
    part: 'switch-changeover-3a',
  }),
  rows: [
    feedRow,
    { type: 'named', field: 'other', label: 'Or from', names: 'feeder', none: 'not chosen yet' },
    {
      type: 'choice',
      field: 'by',
      label: 'Which of them',
      options: [
        { value: 'switch', label: 'a switch with two throws takes one' },
        { value: 'diodes', label: 'a diode each: the higher one feeds' },
        { value: 'joined', label: 'simply joined: one is unplugged first' },
      ],
    },
    partRow('switch', 'Switch, where it is one'),
  ],
  parts: (item) => (item.by === 'switch' ? itsPart('switch', item.part) : []),
  lead: { plus: 'a', minus: 'minus' },
  feeding: {
    ports: { plus: 'out', minus: 'minus' },
    other: ({ other }) => ({ railId: other, plus: 'b' }),
    giving: (item, library) => ({
      form: 'changeover',
      item,
      part: item.by === 'switch' ? (findPart(library, 'switch', item.part) ?? null) : null,
    }),
    rangeV: (giving, before) => (giving.form === 'changeover' ? lessDiode(giving.item, before) : before),
  },
  buys: ({ by, name }) =>
    by === 'diodes'
      ? [{ name: 'Diode of low drop, 3 A', quantity: 2, unit: 'piece', unitPrice: DIODE_PRICE, forWhat: name }]
      : [],
  draw: (item, drawing) => {
    const { id, by } = item;
    const out = drawing.at(id, 'out');
    for (const side of drawing.takenBy(id)) {
      const from = drawing.at(id, side);
      const name = `${id}: from ${side}`;
      if (by === 'joined') drawing.join(from, out);
      else if (by === 'diodes') drawing.add(id, { kind: 'voltage', name, plus: from, minus: out, volts: FEED_DIODE_V });
      else {
        const ohm = findPart(drawing.library, 'switch', item.part)?.contactOhm ?? 0;
        drawing.add(id, { kind: 'resistor', name, a: from, b: out, ohm });
      }
    }
  },
  rules: [changeoverRule],
};
