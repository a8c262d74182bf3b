import { z } from 'zod';
import { bands, plenty } from '../items/limits.ts';
import { itemSchema } from '../items/schema.ts';
import { id, inBand, list, name, point } from '../items/schemaFields.ts';
import { moodsSchema } from './moodSchema.ts';
import { ownPartSchema } from './ownPartSchema.ts';

const text = z.string().max(plenty.textLength);
const moment = z.iso.datetime();

const piece = z.strictObject({
  kind: z.enum(['headdress', 'mask', 'garment', 'hand-held', 'scale model', 'prop']),
  carriedBy: z.enum(['adult', 'child', 'nobody']),
  setting: z.enum(['dry', 'splash', 'rain']),
  ambientC: inBand(bands.ambientC),
  hoursWanted: inBand(bands.hoursWanted),
  copies: inBand(bands.copies).int(),
  budgetPerCopy: inBand(bands.budget).nullable(),
  lightsItself: z.boolean(),
});

const view = z.strictObject({
  picture: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('none') }),
    z.strictObject({ kind: z.literal('drawn'), outline: z.string().max(40) }),
    z.strictObject({ kind: z.literal('own'), pictureId: id }),
  ]),
  widthMm: inBand(bands.viewMm),
  heightMm: inBand(bands.viewMm),
});

const hollowBase = { id, name, at: point };
const hollow = z.discriminatedUnion('kind', [
  z.strictObject({
    ...hollowBase,
    kind: z.literal('bore'),
    diameterMm: inBand(bands.hollowMm),
    depthMm: inBand(bands.hollowMm),
  }),
  z.strictObject({
    ...hollowBase,
    kind: z.literal('channel'),
    widthMm: inBand(bands.hollowMm),
    depthMm: inBand(bands.hollowMm),
  }),
  z.strictObject({
    ...hollowBase,
    kind: z.literal('box'),
    widthMm: inBand(bands.hollowMm),
    heightMm: inBand(bands.hollowMm),
    depthMm: inBand(bands.hollowMm),
  }),
]);

/** What the maker overrules of the wires that follow from the items. */
const wires = z.strictObject({
  gaugesInStock: z.array(inBand(bands.gaugeAwg).int()).min(1).max(20),
  runs: list(
    z.strictObject({
      runId: z.string().max(90),
      lengthMm: inBand(bands.wireLengthMm).nullable(),
      gaugeAwg: inBand(bands.gaugeAwg).int().nullable(),
      colours: z.array(z.string().max(20)).max(12).nullable(),
    }),
  ),
});

/** What the maker decided about the piece: the part of a plan that has versions and that undo walks through. */
export const designSchema = z.strictObject({
  piece,
  view,
  hollows: list(hollow),
  items: list(itemSchema),
  moods: moodsSchema,
  wires,
  /** Parts that the maker described; a plan without any need not say so. */
  ownParts: list(ownPartSchema).optional(),
});

const port = z.strictObject({ item: z.string().max(200), port: z.string().max(120) });

/** What a step at the bench made real, so that a later change of the plan can say what has to be unsoldered. */
const built = z.strictObject({
  name: z.string().max(200),
  cores: z
    .array(z.strictObject({ meaning: z.string().max(200), from: port, to: port, pin: z.string().max(12).nullable() }))
    .max(40),
  /** The item that it feeds, with how it is switched and what stands before each of its lights. */
  itemId: z.string().max(90).nullable(),
  way: z.string().max(40).nullable(),
  boardId: z.string().max(90).nullable(),
  resistorOhm: z.number().positive().nullable(),
  /** The part that switches it, where one stands between. */
  transistor: z.string().max(90).nullable().optional(),
  /** Of its cores. */
  gaugeAwg: z.number().int().optional(),
});

/** The whole open plan file, `NAME.glimmer.json`. */
export const planSchema = z.strictObject({
  format: z.literal('unruly-glimmer-plan'),
  version: z.literal(3),
  id: z.uuid(),
  name,
  design: designSchema,
  bench: z.strictObject({
    readings: z
      .array(z.strictObject({ id, stepId: z.string().max(90), value: z.number(), takenAt: moment, note: text }))
      .max(5000),
    done: z.array(z.strictObject({ stepId: z.string().max(90), at: moment, built: built.optional() })).max(2000),
  }),
  logbook: z.strictObject({
    entries: z.array(z.strictObject({ id, at: moment, text: text.min(1) })).max(2000),
    runTests: z
      .array(
        z.strictObject({
          id,
          at: moment,
          moodId: id.nullable(),
          moodName: name,
          brightness: inBand(bands.share),
          ambientC: inBand(bands.ambientC),
          hours: inBand(bands.runHours),
          predictedHours: z.number().min(0).nullable(),
          /** The capacity that the prediction was made with; a later one leaves the prediction as it was. */
          predictedWithMah: z.number().min(0).optional(),
          /** The pack that was to end first. */
          predictedPackId: id.optional(),
          note: text,
        }),
      )
      .max(2000),
    versions: z.array(z.strictObject({ id, name, why: text, keptAt: moment, design: designSchema })).max(100),
  }),
  pictures: z.record(
    id,
    z.discriminatedUnion('mime', [
      z.strictObject({ mime: z.literal('image/svg+xml'), svg: z.string().max(plenty.pictureBytes) }),
      z.strictObject({
        mime: z.enum(['image/png', 'image/jpeg', 'image/webp']),
        base64: z.base64().max(Math.ceil((plenty.pictureBytes * 4) / 3) + 4),
      }),
    ]),
  ),
});
