import { findPart } from '../../parts/index.ts';
import { pieces } from '../buys.ts';
import type { FormRow, KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { feedRow, itsPart, partRow } from '../rows.ts';
import { magnetRule } from './rules.ts';

/** Over the price of a switch with one less. */
const POLE_PRICE = 0.5;

const plainRows: readonly FormRow[] = [
  partRow('switch', 'Switch'),
  feedRow,
  { type: 'named', field: 'with', label: 'Another pole of', names: 'pole', none: 'no other: it has its own lever' },
];

/** What a magnet switch is asked besides. */
const magnetRows: readonly FormRow[] = [
  { type: 'quantity', field: 'magnet.diameterMm', label: 'Magnet, across', quantity: 'lengthMm', band: bands.magnetMm },
  { type: 'quantity', field: 'magnet.thicknessMm', label: 'Magnet, thick', quantity: 'lengthMm', band: bands.magnetMm },
  {
    type: 'quantity',
    field: 'magnet.remanenceMt',
    label: 'Its remanence',
    quantity: 'fluxMt',
    band: bands.remanenceMt,
  },
  { type: 'quantity', field: 'magnet.wallMm', label: 'Wall between', quantity: 'lengthMm', band: bands.wallMm },
  {
    type: 'choice',
    field: 'magnet.litWhen',
    label: 'Lit',
    options: [
      { value: 'near', label: 'while the magnet is near' },
      { value: 'away', label: 'while the magnet is away' },
    ],
  },
];

/** A switch in the lead of a pack or rail, worked by hand or by a magnet. */
export const leadSwitch: KindDefinition<'switch'> = {
  kind: 'switch',
  name: 'Switch in the lead',
  stage: 'power',
  role: 'passes',
  create: ({ id, name, at }) => ({ kind: 'switch', id, name, at, part: 'switch-slide-3a', feed: null }),
  rows: plainRows,
  rowsFor: ({ magnet }) => (magnet ? [...plainRows, ...magnetRows] : plainRows),
  // A further pole comes with the switch.
  parts: ({ part, with: other }) => (other ? [] : itsPart('switch', part)),
  buys: ({ name, with: other }) => (other ? [pieces('One pole more on a switch of several', POLE_PRICE, name)] : []),
  lead: { plus: 'a', minus: null },
  feeding: {
    ports: { plus: 'b', minus: null },
    giving: (item) => ({ form: 'contact', item }),
    rangeV: (_, before) => before,
  },
  draw: ({ id, part }, drawing) => {
    const [a, b] = [drawing.at(id, 'a'), drawing.at(id, 'b')];
    const name = `${id}: contact`;
    if (drawing.isOpen(id)) drawing.add(id, { kind: 'switch', name, a, b, closed: false });
    else {
      const ohm = findPart(drawing.library, 'switch', part)?.contactOhm ?? 0;
      drawing.add(id, { kind: 'resistor', name, a, b, ohm });
    }
  },
  rules: [magnetRule],
};
