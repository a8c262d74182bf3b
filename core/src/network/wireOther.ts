import { type Item, kindOf } from '../items/index.ts';
import type { CoreDraft } from './runs.ts';
import { endAt, port, type Wiring } from './wiring.ts';

/** The lead of a second feed to where it meets the first: both its cores, where the two share their minus. */
export function wireOther(wiring: Wiring, item: Item): void {
  const { feeding } = kindOf(item.kind);
  const other = feeding?.other?.(item);
  const giver = other?.railId == null ? undefined : wiring.item(other.railId);
  if (!feeding || !other || other.railId === null || !giver) return;
  const plus = wiring.plus(other.railId, port(item.id, other.plus));
  const minus: CoreDraft | null =
    feeding.ports.minus !== null && wiring.names.minus(other.railId) === wiring.names.minus(item.id)
      ? wiring.minus(other.railId, port(item.id, feeding.ports.minus))
      : null;
  wiring.add({
    id: `other:${item.id}`,
    name: `${giver.name} to ${item.name}`,
    from: endAt(giver),
    to: endAt(item),
    cores: minus ? [plus, minus] : [plus],
    carries: { kind: 'node', railId: item.id, fromId: other.railId },
  });
}
