import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { along, colour, inBand, level, whole } from '../schemaFields.ts';

/** One in so many is lit, and the lit ones run: the settings as a plan holds them, each within its band. */
export const chaseSchema = z.strictObject({
  kind: z.literal('chase'),
  colour,
  groups: whole(bands.chaseGroups),
  stepS: inBand(bands.stepS),
  direction: z.enum(['onward', 'back']),
  level,
  along,
});
/** One in so many is lit, and the lit ones run. */
export type Chase = Readonly<z.infer<typeof chaseSchema>>;
