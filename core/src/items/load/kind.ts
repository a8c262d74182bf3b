import { asReckoned, type FormRow, type KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { feedRow, itsPart, partRow, switchedRow } from '../rows.ts';

const amps = (field: string, label: string): FormRow => ({
  type: 'quantity',
  field,
  label,
  quantity: 'currentA',
  band: bands.loadA,
  empty: 'typical of the kind',
  isFigure: true,
});

export const load: KindDefinition<'load'> = {
  kind: 'load',
  name: 'Other load',
  stage: 'power',
  role: 'load',
  create: ({ id, name, at }) => ({
    kind: 'load',
    id,
    name,
    at,
    part: 'load-sound-3w',
    feed: null,
    switchedBy: asReckoned,
    restA: null,
    usualA: null,
    mostA: null,
    startA: null,
  }),
  rows: [
    partRow('load', 'What it is'),
    amps('restA', 'Draws with nothing to do'),
    amps('usualA', 'Draws on the mean'),
    amps('mostA', 'Draws at its most'),
    amps('startA', 'Draws in the first moment'),
    switchedRow,
    feedRow,
  ],
  parts: ({ part }) => itsPart('load', part),
};
