import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level } from '../schemaFields.ts';

export const swellSchema = z.strictObject({
  kind: z.literal('swell'),
  colour,
  riseS: inBand(bands.periodS),
  holdS: inBand(bands.pauseS),
  fallS: inBand(bands.periodS),
  /** How long it rests at its lowest before it rises again. */
  restS: inBand(bands.pauseS),
  low: level,
  level,
});
export type Swell = Readonly<z.infer<typeof swellSchema>>;
