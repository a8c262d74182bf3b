import { z } from 'zod';
import { alongs, bands } from '../items/limits.ts';
import { inBand } from '../items/schemaFields.ts';

export { colour, id, inBand } from '../items/schemaFields.ts';

/** The order in which a travelling move meets the lights; without it, the order of the data. */
export const along = z.enum(alongs).optional();
/** Height of a move, 0…1 as it looks. */
export const level = inBand(bands.share);
/** A whole number within a band. */
export const whole = (band: Parameters<typeof inBand>[0]) => inBand(band).int();
