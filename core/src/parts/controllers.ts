import { boardFacts } from './boardFacts.ts';
import { typical } from './figure.ts';
import type { ControllerPart } from './kinds.ts';

/** Controllers by what they can do; limits typical of the kind. */
export const controllers: readonly ControllerPart[] = boardFacts.map(({ rank: _rank, drawA, ...facts }) => ({
  kind: 'controller',
  ...facts,
  drawA: typical(drawA.likely, drawA.spread),
}));
