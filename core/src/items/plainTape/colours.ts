import type { PlainTapePart } from '../../parts/index.ts';

const coloursByCount: Readonly<Record<number, readonly string[]>> = {
  1: ['white'],
  3: ['red', 'green', 'blue'],
  4: ['red', 'green', 'blue', 'white'],
};

/** Names of the colours of a plain tape, in the order of its cores. */
export const coloursOfTape = (part: Pick<PlainTapePart, 'colours'>): readonly string[] =>
  coloursByCount[part.colours] ?? ['white'];
