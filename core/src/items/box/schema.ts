import { z } from 'zod';
import { feed, part, placed } from '../schemaFields.ts';

/** A ready-made box with its own remote: it switches what hangs on its outputs, below it, with the plus in common. */
export const boxSchema = z.strictObject({ kind: z.literal('box'), ...placed, part, feed });
