import { hasColours, type Item, itemsOf, type PlanPoint } from '../items/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import type { PlacedGroup } from './place.ts';

/** What moods move of a plan, as points with their bytes and places: counts and places, no kinds. */
export interface MovableGroup {
  readonly id: string;
  readonly points: number;
  readonly bytesPerPoint: 1 | 3;
  readonly lightsAt: readonly (readonly PlanPoint[])[];
  readonly grid?: { readonly columns: number; readonly rows: number; readonly snakes: boolean } | undefined;
}

function movableOf(group: PlacedGroup, library: Library): MovableGroup {
  switch (group.kind) {
    case 'tape':
      return {
        id: group.id,
        points: group.cut.lights,
        bytesPerPoint: 3,
        lightsAt: group.places.map((place) => [place]),
        grid: group.tape.grid,
      };
    case 'plain':
      return {
        id: group.id,
        points: 1,
        bytesPerPoint: hasColours(group.tape, library) ? 3 : 1,
        lightsAt: [group.places],
      };
    default: {
      const points = Math.min(group.group.channels, Math.max(1, group.places.length));
      return {
        id: group.id,
        points,
        bytesPerPoint: 1,
        lightsAt: Array.from({ length: points }, (_, point) =>
          group.places.filter((_place, i) => i % points === point),
        ),
      };
    }
  }
}

/** All that moods can move: light groups that a program may drive, in their order, then the signals between boards. */
export function listMovables(
  design: Pick<Design, 'items'>,
  placed: readonly PlacedGroup[],
  library: Library,
  isDriven: (item: Item) => boolean,
): readonly MovableGroup[] {
  const byId = new Map(design.items.map((item) => [item.id, item]));
  return [
    ...placed
      .filter((group) => {
        const item = byId.get(group.id);
        return item !== undefined && isDriven(item);
      })
      .map((group) => movableOf(group, library)),
    ...itemsOf(design, 'signal').map(
      (signal): MovableGroup => ({ id: signal.id, points: 1, bytesPerPoint: 1, lightsAt: [[signal.at]] }),
    ),
  ];
}
