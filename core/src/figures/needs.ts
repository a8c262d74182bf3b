import type { Assessment } from '../assess.ts';
import { type Figure, undecided } from './figure.ts';

/** The figure as far as what it needs is missing; null where nothing is. */
export function waiting(
  assessment: Assessment,
  title: string,
  ...kinds: readonly ('current' | 'time')[]
): Figure | null {
  const needs = assessment.needs.filter((need) => kinds.includes(need.for)).map((need) => need.words);
  return needs.length === 0 ? null : undecided(title, needs);
}
