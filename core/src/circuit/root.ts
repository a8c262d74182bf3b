/**
 * The zero of a rising function between two bounds, by Newton's steps kept inside a shrinking bracket.
 * Converges on every continuous rising function; gives the nearer bound where there is no zero between them.
 */
export function solveRising(options: {
  /** Never falls over the whole range. */
  readonly value: (x: number) => number;
  /** Its derivative; where it is 0 the range is halved. */
  readonly slope: (x: number) => number;
  /** Lower end of the range. */
  readonly low: number;
  /** Upper end of it. */
  readonly high: number;
  /** How near a root is near enough, in x. */
  readonly tolerance: number;
}): number {
  let { low, high } = options;
  if (options.value(low) >= 0) return low;
  if (options.value(high) <= 0) return high;
  let x = (low + high) / 2;
  for (let i = 0; i < 200 && high - low > options.tolerance; i += 1) {
    const y = options.value(x);
    if (y > 0) high = x;
    else low = x;
    const next = x - y / options.slope(x);
    if (Math.abs(next - x) < options.tolerance / 4 && next > low && next < high) return next;
    x = next > low && next < high ? next : (low + high) / 2;
  }
  return x;
}
