import type { KindDefinition } from '../contract.ts';
import { contactDoings } from '../controls.ts';

/** A line by which one board tells another, as a control of the second. */
export const signal: KindDefinition<'signal'> = {
  kind: 'signal',
  name: 'Signal',
  stage: 'drive',
  role: 'control',
  create: (fresh) => ({ kind: 'signal', ...fresh, from: '', board: null }),
  rows: [
    { type: 'named', field: 'from', label: 'Given by', names: 'board', none: '' },
    { type: 'named', field: 'board', label: 'Heard by', names: 'board', none: '' },
  ],
  parts: () => [],
  control: {
    pin: 'in',
    cores: ['minus'],
    givenBy: ({ from }) => from,
    doings: () => contactDoings({ button: 'comes on', opened: 'goes off', while: 'is on, for as long as it is' }),
  },
};
