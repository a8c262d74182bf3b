import { type LedCurve, solveString } from '../circuit/index.ts';

/** Lights in series with a resistor. */
export interface Loop {
  readonly curve: LedCurve;
  readonly inSeries: number;
  readonly ohm: number;
  /** In a pin or transistor that all lights of a channel share. */
  readonly sharedOhm: number;
  readonly dropV: number;
  /** The driver that holds its current, and what that needs for itself. */
  readonly heldA: number | null;
  readonly dropOutV: number;
}

/** Current of one loop of a channel with this many lights, from this voltage. */
export function loopCurrentA(loop: Loop, lights: number, volts: number): number {
  if (loop.heldA !== null) {
    const free = solveString({
      supplyV: volts,
      curve: loop.curve,
      count: loop.inSeries,
      resistanceOhm: loop.dropOutV / loop.heldA + loop.ohm,
    });
    return Math.min(loop.heldA, free);
  }
  return solveString({
    supplyV: volts,
    curve: loop.curve,
    count: loop.inSeries,
    resistanceOhm: loop.ohm + loop.sharedOhm * lights,
    switchDropV: loop.dropV,
  });
}
