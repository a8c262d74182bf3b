import { z } from 'zod';
import { bands } from '../limits.ts';
import { inBand, minus, part, placed } from '../schemaFields.ts';

/** What feeds a piece from outside: a port, a wall supply, a bench supply. */
export const outsideSupplySchema = z.strictObject({
  kind: z.literal('outside supply'),
  ...placed,
  part,
  /** Overrules the voltage of its kind, for one that is set by hand. */
  volts: inBand(bands.supplyV).nullable(),
  /** Either way, as a share; that of its kind without it. */
  tolerance: inBand(bands.supplySpread).optional(),
  /** What it sinks and rises to, for one that varies more to one side: a vehicle's, a worn battery. */
  sinksToV: inBand(bands.supplyV).optional(),
  risesToV: inBand(bands.supplyV).optional(),
  fuseA: inBand(bands.fuseA).nullable(),
  plug: part.nullable(),
  minus,
});
