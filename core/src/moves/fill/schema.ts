import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { along, colour, inBand, level } from '../schemaFields.ts';

export const fillSchema = z.strictObject({
  kind: z.literal('fill'),
  colour,
  periodS: inBand(bands.periodS),
  level,
  along,
});
export type Fill = Readonly<z.infer<typeof fillSchema>>;
