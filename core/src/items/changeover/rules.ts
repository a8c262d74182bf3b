import { findPart } from '../../parts/index.ts';
import { named } from '../finding.ts';
import type { ItemRule } from '../rules.ts';
import type { ChangeoverItem } from '../types.ts';

/** A changeover without its second feed, with twice the same one, or with a switch that only breaks. */
export const changeoverRule: ItemRule<ChangeoverItem> = (item, { library, set }) => {
  const base = { stage: 'power', aboutId: item.id } as const;
  if (item.other === null || item.other === item.feed)
    return [
      {
        ...base,
        ...named('changeover-one', item.id),
        gravity: 'mend',
        what:
          item.other === null
            ? `${item.name} has one feed: its second is not chosen`
            : `Both feeds of ${item.name} are the same`,
        why: 'It does nothing until there are two to choose from.',
        mend: 'Add an outside supply and name it here, or take the changeover out.',
        fixes: [],
      },
    ];
  const part = item.by === 'switch' ? findPart(library, 'switch', item.part) : undefined;
  if (!part || part.throws === 2) return [];
  return [
    {
      ...base,
      ...named('changeover-part', item.id),
      gravity: 'stop',
      what: `${item.name} is a switch with one throw (${part.name})`,
      why: 'It can only break a lead: the two feeds would be joined, and one would push into the other.',
      mend: 'Take a switch with two throws, that leaves the one before it reaches the other.',
      fixes: [set('Take one with two throws', { part: 'switch-changeover-3a' })],
    },
  ];
};
