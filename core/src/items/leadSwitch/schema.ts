import { z } from 'zod';
import { bands } from '../limits.ts';
import { feed, inBand, part, placed } from '../schemaFields.ts';

/** A hand's switch in a lead: what it feeds is fed through it. */
export const leadSwitchSchema = z.strictObject({
  kind: z.literal('switch'),
  ...placed,
  part,
  feed,
  /** A magnet works it, through a wall. */
  magnet: z
    .strictObject({
      diameterMm: inBand(bands.magnetMm),
      thicknessMm: inBand(bands.magnetMm),
      remanenceMt: inBand(bands.remanenceMt),
      wallMm: inBand(bands.wallMm),
      litWhen: z.enum(['near', 'away']),
    })
    .optional(),
});
