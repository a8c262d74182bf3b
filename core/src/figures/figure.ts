import type { Message, Sum } from '../units/index.ts';

/** How something came about: its parts added up, the sums with their numbers, and where the doubt comes from. */
export interface Explanation {
  readonly title: string;
  /** The figure in words. */
  readonly answer: Message;
  /** One sentence on what it is. */
  readonly lead: Message;
  /** What it is made of. */
  readonly lines: readonly { readonly label: Message; readonly value: Message }[];
  /** Formulas with their numbers. */
  readonly sums: readonly Sum[];
  /** How far it may be off, and why; null where that is said by the figure. */
  readonly doubt: Message | null;
}

/**
 * One of the figures that decide whether a piece works tonight: its value, and how it came about, made in one place.
 * Null = it can't be decided; `needs` says what for.
 */
export interface Figure extends Explanation {
  /** In base units; null where something is still to be decided. */
  readonly likely: number | null;
  /** With the spread of the parts against the maker. */
  readonly cautious: number | null;
  /** What is to be decided first, in words. */
  readonly needs: readonly string[];
  /** It has no end: what it counts goes on. */
  readonly goesOn?: true;
}

/** A figure that waits for something. */
export const undecided = (title: string, needs: readonly string[]): Figure => ({
  title,
  likely: null,
  cautious: null,
  needs,
  answer: 'not decided',
  lead: `This can’t be decided yet: it needs ${needs.join(', ')}.`,
  lines: [],
  sums: [],
  doubt: null,
});
