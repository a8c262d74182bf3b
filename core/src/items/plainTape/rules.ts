import { named } from '../finding.ts';
import type { ItemRule } from '../rules.ts';
import type { PlainTapeItem } from '../types.ts';

/** The colours of a plain tape have their plus in common: it can hang on one net alone. */
export const commonPlusRule: ItemRule<PlainTapeItem> = (item, { channels, hasBoards, switchAll }) => {
  const plusNets = new Set(
    channels.map(({ plusSide, railId, channel, byId }) =>
      plusSide === 'rail' ? `rail ${railId}` : plusSide === 'channel' ? `channel ${channel}` : `${byId}`,
    ),
  );
  if (channels.length < 2 || plusNets.size < 2) return [];
  return [
    {
      ...named('common-plus', item.id),
      gravity: 'stop',
      stage: 'lights',
      aboutId: item.id,
      what: `The colours of ${item.name} share one plus, and are to be switched on ${plusNets.size} different ones`,
      why: 'Joined by the tape, the nets short each other: colours light together, or a supply feeds into another.',
      mend: 'Switch every colour below, towards minus, and feed the common plus from one rail.',
      fixes: hasBoards
        ? [
            switchAll('Switch each colour with a transistor below', {
              way: 'transistor below',
              board: null,
              part: null,
            }),
          ]
        : [],
    },
  ];
};
