import { z } from 'zod';
import { feed, list, part, placed } from '../schemaFields.ts';

const pin = z.string().max(12);

/** A controller board with its program. */
export const boardSchema = z.strictObject({
  kind: z.literal('board'),
  ...placed,
  part,
  feed,
  pinLocks: list(z.strictObject({ demand: z.string().max(90), pin })),
  /** What stands beside its pins on the maker's own board. */
  pinNames: z.array(z.strictObject({ pin, name: z.string().min(1).max(12) })).max(100),
});
