import { solveSideBySide, solveString } from '../circuit/index.ts';
import type { Driven } from './driven.ts';

/** What one resistor in the leg that dice share would do instead of one for each die. */
export interface InCommonLeg {
  /** The greatest of those that they have: less would be too much for one of them. */
  readonly resistorOhm: number;
  /** Each die lit alone. */
  readonly aloneA: readonly number[];
  /** Each die with all of them lit. */
  readonly togetherA: readonly number[];
}

/** The dice of one light with a single resistor in the leg that they share; null where they are not dice of one. */
export function inCommonLeg(dice: readonly Driven[]): InCommonLeg | null {
  const [first] = dice;
  if (!first || dice.some((each) => each.die === null || each.resistor === null)) return null;
  const resistorOhm = Math.max(...dice.map((each) => each.resistor?.resistorOhm ?? 0));
  const { nominalV, dropV } = first.feed;
  const lit = { supplyV: nominalV, resistanceOhm: resistorOhm, switchDropV: dropV };
  return {
    resistorOhm,
    aloneA: dice.map(({ loop }) => solveString({ ...lit, curve: loop.curve })),
    togetherA: solveSideBySide({
      ...lit,
      sorts: dice.map(({ loop }) => ({ curve: loop.curve, count: 1, strings: 1 })),
    }),
  };
}
