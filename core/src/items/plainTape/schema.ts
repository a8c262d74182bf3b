import { z } from 'zod';
import { bands, plenty } from '../limits.ts';
import { base, feed, figure, id, inBand, part, point, switchedBy, whiteFrom, wiring } from '../schemaFields.ts';

/** Plain tape: every light of a colour lit at once, cut only at its marks. */
export const plainTapeSchema = z.strictObject({
  kind: z.literal('plain tape'),
  ...base,
  part,
  feed,
  /** One way for each colour that is switched apart; a single one serves all. */
  switchedBy: z.array(switchedBy).min(1).max(4),
  wiring,
  route: z.array(point).max(plenty.points),
  /** Overrules the length measured along the route. */
  lengthMm: inBand(bands.tapeLengthMm).nullable(),
  /** Cut at each corner of its route, and joined again by a jumper. */
  cutAtCorners: z.boolean().optional(),
  /** Fed again at the cut marks before these lights, counted from 1; one more than it has = at its far end. */
  feedsAt: z.array(z.number().int().min(2).max(plenty.lights)).max(plenty.feeds).optional(),
  hollowId: id.nullable(),
  /** Overrules what a metre of its kind takes with every colour at full. */
  powerPerMetreW: figure(bands.powerPerMetreW).nullable(),
  whiteFrom,
  diffuserMm: inBand(bands.diffuserMm).optional(),
});
