import type { Assessment } from '../assess.ts';
import { kindOf } from '../items/index.ts';
import type { Rail } from '../network/index.ts';
import { findPart, type Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** What a hand changes about who feeds whom: a switch in a lead, a changeover, a plug, a charger. */
export interface Lever {
  /** Of the item. */
  readonly id: string;
  readonly name: string;
  readonly kind: 'switch' | 'changeover' | 'plug' | 'charger';
  /** All contacts that it moves: its own, and further poles. */
  readonly ids: readonly string[];
  /** Its two positions in words, the one at rest first. */
  readonly positions: readonly [string, string];
}

/** A lever each of whose positions is tried doubles the states: so many at most are tried one by one. */
export const MOST_LEVERS = 10;

function leverOfRail(
  { id, name, gives, fromId }: Rail,
  library: Library,
  nameOf: (railId: string | null) => string,
): Lever[] {
  if (gives.form === 'contact') {
    const isHeld = findPart(library, 'switch', gives.item.part)?.momentary === true;
    return [{ id, name, ids: [id], kind: 'switch', positions: isHeld ? ['let go', 'held'] : ['open', 'closed'] }];
  }
  if (gives.form !== 'changeover' || gives.item.by !== 'switch' || gives.item.other === null) return [];
  return [
    { id, name, ids: [id], kind: 'changeover', positions: [`on ${nameOf(fromId)}`, `on ${nameOf(gives.item.other)}`] },
  ];
}

/**
 * The levers of a plan, in its order. A source is one where another may feed the same rail, and a charger where its lead
 * is in the piece: an unplugged pack by itself just leaves everything dark.
 */
export function listLevers(design: Pick<Design, 'items'>, assessment: Assessment): readonly Lever[] {
  const { rails, joins, library } = assessment;
  const nameOf = (id: string | null): string => (id === null ? 'nothing' : (rails.byId.get(id)?.name ?? 'nothing'));
  const sourceOf = (id: string | null): string | null => (id === null ? null : (rails.byId.get(id)?.sourceId ?? null));
  const meeting = new Set(
    rails.list.flatMap(({ gives, fromId }) =>
      gives.form === 'changeover' && gives.item.other !== null ? [sourceOf(fromId), sourceOf(gives.item.other)] : [],
    ),
  );
  const polesOf = (id: string): string[] =>
    rails.list.flatMap(({ id: pole, gives }) => (gives.form === 'contact' && gives.item.with === id ? [pole] : []));
  const levers = design.items.flatMap((item): Lever[] => {
    const { id, name } = item;
    const rail = rails.byId.get(id);
    if (rail?.gives.form === 'contact' && rail.gives.item.with) return [];
    const { role } = kindOf(item.kind);
    if (rail && role !== 'source') return leverOfRail(rail, library, nameOf);
    if (role === 'source')
      return meeting.has(id) ? [{ id, name, ids: [id], kind: 'plug', positions: ['in', 'out'] }] : [];
    return role === 'charges' && joins.some((run) => run.id === `lead:${id}`)
      ? [{ id, name, ids: [id], kind: 'charger', positions: ['away', 'joined'] }]
      : [];
  });
  return levers.map((lever) => ({ ...lever, ids: [lever.id, ...polesOf(lever.id)] }));
}
