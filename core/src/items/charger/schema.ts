import { z } from 'zod';
import { feed, part, placed } from '../schemaFields.ts';

/** A charger with the place where it is plugged into the piece. */
export const chargerSchema = z.strictObject({
  kind: z.literal('charger'),
  ...placed,
  part,
  /** What its lead ends at: the pack, or a switch behind it; null = the only pack there is. */
  feed,
  /** How it is joined from outside. */
  inlet: z.enum(['covered socket', 'bare terminals']),
});
