import { z } from 'zod';
import { bands, plenty } from '../../items/limits.ts';
import { figure, id, inBand, list, name } from '../../items/schemaFields.ts';
import { moodsSchema } from '../moodSchema.ts';
import { ownPartSchema } from '../ownPartSchema.ts';

const text = z.string().max(plenty.textLength);
const moment = z.iso.datetime();
const point = z.strictObject({ xMm: inBand(bands.placeMm), yMm: inBand(bands.placeMm) });

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

const tape = z.strictObject({
  id,
  name,
  part: z.string().max(60),
  route: z.array(point).max(plenty.points),
  /** Overrules the length measured along the route. */
  lengthMm: inBand(bands.tapeLengthMm).nullable(),
  /** Data enters at the route's far end. */
  reversed: z.boolean(),
  /** The tape whose data output feeds this one; null = straight from the controller. */
  after: id.nullable(),
  channelId: id.nullable(),
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
});

const ledGroup = z.strictObject({
  id,
  name,
  part: z.string().max(60),
  /** Light i hangs on channel i mod `channels`. */
  channels: inBand(bands.channels).int(),
  wantedCurrentA: inBand(bands.ledCurrentA),
  /** The maker's own reading at the wanted current. */
  forwardV: figure(bands.forwardV).nullable(),
  /** Overrules the chosen resistor. */
  resistorOhm: inBand(bands.resistorOhm).nullable(),
  resistorRatedW: z.number().min(0.01).max(10),
  sleeved: z.boolean(),
  /** From the lights to the sheet that spreads them; bare without it. */
  diffuserMm: inBand(bands.diffuserMm).optional(),
  /** `auto` takes a transistor where a pin can't carry the channel. */
  drivenBy: z.enum(['auto', 'pin', 'transistor']),
  places: z.array(z.strictObject({ id, at: point, hollowId: id.nullable() })).max(2000),
});

const contact = { id, name, at: point };
const control = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('button'), ...contact }),
  z.strictObject({ kind: z.literal('latching switch'), ...contact }),
  z.strictObject({ kind: z.literal('tilt switch'), ...contact }),
  /** One output of a receiver: closed while its key is held, or changed by each press. */
  z.strictObject({ kind: z.literal('remote'), ...contact, output: z.enum(['held', 'latched']) }),
  z.strictObject({
    kind: z.literal('light sensor'),
    ...contact,
    darkOhm: inBand(bands.resistorOhm),
    lightOhm: inBand(bands.resistorOhm),
  }),
  z.strictObject({
    kind: z.literal('charge sense'),
    ...contact,
    /** Of the whole pack, below which it is low. */
    lowV: inBand(bands.packV),
    /** It must stay low for so long: a sag under load is no empty pack. */
    settleS: inBand(bands.settleS),
  }),
]);

const drive = z.strictObject({
  controller: z.string().max(60).nullable(),
  at: point,
  controls: list(control),
  pinLocks: list(z.strictObject({ demand: z.string().max(90), pin: z.string().max(12) })),
  dataResistorOhm: inBand(bands.resistorOhm).nullable(),
  levelShifter: z.boolean(),
});

const power = z.strictObject({
  pack: z.string().max(60).nullable(),
  at: point,
  capacityMah: figure(bands.capacityMah).nullable(),
  converter: z.string().max(60).nullable(),
  switch: z.string().max(60).nullable(),
  fuseA: inBand(bands.fuseA).nullable(),
  plug: z.string().max(60).nullable(),
  reservoirUf: inBand(bands.reservoirUf).nullable(),
  housing: z.enum(['none', 'soft pouch', 'hard case']),
  nextToBody: z.boolean(),
  lockedLid: z.boolean(),
  charging: z.enum(['taken out', 'in place, switched off', 'in place, while it runs']),
});

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

/** A design as version 1 had it: one controller, one pack, one rail. */
const designOneSchema = z.strictObject({
  piece,
  view,
  hollows: list(hollow),
  tapes: list(tape),
  leds: list(ledGroup),
  moods: moodsSchema,
  drive,
  power,
  wires,
  /** Parts that the maker described; a plan without any need not say so. */
  ownParts: list(ownPartSchema).optional(),
});

/** A whole plan file of version 1: only read, to be brought to the newest version. */
export const planOneSchema = z.strictObject({
  format: z.literal('unruly-glimmer-plan'),
  version: z.literal(1),
  id: z.uuid(),
  name,
  design: designOneSchema,
  bench: z.strictObject({
    readings: z
      .array(z.strictObject({ id, stepId: z.string().max(90), value: z.number(), takenAt: moment, note: text }))
      .max(5000),
    done: z.array(z.strictObject({ stepId: z.string().max(90), at: moment })).max(2000),
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
          note: text,
        }),
      )
      .max(2000),
    versions: z.array(z.strictObject({ id, name, why: text, keptAt: moment, design: designOneSchema })).max(100),
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
