import type { OwnPart, StockItem } from '../parts/index.ts';
import type { Units } from '../units/index.ts';

/** A card on the desk of quick sums: which sum, and what stands in its fields, just as it was typed. */
export interface DeskCard {
  readonly id: string;
  /** By its name on the command line. */
  readonly sum: string;
  /** What was typed, by the keys of the inputs. */
  readonly texts: Readonly<Record<string, string>>;
}

/** What a workshop has beside its plans. */
export interface Belongings {
  /** Cards, from the top left. */
  readonly desk: readonly DeskCard[];
  /** The maker’s own stock. */
  readonly drawer: readonly StockItem[];
  readonly 'own-parts': readonly OwnPart[];
  /** The units that the maker reads; none until they choose. */
  readonly units: readonly Units[];
}
/** One of the things that a workshop keeps beside its plans. */
export type BelongingName = keyof Belongings;

/** One belonging of a known name, as its name says. */
export type BelongingOf<N extends BelongingName> = Belongings[N];

/** By what two entries of a belonging are the same. */
const keys: { readonly [N in BelongingName]: (entry: Belongings[N][number]) => string } = {
  desk: ({ id }) => id,
  drawer: ({ kind, name, condition }) => JSON.stringify([kind, name, condition]),
  'own-parts': ({ id }) => id,
  // There is one choice: of two, mine is kept.
  units: () => 'units',
};

/** All of them. */
export const belongingNames = Object.keys(keys) as readonly BelongingName[];
/** Whether a word names one. */
export const isBelonging = (name: string): name is BelongingName => belongingNames.some((each) => each === name);

/**
 * Two states of one belonging as one, when both have changed: nothing that either holds is left out, and of what both
 * hold under one name mine is kept.
 */
export function joinBelongings<N extends BelongingName>(
  name: N,
  mine: BelongingOf<N>,
  other: BelongingOf<N>,
): BelongingOf<N> {
  // Every entry of a list is of the name that its key is of.
  const keyOf = keys[name] as (entry: unknown) => string;
  const had = new Set(mine.map(keyOf));
  return [...mine, ...other.filter((entry) => !had.has(keyOf(entry)))] as unknown as BelongingOf<N>;
}
