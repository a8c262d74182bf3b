import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level } from '../schemaFields.ts';

export const buildUpSchema = z.strictObject({
  kind: z.literal('build-up'),
  colour,
  riseS: inBand(bands.periodS),
  low: level,
  level,
});
export type BuildUp = Readonly<z.infer<typeof buildUpSchema>>;
