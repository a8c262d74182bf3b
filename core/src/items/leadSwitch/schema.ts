import { z } from 'zod';
import { bands } from '../limits.ts';
import { feed, id, inBand, part, placed } from '../schemaFields.ts';

/** A hand's switch in a lead: what it feeds is fed through it. */
export const leadSwitchSchema = z.strictObject({
  kind: z.literal('switch'),
  ...placed,
  part,
  feed,
  /** The switch that this is a further pole of: one lever moves both; left out, it has a lever of its own. */
  with: id.nullable().optional(),
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
