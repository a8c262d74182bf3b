import { z } from 'zod';
import { bands } from '../limits.ts';
import { feed, figure, inBand, part, placed, switchedBy } from '../schemaFields.ts';

/** What draws and is no light: a sound module, a motor, a servo, a receiver, or anything by its figures. */
export const loadSchema = z.strictObject({
  kind: z.literal('load'),
  ...placed,
  part,
  feed,
  switchedBy,
  /** Overrule what is typical of its kind: with nothing to do, on the mean, at its most, in the first moment. */
  restA: figure(bands.loadA).nullable(),
  usualA: figure(bands.loadA).nullable(),
  mostA: figure(bands.loadA).nullable(),
  startA: figure(bands.loadA).nullable(),
  /** How long it is at work at a time; for good without it. */
  runS: inBand(bands.litS).optional(),
  /** Of one that is led by pulses: how long they are while it stands still, and while it is at work; as usual without them. */
  restPulseS: inBand(bands.pulseS).optional(),
  workPulseS: inBand(bands.pulseS).optional(),
});
