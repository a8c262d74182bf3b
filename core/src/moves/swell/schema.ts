import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level } from '../schemaFields.ts';

/** Rises, stays and falls: the settings as a plan holds them, each within its band. */
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
/** Rises, stays and falls. */
export type Swell = Readonly<z.infer<typeof swellSchema>>;
