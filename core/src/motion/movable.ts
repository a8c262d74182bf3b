import type { PlanPoint } from '../items/index.ts';

/** Something that moods move, as the engine sees it: points, the bytes of each, and where their lights are. */
export interface Movable {
  readonly id: string;
  readonly points: number;
  readonly bytesPerPoint: 1 | 3;
  /** The lights of each point; those of a pixel are one. */
  readonly lightsAt: readonly (readonly PlanPoint[])[];
  readonly grid?: { readonly columns: number; readonly rows: number; readonly snakes: boolean } | undefined;
}
