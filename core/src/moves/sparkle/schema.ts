import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level, whole } from '../schemaFields.ts';

/** Some are lit for a moment, then others: the settings as a plan holds them, each within its band. */
export const sparkleSchema = z.strictObject({
  kind: z.literal('sparkle'),
  colour,
  share: inBand(bands.share),
  stepS: inBand(bands.stepS),
  seed: whole(bands.seed),
  level,
});
/** Some are lit for a moment, then others. */
export type Sparkle = Readonly<z.infer<typeof sparkleSchema>>;
