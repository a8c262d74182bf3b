import { z } from 'zod';
import { bands, holders, plenty } from '../limits.ts';
import { base, feed, figure, id, inBand, part, point, switchedBy, whiteFrom, wiring } from '../schemaFields.ts';

/** A group of like single lights, on one channel or several. */
export const lightSchema = z.strictObject({
  kind: z.literal('light'),
  ...base,
  part,
  feed,
  switchedBy,
  wiring,
  /** Where each light's resistor sits. */
  resistorAt: z.enum(['light', 'switch', 'source']),
  /** Lights by turns: the first on channel 1, the next on channel 2, and round again. */
  channels: inBand(bands.channels).int(),
  /** Lights one behind the other on one resistor; each by itself without it. */
  inSeries: inBand(bands.inSeries).int().optional(),
  /** Strings side by side on one resistor; each has its own without it. */
  sideBySide: inBand(bands.sideBySide).int().optional(),
  /** A diode behind each light, so that none glows on lines that it shares. */
  diodes: z.boolean().optional(),
  wantedCurrentA: inBand(bands.ledCurrentA),
  /** The maker's own reading at the wanted current. */
  forwardV: figure(bands.forwardV).nullable(),
  /** Overrules the chosen resistor. */
  resistorOhm: inBand(bands.resistorOhm).nullable(),
  /** Overrules those of the dice of a many-coloured light. */
  dieResistorsOhm: z
    .strictObject({
      red: inBand(bands.resistorOhm).optional(),
      green: inBand(bands.resistorOhm).optional(),
      blue: inBand(bands.resistorOhm).optional(),
      white: inBand(bands.resistorOhm).optional(),
    })
    .optional(),
  /** From the board of a power star to the air; of the board alone without it. */
  sinkKPerW: inBand(bands.thermalKPerW).optional(),
  /** Of its heatsink, which takes up heat for a while. */
  sinkG: inBand(bands.sinkG).optional(),
  /** The box that it is closed in; in the open without one. */
  boxId: id.nullable().optional(),
  /** From the air of its hollow to the room: overrules what the walls of its box hold back, or stands for a hollow that is not drawn. */
  hollowKPerW: inBand(bands.thermalKPerW).optional(),
  /** How long it is lit at a time; for good without it. */
  litS: inBand(bands.litS).optional(),
  /** What holds it or lies beside it. */
  heldBy: z.enum(holders).optional(),
  resistorRatedW: z.number().min(0.01).max(10),
  sleeved: z.boolean(),
  /** From the lights to the sheet that spreads them; bare without it. */
  diffuserMm: inBand(bands.diffuserMm).optional(),
  /** Earlier sheets called its cores "rail plus and channel": which of the two ways was soldered is not known yet. */
  waySoldered: z.literal('not said').optional(),
  places: z.array(z.strictObject({ id, at: point, hollowId: id.nullable() })).max(plenty.places),
  whiteFrom,
});
