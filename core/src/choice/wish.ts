import type { Edit } from '../items/index.ts';
import type { Design } from '../plan/index.ts';
import type { Message } from '../units/index.ts';

/** What is to glow, before its kind is chosen. */
export interface Wish {
  /** So many points; null where a stretch is to glow. */
  readonly points: number | null;
  /** So long a stretch; null where points are counted. */
  readonly stretchMm: number | null;
  /** What can differ: nothing, the turn of a run along it, or every light. */
  readonly control: 'as one' | 'a run' | 'each by itself';
  readonly colour: 'one colour' | 'white' | 'any colour';
  /** An even glow rather than points. */
  readonly isEven: boolean;
  /** Room behind what glows; null where there is enough. */
  readonly depthMm: number | null;
  /** What the supply gives for it; null where that is not known. */
  readonly mostA: number | null;
  /** Null where money is not counted. */
  readonly budget: number | null;
  /** The rail that is there. */
  readonly railV: number;
}

/** A kind that can do what is wished, with what it asks. */
export interface KindOption {
  readonly id: string;
  readonly name: string;
  /** Lights in all. */
  readonly lights: number;
  /** Of a controller; 0 where a switch will do. */
  readonly pins: number;
  /** All at full. */
  readonly worstA: number;
  /** As it mostly is. */
  readonly usualA: number;
  /** To be soldered. */
  readonly joints: number;
  readonly cost: number;
  /** Behind the sheet for an even glow; else of the lights themselves. */
  readonly depthMm: number;
  /** What it does less well than wished; the fewer, the higher it stands. */
  readonly misses: readonly Message[];
  /** Puts it into the plan. */
  readonly add: (design: Design, newId: () => string) => readonly Edit[];
}

/** A kind that can’t, and why. */
export interface KindExcluded {
  readonly id: string;
  readonly name: string;
  readonly reason: Message;
}

/** What a kind makes of a wish. */
export type Judged = KindOption | KindExcluded;

/** Whether a kind can do what is wished. */
export const isPossible = (judged: Judged): judged is KindOption => !('reason' in judged);
