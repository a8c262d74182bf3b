import { defineFormula } from '../units/index.ts';

export const discField = defineFormula({
  name: 'Field on the axis of a disc magnet',
  gives: { meaning: 'field', kind: 'fluxMt' },
  symbols: {
    Br: { meaning: 'remanence', kind: 'fluxMt' },
    r: { meaning: 'radius', kind: 'lengthMm' },
    t: { meaning: 'thickness', kind: 'lengthMm' },
    z: { meaning: 'distance from its face', kind: 'lengthMm' },
  },
  form: '{B} = {Br} / 2 · (({z} + {t}) / √({r}² + ({z} + {t})²) − {z} / √({r}² + {z}²))',
  source: 'evenly magnetised cylinder, on the axis, no steel nearby',
  reckon: ({ Br, r, t, z }) => (Br / 2) * ((z + t) / Math.hypot(r, z + t) - z / Math.hypot(r, z)),
});

/** Distance at which the field of a disc falls to a level, in mm; 0 where even its face is weaker. */
export function reachMm(
  magnet: { readonly Br: number; readonly r: number; readonly t: number },
  fieldMt: number,
): number {
  const field = (z: number): number => discField.reckon({ ...magnet, z });
  if (field(0) <= fieldMt) return 0;
  let [low, high] = [0, 1];
  while (field(high) > fieldMt) high *= 2;
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (field(middle) > fieldMt) low = middle;
    else high = middle;
  }
  return low;
}

/** A transmitter's range at a lower supply, as a share at most; a receiver follows no law that can be relied on. */
export const transmitterRangeShare = (supplyV: number, ratedV: number): number => Math.min(1, supplyV / ratedV);

/** Radius of the patch that a cone of this half angle covers. @example ±40° at 5 m: 4.20 m */
export const coneRadiusMm = (halfAngleDeg: number, distanceMm: number): number =>
  distanceMm * Math.tan((halfAngleDeg * Math.PI) / 180);

/** Share of a disc's reach that a wall eats, and whether the switch works through it with a margin. */
export const worksThrough = (pullInMm: number, wallMm: number, margin = 1.3): boolean => pullInMm >= wallMm * margin;

/** Chance that a unit is in step after presses of a toggle that are each lost with this probability. */
export const toggleInStep = (presses: number, lossShare: number): number => (1 + (1 - 2 * lossShare) ** presses) / 2;

/** Clock mismatch until two free-running units are a whole loop apart, in seconds. @example 0.4 % of 2.4 s: 600 s */
export const slipsALoopAfterS = (loopS: number, mismatchShare: number): number => loopS / mismatchShare;
