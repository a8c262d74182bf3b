import { z } from 'zod';
import { along, colour, id, level } from '../schemaFields.ts';

/** Shows a value as a bar: the settings as a plan holds them, each within its band. */
export const gaugeSchema = z.strictObject({
  kind: z.literal('gauge'),
  colour,
  /** The control whose value is shown: light, charge, or closed and open. */
  controlId: id.nullable(),
  level,
  along,
});
/** Shows a value as a bar. */
export type Gauge = Readonly<z.infer<typeof gaugeSchema>>;
