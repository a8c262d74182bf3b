import type { KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { feedRow, itsPart, partRow } from '../rows.ts';

export const leadSwitch: KindDefinition<'switch'> = {
  kind: 'switch',
  name: 'Switch in the lead',
  stage: 'power',
  role: 'passes',
  create: ({ id, name, at }) => ({ kind: 'switch', id, name, at, part: 'switch-slide-3a', feed: null }),
  rows: [partRow('switch', 'Switch'), feedRow],
  parts: ({ part }) => itsPart('switch', part),
};

/** What a magnet switch is asked besides. */
export const magnetRows = [
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
] as const;
