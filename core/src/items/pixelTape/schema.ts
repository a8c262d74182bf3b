import { z } from 'zod';
import { bands, plenty } from '../limits.ts';
import { base, board, feed, figure, id, inBand, part, point } from '../schemaFields.ts';

/** Pixel tape along a route, or cut into the rows of a grid. */
export const pixelTapeSchema = z.strictObject({
  kind: z.literal('pixel tape'),
  ...base,
  part,
  feed,
  /** Where its data comes from, where it is the first of its line. */
  board,
  route: z.array(point).max(plenty.points),
  /** Overrules the length measured along the route. */
  lengthMm: inBand(bands.tapeLengthMm).nullable(),
  /** Data enters at the route's far end. */
  reversed: z.boolean(),
  /** The tape whose data output feeds this one; null = straight from the controller. */
  after: id.nullable(),
  hollowId: id.nullable(),
  dieCurrentA: figure(bands.dieCurrentA).nullable(),
  /** From the lights to the sheet that spreads them; bare without it. */
  diffuserMm: inBand(bands.diffuserMm).optional(),
  /** Cut into rows of equal length, one below another: the route's first leg says where the first row runs. */
  grid: z
    .strictObject({
      columns: z.number().int().min(1).max(64),
      rows: z.number().int().min(1).max(64),
      /** Every second row runs back. */
      snakes: z.boolean(),
    })
    .optional(),
  /** In the data line before its first pixel; counts for the first tape of a line. */
  dataResistorOhm: inBand(bands.resistorOhm).nullable(),
  levelShifter: z.boolean(),
  /** Across plus and minus where the line is fed. */
  reservoirUf: inBand(bands.reservoirUf).nullable(),
});
