import { z } from 'zod';
import { bands, keepings, layings, plenty } from '../items/limits.ts';
import { id, inBand, list, name } from '../items/schemaFields.ts';
import { moveSchema } from '../moves/moveSchema.ts';

const moves = z.record(id, moveSchema);

const mood = z.strictObject({
  id,
  name,
  brightness: inBand(bands.share),
  /** What each light group, or set of lights, does first of all. */
  moves,
  /** What is laid upon that, in order. */
  tops: list(z.strictObject({ id, on: id, how: z.enum(layings), move: moveSchema })).optional(),
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

/** Moods, cues, evening, sets and signs as a plan holds them. */
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
