import type { Told } from '../items/index.ts';
import { type Message, mm, say } from '../units/index.ts';

/** A tape that is too short for a single light. */
export interface ShortTape {
  /** As it is called. */
  readonly name: Message;
  readonly routeMm: number;
  /** From one cut mark to the next. */
  readonly markMm: number;
}

/** A tape on whose route not one cut mark is reached. */
export const tellNoLight = ({ name, routeMm, markMm }: ShortTape): Told => ({
  rule: 'empty',
  gravity: 'mend',
  what: say`${name} has no light on it: its route is ${mm(routeMm)} long`,
  why: say`The tape is cut only at its marks, every ${mm(markMm)}.`,
  mend: 'Lay its route on the picture, or type its length.',
});
