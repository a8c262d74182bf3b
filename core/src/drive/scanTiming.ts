import type { ControllerPart } from '../parts/index.ts';

/** How a program scans: its clock of equal ticks, and what of each turn is dark or lost. */
export interface ScanTiming {
  /** Ticks of the least step of light; 255 of them are full light in one turn. 0 where its board file says. */
  readonly unitTicks: number;
  /** Whole pictures a second. */
  readonly picturesPerS: number;
  /** Share of a turn in which a light at full is lit; the rest is dark between two turns. */
  readonly litOfTurn: number;
  /** Share of the chip's time that is gone with it. */
  readonly ofChip: number;
}

/** Below this the eye sees it flicker, and cameras below the other. */
export const FLICKERS_BELOW_HZ = 100;
/** Cameras see a flicker below so many pictures a second. */
export const FILMED_BELOW_HZ = 400;

/** Aimed at: a fourth more than the eye asks. */
const WANTED_PER_S = 1.25 * FLICKERS_BELOW_HZ;
/** The shortest step of light that is exact, and the longest. */
const USUAL_UNIT_TICKS = [2, 200] as const;
/** Steps of light in a turn at full. */
const FULL = 255;

/** A turn is eight steps, each twice as long as the one before: short ones are waited for in one interrupt, each longer one has its own, and so has the dark. */
function cyclesOfTurn(
  { ticksPerS, shortTicks, cyclesAnInterrupt }: NonNullable<ControllerPart['scan']>,
  unitTicks: number,
  clockMhz: number,
): number {
  const waited = Math.max(0, Math.min(STEPS / 2, Math.floor(Math.log2(shortTicks / unitTicks)) + 1));
  const waitedTicks = unitTicks * (2 ** waited - 1);
  return cyclesAnInterrupt * (STEPS + 1 - waited) + (waitedTicks * clockMhz * 1e6) / ticksPerS;
}

/** Bits of a light’s byte: each has a step of its own. */
const STEPS = 8;

/**
 * The times of a scan on a board: the longest step of light with which the pictures wanted fit into a second.
 * @example 8 turns on 2,000,000 ticks a second, 40 of them dark: 7 ticks, 255 · 7 + 40 = 1825 a turn, 137 pictures a second
 */
export function timeScan({ scan, clockMhz }: Pick<ControllerPart, 'scan' | 'clockMhz'>, turns: number): ScanTiming {
  // What a board file to be filled in has to reach: its template asks for it.
  if (!scan) return { unitTicks: 0, picturesPerS: WANTED_PER_S, litOfTurn: 1, ofChip: 0 };
  const { ticksPerS, darkTicks, unitTicks: [least, most] = USUAL_UNIT_TICKS } = scan;
  const wanted = Math.floor((ticksPerS / (WANTED_PER_S * turns) - darkTicks) / FULL);
  const unitTicks = Math.max(least, Math.min(most, wanted));
  const turnTicks = FULL * unitTicks + darkTicks;
  return {
    unitTicks,
    picturesPerS: ticksPerS / turnTicks / turns,
    litOfTurn: (FULL * unitTicks) / turnTicks,
    ofChip: Math.min(0.9, cyclesOfTurn(scan, unitTicks, clockMhz) / ((clockMhz * 1e6 * turnTicks) / ticksPerS)),
  };
}
