import { bands, type Item, type PlanPoint } from '../items/index.ts';
import { removeHollow, removeItem, removePlace } from './remove.ts';
import type { Design } from './types.ts';

/** Something of a plan that stands on the picture at a place of its own. */
export type Spot =
  | { readonly of: 'hollow'; readonly id: string }
  | { readonly of: 'item'; readonly id: string }
  /** A light of a group, a hole of a guide: by the id of its place. */
  | { readonly of: 'light'; readonly id: string; readonly part: string }
  | { readonly of: 'hole'; readonly id: string; readonly part: string }
  /** A corner of a route, by its number from 0. */
  | { readonly of: 'corner'; readonly id: string; readonly part: number };

/** A name of a spot, the same whenever it is the same spot. */
export const keyOfSpot = (spot: Spot): string => [spot.of, spot.id, ...('part' in spot ? [spot.part] : [])].join(' ');

/** Every place of an item, by the spot that it is. */
function* placesOf(item: Item): Generator<readonly [Spot, PlanPoint]> {
  if ('at' in item) yield [{ of: 'item', id: item.id }, item.at];
  if ('route' in item) for (const [part, at] of item.route.entries()) yield [{ of: 'corner', id: item.id, part }, at];
  if ('places' in item) for (const { id, at } of item.places) yield [{ of: 'light', id: item.id, part: id }, at];
  if ('ends' in item) for (const { id, at } of item.ends) yield [{ of: 'hole', id: item.id, part: id }, at];
}

/** Where those of these spots are that are there. */
export function placesOfSpots({ hollows, items }: Design, spots: readonly Spot[]): readonly PlanPoint[] {
  const wanted = new Set(spots.map(keyOfSpot));
  const all: (readonly [Spot, PlanPoint])[] = [
    ...hollows.map(({ id, at }) => [{ of: 'hollow', id }, at] as const),
    ...items.flatMap((item) => [...placesOf(item)]),
  ];
  return all.filter(([spot]) => wanted.has(keyOfSpot(spot))).map(([, at]) => at);
}

const tenth = (value: number): number => Math.round(value * 10) / 10;

/** As much of a way as leaves all of these places within the bands of a plan. */
function withinBands(places: readonly PlanPoint[], by: PlanPoint): PlanPoint {
  const along = (axis: keyof PlanPoint): number => {
    const all = places.map((place) => place[axis]);
    return Math.min(bands.placeMm.most - Math.max(...all), Math.max(bands.placeMm.least - Math.min(...all), by[axis]));
  };
  return { xMm: along('xMm'), yMm: along('yMm') };
}

/**
 * The design with these spots moved, all by the same way and no farther than the outermost of them can go.
 * @param by millimetres to the right and down
 */
export function shiftSpots(design: Design, spots: readonly Spot[], by: PlanPoint): Design {
  const places = placesOfSpots(design, spots);
  if (places.length === 0) return design;
  const way = withinBands(places, by);
  const wanted = new Set(spots.map(keyOfSpot));
  const moved = (spot: Spot, { xMm, yMm }: PlanPoint): PlanPoint =>
    wanted.has(keyOfSpot(spot)) ? { xMm: tenth(xMm + way.xMm), yMm: tenth(yMm + way.yMm) } : { xMm, yMm };
  const ids = new Set(spots.map(({ id }) => id));
  const moveItem = <T extends Item>(item: T): T => {
    const { id } = item;
    return {
      ...item,
      ...('at' in item && { at: moved({ of: 'item', id }, item.at) }),
      ...('route' in item && { route: item.route.map((at, part) => moved({ of: 'corner', id, part }, at)) }),
      ...('places' in item && {
        places: item.places.map((place) => ({ ...place, at: moved({ of: 'light', id, part: place.id }, place.at) })),
      }),
      ...('ends' in item && {
        ends: item.ends.map((end) => ({ ...end, at: moved({ of: 'hole', id, part: end.id }, end.at) })),
      }),
    };
  };
  return {
    ...design,
    hollows: design.hollows.map((hollow) =>
      ids.has(hollow.id) ? { ...hollow, at: moved({ of: 'hollow', id: hollow.id }, hollow.at) } : hollow,
    ),
    items: design.items.map((item) => (ids.has(item.id) ? moveItem(item) : item)),
  };
}

/** The design without these spots: a group whose last light goes, goes with it, and so does a route of one corner. */
export function removeSpots(design: Design, spots: readonly Spot[]): Design {
  const corners = new Map<string, Set<number>>();
  let left = design;
  for (const spot of spots) {
    if (spot.of === 'hollow') left = removeHollow(left, spot.id);
    else if (spot.of === 'item') left = removeItem(left, spot.id);
    else if (spot.of === 'light') left = removePlace(left, spot.id, spot.part);
    else if (spot.of === 'corner') corners.set(spot.id, (corners.get(spot.id) ?? new Set()).add(spot.part));
    else
      left = {
        ...left,
        items: left.items.map((item) =>
          item.id === spot.id && 'ends' in item
            ? { ...item, ends: item.ends.filter(({ id }) => id !== spot.part) }
            : item,
        ),
      };
  }
  left = {
    ...left,
    items: left.items.map((item) =>
      'route' in item ? { ...item, route: item.route.filter((_, i) => !corners.get(item.id)?.has(i)) } : item,
    ),
  };
  const touched = new Set(spots.map(({ id }) => id));
  const isEmpty = (item: Item): boolean =>
    touched.has(item.id) &&
    (('places' in item && item.places.length === 0) ||
      ('ends' in item && item.ends.length === 0) ||
      ('route' in item && item.route.length < 2));
  return left.items.filter(isEmpty).reduce((open, { id }) => removeItem(open, id), left);
}
