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

/** Of the most that a source gives, a converter that asks for more than this share is near the edge. */
const NEAR_COLLAPSE_SHARE = 0.7;

/** A converter that asks for nearly all that there is; null where it does not. Wherever it is asked about. */
export function tellNearCollapse({
  name,
  openV,
  sourceOhm,
  askedW,
}: AskedTooMuch & { readonly askedW: number }): Told | null {
  const mostW = openV ** 2 / (4 * sourceOhm);
  if (askedW <= NEAR_COLLAPSE_SHARE * mostW) return null;
  return {
    rule: 'near-collapse',
    gravity: 'mend',
    actual: { kind: 'powerW', value: askedW },
    limit: { kind: 'powerW', value: NEAR_COLLAPSE_SHARE * mostW },
    what: say`${name} asks for ${watts(askedW)} of the ${watts(mostW)} that a source of ${volts(openV)} and ${ohms(sourceOhm)} gives at most`,
    why: 'A little less charge, a little more cold or an older cell tips it over: then the voltage collapses.',
    mend: 'Keep below two thirds of the most that it gives: a cell of less resistance, two side by side, or less output.',
  };
}
