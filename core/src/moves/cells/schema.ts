import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level, whole } from '../schemaFields.ts';

const neighbours = z.array(z.number().int().min(0).max(8)).max(9).readonly();

/** Lives and dies by its neighbours: the settings as a plan holds them, each within its band. */
export const cellsSchema = z.strictObject({
  kind: z.literal('cells'),
  colour,
  /** With how many living neighbours a cell comes to life, and with how many it lives on. */
  birth: neighbours,
  survival: neighbours,
  wraps: z.boolean(),
  /** Births and deaths glide over the step. */
  melts: z.boolean(),
  stepS: inBand(bands.stepS),
  /** Generations after which it begins again as at first. */
  generations: whole(bands.generations),
  /** How many cells live at first. */
  share: inBand(bands.share),
  seed: whole(bands.seed),
  level,
});
/** Lives and dies by its neighbours. */
export type Cells = Readonly<z.infer<typeof cellsSchema>>;
