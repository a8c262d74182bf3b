import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level, whole } from '../schemaFields.ts';

export const shotsSchema = z.strictObject({
  kind: z.literal('shots'),
  colour,
  count: whole(bands.shots),
  onS: inBand(bands.stepS),
  offS: inBand(bands.stepS),
  pauseS: inBand(bands.pauseS),
  level,
});
export type Shots = Readonly<z.infer<typeof shotsSchema>>;
