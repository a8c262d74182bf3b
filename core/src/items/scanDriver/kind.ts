import { findPart } from '../../parts/index.ts';
import type { KindDefinition } from '../contract.ts';
import { drawsAtRest } from '../draws.ts';
import { bands } from '../limits.ts';
import { boardRow, boxRow, feedRow, itsPart, partRow } from '../rows.ts';
import { drawOwn } from '../switcher.ts';

/** Lights the rows of a grid in turn by itself; a board tells it each light over three wires. */
export const scanDriver: KindDefinition<'scan driver'> = {
  kind: 'scan driver',
  name: 'Scan driver',
  stage: 'drive',
  role: 'switches',
  create: ({ id, name, at }) => ({
    kind: 'scan driver',
    id,
    name,
    at,
    part: 'scan-driver-8x8',
    feed: null,
    board: null,
    setA: null,
    idleBelowV: null,
  }),
  rows: [
    partRow('scan-driver', 'Scan driver'),
    {
      type: 'quantity',
      field: 'setA',
      label: 'A column takes',
      quantity: 'currentA',
      band: bands.columnA,
      empty: 'as its lights are wanted',
    },
    {
      type: 'quantity',
      field: 'idleBelowV',
      label: 'Columns at rest, below its supply',
      quantity: 'voltageV',
      band: bands.idleV,
      empty: 'as its kind holds them',
      hint: 'too far below, and colours of a low drop glow that should be dark',
    },
    boardRow,
    feedRow,
    boxRow,
  ],
  parts: ({ part }) => itsPart('scan-driver', part),
  lead: { plus: 'plus in', minus: 'minus' },
  draws: ({ part }, library) => {
    const found = findPart(library, 'scan-driver', part);
    return found ? drawsAtRest(found.ownA, 0.3) : null;
  },
  isTold: true,
  draw: ({ id }, drawing) => drawOwn(id, drawing),
};
