import type { PlainTapePart } from '../../parts/index.ts';
import { measureRoute, walkRoute } from '../geometry.ts';
import type { PlacedPlain } from '../placed.ts';
import { cutTape } from '../tapeCut.ts';
import type { PlainTapeItem } from '../types.ts';

/** Plain tape on its route, cut at its marks. */
export function placePlain(tape: PlainTapeItem, part: PlainTapePart): PlacedPlain {
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
  return { shape: 'units', id: tape.id, name: tape.name, tape, part, routeMm, cut, places };
}
