import {
  distanceMm,
  itemsOf,
  type LightItem,
  measureRoute,
  type PixelTapeItem,
  type PlainTapeItem,
  type PlanPoint,
  walkRoute,
} from '../items/index.ts';
import { findPart, type LedPart, type Library, type PixelTapePart, type PlainTapePart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { cutTape, type TapeCut } from './tapeCount.ts';

/** A tape cut to its route, with the place of each light in data order. */
export interface PlacedTape {
  readonly kind: 'tape';
  readonly id: string;
  readonly name: string;
  readonly tape: PixelTapeItem;
  readonly part: PixelTapePart;
  readonly routeMm: number;
  readonly cut: TapeCut;
  readonly places: readonly PlanPoint[];
  /** Number of the first light in the whole data chain it belongs to. */
  readonly firstIndex: number;
}

/** A group of single lights. */
export interface PlacedLeds {
  readonly kind: 'leds';
  readonly id: string;
  readonly name: string;
  readonly group: LightItem;
  readonly part: LedPart;
  readonly places: readonly PlanPoint[];
}

/** Plain tape cut to its route, with the place of each light. */
export interface PlacedPlain {
  readonly kind: 'plain';
  readonly id: string;
  readonly name: string;
  readonly tape: PlainTapeItem;
  readonly part: PlainTapePart;
  readonly routeMm: number;
  readonly cut: TapeCut;
  readonly places: readonly PlanPoint[];
}

export type PlacedGroup = PlacedTape | PlacedLeds | PlacedPlain;

/** Tapes in the order in which the data runs through them, one list per data line. */
export function orderChains(tapes: readonly PixelTapeItem[]): PixelTapeItem[][] {
  const follow = (tape: PixelTapeItem): PixelTapeItem[] => [
    tape,
    ...tapes.filter((next) => next.after === tape.id).flatMap(follow),
  ];
  return tapes.filter((tape) => tape.after === null).map(follow);
}

/** Lights in rows, one row a pitch below another; the route's first leg says where the first row begins and runs. */
function placeRows(
  grid: NonNullable<PixelTapeItem['grid']>,
  route: readonly PlanPoint[],
  pitchMm: number,
): PlanPoint[] {
  const [start, towards] = [route[0] ?? { xMm: 0, yMm: 0 }, route[1]];
  const length = towards ? distanceMm(start, towards) : 0;
  const [rightX, rightY] =
    towards && length > 0 ? [(towards.xMm - start.xMm) / length, (towards.yMm - start.yMm) / length] : [1, 0];
  return Array.from({ length: grid.rows * grid.columns }, (_, i) => {
    const [row, counted] = [Math.trunc(i / grid.columns), i % grid.columns];
    const column = grid.snakes && row % 2 === 1 ? grid.columns - 1 - counted : counted;
    const [right, down] = [(column + 0.5) * pitchMm, row * pitchMm];
    return { xMm: start.xMm + right * rightX - down * rightY, yMm: start.yMm + right * rightY + down * rightX };
  });
}

/** Length of tape that a tape asks for, before it is cut to whole joints: along its route, or row by row. */
function wantedLengthMm(tape: PixelTapeItem, perMetre: number): number {
  if (tape.grid) return (tape.grid.columns * tape.grid.rows * 1000) / perMetre;
  return tape.lengthMm ?? measureRoute(tape.route);
}

function placeGrid(
  tape: PixelTapeItem,
  grid: NonNullable<PixelTapeItem['grid']>,
  part: PixelTapePart,
  firstIndex: number,
): PlacedTape {
  const routeMm = wantedLengthMm(tape, part.perMetre);
  // Each row is cut from the tape by itself, so joints do not matter: a row is a count of lights.
  const cut = { ...cutTape({ routeMm, perMetre: part.perMetre, lightsPerJoint: 1 }), lights: grid.columns * grid.rows };
  const rows = placeRows(grid, tape.route, 1000 / part.perMetre);
  const places = tape.reversed ? [...rows].reverse() : rows;
  return { kind: 'tape', id: tape.id, name: tape.name, tape, part, routeMm, cut, places, firstIndex };
}

function placeTape(tape: PixelTapeItem, part: PixelTapePart, firstIndex: number): PlacedTape {
  if (tape.grid) return placeGrid(tape, tape.grid, part, firstIndex);
  const routeMm = wantedLengthMm(tape, part.perMetre);
  const cut = cutTape({ routeMm, perMetre: part.perMetre, lightsPerJoint: part.lightsPerJoint });
  const pitchMm = 1000 / part.perMetre;
  const route = tape.reversed ? [...tape.route].reverse() : tape.route;
  // The piece of tape starts at the data end; the gap is left at the far one. A typed length is spread over the drawn
  // route: what curves towards the eye looks shorter than it is.
  const onPicture = routeMm > 0 ? measureRoute(route) / routeMm : 0;
  const places = walkRoute(
    route,
    Array.from({ length: route.length > 0 ? cut.lights : 0 }, (_, i) => (i + 0.5) * pitchMm * onPicture),
  );
  return { kind: 'tape', id: tape.id, name: tape.name, tape, part, routeMm, cut, places, firstIndex };
}

function placePlain(tape: PlainTapeItem, part: PlainTapePart): PlacedPlain {
  const routeMm = tape.lengthMm ?? measureRoute(tape.route);
  const cut = cutTape({ routeMm, perMetre: part.perMetre, lightsPerJoint: part.lightsPerJoint });
  const onPicture = routeMm > 0 ? measureRoute(tape.route) / routeMm : 0;
  const places = walkRoute(
    tape.route,
    Array.from(
      { length: tape.route.length > 0 ? cut.lights : 0 },
      (_, i) => ((i + 0.5) * 1000 * onPicture) / part.perMetre,
    ),
  );
  return { kind: 'plain', id: tape.id, name: tape.name, tape, part, routeMm, cut, places };
}

const placeLeds = (group: LightItem, part: LedPart): PlacedLeds => ({
  kind: 'leds',
  id: group.id,
  name: group.name,
  group,
  part,
  places: group.places.map((place) => place.at),
});

/** All light groups of a design, placed; pixel tapes first, in data order. A group whose part is not known is left out. */
export function placeLights(design: Pick<Design, 'items'>, library: Library): PlacedGroup[] {
  const placed: PlacedGroup[] = [];
  for (const chain of orderChains(itemsOf(design, 'pixel tape'))) {
    let index = 0;
    for (const tape of chain) {
      const part = findPart(library, 'pixel-tape', tape.part);
      if (!part) continue;
      const group = placeTape(tape, part, index);
      index += group.cut.lights;
      placed.push(group);
    }
  }
  for (const group of itemsOf(design, 'light')) {
    const part = findPart(library, 'led', group.part);
    if (part) placed.push(placeLeds(group, part));
  }
  for (const tape of itemsOf(design, 'plain tape')) {
    const part = findPart(library, 'plain-tape', tape.part);
    if (part) placed.push(placePlain(tape, part));
  }
  return placed;
}

/** Lights of a placed group. */
export const countLights = (group: PlacedGroup): number => ('cut' in group ? group.cut.lights : group.places.length);

/** Straight distance between the nearest light of a group and a place; infinite for a group without lights. */
export function distanceToGroupMm(group: PlacedGroup, place: PlanPoint): number {
  return group.places.reduce((least, at) => Math.min(least, distanceMm(at, place)), Number.POSITIVE_INFINITY);
}
