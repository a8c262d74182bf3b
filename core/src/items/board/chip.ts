import type { ControllerPart } from '../../parts/index.ts';
import { defineFormula } from '../../units/index.ts';
import type { RailRange } from '../gives.ts';

/** What a board's chip, and so a high pin of it, runs at on a rail of this voltage: regulator, its drop-out, or the rail itself. */
export function chipVoltageV(part: ControllerPart, railV: number): number {
  if (part.regulator === null) return railV;
  if (part.regulator.lifts) return part.logicV;
  return Math.max(0, Math.min(part.logicV, railV - part.regulator.dropOutV));
}

/** Of what a board that lifts its supply takes in, this reaches its chip (typical). */
export const LIFT_EFFICIENCY = 0.85;

/** What a board takes from its rail for what its pins give: as much where it only lets through, more where it lifts. */
export const chipInputA = (part: ControllerPart, givenA: number, railV: number): number =>
  part.regulator?.lifts ? (givenA * part.logicV) / (LIFT_EFFICIENCY * Math.max(0.1, railV)) : givenA;

/** What a chip gets behind a linear regulator. @example 5 V chip, 5.2 V rail, 0.3 V drop-out: 4.9 V */
export const regulatedChip = defineFormula({
  name: 'What the chip runs at',
  gives: { meaning: 'supply of the chip', kind: 'voltageV' },
  symbols: {
    Vr: { meaning: 'rail', kind: 'voltageV' },
    Vd: { meaning: 'drop-out of the regulator', kind: 'voltageV' },
    Vn: { meaning: 'what the regulator gives', kind: 'voltageV' },
  },
  form: '{Vc} = min({Vn}, {Vr} − {Vd})',
  source: 'a linear regulator follows its input down once that is too low; without one the chip runs at the rail',
  reckon: ({ Vr, Vd, Vn }) => Math.min(Vn, Vr - Vd),
});

/** The tolerance of a regulator's output, as a share. */
const REGULATOR_TOLERANCE = 0.05;

/** The chip's supply from spent to fresh. */
export function rangeOfChip(part: ControllerPart, rail: RailRange): RailRange {
  const tolerance = part.regulator === null ? 0 : REGULATOR_TOLERANCE;
  return {
    leastV: chipVoltageV(part, rail.leastV) * (1 - tolerance),
    nominalV: chipVoltageV(part, rail.nominalV),
    mostV: chipVoltageV(part, rail.mostV) * (1 + tolerance),
  };
}
