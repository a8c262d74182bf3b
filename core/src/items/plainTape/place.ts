import type { PlainTapePart } from '../../parts/index.ts';
import type { PlacedPlain } from '../placed.ts';
import { layTape } from '../tapeCut.ts';
import type { PlainTapeItem } from '../types.ts';

/** Plain tape on its route, cut at its marks, and at its corners where it is to be. */
export function placePlain(tape: PlainTapeItem, part: PlainTapePart): PlacedPlain {
  const { perMetre, lightsPerJoint } = part;
  const { route, lengthMm } = tape;
  const laid = layTape({ route, lengthMm, perMetre, lightsPerJoint, cutAtCorners: tape.cutAtCorners === true });
  return { shape: 'units', id: tape.id, name: tape.name, tape, part, ...laid };
}
