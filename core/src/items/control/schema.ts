import { z } from 'zod';
import { bands } from '../limits.ts';
import { board, id, inBand, placed } from '../schemaFields.ts';

const control = { ...placed, board };

/** A button as a plan holds it. */
export const buttonSchema = z.strictObject({ kind: z.literal('button'), ...control });
/** A latching switch on a pin, as a plan holds it. */
export const latchingSwitchSchema = z.strictObject({ kind: z.literal('latching switch'), ...control });
/** A tilt switch as a plan holds it. */
export const tiltSwitchSchema = z.strictObject({ kind: z.literal('tilt switch'), ...control });

/** One output of a receiver: closed while its key is held, or changed by each press. */
export const remoteSchema = z.strictObject({
  kind: z.literal('remote'),
  ...control,
  output: z.enum(['held', 'latched']),
  /** Whose output it is; left out, it has a receiver of its own with one. */
  receiver: id.nullable().optional(),
  /** Which output, from 1. */
  key: inBand(bands.outputs).int().optional(),
});
