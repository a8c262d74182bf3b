import type { Assessment } from '../assess.ts';
import { itemsOf } from '../items/index.ts';
import type { Switched } from '../network/index.ts';
import { findPart } from '../parts/index.ts';
import type { Design, Item } from '../plan/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';

/** Whatever draws amperes of its own, whatever its voltage: other loads, light gates, drivers, boxes. */
export function drawLoads(sketch: Sketch, design: Design, assessment: Assessment, conditions: Conditions): void {
  for (const item of itemsOf(design, 'light gate', 'driver', 'box')) drawSwitcher(sketch, item, assessment, conditions);
  for (const item of itemsOf(design, 'load')) drawLoad(sketch, item, assessment, conditions);
}

/** What switches lights without a board: its own draw, and what closes its outputs to minus. */
function drawSwitcher(
  sketch: Sketch,
  item: Extract<Item, { kind: 'light gate' | 'driver' | 'box' }>,
  { consumers, library }: Assessment,
  conditions: Conditions,
): void {
  const { id } = item;
  const consumer = consumers.find((each) => each.id === id);
  const [plus, minus] = [sketch.at(id, 'plus in'), sketch.at(id, 'minus')];
  if (consumer && conditions.isLive(consumer.railId))
    sketch.add(id, { kind: 'current', name: `${id}: its own`, from: plus, to: minus, amps: consumer.restA, leastV: 0 });
  const close = (name: string, ohm: number): void =>
    sketch.add(id, { kind: 'resistor', name: `${id}: ${name}`, a: sketch.at(id, name), b: minus, ohm });
  if (item.kind === 'light gate') close('out', findPart(library, 'transistor', item.part)?.onOhm ?? 0);
  const box = item.kind === 'box' ? findPart(library, 'box', item.part) : undefined;
  for (let output = 1; output <= (box?.outputs ?? 0); output += 1) close(`output ${output}`, box?.onOhm ?? 0);
}

/** Any other load: what it usually draws, or its most while a mood is at its height. */
function drawLoad(
  sketch: Sketch,
  { id }: Extract<Item, { kind: 'load' }>,
  { consumers, switched }: Assessment,
  { condition, isLive }: Conditions,
): void {
  const consumer = consumers.find((each) => each.id === id);
  if (!consumer || !isLive(consumer.railId)) return;
  const amps = consumer.restA + (condition.moodId === null ? consumer.steadyA : consumer.steadyPeakA);
  const [plus, minus] = [sketch.at(id, 'plus'), sketch.at(id, 'minus')];
  sketch.add(id, { kind: 'current', name: `${id}: load`, from: plus, to: minus, amps, leastV: 0 });
  const [first] = switched.get(id) ?? [];
  // A driver that nothing holds to its current lets a load have what it asks.
  if (first?.way.id === 'driver' && first.by) {
    sketch.join(sketch.at(first.by.id, 'out plus'), sketch.at(first.by.id, 'plus in'));
    sketch.join(sketch.at(first.by.id, 'out minus'), sketch.at(first.by.id, 'minus'));
  }
  if (first?.board) sketch.join(sketch.at(`channel:${id}:1`, 'out'), farOf(sketch, first, first.board.id));
}

/** What a load's channel leads to while it is on: the pin's level, or the far leg of its transistor. */
function farOf(sketch: Sketch, { itemId, way }: Switched, boardId: string): string {
  if (way.throughPin !== 'not') return sketch.at(boardId, way.isLitLow ? 'minus' : 'chip plus');
  return sketch.at(`channel:${itemId}:1`, way.transistor === 'low' ? 'minus' : 'plus');
}
