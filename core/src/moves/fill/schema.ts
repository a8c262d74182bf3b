import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { along, colour, inBand, level } from '../schemaFields.ts';

/** Fills from one end and empties again: the settings as a plan holds them, each within its band. */
export const fillSchema = z.strictObject({
  kind: z.literal('fill'),
  colour,
  periodS: inBand(bands.periodS),
  level,
  along,
});
/** Fills from one end and empties again. */
export type Fill = Readonly<z.infer<typeof fillSchema>>;
