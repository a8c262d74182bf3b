import { type Item, kindOf, type PlacedGroup, type PlacedTape, type PlanPoint } from '../items/index.ts';
import type { Design } from '../plan/index.ts';

/** What moods move of a plan, as points with their bytes and places: counts and places, no kinds. */
export interface MovableGroup {
  readonly id: string;
  /** Lights that can differ. */
  readonly points: number;
  /** One for a single colour, three for all. */
  readonly bytesPerPoint: 1 | 3;
  /** Where each point shines; several places for one channel. */
  readonly lightsAt: readonly (readonly PlanPoint[])[];
  /** Where it is cut into rows. */
  readonly grid?: { readonly columns: number; readonly rows: number; readonly snakes: boolean } | undefined;
}

/** The rows of a tape that is cut into such, or of a panel. */
function gridOf({ tape, part }: PlacedTape): MovableGroup['grid'] {
  const { form } = part;
  if (form?.shape !== 'panel') return form ? undefined : tape.grid;
  return { columns: form.columns, rows: form.pixels / form.columns, snakes: false };
}

function movableOf(group: PlacedGroup): MovableGroup {
  switch (group.shape) {
    case 'pixels':
      return {
        id: group.id,
        points: group.cut.lights,
        bytesPerPoint: 3,
        lightsAt: group.places.map((place) => [place]),
        grid: gridOf(group),
      };
    case 'units':
      return { id: group.id, points: 1, bytesPerPoint: group.part.colours > 1 ? 3 : 1, lightsAt: [group.places] };
    default: {
      // All its lights hang on the same dice’s channels: they show one colour together.
      if (group.part.dice) return { id: group.id, points: 1, bytesPerPoint: 3, lightsAt: [group.places] };
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
  isDriven: (item: Item) => boolean,
): readonly MovableGroup[] {
  const byId = new Map(design.items.map((item) => [item.id, item]));
  return [
    ...placed
      .filter((group) => {
        const item = byId.get(group.id);
        return item !== undefined && isDriven(item);
      })
      .map(movableOf),
    ...design.items
      .filter((item) => kindOf(item.kind).control?.givenBy !== undefined)
      .map(
        (item): MovableGroup => ({
          id: item.id,
          points: 1,
          bytesPerPoint: 1,
          lightsAt: [['at' in item ? item.at : { xMm: 0, yMm: 0 }]],
        }),
      ),
  ];
}
