import type { KindDefinition } from '../contract.ts';

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
};
