import { parentPort } from 'node:worker_threads';
import { readArchive, writeArchive } from './archive.ts';
import type { AsideAnswer, AsideJob } from './aside.ts';
import { readBody } from './bodies.ts';
import { describeForShelf } from './shelfFacts.ts';

/** What is done aside, by name. */
export const jobs = { describe: describeForShelf, read: readBody, pack: writeArchive, unpack: readArchive } as const;
export type Jobs = typeof jobs;

parentPort?.on('message', ({ job, kind, input }: AsideJob) => {
  let answer: AsideAnswer;
  try {
    // Each job comes with the input of its kind.
    answer = { job, result: (jobs[kind] as (input: unknown) => unknown)(input) };
  } catch (error) {
    answer = { job, trouble: error instanceof Error ? error.message : String(error) };
  }
  parentPort?.postMessage(answer);
});
