import type { Assessment } from '../assess.ts';

/** What a rail fills at once, without a converter between, in µF: the reservoirs of the tapes that hang on it. */
export function reservoirsUf(railId: string, known: Pick<Assessment, 'placed' | 'rails'>): number {
  const { placed, rails } = known;
  const own = placed.reduce(
    (sum, group) =>
      group.shape === 'pixels' && rails.feedOf(group.tape) === railId ? sum + (group.tape.reservoirUf ?? 0) : sum,
    0,
  );
  return rails.list
    .filter((each) => each.fromId === railId && each.gives.form === 'contact')
    .reduce((sum, each) => sum + reservoirsUf(each.id, known), own);
}
