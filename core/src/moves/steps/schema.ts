import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, id, level, whole } from '../schemaFields.ts';

/** Shows a value in steps: the settings as a plan holds them, each within its band. */
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
/** Shows a value in steps. */
export type Steps = Readonly<z.infer<typeof stepsSchema>>;
