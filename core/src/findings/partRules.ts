import { type Finding, kindOf, named } from '../items/index.ts';
import type { Rule } from './finding.ts';

/** A plan that names a part which nobody knows any more: what hangs on it is left out of every figure. */
export const partGoneRule: Rule = ({ design, library }) =>
  design.items.flatMap((item) => {
    const { parts, stage } = kindOf(item.kind);
    return parts(item)
      .filter(({ part, partKind }) => part !== null && library.parts.get(part)?.kind !== partKind)
      .map(
        ({ field, part }): Finding => ({
          ...named('part-gone', item.id, field),
          gravity: 'stop',
          stage,
          aboutId: item.id,
          what: `${item.name} is of a kind that is not known: ${part}`,
          why: 'It is left out of every figure, so that current, fuse and running time can’t be told.',
          mend: 'Choose a kind from the list, or bring in the table of your own parts that holds it.',
          fixes: [],
        }),
      );
  });
