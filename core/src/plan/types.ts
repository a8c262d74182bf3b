import type { z } from 'zod';
import type { designSchema, planSchema } from './schema.ts';

type DeepReadonly<T> = T extends object ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> } : T;

export type Plan = DeepReadonly<z.infer<typeof planSchema>>;
export type Design = DeepReadonly<z.infer<typeof designSchema>>;
export type Piece = Design['piece'];
export type Hollow = Design['hollows'][number];
export type Mood = Design['moods']['list'][number];
export type TopMove = NonNullable<Mood['tops']>[number];
export type LightSet = NonNullable<Design['moods']['sets']>[number];
export type Sign = NonNullable<Design['moods']['signs']>[number];
export type Cue = Design['moods']['cues'][number];
export type KeptVersion = Plan['logbook']['versions'][number];
export type RunTest = Plan['logbook']['runTests'][number];
export type Reading = Plan['bench']['readings'][number];
/** A picture that lies in a plan, under an id of its own. */
export type Picture = Plan['pictures'][string];
