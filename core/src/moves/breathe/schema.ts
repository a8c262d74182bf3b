import { z } from 'zod';
import { bands, breathCurves } from '../../items/limits.ts';
import { colour, inBand, level } from '../schemaFields.ts';

/** Rises and falls without end: the settings as a plan holds them, each within its band. */
export const breatheSchema = z.strictObject({
  kind: z.literal('breathe'),
  colour,
  periodS: inBand(bands.periodS),
  low: level,
  high: level,
  /** Without it: soft. */
  curve: z.enum(breathCurves).optional(),
});
/** Rises and falls without end. */
export type Breathe = Readonly<z.infer<typeof breatheSchema>>;
