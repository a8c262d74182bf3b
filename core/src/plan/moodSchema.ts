import { z } from 'zod';
import { alongs, bands, breathCurves, flickerCharacters, keepings, layings, plenty } from '../items/limits.ts';
import { colour, id, inBand, list, name } from '../items/schemaFields.ts';

/** The order in which a travelling move meets the lights; without it, the order of the data. */
const along = z.enum(alongs).optional();
const level = inBand(bands.share);
const neighbours = z.array(z.number().int().min(0).max(8)).max(9);

export const move = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('steady'), colour, level }),
  z.strictObject({
    kind: z.literal('breathe'),
    colour,
    periodS: inBand(bands.periodS),
    low: level,
    high: level,
    /** Without it: soft. */
    curve: z.enum(breathCurves).optional(),
  }),
  z.strictObject({
    kind: z.literal('chase'),
    colour,
    groups: inBand(bands.chaseGroups).int(),
    stepS: inBand(bands.stepS),
    direction: z.enum(['onward', 'back']),
    level,
    along,
  }),
  z.strictObject({
    kind: z.literal('sweep'),
    colour,
    /** There and back. */
    periodS: inBand(bands.periodS),
    tail: inBand(bands.tail).int(),
    level,
    along,
  }),
  z.strictObject({ kind: z.literal('fill'), colour, periodS: inBand(bands.periodS), level, along }),
  z.strictObject({
    kind: z.literal('drift'),
    colour,
    /** The colour at the other end of the drift. */
    second: colour,
    periodS: inBand(bands.periodS),
    /** Lights from one crest to the next; 0 = all alike. */
    wave: inBand(bands.wave).int(),
    level,
    along,
    /** Whether the mixing of the two colours keeps the look even or the current; without it, the look. */
    keeps: z.enum(keepings).optional(),
  }),
  z.strictObject({
    kind: z.literal('sparkle'),
    colour,
    share: inBand(bands.share),
    stepS: inBand(bands.stepS),
    seed: inBand(bands.seed).int(),
    level,
  }),
  z.strictObject({
    kind: z.literal('flicker'),
    colour,
    character: z.enum(flickerCharacters),
    seed: inBand(bands.seed).int(),
    level,
  }),
  z.strictObject({
    kind: z.literal('shots'),
    colour,
    count: inBand(bands.shots).int(),
    onS: inBand(bands.stepS),
    offS: inBand(bands.stepS),
    pauseS: inBand(bands.pauseS),
    level,
  }),
  z.strictObject({ kind: z.literal('build-up'), colour, riseS: inBand(bands.periodS), low: level, level }),
  z.strictObject({
    kind: z.literal('cells'),
    colour,
    /** With how many living neighbours a cell comes to life, and with how many it lives on. */
    birth: neighbours,
    survival: neighbours,
    wraps: z.boolean(),
    /** Births and deaths glide over the step. */
    melts: z.boolean(),
    stepS: inBand(bands.stepS),
    /** Generations after which it begins again as at first. */
    generations: inBand(bands.generations).int(),
    /** How many cells live at first. */
    share: inBand(bands.share),
    seed: inBand(bands.seed).int(),
    level,
  }),
  z.strictObject({
    kind: z.literal('gauge'),
    colour,
    /** The control whose value is shown: light, charge, or closed and open. */
    controlId: id.nullable(),
    level,
    along,
  }),
  z.strictObject({
    kind: z.literal('steps'),
    colour,
    /** The colour of the lowest step. */
    second: colour,
    controlId: id.nullable(),
    count: inBand(bands.steps).int(),
    low: level,
    level,
  }),
]);

const moves = z.record(id, move);

const mood = z.strictObject({
  id,
  name,
  brightness: inBand(bands.share),
  /** What each light group, or set of lights, does first of all. */
  moves,
  /** What is laid upon that, in order. */
  tops: list(z.strictObject({ id, on: id, how: z.enum(layings), move })).optional(),
  /** How long it takes to come and to go, whatever the cue says. */
  fadeInS: inBand(bands.fadeS).optional(),
  fadeOutS: inBand(bands.fadeS).optional(),
});

const byControl = { controlId: id };

/** What a cue waits for. */
export const when = z.discriminatedUnion('kind', [
  /** Pressed, put on, tilted: the contact closes. */
  z.strictObject({ kind: z.literal('button'), ...byControl }),
  /** Let go, put off, upright again: the contact opens. */
  z.strictObject({ kind: z.literal('opened'), ...byControl }),
  z.strictObject({ kind: z.literal('held'), ...byControl, holdS: inBand(bands.holdS) }),
  z.strictObject({ kind: z.literal('double'), ...byControl }),
  /** From closing to opening, then back. */
  z.strictObject({ kind: z.literal('while'), ...byControl }),
  z.strictObject({ kind: z.literal('dark'), ...byControl }),
  z.strictObject({ kind: z.literal('light'), ...byControl }),
  z.strictObject({ kind: z.literal('low'), ...byControl }),
  z.strictObject({ kind: z.literal('after'), afterS: inBand(bands.afterS) }),
  z.strictObject({ kind: z.literal('random'), leastS: inBand(bands.afterS), mostS: inBand(bands.afterS) }),
  /** When the mood has run through once. */
  z.strictObject({ kind: z.literal('through') }),
]);

const cue = z.strictObject({
  id,
  from: id.nullable(),
  when,
  to: id,
  fadeS: inBand(bands.fadeS),
  /** Whether the fade keeps the current even or the look; without it, the current. */
  keeps: z.enum(keepings).optional(),
  backAfterS: inBand(bands.afterS).nullable(),
});

/** A sign lies over every mood while its control is in its state: the charge low, the room dark, the contact closed. */
const sign = z.strictObject({ id, name, controlId: id, moves });

export const moodsSchema = z.strictObject({
  list: list(mood),
  startId: id.nullable(),
  cues: list(cue),
  course: list(z.strictObject({ id, moodId: id, minutes: inBand(bands.minutes) })),
  cueUses: list(z.strictObject({ cueId: id, perHour: inBand(bands.perHour) })),
  signs: list(sign).optional(),
  /** Lights of one group or several, taken together under a name of their own, however they are wired. */
  sets: list(
    z.strictObject({
      id,
      name,
      of: z
        .array(
          z.strictObject({
            groupId: id,
            /** Numbers of the first and the last light (or channel), from 1; the last may be the lower one. */
            first: z.number().int().min(1).max(plenty.lights),
            last: z.number().int().min(1).max(plenty.lights),
            /** Every how many. */
            every: z.number().int().min(1).max(100),
          }),
        )
        .min(1)
        .max(20),
      order: z.enum(['one after another', 'interleaved']),
    }),
  ).optional(),
});
