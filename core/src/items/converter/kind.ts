import type { KindDefinition } from '../contract.ts';
import { feedRow, itsPart, minusRow, partRow } from '../rows.ts';

export const converter: KindDefinition<'converter'> = {
  kind: 'converter',
  name: 'Converter',
  stage: 'power',
  role: 'passes',
  create: ({ id, name, at }) => ({
    kind: 'converter',
    id,
    name,
    at,
    part: 'boost-5v-1a5',
    feed: null,
    minus: 'joined',
  }),
  rows: [partRow('converter', 'Converter'), feedRow, minusRow],
  parts: ({ part }) => itsPart('converter', part),
};
