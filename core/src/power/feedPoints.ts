import { solveLadder } from '../circuit/index.ts';

/** An even tape of pixels with what feeds it. */
export interface EvenTape {
  /** At the far end of each feed’s lead. */
  readonly supplyV: number;
  readonly pixels: number;
  /** Full draw of one pixel. */
  readonly pixelA: number;
  /** Both rails together, from pixel to pixel. */
  readonly pitchOhm: number;
  /** Each feed's lead, out and back. */
  readonly leadOhm: number;
  /** Above it a pixel draws all it asks for. */
  readonly fullAboveV: number;
  /** At it a pixel draws nothing any more. */
  readonly endsAtV: number;
}

/** Voltage at every pixel with feeds at these places (0 … pixels − 1), each with the lead of the tape or with its own. */
export function tapeVoltages(
  tape: EvenTape,
  at: readonly number[],
  leadsOhm: readonly number[] = [],
): { readonly voltageV: readonly number[]; readonly totalA: number; readonly feedA: readonly number[] } {
  const rail = new Array<number>(tape.pixels).fill(tape.pitchOhm / 2);
  const solved = solveLadder({
    supplyV: tape.supplyV,
    plusOhm: rail,
    minusOhm: rail,
    loadA: new Array<number>(tape.pixels).fill(tape.pixelA),
    feeds: at.map((place, i) => ({ at: place, rail: 'both' as const, leadOhm: (leadsOhm[i] ?? tape.leadOhm) / 2 })),
    fullAboveV: tape.fullAboveV,
    endsAtV: tape.endsAtV,
  });
  return { voltageV: [...solved.voltageV], totalA: solved.totalA, feedA: solved.feedA };
}

/** Places that share an even tape evenly: each feed in the middle of its part. */
export const evenFeeds = (pixels: number, feeds: number): readonly number[] =>
  [...new Set(Array.from({ length: feeds }, (_, i) => Math.floor(((2 * i + 1) * pixels) / (2 * feeds))))].map((at) =>
    Math.min(pixels - 1, at),
  );

/**
 * The fewest feeds that keep every pixel of an even tape at or above a voltage, each in the middle of its part, which
 * for an even load is the best place there is. Null where even a feed at each pixel is not enough.
 */
export function fewestFeeds(
  tape: EvenTape,
  leastV: number,
): { readonly at: readonly number[]; readonly leastV: number } | null {
  const lowest = (at: readonly number[]): number => Math.min(...tapeVoltages(tape, at).voltageV);
  // What a feed at every pixel does not keep up nothing does.
  if (lowest(evenFeeds(tape.pixels, tape.pixels)) < leastV) return null;
  // Twice as many until they are enough, then between: one less than what is found is not enough.
  let [few, enough] = [0, 1];
  while (enough < tape.pixels && lowest(evenFeeds(tape.pixels, enough)) < leastV) [few, enough] = [enough, 2 * enough];
  while (enough - few > 1) {
    const middle = Math.floor((few + enough) / 2);
    if (lowest(evenFeeds(tape.pixels, middle)) < leastV) few = middle;
    else enough = middle;
  }
  const at = evenFeeds(tape.pixels, enough);
  return { at, leastV: lowest(at) };
}
