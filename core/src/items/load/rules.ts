import { named } from '../finding.ts';
import type { ItemRule } from '../rules.ts';
import type { LoadItem } from '../types.ts';

/** A load that a pin should switch: moods can't do that yet, so it would hang on nothing. */
export const loadWayRule: ItemRule<LoadItem> = (item, { channels: [first], switchAll }) => {
  if (!first?.isByPin) return [];
  return [
    {
      ...named('load-way', item.id),
      gravity: 'stop',
      stage: 'drive',
      aboutId: item.id,
      what: `${item.name} is to be switched by ${first.words}`,
      why: 'Programs light lights; a load on a pin would neither be started nor stopped.',
      mend: 'Feed it always, or by a switch, a gate or a box.',
      fixes: [switchAll('Feed it always', { way: 'always on' })],
    },
  ];
};
