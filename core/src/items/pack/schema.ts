import { z } from 'zod';
import { bands } from '../limits.ts';
import { figure, inBand, minus, part, placed } from '../schemaFields.ts';

/** A pack of cells, with what guards and holds it. */
export const packSchema = z.strictObject({
  kind: z.literal('pack'),
  ...placed,
  /** Null until its kind is chosen. */
  part: part.nullable(),
  capacityMah: figure(bands.capacityMah).nullable(),
  fuseA: inBand(bands.fuseA).nullable(),
  plug: part.nullable(),
  /** A board that cuts off by itself, where the cells have none inside; left out, there is none. */
  protection: part.nullable().optional(),
  /** Its cells are not all of one kind, one age and one charge. */
  mixed: z.boolean().optional(),
  /** Brought as well, to be exchanged during the evening; left out, none. */
  spares: inBand(bands.spares).int().optional(),
  housing: z.enum(['none', 'soft pouch', 'hard case']),
  nextToBody: z.boolean(),
  lockedLid: z.boolean(),
  minus,
  charging: z.enum(['taken out', 'in place, switched off', 'in place, while it runs']),
});
