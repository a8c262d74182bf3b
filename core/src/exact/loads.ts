import type { Assessment } from '../assess.ts';
import type { Switched } from '../network/index.ts';
import type { Sketch } from './nodes.ts';

/** Closes the channels on which loads hang: lights close theirs themselves, since they know how far they are lit. */
export function closeLoads(sketch: Sketch, { placed, switched }: Assessment): void {
  const lit = new Set(placed.map(({ id }) => id));
  for (const [id, [first]] of switched) if (first && !lit.has(id)) closeLoad(sketch, first);
}

function closeLoad(sketch: Sketch, { itemId, way, by, board }: Switched): void {
  // A driver that nothing holds to its current lets a load have what it asks.
  if (way.id === 'driver' && by) {
    sketch.join(sketch.at(by.id, 'out plus'), sketch.at(by.id, 'plus in'));
    sketch.join(sketch.at(by.id, 'out minus'), sketch.at(by.id, 'minus'));
  }
  if (!board) return;
  const far =
    way.throughPin === 'not'
      ? sketch.at(`channel:${itemId}:1`, way.transistor === 'low' ? 'minus' : 'plus')
      : sketch.at(board.id, way.isLitLow ? 'minus' : 'chip plus');
  sketch.join(sketch.at(`channel:${itemId}:1`, 'out'), far);
}
