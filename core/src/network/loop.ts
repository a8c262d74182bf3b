import { type LedCurve, solveString } from '../circuit/index.ts';

/** Lights in series with a resistor. */
export interface Loop {
  /** Of one light. */
  readonly curve: LedCurve;
  /** Lights one behind the other. */
  readonly inSeries: number;
  /** Resistor and wires. */
  readonly ohm: number;
  /** In a pin or transistor that all lights of a channel share. */
  readonly sharedOhm: number;
  /** Lost in what switches it. */
  readonly dropV: number;
  /** The driver that holds its current, and what that needs for itself. */
  readonly heldA: number | null;
  /** Least that a driver needs across itself; 0 without one. */
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
