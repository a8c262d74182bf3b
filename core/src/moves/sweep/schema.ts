import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { along, colour, inBand, level, whole } from '../schemaFields.ts';

/** One light runs, with a tail: the settings as a plan holds them, each within its band. */
export const sweepSchema = z.strictObject({
  kind: z.literal('sweep'),
  colour,
  /** There and back. */
  periodS: inBand(bands.periodS),
  tail: whole(bands.tail),
  level,
  along,
});
/** One light runs, with a tail. */
export type Sweep = Readonly<z.infer<typeof sweepSchema>>;
