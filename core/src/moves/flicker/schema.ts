import { z } from 'zod';
import { bands, flickerCharacters } from '../../items/limits.ts';
import { colour, level, whole } from '../schemaFields.ts';

/** Like a candle, an ember, a bad tube or an engine: the settings as a plan holds them, each within its band. */
export const flickerSchema = z.strictObject({
  kind: z.literal('flicker'),
  colour,
  character: z.enum(flickerCharacters),
  seed: whole(bands.seed),
  level,
});
/** Like a candle, an ember, a bad tube or an engine. */
export type Flicker = Readonly<z.infer<typeof flickerSchema>>;
