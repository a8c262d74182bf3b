import { fitLedCurve, forwardVoltageV, type LedCurve, shiftCurve } from '../circuit/index.ts';
import type { LightItem } from '../items/index.ts';
import type { Figure, LedPart } from '../parts/index.ts';

/** The curve of a part, through the two points of its kind; a resistor inside is part of it. */
export function curveOfPart(part: LedPart): LedCurve {
  const die = fitLedCurve({
    low: { currentA: 0.001, voltageV: part.forwardAt1mAV },
    high: { currentA: 0.02, voltageV: part.forwardAt20mAV },
    seriesOhm: part.seriesOhm,
  });
  return { ...die, seriesOhm: die.seriesOhm + (part.insideOhm ?? 0) };
}

/** Of a resistor inside, either way. */
const INSIDE_TOLERANCE = 0.05;

/** The curve of a group's lights, moved onto the maker's own reading where there is one, with how far a light may lie from it. */
export function curveOfGroup(
  part: LedPart,
  group: Pick<LightItem, 'forwardV' | 'wantedCurrentA'>,
): { readonly curve: LedCurve; readonly forwardV: Figure } {
  const curve = curveOfPart(part);
  const typicalV = forwardVoltageV(curve, group.wantedCurrentA);
  const insideV = (part.insideOhm ?? 0) * group.wantedCurrentA;
  if (!group.forwardV)
    return {
      curve,
      forwardV: { likely: typicalV, spread: part.forwardSpreadV + insideV * INSIDE_TOLERANCE, origin: 'typical' },
    };
  const held = withinReading(curve, group.forwardV.likely, group.wantedCurrentA);
  const heldV = forwardVoltageV(held, group.wantedCurrentA);
  return { curve: shiftCurve(held, group.forwardV.likely - heldV), forwardV: group.forwardV };
}

/** Of a reading, the resistance inside takes no more than this: a die always has a drop of its own. */
const MOST_STRAIGHT = 0.5;

/** A curve whose resistance leaves a die something of a reading, where by its kind it would take more than was read. */
function withinReading(curve: LedCurve, readV: number, currentA: number): LedCurve {
  const mostOhm = (MOST_STRAIGHT * readV) / currentA;
  return curve.seriesOhm <= mostOhm ? curve : { ...curve, seriesOhm: mostOhm };
}
