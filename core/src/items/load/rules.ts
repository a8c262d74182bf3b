import { findPart, type LoadPart } from '../../parts/index.ts';
import { type Finding, named } from '../finding.ts';
import type { ItemRule } from '../rules.ts';
import type { LoadItem } from '../types.ts';

/** A load that hangs on a pin itself: a pin gives some milliamperes, and only starts what has an input for it. */
export const loadWayRule: ItemRule<LoadItem> = (item, { channels: [first], library, switchAll }) => {
  const part = findPart(library, 'load', item.part);
  // One that is led by pulses is told by its input; switched in its lead it hears none.
  const isLed = part?.input === 'pulses' && !first?.isByTransistor;
  const findings = part?.what === 'servo' && first?.isByPin && !isLed ? [servo(item, part, switchAll)] : [];
  if (!first?.isByPin || first.isByTransistor || part?.input !== undefined) return findings;
  return [
    {
      ...named('load-way', item.id),
      gravity: 'stop',
      stage: 'drive',
      aboutId: item.id,
      what: `${item.name} is to be switched by ${first.words}`,
      why: 'A pin gives some milliamperes: a load there pulls it down, and takes the controller with it.',
      mend: 'Put a transistor below, or feed it always, by a switch, a gate or a box.',
      fixes: [
        switchAll('A transistor below', { way: 'transistor below', board: null, part: null }),
        switchAll('Feed it always', { way: 'always on' }),
      ],
    },
  ];
};

const servo = (
  { id, name }: LoadItem,
  { input }: LoadPart,
  switchAll: Parameters<ItemRule<LoadItem>>[1]['switchAll'],
): Finding => ({
  ...named('load-servo', id),
  gravity: 'mend',
  stage: 'drive',
  aboutId: id,
  what: `${name} is switched by the program in its lead, where it hears no pulses`,
  why: 'A servo goes where a train of pulses tells it; switched on without them it stays where it is, or twitches.',
  mend:
    input === 'pulses'
      ? 'Feed it always, and lead it by a pin at its own input.'
      : 'Feed it always and give it its pulses from a controller of its own.',
  fixes: [
    input === 'pulses'
      ? switchAll('A pin at its input', { way: 'pin high', board: null })
      : switchAll('Feed it always', { way: 'always on' }),
  ],
});

/** A load by the maker's own figures, whose start nobody has said: a motor's is many times what it runs on. */
export const loadStartRule: ItemRule<LoadItem> = (item, { library }) => {
  const part = findPart(library, 'load', item.part);
  const isTold = item.usualA !== null || item.mostA !== null;
  if (!part || item.startA !== null || !isTold || (part.what !== 'any' && part.what !== 'motor')) return [];
  return [
    {
      ...named('load-start', item.id),
      gravity: 'mind',
      stage: 'power',
      aboutId: item.id,
      what: `${item.name}: what it draws in the first moment is not said`,
      why: 'A motor that starts, or is held fast, takes five to eight times what it runs on: that is what pulls a supply down.',
      mend: 'Hold it fast for a second with the meter on the 10 A range, and write that down; a resistor or a lamp has no such start: then write what it draws.',
      fixes: [],
    },
  ];
};
