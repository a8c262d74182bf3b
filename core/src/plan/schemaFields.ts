import { z } from 'zod';
import type { Band } from '../units/index.ts';
import { bands, plenty } from './limits.ts';

/** What the schemas of a plan are made of: each kind of field once. */
export const inBand = (band: Band) => z.number().min(band.least).max(band.most);
export const id = z.string().regex(/^[\w-]{1,40}$/, 'must be 1 to 40 letters, digits, - or _');
export const list = <T extends z.ZodType>(item: T) => z.array(item).max(plenty.items);
export const name = z.string().min(1).max(plenty.nameLength);
export const colour = z.string().regex(/^#[0-9a-f]{6}$/, 'must be a colour such as #ff9a1c, in small letters');
export const price = inBand(bands.budget);

/** A number with its doubt and where it comes from. */
export const figure = (band: Band) =>
  z.strictObject({
    likely: inBand(band),
    spread: z.number().min(0).max(band.most),
    origin: z.enum(['measured', 'data sheet', 'typical', 'guess', 'overruled']),
  });
