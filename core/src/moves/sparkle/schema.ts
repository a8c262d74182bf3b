import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level, whole } from '../schemaFields.ts';

export const sparkleSchema = z.strictObject({
  kind: z.literal('sparkle'),
  colour,
  share: inBand(bands.share),
  stepS: inBand(bands.stepS),
  seed: whole(bands.seed),
  level,
});
export type Sparkle = Readonly<z.infer<typeof sparkleSchema>>;
