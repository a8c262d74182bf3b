import { z } from 'zod';
import { colour, level } from '../schemaFields.ts';

export const steadySchema = z.strictObject({
  kind: z.literal('steady'),
  colour,
  level,
});
export type Steady = Readonly<z.infer<typeof steadySchema>>;
