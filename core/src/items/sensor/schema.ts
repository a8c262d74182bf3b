import { z } from 'zod';
import { bands } from '../limits.ts';
import { board, id, inBand, placed } from '../schemaFields.ts';

const control = { ...placed, board };

/** A light sensor as a plan holds it: the maker’s own two readings, in ohms. */
export const lightSensorSchema = z.strictObject({
  kind: z.literal('light sensor'),
  ...control,
  darkOhm: inBand(bands.resistorOhm),
  lightOhm: inBand(bands.resistorOhm),
  /** Left out, it is a photoresistor. */
  element: z.enum(['photoresistor', 'phototransistor']).optional(),
  /** The sensor that this is a further level of, with readings of its own; left out, it has its own part and pin. */
  with: id.nullable().optional(),
});

/** A charge sense as a plan holds it: whose charge, and below what it counts as low. */
export const chargeSenseSchema = z.strictObject({
  kind: z.literal('charge sense'),
  ...control,
  /** The pack that it reads; null = the only one there is. */
  of: board,
  /** Of the whole pack, below which it is low. */
  lowV: inBand(bands.packV),
  /** It must stay low for so long: a sag under load is no empty pack. */
  settleS: inBand(bands.settleS),
});

/** A knob as a plan holds it: from which share of its turn on it counts as turned up. */
export const knobSchema = z.strictObject({
  kind: z.literal('knob'),
  ...control,
  turnedTo: inBand(bands.turn),
  /** It also sets how bright all lights of its board are, from dark to as bright as their mood. */
  dims: z.boolean().optional(),
});
/** A motion sensor as a plan holds it, with the time that is set on it. */
export const motionSensorSchema = z.strictObject({
  kind: z.literal('motion sensor'),
  ...control,
  staysS: inBand(bands.staysS),
});
/** A sound sensor as a plan holds it: how loud is set on its trimmer. */
export const soundSensorSchema = z.strictObject({ kind: z.literal('sound sensor'), ...control });
