import { aloneOnIt, type Hung } from '../drive/index.ts';
import type { PlacedLeds } from '../items/index.ts';
import { isProgrammed, type Way } from './ways.ts';

/** The lights of a channel that share one resistor, by their numbers from 0: string by string, each from plus to minus. */
export interface OnResistor {
  /** The place of its first light, by which the resistor is named. */
  readonly placeId: string;
  readonly strings: readonly (readonly number[])[];
}

/** How the lights of a group hang on their resistors. */
export const hungOf = ({ part, group }: Pick<PlacedLeds, 'part' | 'group'>): Hung =>
  // Dice that share a leg have each a resistor of their own: one for all would leave the light to the lowest drop.
  part.dice ? aloneOnIt : { inSeries: group.inSeries ?? 1, sideBySide: group.sideBySide ?? 1 };

/** Whether its lights have their resistor inside and the maker adds none. */
export const isResistorInside = ({ part, group }: Pick<PlacedLeds, 'part' | 'group'>): boolean =>
  (part.insideOhm ?? 0) > 0 && group.resistorOhm === null;

/** Channels by which the lights of a group are really apart: what no board drives hangs on one, but on a driver. */
export const channelsApart = (way: Way, channels: number): number =>
  isProgrammed(way) || way.id === 'driver' ? channels : 1;

const chunk = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size));

/**
 * The lights of one channel as they are strung, in their order: so many one behind the other, so many strings on a
 * resistor. What is left over makes a shorter string, or fewer strings.
 * @param channel from 0; light i is on channel i mod `channels`
 * @example 6 lights on 1 channel, 3 in series, 2 side by side: one resistor with strings 0 1 2 and 3 4 5
 */
export function stringsOf(
  places: readonly { readonly id: string }[],
  { inSeries, sideBySide }: Hung,
  channel: number,
  channels: number,
): readonly OnResistor[] {
  const own = places.flatMap((_, i) => (i % channels === channel ? [i] : []));
  return chunk(chunk(own, inSeries), sideBySide).map((strings) => ({
    placeId: places[strings[0]?.[0] ?? 0]?.id ?? '',
    strings,
  }));
}

/** Whether every channel’s lights make whole strings, and as many on each resistor. */
export const isEven = (lightsOnChannel: readonly number[], { inSeries, sideBySide }: Hung): boolean =>
  lightsOnChannel.every((lights) => lights % (inSeries * sideBySide) === 0);
