import { parentPort } from 'node:worker_threads';
import type { ReckonAnswer, ReckonJob } from './reckoner.ts';
import { describeForShelf } from './shelfFacts.ts';

parentPort?.on('message', ({ job, plan }: ReckonJob) => {
  parentPort?.postMessage({ job, facts: describeForShelf(plan) } satisfies ReckonAnswer);
});
