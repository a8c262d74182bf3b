import { type Fields, kindOf, type RuledChannel } from '../items/index.ts';
import type { Switched } from '../network/index.ts';
import { changeItem, changeWay } from '../plan/index.ts';
import type { Message } from '../units/index.ts';
import type { Rule } from './finding.ts';

const ruledChannel = ({ channel, railId, by, way }: Switched): RuledChannel => ({
  channel,
  railId,
  byId: by?.id ?? null,
  words: way.words,
  isByPin: way.pin !== 'none',
  isByTransistor: way.transistor !== null,
  plusSide: way.plusSide === 'rail plus' ? 'rail' : way.plusSide === 'channel' ? 'channel' : 'by',
});

/** What each kind finds of its own items. */
export const itemRules: Rule = ({ design, assessment, library }) =>
  design.items.flatMap((item) => {
    const { rules } = kindOf(item.kind);
    if (!rules) return [];
    const railId = assessment.rails.feedOf(item);
    const ruled = {
      library,
      piece: design.piece,
      range: railId === null ? null : (assessment.rails.byId.get(railId)?.range ?? null),
      channels: (assessment.switched.get(item.id) ?? []).map(ruledChannel),
      hasBoards: assessment.boards.length > 0,
      set: (label: Message, fields: Fields) => ({
        label,
        edits: changeItem(design, item.id, fields),
      }),
      switchAll: (label: Message, way: Parameters<typeof changeWay>[2]) => ({
        label,
        edits: changeWay(design, item.id, way),
      }),
    };
    return rules.flatMap((rule) => rule(item, ruled));
  });
