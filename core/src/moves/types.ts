import type { z } from 'zod';
import type { CompiledBase } from './contract.ts';
import type { moveSchema } from './moveSchema.ts';

/** A move of any kind, as the plan holds it. */
export type Move = Readonly<z.infer<typeof moveSchema>>;
/** The name of a kind of move, as plans write it. */
export type MoveKind = Move['kind'];
/** A move of any kind in the engine's units. */
export type CompiledMove = CompiledBase;
