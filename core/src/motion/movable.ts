import type { PlanPoint, Pulses, WhiteDie } from '../items/index.ts';

/** Something that moods move, as the engine sees it: points, the bytes of each, and where their lights are. */
export interface Movable {
  readonly id: string;
  /** Lights that can differ. */
  readonly points: number;
  /** One for a single colour, three for all. */
  readonly bytesPerPoint: 1 | 3;
  /** Whether its white comes from a die of its own; without such a die it is left out. */
  readonly whiteDie?: WhiteDie;
  /** Points that stay dark before and behind its own on its data line. */
  readonly dark?: { readonly before: number; readonly after: number };
  /** The lights of each point; those of a pixel are one. */
  readonly lightsAt: readonly (readonly PlanPoint[])[];
  /** Where it is cut into rows. */
  readonly grid?: { readonly columns: number; readonly rows: number; readonly snakes: boolean } | undefined;
  /** It is on or off, and nothing between: a load, a signal. On while its byte is not 0, whatever dims the lights. */
  readonly switches?: true;
  /** It is led by pulses, which hold up the loop. */
  readonly pulses?: Pulses;
  /** Its lights take turns: how many, how many are lit at once, and who takes them: the program, or another part that is told. */
  readonly scan?: {
    readonly turns: number;
    readonly atOnce: number;
    readonly how: 'rows' | 'one by one' | 'told';
  };
}
