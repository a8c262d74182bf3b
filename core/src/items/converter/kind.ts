import { findPart } from '../../parts/index.ts';
import type { KindDefinition } from '../contract.ts';
import { boxRow, feedRow, heldByRow, itsPart, minusRow, partRow } from '../rows.ts';
import { drawConverter } from './draw.ts';
import { rangeOfConverter } from './model.ts';

/** What makes one rail out of another: boost, buck or linear. */
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
  rows: [partRow('converter', 'Converter'), feedRow, minusRow, boxRow, heldByRow],
  parts: ({ part }) => itsPart('converter', part),
  lead: { plus: 'in plus', minus: 'in minus' },
  feeding: {
    ports: { plus: 'out plus', minus: 'out minus' },
    giving: (item, library) => ({
      form: 'converter',
      item,
      part: findPart(library, 'converter', item.part) ?? null,
    }),
    rangeV: (giving, before) =>
      giving.form === 'converter' && giving.part ? rangeOfConverter(giving.part, before) : null,
  },
  draw: drawConverter,
};
