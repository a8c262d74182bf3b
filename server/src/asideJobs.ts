import { readArchive, writeArchive } from './archive.ts';
import { readBody } from './bodies.ts';
import { describeForShelf } from './shelfFacts.ts';

/** What is done aside, by name. */
export const jobs = { describe: describeForShelf, read: readBody, pack: writeArchive, unpack: readArchive } as const;
/** What can be done aside, by name. */
export type Jobs = typeof jobs;
