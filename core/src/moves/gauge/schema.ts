import { z } from 'zod';
import { along, colour, id, level } from '../schemaFields.ts';

export const gaugeSchema = z.strictObject({
  kind: z.literal('gauge'),
  colour,
  /** The control whose value is shown: light, charge, or closed and open. */
  controlId: id.nullable(),
  level,
  along,
});
export type Gauge = Readonly<z.infer<typeof gaugeSchema>>;
