import type { Told } from '../items/index.ts';
import { type Message, say } from '../units/index.ts';

/** What is steered across two supplies that keep their minus to themselves. Wherever it is asked about. */
export const tellMinusApart = (name: Message): Told => ({
  rule: 'minus-apart',
  gravity: 'stop',
  what: say`${name} is steered across two supplies that do not share their minus`,
  why: 'A signal is a voltage against minus: without a common one nothing switches, or the current finds a way through the chip.',
  mend: 'Join the two minuses with a wire.',
});
