import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level } from '../schemaFields.ts';

/** Rises once and stays: the settings as a plan holds them, each within its band. */
export const buildUpSchema = z.strictObject({
  kind: z.literal('build-up'),
  colour,
  riseS: inBand(bands.periodS),
  low: level,
  level,
});
/** Rises once and stays. */
export type BuildUp = Readonly<z.infer<typeof buildUpSchema>>;
