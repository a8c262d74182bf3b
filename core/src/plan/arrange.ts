import { bands, type LightItem, type PlanPoint } from '../items/index.ts';
import { mapItem } from './items.ts';
import { moveOn } from './moveOn.ts';
import { removePlace } from './remove.ts';
import type { Design } from './types.ts';

const lightOf = (design: Design, id: string): LightItem | undefined =>
  design.items.find((item): item is LightItem => 'places' in item && item.id === id);

/** The group with its lights at these places: those there are keep their bores, in their order; new ones lie in none. */
function takePlaces(design: Design, id: string, at: readonly PlanPoint[], newId: () => string): Design {
  const before = lightOf(design, id)?.places ?? [];
  const fewer = before.slice(at.length).reduce((now, place) => removePlace(now, id, place.id), design);
  return mapItem(fewer, id, (item) =>
    'places' in item
      ? { ...item, places: at.map((point, i) => ({ ...(before[i] ?? { id: newId(), hollowId: null }), at: point })) }
      : item,
  );
}

/**
 * Light groups laid out along the same places by turns: the first place is the first group’s, the next the second’s, and
 * round again. What was overruled of the wires to a light that is gone goes with it.
 */
export function layInTurn(
  design: Design,
  ids: readonly string[],
  at: readonly PlanPoint[],
  newId: () => string,
): Design {
  return ids.reduce(
    (now, id, turn) =>
      takePlaces(
        now,
        id,
        at.filter((_, i) => i % ids.length === turn),
        newId,
      ),
    design,
  );
}

/** How all lights of a group are moved as one: turned about its middle, mirrored across it, then shifted. */
export interface Shift {
  /** Against the clock as seen. */
  readonly turnDeg: number;
  readonly mirrored: boolean;
  readonly byMm: PlanPoint;
}

/** The mean of places: it stays where it is however they are turned about it. */
function middleOf(places: readonly PlanPoint[]): PlanPoint {
  const mean = (of: (place: PlanPoint) => number): number =>
    places.reduce((sum, place) => sum + of(place), 0) / Math.max(1, places.length);
  return { xMm: mean(({ xMm }) => xMm), yMm: mean(({ yMm }) => yMm) };
}

/** Places turned, mirrored and shifted about a middle. */
function shiftPlaces(places: readonly PlanPoint[], { turnDeg, mirrored, byMm }: Shift): PlanPoint[] {
  const middle = middleOf(places);
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  return places.map(({ xMm, yMm }) => {
    const [x, y] = [(xMm - middle.xMm) * (mirrored ? -1 : 1), yMm - middle.yMm];
    return { xMm: middle.xMm + x * cos + y * sin + byMm.xMm, yMm: middle.yMm - x * sin + y * cos + byMm.yMm };
  });
}

/** Whether a plan can hold all of these places. */
export const canHold = (places: readonly PlanPoint[]): boolean =>
  places.every(({ xMm, yMm }) => [xMm, yMm].every((mm) => mm >= bands.placeMm.least && mm <= bands.placeMm.most));

/** Bores in which lights of this group lie and no others. */
function ownBores(design: Design, item: LightItem): ReadonlySet<string> {
  const others = new Set(
    design.items.flatMap((each) =>
      'places' in each && each.id !== item.id ? each.places.flatMap(({ hollowId }) => hollowId ?? []) : [],
    ),
  );
  return new Set(item.places.flatMap(({ hollowId }) => (hollowId && !others.has(hollowId) ? [hollowId] : [])));
}

/** The design with a light group moved as one (as it was, where a plan can’t hold that), and the bores with it that only its lights lie in. */
export function shiftGroup(design: Design, id: string, shift: Shift): Design {
  const item = lightOf(design, id);
  if (!item) return design;
  const bores = ownBores(design, item);
  const moved = shiftPlaces(
    item.places.map(({ at }) => at),
    shift,
  );
  if (!canHold(moved)) return design;
  const toOf = new Map(item.places.flatMap(({ hollowId }, i) => (hollowId ? [[hollowId, moved[i]] as const] : [])));
  return {
    ...mapItem(design, id, () => ({
      ...item,
      places: item.places.map((place, i) => ({ ...place, at: moved[i] ?? place.at })),
    })),
    hollows: design.hollows.map((hollow) => {
      const at = bores.has(hollow.id) ? toOf.get(hollow.id) : undefined;
      return at && hollow.kind === 'bore' ? { ...hollow, at } : hollow;
    }),
  };
}

/** The design with a second group like this one beside it, which does in each mood and sign what this one does. */
export function copyGroup(
  design: Design,
  id: string,
  as: { readonly id: string; readonly name: string; readonly byMm: PlanPoint },
  newId: () => string,
): Design {
  const item = lightOf(design, id);
  if (!item) return design;
  const copy: LightItem = {
    ...item,
    id: as.id,
    name: as.name,
    places: item.places.map(({ at }) => ({
      id: newId(),
      at: { xMm: at.xMm + as.byMm.xMm, yMm: at.yMm + as.byMm.yMm },
      hollowId: null,
    })),
  };
  const alike = <T extends { readonly moves: Design['moods']['list'][number]['moves'] }>(of: T): T => {
    const move = moveOn(of.moves, id);
    return move ? { ...of, moves: { ...of.moves, [as.id]: move } } : of;
  };
  const { moods } = design;
  return {
    ...design,
    items: design.items.flatMap((each) => (each.id === id ? [each, copy] : [each])),
    moods: {
      ...moods,
      list: moods.list.map((mood) => {
        const tops = mood.tops?.flatMap((top) => (top.on === id ? [top, { ...top, id: newId(), on: as.id }] : [top]));
        return { ...alike(mood), ...(tops ? { tops } : {}) };
      }),
      ...(moods.signs ? { signs: moods.signs.map(alike) } : {}),
    },
  };
}
