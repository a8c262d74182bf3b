import type { Item } from './types.ts';

/** How long what makes heat is at work at a time, in seconds, as the maker said it; undefined for good. */
export const atATimeS = (item: Item): number | undefined =>
  'litS' in item ? item.litS : 'runS' in item ? item.runS : undefined;

/** What of that which softens holds an item or lies beside it; undefined where nothing does. */
export const heldByOf = (item: Item) => ('heldBy' in item ? item.heldBy : undefined);
