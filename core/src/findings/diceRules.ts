import { type Finding, type Fix, named } from '../items/index.ts';
import { type Board, canSwitch } from '../network/index.ts';
import { changeWay, type Design } from '../plan/index.ts';
import type { Rule } from './finding.ts';

/** Dice that share a leg, switched on the side of that leg, or held as one by a driver. */
export const commonLegRule: Rule = ({ design, assessment }) =>
  assessment.placed.flatMap((group): Finding[] => {
    if (group.shape !== 'lights' || group.part.common === undefined) return [];
    const [first] = assessment.switched.get(group.id) ?? [];
    if (!first || first.way.id === 'undecided') return [];
    const isHeld = first.way.id === 'driver';
    if (canSwitch(first.way, group.part) && !isHeld) return [];
    const { common } = group.part;
    return [
      {
        ...named('common-leg', group.id),
        gravity: 'stop',
        stage: 'drive',
        aboutId: group.id,
        ...(first.way.scans
          ? scanned(group.name)
          : describe(group.name, { common, count: group.part.dice?.length ?? 3 }, isHeld)),
        fixes: switchEach(design, group.id, common, first.board),
      },
    ];
  });

/** Lines that lights share tell a light by its two legs: it has no third. */
const scanned = (name: string): Pick<Finding, 'what' | 'why' | 'mend'> => ({
  what: `${name} has several dice behind one leg, and lights that take turns have one each`,
  why: 'A light is told by its row and its column: dice that share a leg would be lit together.',
  mend: 'Take lights of one colour, or pixels, or switch each colour for itself.',
});

function describe(
  name: string,
  { common, count }: { readonly common: 'plus' | 'minus'; readonly count: number },
  isHeld: boolean,
): Pick<Finding, 'what' | 'why' | 'mend'> {
  const mend =
    common === 'plus'
      ? 'Switch each colour to minus: a pin lit low, or a transistor below.'
      : 'Switch each colour from plus: a pin lit high, or a transistor above.';
  return isHeld
    ? {
        what: `${name} has ${count} dice behind one leg, and one driver can’t share its current out among them`,
        why: 'The die of the lowest drop would take all of it.',
        mend,
      }
    : {
        what: `The dice of ${name} share their ${common}, and it is switched from that side`,
        why: 'Through the leg that they share all are lit and dark together: no colour can be told from the others.',
        mend,
      };
}

function switchEach(design: Design, id: string, common: 'plus' | 'minus', board: Board | null): Fix[] {
  if (!board) return [];
  const way = common === 'plus' ? 'transistor below' : 'transistor above';
  const edits = changeWay(design, id, { way, board: board.id, part: null });
  return [{ label: `A ${way} for each colour`, edits }];
}
