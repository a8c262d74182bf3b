import type { z } from 'zod';
import type { designSchema, planSchema } from './schema.ts';

type DeepReadonly<T> = T extends object ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> } : T;

/** A whole plan: design, pictures, bench and logbook. */
export type Plan = DeepReadonly<z.infer<typeof planSchema>>;
/** What is reckoned: everything but readings, pictures and the logbook. */
export type Design = DeepReadonly<z.infer<typeof designSchema>>;
/** What the piece is for: who carries it, where, how long. */
export type Piece = Design['piece'];
/** A bore, a channel or a box in the piece, in millimetres. */
export type Hollow = Design['hollows'][number];
/** One state of the light: which moves run on which lights, how bright, how they come and go. */
export type Mood = Design['moods']['list'][number];
/** Lights of several groups that move as one. */
export type LightSet = NonNullable<Design['moods']['sets']>[number];
/** What lies over every mood while a control says so, such as a low charge. */
export type Sign = NonNullable<Design['moods']['signs']>[number];
/** What leads from one mood to another, on which occasion. */
export type Cue = Design['moods']['cues'][number];
/** A design that was kept, with when and why. */
export type KeptVersion = Plan['logbook']['versions'][number];
/** How long the piece really ran, beside what was predicted then. */
export type RunTest = Plan['logbook']['runTests'][number];
/** What a meter showed at a step of the bench. */
export type Reading = Plan['bench']['readings'][number];
/** A picture that lies in a plan, under an id of its own. */
export type Picture = Plan['pictures'][string];
