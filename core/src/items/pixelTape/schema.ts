import { z } from 'zod';
import { colourOrders } from '../../parts/index.ts';
import { bands, plenty } from '../limits.ts';
import { base, board, feed, figure, id, inBand, part, point, whiteFrom } from '../schemaFields.ts';

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
  /** Cut at each corner of its route, and joined again by a jumper. */
  cutAtCorners: z.boolean().optional(),
  /** Fed once more at the pads before these lights, counted from 1 in the order of the data; beyond the last at its far end. */
  feedsAt: z.array(z.number().int().min(2).max(plenty.lights)).max(plenty.feeds).optional(),
  /** Only so many are used, from the data end; the others stay dark. */
  litFirst: z.number().int().min(1).max(plenty.lights).optional(),
  /** A pixel before the first, right at the controller, that stays dark: it takes what the data line brings, and sends it on afresh. */
  spareFirst: z.enum(['plain', 'behind a diode']).optional(),
  /** In which order its pixels take their colours; as is usual for its kind without it. */
  order: z.enum(colourOrders).optional(),
  whiteFrom,
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
