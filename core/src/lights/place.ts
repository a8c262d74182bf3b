import { type Item, kindOf, kinds, type PlacedGroup } from '../items/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** What hangs on a data line: each names the one that its data comes from. */
interface OnDataLine {
  readonly id: string;
  readonly after: string | null;
}

/** Items in the order in which the data runs through them, one list per data line. */
export function orderChains<T extends OnDataLine>(items: readonly T[]): T[][] {
  const follow = (item: T): T[] => [item, ...items.filter((next) => next.after === item.id).flatMap(follow)];
  return items.filter((item) => item.after === null).map(follow);
}

const isOnDataLine = (item: Item): item is Extract<Item, OnDataLine> => 'after' in item;

/** All light groups of a design, placed; what hangs on a data line first, in data order. A group whose part is not known is left out. */
export function placeLights({ items }: Pick<Design, 'items'>, library: Library): PlacedGroup[] {
  const place = (item: Item, firstIndex: number): PlacedGroup | null =>
    kindOf(item.kind).light?.place(item, library, firstIndex) ?? null;
  const onLines = orderChains(items.filter(isOnDataLine)).flatMap((chain) => {
    let index = 0;
    return chain.flatMap((item) => {
      const group = place(item, index);
      if (group && 'cut' in group) index += group.cut.lights;
      return group ?? [];
    });
  });
  const others = kinds
    .filter((each) => each.light)
    .flatMap(({ kind }) =>
      items.filter((item) => item.kind === kind && !isOnDataLine(item)).flatMap((item) => place(item, 0) ?? []),
    );
  return [...onLines, ...others];
}
