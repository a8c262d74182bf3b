// Written by `npm run docs` from the folders beside it; change those, not this.
import { breathe } from './breathe/move.ts';
import { buildUp } from './build-up/move.ts';
import { cells } from './cells/move.ts';
import { chase } from './chase/move.ts';
import type { AnyMove } from './contract.ts';
import { drift } from './drift/move.ts';
import { fill } from './fill/move.ts';
import { flicker } from './flicker/move.ts';
import { gauge } from './gauge/move.ts';
import { shots } from './shots/move.ts';
import { sparkle } from './sparkle/move.ts';
import { steady } from './steady/move.ts';
import { steps } from './steps/move.ts';
import { sweep } from './sweep/move.ts';
import { swell } from './swell/move.ts';

/** Every kind of move. */
export const definitions: readonly AnyMove[] = [
  breathe,
  buildUp,
  cells,
  chase,
  drift,
  fill,
  flicker,
  gauge,
  shots,
  sparkle,
  steady,
  steps,
  sweep,
  swell,
];
