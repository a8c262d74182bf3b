import { z } from 'zod';
import { bands } from '../limits.ts';
import { feed, inBand, part, placed } from '../schemaFields.ts';

/** A gate that lights what hangs on it in the dark, without a program: sensor, pull-up and transistor below. */
export const lightGateSchema = z.strictObject({
  kind: z.literal('light gate'),
  ...placed,
  feed,
  /** The transistor that it switches with. */
  part,
  /** What the sensor carries in one lux. */
  microampsPerLux: z.number().min(0.01).max(1000),
  pullUpOhm: inBand(bands.resistorOhm),
  /** The room where it must be lit, and where it must be dark. */
  darkLux: inBand(bands.lux),
  brightLux: inBand(bands.lux),
});
