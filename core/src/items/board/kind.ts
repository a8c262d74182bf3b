import type { KindDefinition } from '../contract.ts';
import { feedRow, itsPart, partRow } from '../rows.ts';

export const board: KindDefinition<'board'> = {
  kind: 'board',
  name: 'Controller',
  freshName: 'Board',
  stage: 'drive',
  role: 'board',
  create: ({ id, name, at }) => ({
    kind: 'board',
    id,
    name,
    at,
    part: 'controller-large-5v',
    feed: null,
    pinLocks: [],
    pinNames: [],
  }),
  rows: [partRow('controller', 'Controller'), feedRow],
  parts: ({ part }) => itsPart('controller', part),
};
