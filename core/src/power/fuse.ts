import { fuseRatingsA } from '../parts/index.ts';
import { defineFormula } from '../units/index.ts';

/** Least rating of a fuse. @example 2 A steady: 2.5 A */
export const fuseBand = defineFormula({
  name: 'Fuse, least',
  gives: { meaning: 'least rating', kind: 'currentA' },
  symbols: { I: { meaning: 'steady current', kind: 'currentA' } },
  form: '{F} = 1.25 · {I}',
  source: 'a fuse carries four fifths of its rating for good; above twice the steady current it guards little',
  reckon: ({ I }) => 1.25 * I,
});

/** A fuse above so many times the steady current guards little. */
export const fuseMostTimes = 2;

/**
 * The fuses that suit: from 1.25 to 2 times the steady current, or the first that is sold above that; never above what wire,
 * plug and switch carry.
 * @example 0.21 A: 0.26 to 0.41 A are not sold, 0.5 A suits
 */
export function chooseFuse(
  steadyA: number,
  weakestA: number,
): { readonly leastA: number; readonly mostA: number; readonly bestA: number | null } {
  const leastA = fuseBand.reckon({ I: steadyA });
  const firstA = fuseRatingsA.find((rating) => rating >= leastA - 1e-9) ?? null;
  const mostA = Math.min(Math.max(fuseMostTimes * steadyA, firstA ?? 0), weakestA);
  return { leastA, mostA, bestA: firstA !== null && firstA <= mostA + 1e-9 ? firstA : null };
}
