import { type Assessment, fullOf } from '../assess.ts';
import { type Drawing, kindOf } from '../items/index.ts';
import type { Design } from '../plan/index.ts';
import { sourceAt } from '../power/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';

/** What the kinds draw their items with, in one condition. */
export function drawingOf(
  sketch: Sketch,
  design: Pick<Design, 'items'>,
  { library, supplies, consumers, rails, loads }: Assessment,
  { condition, isLive, isThere, takenBy, shareOf }: Conditions,
): Drawing {
  const consumerOf = new Map(consumers.map((consumer) => [consumer.id, consumer]));
  const items = new Map(design.items.map((item) => [item.id, item]));
  return {
    library,
    at: (itemId, port) => sketch.at(itemId, port),
    add: (itemId, ...elements) => sketch.add(itemId, ...elements),
    join: (a, b) => sketch.join(a, b),
    countFrom: (place) => sketch.countFrom(place),
    takenBy,
    isOpen: (switchId) => condition.openIds.includes(switchId),
    isLive: (itemId) => {
      const consumer = consumerOf.get(itemId);
      const item = items.get(itemId);
      return isLive(consumer?.railId ?? rails.byId.get(itemId)?.fromId ?? (item ? rails.feedOf(item) : null));
    },
    sourceOf: (itemId) => {
      const supply = supplies.find((each) => each.rail.id === itemId);
      if (!supply || !isThere(itemId)) return null;
      const { openV, ohm } = sourceAt(supply.tree.source, condition.charge);
      return { openV, ohm: ohm + (supply.tree.nodes[0]?.ohm ?? 0) };
    },
    drawnA: (itemId) => {
      const consumer = consumerOf.get(itemId);
      const item = items.get(itemId);
      if (!consumer || !item) return 0;
      // Other loads are at their most while a mood is at its height.
      // What a program runs draws what it starts with while it runs; its board holds the transistor.
      if (loads.some((each) => each.itemId === itemId))
        return consumer.restA + shareOf(itemId) * (fullOf(consumer, 'peak') - (consumer.byBoard?.fullA ?? 0));
      const isAtHeight = condition.moodId !== null && kindOf(item.kind).role === 'load';
      return consumer.restA + (isAtHeight ? consumer.steadyPeakA : consumer.steadyA);
    },
  };
}
