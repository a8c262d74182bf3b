import type { KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { feedRow, itsPart, partRow } from '../rows.ts';

export const driver: KindDefinition<'driver'> = {
  kind: 'driver',
  name: 'Constant-current driver',
  stage: 'drive',
  role: 'switches',
  create: ({ id, name, at }) => ({ kind: 'driver', id, name, at, part: 'driver-20ma', feed: null, setA: null }),
  rows: [
    partRow('driver', 'Driver'),
    {
      type: 'quantity',
      field: 'setA',
      label: 'Set to',
      quantity: 'currentA',
      band: bands.loadA,
      empty: 'as its kind gives',
    },
    feedRow,
  ],
  parts: ({ part }) => itsPart('driver', part),
};
