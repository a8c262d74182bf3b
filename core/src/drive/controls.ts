/** A transmitter's range at a lower supply, as a share at most; a receiver follows no law that can be relied on. */
export const transmitterRangeShare = (supplyV: number, ratedV: number): number => Math.min(1, supplyV / ratedV);

/** Radius of the patch that a cone of this half angle covers. @example ±40° at 5 m: 4.20 m */
export const coneRadiusMm = (halfAngleDeg: number, distanceMm: number): number =>
  distanceMm * Math.tan((halfAngleDeg * Math.PI) / 180);

/** Chance that a unit is in step after presses of a toggle that are each lost with this probability. */
export const toggleInStep = (presses: number, lossShare: number): number => (1 + (1 - 2 * lossShare) ** presses) / 2;

/** Clock mismatch until two free-running units are a whole loop apart, in seconds. @example 0.4 % of 2.4 s: 600 s */
export const slipsALoopAfterS = (loopS: number, mismatchShare: number): number => loopS / mismatchShare;
