import { z } from 'zod';
import { bands } from '../limits.ts';
import { board, feed, inBand, part, placed } from '../schemaFields.ts';

/** A part that scans a grid of lights by itself and is told them by a board. */
export const scanDriverSchema = z.strictObject({
  kind: z.literal('scan driver'),
  ...placed,
  part,
  feed,
  board,
  /** Overrules what each column takes while its row is lit. */
  setA: inBand(bands.columnA).nullable(),
  /** Overrules how far below its supply columns at rest are held. */
  idleBelowV: inBand(bands.idleV).nullable(),
});
