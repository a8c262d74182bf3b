import type { ColourOrder, LedPart, PixelTapePart, PlainTapePart } from '../parts/index.ts';
import { distanceMm, type PlanPoint } from './geometry.ts';
import type { TapeCut } from './tapeCut.ts';
import type { LightItem, PixelTapeItem, PlainTapeItem } from './types.ts';

/**
 * Lights where they sit, in one of the shapes that a circuit knows: pixels on a data line, single lights on channels,
 * units of tape that is cut at marks. Several kinds of item may have one shape.
 */
export type PlacedGroup = PlacedTape | PlacedLeds | PlacedPlain;

/** A tape of pixels cut to its route, with the place of each light in data order. */
export interface PlacedTape {
  readonly shape: 'pixels';
  readonly id: string;
  readonly name: string;
  readonly tape: PixelTapeItem;
  readonly part: PixelTapePart;
  /** Along the route, or as the maker said. */
  readonly routeMm: number;
  /** What is lit of it. */
  readonly cut: TapeCut;
  /** Lights of each piece that it is cut into, in the order of the data; one where it is not cut on its way. */
  readonly pieces: readonly number[];
  /** How many of its lights are used, from the data end; the others stay dark. */
  readonly lit: number;
  /** Of every light, in the order of the data. */
  readonly places: readonly PlanPoint[];
  /** Number of the first light in the whole data chain it belongs to. */
  readonly firstIndex: number;
}

/** A group of single lights. */
export interface PlacedLeds {
  readonly shape: 'lights';
  readonly id: string;
  readonly name: string;
  readonly group: LightItem;
  readonly part: LedPart;
  /** In the order of the plan. */
  readonly places: readonly PlanPoint[];
}

/** Plain tape cut to its route, with the place of each light. */
export interface PlacedPlain {
  readonly shape: 'units';
  readonly id: string;
  readonly name: string;
  readonly tape: PlainTapeItem;
  readonly part: PlainTapePart;
  /** Along the route, or as the maker said. */
  readonly routeMm: number;
  readonly cut: TapeCut;
  /** Lights of each piece that it is cut into, from its start; one where it is not cut on its way. */
  readonly pieces: readonly number[];
  /** Of every light along it. */
  readonly places: readonly PlanPoint[];
}

/** Spare pixels before a tape: only the first of a data line has one. */
export const sparesBefore = ({ tape, cut }: Pick<PlacedTape, 'tape' | 'cut'>): number =>
  tape.after === null && tape.spareFirst && cut.lights > 0 ? 1 : 0;

/** The first tape of the data line that a tape is on. */
export function firstOnLine(tape: PlacedTape, placed: readonly PlacedGroup[]): PlacedTape {
  const before = placed.find(({ id }) => id === tape.tape.after);
  return before?.shape === 'pixels' ? firstOnLine(before, placed) : tape;
}

/** In which order the pixels of a tape take their colours: as the maker saw it, or as is usual for their kind. */
export const orderOfTape = ({ tape, part }: Pick<PlacedTape, 'tape' | 'part'>): ColourOrder =>
  tape.order ?? part.order ?? 'GRB';

/** A white die beside the coloured ones gives what they have in common, or stays dark. */
export type WhiteDie = 'lit' | 'dark';

/** Lights of a placed group. */
export const countLights = (group: PlacedGroup): number => ('cut' in group ? group.cut.lights : group.places.length);

/** Straight distance between the nearest light of a group and a place; infinite for a group without lights. */
export function distanceToGroupMm(group: PlacedGroup, place: PlanPoint): number {
  return group.places.reduce((least, at) => Math.min(least, distanceMm(at, place)), Number.POSITIVE_INFINITY);
}
