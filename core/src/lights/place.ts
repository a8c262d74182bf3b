import { findPart, type LedPart, type Library, type PixelTapePart } from '../parts/index.ts';
import {
  type Design,
  distanceMm,
  type LedGroup,
  measureRoute,
  type PlanPoint,
  type Tape,
  walkRoute,
} from '../plan/index.ts';
import { cutTape, type TapeCut } from './tapeCount.ts';

/** A tape cut to its route, with the place of each light in data order. */
export interface PlacedTape {
  readonly kind: 'tape';
  readonly id: string;
  readonly name: string;
  readonly tape: Tape;
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
  readonly group: LedGroup;
  readonly part: LedPart;
  readonly places: readonly PlanPoint[];
}

export type PlacedGroup = PlacedTape | PlacedLeds;

/** Tapes in the order in which the data runs through them, one list per data line. */
export function orderChains(tapes: readonly Tape[]): Tape[][] {
  const follow = (tape: Tape): Tape[] => [tape, ...tapes.filter((next) => next.after === tape.id).flatMap(follow)];
  return tapes.filter((tape) => tape.after === null).map(follow);
}

function placeTape(tape: Tape, part: PixelTapePart, firstIndex: number): PlacedTape {
  const routeMm = tape.lengthMm ?? measureRoute(tape.route);
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

/** All light groups of a design, placed; tapes first, in data order. A group whose part is not known is left out. */
export function placeLights(design: Design, library: Library): PlacedGroup[] {
  const placed: PlacedGroup[] = [];
  for (const chain of orderChains(design.tapes)) {
    let index = 0;
    for (const tape of chain) {
      const part = findPart(library, 'pixel-tape', tape.part);
      if (!part) continue;
      const group = placeTape(tape, part, index);
      index += group.cut.lights;
      placed.push(group);
    }
  }
  for (const group of design.leds) {
    const part = findPart(library, 'led', group.part);
    if (part)
      placed.push({
        kind: 'leds',
        id: group.id,
        name: group.name,
        group,
        part,
        places: group.places.map((place) => place.at),
      });
  }
  return placed;
}

/** Straight distance between the nearest light of a group and a place; infinite for a group without lights. */
export function distanceToGroupMm(group: PlacedGroup, place: PlanPoint): number {
  return group.places.reduce((least, at) => Math.min(least, distanceMm(at, place)), Number.POSITIVE_INFINITY);
}
