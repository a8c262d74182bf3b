import { defineFormula } from '../units/index.ts';

/** One mass at a distance from the axis: on which side of it, by the sign. */
export interface MassAt {
  readonly massG: number;
  /** From where the piece is held; to the left is less than nothing. */
  readonly atMm: number;
}

/** What pulls outward on something that turns. @example 20 g at 100 mm, 120 turns a minute: 0.316 N */
export const turningForce = defineFormula({
  name: 'Force of an imbalance that turns',
  gives: { meaning: 'force', kind: 'forceN' },
  symbols: {
    m: { meaning: 'mass out of balance', kind: 'massG' },
    r: { meaning: 'distance from the axis', kind: 'lengthMm' },
    n: { meaning: 'speed', kind: 'speedRpm' },
  },
  form: '{F} = {m} · (2π·{n})² · {r}',
  source: 'centripetal force, m·ω²·r',
  reckon: ({ m, r, n }) => (m / 1000) * ((2 * Math.PI * n) / 60) ** 2 * (r / 1000),
});

/** Where the mass of a piece hangs, and how far that is off where it is held. */
export interface Balance {
  readonly totalG: number;
  /** Where the mass hangs. */
  readonly centreMm: number;
  /** Turning moment to the left. */
  readonly leftGmm: number;
  /** Turning moment to the right. */
  readonly rightGmm: number;
  /** Positive: the right side turns down. */
  readonly residualGmm: number;
}

/** Masses along a beam or across a wearer: totals, centre of mass, moments of both sides. */
export function balanceOf(masses: readonly MassAt[]): Balance {
  const totalG = masses.reduce((sum, each) => sum + each.massG, 0);
  const moment = (each: MassAt): number => each.massG * each.atMm;
  const rightGmm = masses.filter((each) => each.atMm > 0).reduce((sum, each) => sum + moment(each), 0);
  const leftGmm = -masses.filter((each) => each.atMm < 0).reduce((sum, each) => sum + moment(each), 0);
  return {
    totalG,
    centreMm: totalG === 0 ? 0 : (rightGmm - leftGmm) / totalG,
    leftGmm,
    rightGmm,
    residualGmm: rightGmm - leftGmm,
  };
}

/** Mass to put at a place so that both sides are equal; null where the place is on the heavy side or on the axis. */
export function trimMassG(balance: Balance, atMm: number): number | null {
  const mass = -balance.residualGmm / atMm;
  return atMm === 0 || mass < -1e-9 ? null : Math.max(0, mass);
}
