/** Where a figure comes from, from best known to least. `overruled` is the maker's own word against the sum. */
export type Origin = 'measured' | 'data sheet' | 'typical' | 'guess' | 'overruled';

/**
 * A number that may be known well or badly. `spread` is the half-width, in the same unit, inside which
 * about 95 in 100 of such parts lie.
 */
export interface Figure {
  /** In base units; null where something is still to be decided. */
  readonly likely: number;
  readonly spread: number;
  readonly origin: Origin;
}

/** A figure that is usual for the kind of part. */
export const typical = (likely: number, spread: number): Figure => ({ likely, spread, origin: 'typical' });

/** How far off a stated figure is by where it is from, as a share: a measured one least. */
const statedSpread: Readonly<Record<Origin, number>> = {
  measured: 0.05,
  'data sheet': 0.1,
  typical: 0.1,
  guess: 0.2,
  overruled: 0.1,
};

/** A figure as the maker states it: what is typed is a guess until they say where it is from. */
export const stateFigure = (likely: number, origin: Origin): Figure => ({
  likely,
  spread: likely * statedSpread[origin],
  origin,
});
