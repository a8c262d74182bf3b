/** What could light this: the kinds that can do what is wished, in their order, and those that can’t, with the reason. */

import { judgeOthers } from './others.ts';
import { judgeSingles } from './singles.ts';
import { judgeTapes } from './tapes.ts';
import { isPossible, type KindExcluded, type KindOption, type Wish } from './wish.ts';

export { powerSchools } from './powerSchools.ts';
export { type School, schools } from './schools.ts';
export type { KindExcluded, KindOption, Wish } from './wish.ts';

/** The kinds for a wish. */
export interface Choice {
  /** Those that can, the best first: the fewest misses, then the fewest joints, then the least money. */
  readonly options: readonly KindOption[];
  /** Those that can’t: never at the end of the list of those that can. */
  readonly excluded: readonly KindExcluded[];
}

/**
 * Which kinds of light can do what is wished, with what each asks of pins, current, joints, money and depth.
 * @example 210 points, each by itself, in any colour, on 0.5 A: pixels, 7.73 A at white, 0.168 A dark, white up to 4.4 %
 */
export function chooseKind(wish: Wish): Choice {
  const judged = [...judgeSingles(wish), ...judgeTapes(wish), ...judgeOthers(wish)];
  return {
    options: judged
      .filter(isPossible)
      .sort((a, b) => a.misses.length - b.misses.length || a.joints - b.joints || a.cost - b.cost),
    excluded: judged.flatMap((each) => (isPossible(each) ? [] : [each])),
  };
}
