import { bands, type PlanPoint } from '@glimmer/core/plan';

/** To a tenth of a millimetre, and no farther than a plan takes. */
export const within = (value: number): number =>
  Math.min(bands.placeMm.most, Math.max(bands.placeMm.least, Math.round(value * 10) / 10));

/** Millimetres on the picture under a pointer. */
export function placeUnder(svg: SVGSVGElement, clientX: number, clientY: number): PlanPoint | null {
  const matrix = svg.getScreenCTM();
  if (!matrix) return null;
  const point = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse());
  return { xMm: within(point.x), yMm: within(point.y) };
}
