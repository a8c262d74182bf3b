import { type PlacedPlain, type PlacedTape, tapeLights } from '../items/index.ts';
import { fillSum, mm, say } from '../units/index.ts';
import type { Explanation } from './figure.ts';

/** How a tape's count came about. */
export function explainTape(tape: PlacedTape | PlacedPlain): Explanation {
  const { cut, part } = tape;
  return {
    title: `Lights of ${tape.name}`,
    answer: String(cut.lights),
    lead: say`Tape is cut only at its marks, every ${mm((1000 / part.perMetre) * part.lightsPerJoint)}.`,
    lines: [
      { label: 'lit length', value: mm(cut.litLengthMm) },
      { label: 'gap left at the end', value: mm(cut.gapMm) },
      { label: `one cut shorter: ${cut.shorter.lights} lights`, value: mm(cut.shorter.lengthMm) },
      {
        label: `one cut longer: ${cut.longer.lights} lights`,
        value: say`${mm(cut.longer.lengthMm)}, ${mm(cut.longer.overMm)} too long`,
      },
    ],
    sums: [fillSum(tapeLights, { L: tape.routeMm, d: part.perMetre, j: part.lightsPerJoint })],
    doubt: 'The pitch of a reel is good to about half a per cent: lay the reel on the route before you cut.',
  };
}
