import type { Told } from '../items/index.ts';
import { type Message, say } from '../units/index.ts';

/** What feeds a piece that it leaves dark, and by what figures. */
export interface FedDark extends Pick<Told, 'actual' | 'limit'> {
  /** What feeds it, as it is called. */
  readonly name: Message;
  /** What gives way; null where it is not known. */
  readonly limitedBy: Message | null;
}

/** Below this not even a glimmer is left of a mood. */
export const NOTHING_LEFT = 0.005;

/** A supply that is spent on the dark piece alone, so that no light is left of any mood. */
export const tellNothingLit = ({ name, limitedBy, actual, limit }: FedDark): Told => ({
  rule: 'nothing-lit',
  gravity: 'stop',
  actual,
  limit,
  what: say`${name} feeds the piece dark, and nothing on top of it: ${limitedBy ?? 'it gives way'}`,
  why: 'With a tenth of the charge in hand the program’s limiter would leave no light at all; without one the piece resets as soon as it lights.',
  mend: 'A stronger pack, a converter, or lights that take less.',
});
