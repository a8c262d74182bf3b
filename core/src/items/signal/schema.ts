import { z } from 'zod';
import { board, id, placed } from '../schemaFields.ts';

/** A line from one board to another: the first gives it in its moods, the second takes it for a contact. */
export const signalSchema = z.strictObject({ kind: z.literal('signal'), ...placed, from: id, board });
