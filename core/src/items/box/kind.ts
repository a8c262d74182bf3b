import type { KindDefinition } from '../contract.ts';
import { feedRow, itsPart, partRow } from '../rows.ts';

export const box: KindDefinition<'box'> = {
  kind: 'box',
  name: 'Ready-made box',
  stage: 'drive',
  role: 'switches',
  create: ({ id, name, at }) => ({ kind: 'box', id, name, at, part: 'box-three-6a', feed: null }),
  rows: [partRow('box', 'Box'), feedRow],
  parts: ({ part }) => itsPart('box', part),
};
