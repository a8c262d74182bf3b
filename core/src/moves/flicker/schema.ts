import { z } from 'zod';
import { bands, flickerCharacters } from '../../items/limits.ts';
import { colour, level, whole } from '../schemaFields.ts';

export const flickerSchema = z.strictObject({
  kind: z.literal('flicker'),
  colour,
  character: z.enum(flickerCharacters),
  seed: whole(bands.seed),
  level,
});
export type Flicker = Readonly<z.infer<typeof flickerSchema>>;
