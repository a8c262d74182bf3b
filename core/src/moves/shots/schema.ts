import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level, whole } from '../schemaFields.ts';

/** Short flashes, then a pause: the settings as a plan holds them, each within its band. */
export const shotsSchema = z.strictObject({
  kind: z.literal('shots'),
  colour,
  count: whole(bands.shots),
  onS: inBand(bands.stepS),
  offS: inBand(bands.stepS),
  pauseS: inBand(bands.pauseS),
  level,
});
/** Short flashes, then a pause. */
export type Shots = Readonly<z.infer<typeof shotsSchema>>;
