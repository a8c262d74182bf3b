import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { along, colour, inBand, level, whole } from '../schemaFields.ts';

export const sweepSchema = z.strictObject({
  kind: z.literal('sweep'),
  colour,
  /** There and back. */
  periodS: inBand(bands.periodS),
  tail: whole(bands.tail),
  level,
  along,
});
export type Sweep = Readonly<z.infer<typeof sweepSchema>>;
