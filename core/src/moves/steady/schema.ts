import { z } from 'zod';
import { colour, level } from '../schemaFields.ts';

/** Glows: the settings as a plan holds them, each within its band. */
export const steadySchema = z.strictObject({
  kind: z.literal('steady'),
  colour,
  level,
});
/** Glows. */
export type Steady = Readonly<z.infer<typeof steadySchema>>;
