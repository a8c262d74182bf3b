import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, id, level, whole } from '../schemaFields.ts';

export const stepsSchema = z.strictObject({
  kind: z.literal('steps'),
  colour,
  /** The colour of the lowest step. */
  second: colour,
  controlId: id.nullable(),
  count: whole(bands.steps),
  low: level,
  level,
});
export type Steps = Readonly<z.infer<typeof stepsSchema>>;
