import { measureRoute, type PlanPoint, walkRoute } from '../items/index.ts';
import { interleave, markRing, ringRoom } from './marking.ts';

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

/** What is to be known of a layout before a hole is drilled. */
export interface LayoutFacts {
  /** From one to the next, middle to middle, at the nearest; infinite for fewer than two. */
  readonly apartMm: number;
  /** Neighbours touch. */
  readonly touches: boolean;
  /** So many a ring has room for; null for any other shape, or while it is not known how wide a light is. */
  readonly room: number | null;
  /** Lights of each group that takes its turn. */
  readonly each: number;
  /** At the seam of a closed ring two of the same group are neighbours. */
  readonly alikeAtSeam: boolean;
  /** A run over the channels shows which way it goes. */
  readonly showsDirection: boolean;
  /** The channels do not come out even where a ring closes: so many lights do, fewer and more. */
  readonly even: { readonly fewer: number; readonly more: number } | null;
}

/**
 * Judges a layout: room, seam and direction.
 * @param options `acrossMm` of one light with its sleeve, null where it is not known; `turns` groups that take turns
 */
export function judgeLayout(
  layout: Layout | null,
  places: readonly PlanPoint[],
  options: { readonly acrossMm: number | null; readonly channels: number; readonly turns: number },
): LayoutFacts {
  const { acrossMm, channels, turns } = options;
  const each = Math.ceil(places.length / turns);
  const { missingAtSeam, showsDirection } = interleave(each, channels, null);
  const apartMm = nearestMm(places);
  const isClosed = layout?.shape === 'ring';
  return {
    apartMm,
    touches: acrossMm !== null && apartMm < acrossMm,
    room: isClosed && acrossMm !== null ? ringRoom.reckon({ r: layout.radiusMm, s: acrossMm }) : null,
    each,
    alikeAtSeam: turns > 1 && isClosed && places.length % turns !== 0,
    showsDirection,
    even:
      channels > 1 && isClosed && missingAtSeam.length > 0
        ? { fewer: each - (each % channels), more: each - (each % channels) + channels }
        : null,
  };
}
