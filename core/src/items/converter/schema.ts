import { z } from 'zod';
import { feed, minus, part, placed } from '../schemaFields.ts';

/** A converter from one rail to another. */
export const converterSchema = z.strictObject({
  kind: z.literal('converter'),
  ...placed,
  part,
  feed,
  minus,
});
