import { z } from 'zod';
import { bands } from '../limits.ts';
import { feed, inBand, part, placed } from '../schemaFields.ts';

/** A receiver with its transmitter: its outputs are heard by a board, each as a remote. */
export const receiverSchema = z.strictObject({
  kind: z.literal('receiver'),
  ...placed,
  part,
  feed,
  /** How far off its hand should still work it. */
  rangeMm: inBand(bands.rangeMm),
  /** One transmitter works all copies, or each copy has its own. */
  transmitters: z.enum(['one for all copies', 'one each']),
});
