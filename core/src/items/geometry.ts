/** A place on the picture, from its upper left corner. */
export interface PlanPoint {
  /** From the left edge of the view. */
  readonly xMm: number;
  /** From its top edge. */
  readonly yMm: number;
}

/** Straight distance between two places on the picture, in millimetres. */
export function distanceMm(from: PlanPoint, to: PlanPoint): number {
  return Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm);
}

/** Length of a route along its points, in millimetres; 0 for fewer than two. */
export function measureRoute(route: readonly PlanPoint[]): number {
  let length = 0;
  for (let i = 1; i < route.length; i += 1) {
    const [from, to] = [route[i - 1], route[i]];
    if (from && to) length += distanceMm(from, to);
  }
  return length;
}

/** Places at these distances (ascending, mm) along a route; the last leg is carried on beyond its end. */
export function walkRoute(route: readonly PlanPoint[], distances: readonly number[]): PlanPoint[] {
  const first = route[0];
  if (!first) return [];
  let leg = 1;
  let before = 0;
  return distances.map((distance) => {
    for (;;) {
      const [from, to] = [route[leg - 1] ?? first, route[leg]];
      if (!to) return from;
      const length = distanceMm(from, to);
      if (distance <= before + length || leg === route.length - 1) {
        const share = length === 0 ? 0 : (distance - before) / length;
        return { xMm: from.xMm + (to.xMm - from.xMm) * share, yMm: from.yMm + (to.yMm - from.yMm) * share };
      }
      before += length;
      leg += 1;
    }
  });
}

/** A bend sharper than this, in degrees, is a corner: tape bends only out of its plane, and must be cut there. */
const CORNER_DEG = 30;

/** Turn of a route at one of its inner points, in degrees, 0 to 180. */
function turnDeg(before: PlanPoint, at: PlanPoint, after: PlanPoint): number {
  const [ax, ay, bx, by] = [at.xMm - before.xMm, at.yMm - before.yMm, after.xMm - at.xMm, after.yMm - at.yMm];
  return (Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * 180) / Math.PI;
}

/** A route parted at its corners; what is without one is one leg. */
export function legsOfRoute(route: readonly PlanPoint[]): readonly (readonly PlanPoint[])[] {
  const legs: PlanPoint[][] = [[]];
  route.forEach((point, i) => {
    legs[legs.length - 1]?.push(point);
    const [before, after] = [route[i - 1], route[i + 1]];
    if (before && after && turnDeg(before, point, after) > CORNER_DEG) legs.push([point]);
  });
  return legs;
}
