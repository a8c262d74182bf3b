import { measureRoute, type PlanPoint, walkRoute } from '../items/index.ts';
import { markRing } from './marking.ts';

/** A shape along which lights are laid, each place reckoned from the one datum so that no error adds up. */
export type Layout =
  | {
      readonly shape: 'ring';
      readonly centre: PlanPoint;
      readonly radiusMm: number;
      readonly count: number;
      /** Of the first light: from the right, against the clock. */
      readonly startDeg: number;
      readonly clockwise: boolean;
    }
  | {
      readonly shape: 'arc';
      readonly centre: PlanPoint;
      readonly radiusMm: number;
      /** A light at each end. */
      readonly count: number;
      readonly startDeg: number;
      /** From the first light to the last. */
      readonly sweepDeg: number;
      readonly clockwise: boolean;
    }
  | { readonly shape: 'row'; readonly from: PlanPoint; readonly to: PlanPoint; readonly count: number }
  | {
      readonly shape: 'grid';
      /** The middle of all of it. */
      readonly centre: PlanPoint;
      readonly columns: number;
      readonly rows: number;
      readonly acrossMm: number;
      readonly downMm: number;
      /** Every second row runs back. */
      readonly snakes: boolean;
    }
  | { readonly shape: 'line'; readonly route: readonly PlanPoint[]; readonly count: number };

const steps = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => (count === 1 ? 0.5 : i / (count - 1)));

function onArc(layout: Extract<Layout, { shape: 'arc' }>): PlanPoint[] {
  const { centre, radiusMm, count, startDeg, sweepDeg, clockwise } = layout;
  return steps(count).map((share) => {
    const angle = ((startDeg + (clockwise ? -1 : 1) * sweepDeg * share) * Math.PI) / 180;
    // Down is up on paper: the picture counts from its top.
    return { xMm: centre.xMm + radiusMm * Math.cos(angle), yMm: centre.yMm - radiusMm * Math.sin(angle) };
  });
}

function inGrid({ centre, columns, rows, acrossMm, downMm, snakes }: Extract<Layout, { shape: 'grid' }>): PlanPoint[] {
  return Array.from({ length: columns * rows }, (_, i) => {
    const [row, along] = [Math.floor(i / columns), i % columns];
    const column = snakes && row % 2 === 1 ? columns - 1 - along : along;
    return {
      xMm: centre.xMm + (column - (columns - 1) / 2) * acrossMm,
      yMm: centre.yMm + (row - (rows - 1) / 2) * downMm,
    };
  });
}

/** The places of a layout in the order of its lights. */
export function layOut(layout: Layout): readonly PlanPoint[] {
  switch (layout.shape) {
    case 'ring':
      return markRing({ ...layout, back: false }).map(({ xMm, yMm }) => ({
        xMm: layout.centre.xMm + xMm,
        yMm: layout.centre.yMm - yMm,
      }));
    case 'arc':
      return onArc(layout);
    case 'row':
      return steps(layout.count).map((share) => ({
        xMm: layout.from.xMm + (layout.to.xMm - layout.from.xMm) * share,
        yMm: layout.from.yMm + (layout.to.yMm - layout.from.yMm) * share,
      }));
    case 'grid':
      return inGrid(layout);
    default: {
      const lengthMm = measureRoute(layout.route);
      return walkRoute(
        layout.route,
        steps(layout.count).map((share) => share * lengthMm),
      );
    }
  }
}

/** Straight distance between the two nearest of these places; infinite for fewer than two. */
export function nearestMm(places: readonly PlanPoint[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (const [i, a] of places.entries())
    for (const b of places.slice(i + 1)) least = Math.min(least, Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm));
  return least;
}
