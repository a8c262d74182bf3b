import { type Item, kindOf } from '../items/index.ts';
import type { Design } from './types.ts';

/** A copy stands so far aside, so that both can be taken hold of. */
const ASIDE_MM = 10;

type Point = { readonly xMm: number; readonly yMm: number };

const aside = ({ xMm, yMm }: Point): Point => ({ xMm: xMm + ASIDE_MM, yMm: yMm + ASIDE_MM });

/** The first number that makes a name that nothing else has. @example "Eyes" beside "Eyes copy": "Eyes copy 2" */
function freeName(name: string, design: Design): string {
  const taken = new Set(design.items.map((item) => item.name));
  const base = `${name.replace(/ copy( \d+)?$/, '')} copy`;
  for (let n = 1; ; n += 1) {
    const tried = n === 1 ? base : `${base} ${n}`;
    if (!taken.has(tried)) return tried;
  }
}

/**
 * The design with a copy of an item right behind it: aside on the picture, with ids of its own, a data line of its own, and
 * moved in every mood as the first is. The same design where there is none of this id.
 * @param newId gives ids that nothing else has
 */
export function copyItem(
  design: Design,
  id: string,
  newId: () => string,
): { readonly design: Design; readonly id: string | null } {
  const at = design.items.findIndex((item) => item.id === id);
  const item = design.items[at];
  if (!item) return { design, id: null };
  const copyId = newId();
  const copy = {
    ...item,
    id: copyId,
    name: freeName(item.name, design),
    ...('at' in item ? { at: aside(item.at) } : {}),
    ...('route' in item ? { route: item.route.map(aside) } : {}),
    ...('after' in item ? { after: null } : {}),
    ...('places' in item
      ? { places: item.places.map((place) => ({ ...place, id: newId(), at: aside(place.at), hollowId: null })) }
      : {}),
    ...('ends' in item
      ? { ends: item.ends.map((end) => ({ ...end, id: newId(), at: aside(end.at), hollowId: null })) }
      : {}),
  } as Item;
  const withMove = <T extends { readonly moves: Readonly<Record<string, unknown>> }>(holder: T): T =>
    Object.hasOwn(holder.moves, id) ? { ...holder, moves: { ...holder.moves, [copyId]: holder.moves[id] } } : holder;
  const moods =
    kindOf(item.kind).role === 'light' ? { ...design.moods, list: design.moods.list.map(withMove) } : design.moods;
  return {
    design: { ...design, moods, items: [...design.items.slice(0, at + 1), copy, ...design.items.slice(at + 1)] },
    id: copyId,
  };
}
