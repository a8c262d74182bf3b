import type { Assessment } from '../assess.ts';
import { boardOf } from '../network/index.ts';
import { controlsOf, type Design } from '../plan/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';

/**
 * What controls draw all day: modules and dividers on the chip's supply where their board takes it in, the divider of a
 * charge sense from its pack.
 */
export function drawControls(
  sketch: Sketch,
  design: Pick<Design, 'items'>,
  { boards, consumers, sensing }: Assessment,
  { isLive }: Conditions,
): void {
  for (const control of controlsOf(design)) {
    const consumer = consumers.find(({ id }) => id === control.id);
    const board = boardOf(boards, control.board);
    if (!consumer || !board || !isLive(consumer.railId)) continue;
    const read = sensing.find((each) => each.control.id === control.id);
    const from = read?.kind === 'charge' ? sketch.at(read.pack.id, 'plus') : sketch.at(board.id, 'plus in');
    const to = read?.kind === 'charge' ? sketch.at(read.pack.id, 'minus') : sketch.at(board.id, 'minus');
    const name = `${control.id}: all day`;
    sketch.add(control.id, { kind: 'current', name, from, to, amps: consumer.restA, leastV: 0 });
  }
}
