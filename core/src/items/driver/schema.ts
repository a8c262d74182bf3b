import { z } from 'zod';
import { bands } from '../limits.ts';
import { feed, inBand, part, placed } from '../schemaFields.ts';

/** A constant-current driver: the lights hang between its two outputs, without a resistor. */
export const driverSchema = z.strictObject({
  kind: z.literal('driver'),
  ...placed,
  part,
  feed,
  /** Overrules the current that it is set to. */
  setA: inBand(bands.loadA).nullable(),
});
