import { z } from 'zod';
import { bands, breathCurves } from '../../items/limits.ts';
import { colour, inBand, level } from '../schemaFields.ts';

export const breatheSchema = z.strictObject({
  kind: z.literal('breathe'),
  colour,
  periodS: inBand(bands.periodS),
  low: level,
  high: level,
  /** Without it: soft. */
  curve: z.enum(breathCurves).optional(),
});
export type Breathe = Readonly<z.infer<typeof breatheSchema>>;
