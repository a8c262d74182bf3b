import type { Assessment } from '../assess.ts';
import type { LoadDrive, Switched } from '../network/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';
import { drawTransistor } from './switches.ts';

/** Closes the channels on which loads hang: lights close theirs themselves, since they know how far they are lit. */
export function closeLoads(sketch: Sketch, { placed, switched, loads }: Assessment, conditions: Conditions): void {
  const lit = new Set(placed.map(({ id }) => id));
  for (const [id, [first]] of switched) {
    if (!first || lit.has(id)) continue;
    const run = loads.find(({ itemId }) => itemId === id);
    if (run) drawRun(sketch, run, conditions);
    else closeLoad(sketch, first);
  }
}

/** What a program runs: its transistor is on while the load is, and off else. */
function drawRun(sketch: Sketch, { itemId, board, railId, way, transistor }: LoadDrive, conditions: Conditions): void {
  if (way.transistor === null) return;
  const isLit = conditions.shareOf(itemId) > 0 && conditions.isLive(railId);
  const isBelow = way.transistor === 'low';
  drawTransistor(sketch, { itemId, board, isLit, share: 1, isBelow }, transistor, `channel:${itemId}:1`);
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
