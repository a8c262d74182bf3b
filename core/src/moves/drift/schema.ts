import { z } from 'zod';
import { bands, keepings } from '../../items/limits.ts';
import { along, colour, inBand, level, whole } from '../schemaFields.ts';

/** Goes between two colours: the settings as a plan holds them, each within its band. */
export const driftSchema = z.strictObject({
  kind: z.literal('drift'),
  colour,
  /** The colour at the other end of the drift. */
  second: colour,
  periodS: inBand(bands.periodS),
  /** Lights from one crest to the next; 0 = all alike. */
  wave: whole(bands.wave),
  level,
  along,
  /** Whether the mixing of the two colours keeps the look even or the current; without it, the look. */
  keeps: z.enum(keepings).optional(),
});
/** Goes between two colours. */
export type Drift = Readonly<z.infer<typeof driftSchema>>;
