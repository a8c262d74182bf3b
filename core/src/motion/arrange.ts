import type { Along, PlanPoint } from '../items/index.ts';
import { PLACE_STEPS } from '../moves/index.ts';
import type { LightSet } from '../plan/index.ts';
import type { Movable } from './movable.ts';

/** Lights that a move is painted on: those of one group, or of a set that the maker put together. */
export interface ShowSet {
  readonly id: string;
  /** Lights that can differ. */
  readonly points: number;
  /** One for a single colour, three for all. */
  readonly bytesPerPoint: 1 | 3;
  /** Where the first light stands in the frame, where they stand one after another. */
  readonly offset: number;
  /** Where each light stands in the frame; null = one after another from `offset`. */
  readonly offsets: Uint16Array | null;
  /** Where each light is on the picture. */
  readonly at: readonly PlanPoint[];
  /** Of its grid; a plain set is one row. */
  readonly columns: number;
  /** Of its grid. */
  readonly rows: number;
  /** Cell of each light on its grid, row by row; null = as they are counted. */
  readonly cells: Uint16Array | null;
}

/** Number of the cell of each light, row by row, where every second row runs back. */
function cellsOf({ grid, points }: Movable): Uint16Array | null {
  if (!grid?.snakes) return null;
  return Uint16Array.from({ length: points }, (_, i) => {
    const [row, column] = [Math.trunc(i / grid.columns), i % grid.columns];
    return row * grid.columns + (row % 2 === 1 ? grid.columns - 1 - column : column);
  });
}

const middleOf = (places: readonly PlanPoint[]): PlanPoint => ({
  xMm: places.reduce((sum, place) => sum + place.xMm, 0) / Math.max(1, places.length),
  yMm: places.reduce((sum, place) => sum + place.yMm, 0) / Math.max(1, places.length),
});

/** A group as a set of its own: all its lights, or all its channels, in their order. */
export function groupAsSet(group: Movable, row: Pick<ShowSet, 'points' | 'bytesPerPoint' | 'offset'>): ShowSet {
  return {
    id: group.id,
    ...row,
    offsets: null,
    // What is not on the picture yet is counted all the same.
    at: Array.from({ length: row.points }, (_, point) => middleOf(group.lightsAt[point] ?? [])),
    columns: group.grid?.columns ?? Math.max(1, row.points),
    rows: group.grid?.rows ?? 1,
    cells: cellsOf(group),
  };
}

/** Numbers from first to last, either way, every so many, counted from 0; what is beyond the group is left out. */
function countOff(part: LightSet['of'][number], points: number): number[] {
  const sense = part.last >= part.first ? 1 : -1;
  const length = Math.trunc(Math.abs(part.last - part.first) / part.every) + 1;
  return Array.from({ length }, (_, i) => part.first - 1 + sense * i * part.every).filter((i) => i < points);
}

/** Takes lists by turns: the first of each, the second of each, and so on until all are used up. */
function interleave<T>(lists: readonly (readonly T[])[]): T[] {
  const longest = Math.max(0, ...lists.map((list) => list.length));
  return Array.from({ length: longest }, (_, i) => lists.flatMap((list) => list.slice(i, i + 1))).flat();
}

/**
 * The lights of a maker's set; the groups it names must be among `groups`, those that are not are left out, and those
 * that are not coloured as the first of it is.
 */
export function gatherSet(set: LightSet, groups: readonly ShowSet[]): ShowSet {
  const first = set.of.flatMap((part) => groups.find((each) => each.id === part.groupId) ?? [])[0];
  const lists = set.of.flatMap((part) => {
    const group = groups.find((each) => each.id === part.groupId);
    return group && group.bytesPerPoint === first?.bytesPerPoint
      ? [
          countOff(part, group.points).map((i) => ({
            offset: group.offset + i * group.bytesPerPoint,
            at: group.at[i] ?? { xMm: 0, yMm: 0 },
          })),
        ]
      : [];
  });
  const lights = set.order === 'interleaved' ? interleave(lists) : lists.flat();
  return {
    id: set.id,
    points: lights.length,
    bytesPerPoint: first?.bytesPerPoint ?? 3,
    offset: 0,
    offsets: Uint16Array.from(lights, (light) => light.offset),
    at: lights.map((light) => light.at),
    columns: Math.max(1, lights.length),
    rows: 1,
    cells: null,
  };
}

/** The order in which a move meets the lights: how many it thinks there are, and where each stands among them. */
export interface Arrangement {
  /** How many places there are from end to end. */
  readonly length: number;
  /** In eighths of a light from the first; null = as they are counted. */
  readonly places: Uint16Array | null;
}

const spread = (values: readonly number[], length: number): Uint16Array => {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const span = most - least;
  return Uint16Array.from(values, (value) =>
    span === 0 ? 0 : Math.round(((value - least) / span) * (length - 1) * PLACE_STEPS),
  );
};

/**
 * Puts the lights of a set in the order that a travelling move takes. Round a ring the angle runs clockwise as seen on
 * the picture, from the top; outward begins at the middle.
 */
export function arrange(set: ShowSet, along: Along): Arrangement {
  const { points, at } = set;
  const route: Arrangement = { length: points, places: null };
  if (points === 0) return route;
  const middle = middleOf(at);
  switch (along) {
    case 'route':
      return route;
    case 'route back':
      return { length: points, places: Uint16Array.from(at, (_, i) => (points - 1 - i) * PLACE_STEPS) };
    case 'both ends':
      return {
        length: Math.ceil(points / 2),
        places: Uint16Array.from(at, (_, i) => Math.min(i, points - 1 - i) * PLACE_STEPS),
      };
    case 'ring':
      return {
        length: points,
        places: Uint16Array.from(at, ({ xMm, yMm }) => {
          const turn = Math.atan2(xMm - middle.xMm, middle.yMm - yMm) / (2 * Math.PI);
          return Math.round((turn < 0 ? turn + 1 : turn) * points * PLACE_STEPS) % (points * PLACE_STEPS);
        }),
      };
    case 'across':
      return {
        length: points,
        places: spread(
          at.map((place) => place.xMm),
          points,
        ),
      };
    case 'down':
      return {
        length: points,
        places: spread(
          at.map((place) => place.yMm),
          points,
        ),
      };
    default:
      return {
        length: points,
        places: spread(
          at.map((place) => Math.hypot(place.xMm - middle.xMm, place.yMm - middle.yMm)),
          points,
        ),
      };
  }
}
