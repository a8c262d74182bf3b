import { z } from 'zod';
import { bands, plenty } from '../limits.ts';
import { id, inBand, part, placed, point } from '../schemaFields.ts';

/** Fibres or light pipes: they begin over some lights of the piece, and end in holes. */
export const guideSchema = z.strictObject({
  kind: z.literal('guide'),
  ...placed,
  part,
  /** All in one bundle over its lights, or each over a light of its own. */
  gather: z.enum(['bundle', 'each']),
  /** The lights that it begins over: a group and the number of a light of it, counted from 1. */
  lights: z
    .array(z.strictObject({ groupId: id, light: z.number().int().min(1).max(plenty.lights) }))
    .max(plenty.guided),
  /** From the light to where it begins. */
  gapMm: inBand(bands.guideGapMm),
  /** The gap is filled with clear glue. */
  filled: z.boolean(),
  /** The bore in which a bundle is gathered. */
  hollowId: id.nullable(),
  /** How wide the light is, and how far to the side it shines; typical of it without. */
  dieMm: inBand(bands.dieMm).optional(),
  halfAngleDeg: inBand(bands.halfAngleDeg).optional(),
  /** Guides that end together in one hole. */
  perEnd: z.number().int().min(bands.perEnd.least).max(bands.perEnd.most),
  /** Of each guide; as far as it is on the picture, and some more, without it. */
  lengthMm: inBand(bands.guideMm).optional(),
  /** Of the wall that they go through at their ends. */
  skinMm: inBand(bands.wallMm),
  /** The holes that they end in. */
  ends: z.array(z.strictObject({ id, at: point, hollowId: id.nullable() })).max(plenty.ends),
});
