import type { Units } from './system.ts';

/** Ticks of a ruler along a picture: how far apart, and the number that stands at the one of this place. */
export interface Ruler {
  /** From tick to tick. */
  readonly stepMm: number;
  readonly unit: Units['length'];
  /** What stands at a tick. */
  readonly numberAt: (tick: number) => number;
}

const MOST_TICKS = 50;
const steps = [0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000];

/** The finest ruler whose ticks along so much can still be told apart. @example 640 mm: every 20 mm, or every inch */
export function rulerFor(spanMm: number, { length: unit }: Units): Ruler {
  const unitMm = unit === 'in' ? 25.4 : 1;
  const step = steps.find((each) => spanMm / (each * unitMm) <= MOST_TICKS) ?? 5000;
  return { stepMm: step * unitMm, unit, numberAt: (tick) => tick * step };
}
