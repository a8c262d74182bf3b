// Written by `npm run docs` from the folders beside it; change those, not this.
import { z } from 'zod';
import { breatheSchema } from './breathe/schema.ts';
import { buildUpSchema } from './build-up/schema.ts';
import { cellsSchema } from './cells/schema.ts';
import { chaseSchema } from './chase/schema.ts';
import { driftSchema } from './drift/schema.ts';
import { fillSchema } from './fill/schema.ts';
import { flickerSchema } from './flicker/schema.ts';
import { gaugeSchema } from './gauge/schema.ts';
import { shotsSchema } from './shots/schema.ts';
import { sparkleSchema } from './sparkle/schema.ts';
import { steadySchema } from './steady/schema.ts';
import { stepsSchema } from './steps/schema.ts';
import { sweepSchema } from './sweep/schema.ts';
import { swellSchema } from './swell/schema.ts';

/** A move of any kind. */
export const moveSchema = z.discriminatedUnion('kind', [
  breatheSchema,
  buildUpSchema,
  cellsSchema,
  chaseSchema,
  driftSchema,
  fillSchema,
  flickerSchema,
  gaugeSchema,
  shotsSchema,
  sparkleSchema,
  steadySchema,
  stepsSchema,
  sweepSchema,
  swellSchema,
]);
