import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { along, colour, inBand, level, whole } from '../schemaFields.ts';

export const chaseSchema = z.strictObject({
  kind: z.literal('chase'),
  colour,
  groups: whole(bands.chaseGroups),
  stepS: inBand(bands.stepS),
  direction: z.enum(['onward', 'back']),
  level,
  along,
});
export type Chase = Readonly<z.infer<typeof chaseSchema>>;
