import type { Told } from '../items/index.ts';
import { FADED_SHARE } from '../network/index.ts';
import { amps, type Message, say, volts } from '../units/index.ts';

/** Lights in a string on a resistor, at the usual voltage of their supply and once it is spent. */
interface FadingString {
  /** As they are called. */
  readonly name: Message;
  readonly inSeries: number;
  readonly nominalV: number;
  readonly currentA: number;
  readonly spentV: number;
  readonly spentA: number;
  /** The longest shorter one that stays steady; null where there is none. */
  readonly shorter: number | null;
}

/** A string that fades to less than half as its supply is spent; null where it does not. Wherever it is asked about. */
export function tellFading({ name, inSeries, nominalV, currentA, spentV, spentA, shorter }: FadingString): Told | null {
  const least = FADED_SHARE * currentA;
  if (spentA >= least) return null;
  return {
    rule: 'string-fades',
    // Of one light by itself nothing can be taken away: that it fades is for the maker to know.
    gravity: inSeries === 1 ? 'mind' : 'mend',
    actual: { kind: 'currentA', value: spentA },
    limit: { kind: 'currentA', value: least },
    what: say`${name} fades with the pack: ${amps(currentA)} at ${volts(nominalV)}, ${amps(spentA)} at ${volts(spentV)}`,
    why:
      inSeries === 1
        ? 'Little is left for its resistor, so most of every fall of the pack is seen in the light.'
        : 'The longer the string, the less is left for the resistor, and the more of every fall of the pack is seen in the light.',
    mend:
      shorter === null
        ? 'Feed it from a higher rail, or let a constant-current driver hold it.'
        : say`Take ${shorter} in a string: a quarter or more of the voltage should be left for the resistor.`,
  };
}
