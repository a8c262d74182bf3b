import { converterTakesA } from '../items/index.ts';
import type { Rail, Rails } from '../network/index.ts';

/**
 * What is drawn from a rail, by its own amperes: what hangs on it, and what the rails that are made of it take in, each
 * converter at its nominal voltages.
 * @param ownA what hangs on a rail itself
 * @param passes whether a rail takes in anything: not behind an open switch
 */
export function drawnFrom(
  rail: Rail,
  rails: Rails,
  ownA: (railId: string) => number,
  passes: (rail: Rail) => boolean = () => true,
): number {
  return rails.list
    .filter((each) => each.fromId === rail.id && passes(each))
    .reduce((sum, made) => {
      const { gives } = made;
      const outA = drawnFrom(made, rails, ownA, passes);
      if (gives.form !== 'converter' || !gives.part) return sum + outA;
      return sum + converterTakesA(gives.part, outA, rail.range?.nominalV ?? gives.part.outputV);
    }, ownA(rail.id));
}
