import type { Told } from '../items/index.ts';
import { type Message, ohms, say, volts, watts } from '../units/index.ts';

/** A converter whose input falls too low at its height. */
export interface StarvedConverter {
  /** As it is called. */
  readonly name: Message;
  readonly inputV: number;
  /** From which it works. */
  readonly leastV: number;
}

/** A converter that gets less than it works from; null where it gets enough. Wherever it is asked about. */
export function tellInputLow({ name, inputV, leastV }: StarvedConverter): Told | null {
  if (inputV >= leastV) return null;
  return {
    rule: 'input-low',
    gravity: 'stop',
    actual: { kind: 'voltageV', value: inputV },
    limit: { kind: 'voltageV', value: leastV },
    what: say`${volts(inputV)} are left at the input of ${name}; it works from ${volts(leastV)}`,
    why: 'Below that it stops, the cell recovers, and it starts again: the light blinks.',
    mend: 'A higher cell voltage, less resistance on the way, or less output.',
  };
}

/** A source that is asked for more than it has. */
export interface AskedTooMuch {
  /** What asks. */
  readonly name: Message;
  readonly openV: number;
  readonly sourceOhm: number;
}

/** A source that can't give what a converter asks, at any voltage: half its open voltage is where it gives most. */
export const tellCollapse = ({ name, openV, sourceOhm }: AskedTooMuch): Told => ({
  rule: 'collapses',
  gravity: 'stop',
  what: say`It collapses: ${name} asks for more than the ${watts(openV ** 2 / (4 * sourceOhm))} that a source of ${volts(openV)} and ${ohms(sourceOhm)} gives at most`,
  why: 'The more the voltage falls, the more current the converter takes, until it can’t.',
  mend: 'A cell of less resistance, two side by side, or less output.',
});
