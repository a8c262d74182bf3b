import type { PixelForm, PixelTapePart } from '../../parts/index.ts';
import { distanceMm, type PlanPoint } from '../geometry.ts';
import type { PlacedTape } from '../placed.ts';
import { cutTape, layTape } from '../tapeCut.ts';
import type { PixelTapeItem } from '../types.ts';

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

/** How many of its lights a tape uses. */
const litOf = ({ litFirst }: PixelTapeItem, lights: number): number => Math.min(litFirst ?? lights, lights);

function placeGrid(
  tape: PixelTapeItem,
  grid: NonNullable<PixelTapeItem['grid']>,
  part: PixelTapePart,
  firstIndex: number,
): PlacedTape {
  const routeMm = (grid.columns * grid.rows * 1000) / part.perMetre;
  // Each row is cut from the tape by itself, so joints do not matter: a row is a count of lights.
  const cut = { ...cutTape({ routeMm, perMetre: part.perMetre, lightsPerJoint: 1 }), lights: grid.columns * grid.rows };
  const rows = placeRows(grid, tape.route, 1000 / part.perMetre);
  const places = tape.reversed ? [...rows].reverse() : rows;
  const pieces = Array.from({ length: grid.rows }, () => grid.columns);
  const lit = litOf(tape, cut.lights);
  return { shape: 'pixels', id: tape.id, name: tape.name, tape, part, routeMm, cut, pieces, lit, places, firstIndex };
}

/** Where the pixels of a shape sit, about its middle: first along the way that the route’s first leg says. */
function placeOnForm({ shape, pixels, columns, sizeMm }: PixelForm, route: readonly PlanPoint[]): PlanPoint[] {
  const [middle, towards] = route;
  if (!middle) return [];
  const angle = towards ? Math.atan2(towards.yMm - middle.yMm, towards.xMm - middle.xMm) : 0;
  const turned = (right: number, down: number): PlanPoint => ({
    xMm: middle.xMm + right * Math.cos(angle) - down * Math.sin(angle),
    yMm: middle.yMm + right * Math.sin(angle) + down * Math.cos(angle),
  });
  if (shape === 'ring') {
    const radiusMm = (sizeMm[0] + sizeMm[1]) / 4;
    return Array.from({ length: pixels }, (_, i) => {
      const turn = (2 * Math.PI * i) / pixels;
      return turned(radiusMm * Math.cos(turn), radiusMm * Math.sin(turn));
    });
  }
  const rows = pixels / columns;
  return Array.from({ length: pixels }, (_, i) =>
    turned(
      (((i % columns) + 0.5) / columns - 0.5) * sizeMm[0],
      ((Math.trunc(i / columns) + 0.5) / rows - 0.5) * (rows > 1 ? sizeMm[1] : 0),
    ),
  );
}

/** Pixels on a shape: as many as it has, wherever its route leads. */
function placeForm(tape: PixelTapeItem, form: PixelForm, part: PixelTapePart, firstIndex: number): PlacedTape {
  // Until it has a place it lights nothing.
  const routeMm = tape.route.length === 0 ? 0 : (form.pixels * 1000) / part.perMetre;
  const cut = cutTape({ routeMm, perMetre: part.perMetre, lightsPerJoint: part.lightsPerJoint });
  // What it was told as tape off a reel means nothing on a shape.
  const { grid: _, cutAtCorners: __, ...plain } = { ...tape, lengthMm: null };
  const places = placeOnForm(form, tape.route);
  const ordered = tape.reversed ? [...places].reverse() : places;
  return {
    shape: 'pixels',
    id: tape.id,
    name: tape.name,
    tape: plain,
    part,
    routeMm,
    cut,
    pieces: [cut.lights],
    lit: litOf(tape, cut.lights),
    places: ordered,
    firstIndex,
  };
}

/** A tape of pixels on its route, or in its rows; `firstIndex` counts the lights before it on its data line. */
export function placeTape(tape: PixelTapeItem, part: PixelTapePart, firstIndex: number): PlacedTape {
  if (part.form) return placeForm(tape, part.form, part, firstIndex);
  if (tape.grid) return placeGrid(tape, tape.grid, part, firstIndex);
  const { perMetre, lightsPerJoint } = part;
  const route = tape.reversed ? [...tape.route].reverse() : tape.route;
  const { lengthMm, cutAtCorners = false } = tape;
  const laid = layTape({ route, lengthMm, perMetre, lightsPerJoint, cutAtCorners });
  const lit = litOf(tape, laid.cut.lights);
  return { shape: 'pixels', id: tape.id, name: tape.name, tape, part, ...laid, lit, firstIndex };
}
