import { findPart } from '../../parts/index.ts';
import type { KindDefinition } from '../contract.ts';
import { drawsAtRest } from '../draws.ts';
import { boxRow, feedRow, itsPart, partRow } from '../rows.ts';
import { drawBoard } from './draw.ts';

/** A controller board: it drives, listens and sends data. */
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
  rows: [partRow('controller', 'Controller'), feedRow, boxRow],
  parts: ({ part }) => itsPart('controller', part),
  lead: { plus: 'plus in', minus: 'minus' },
  draws: (item, library) => {
    const part = findPart(library, 'controller', item.part);
    return part ? drawsAtRest(part.drawA.likely, part.drawA.spread / part.drawA.likely) : null;
  },
  draw: drawBoard,
};
