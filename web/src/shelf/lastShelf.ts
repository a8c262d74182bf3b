import { get, set } from 'idb-keyval';
import type { ShelfEntry } from '../state/api.ts';

const KEY = 'shelf';

/** The shelf as it was seen last, for when the server is away: a browser that keeps nothing has none. */
export const lastShelf = {
  note: (entries: readonly ShelfEntry[]): void => void set(KEY, entries).catch(() => undefined),
  read: async (): Promise<readonly ShelfEntry[]> =>
    (await get<readonly ShelfEntry[]>(KEY).catch(() => undefined)) ?? [],
};
