/** Where a figure comes from, from best known to least. `overruled` is the maker's own word against the sum. */
export type Origin = 'measured' | 'data sheet' | 'typical' | 'guess' | 'overruled';

/**
 * A number that may be known well or badly. `spread` is the half-width, in the same unit, inside which
 * about 95 in 100 of such parts lie.
 */
export interface Figure {
  readonly likely: number;
  readonly spread: number;
  readonly origin: Origin;
}

/** A figure that is usual for the kind of part. */
export const typical = (likely: number, spread: number): Figure => ({ likely, spread, origin: 'typical' });
