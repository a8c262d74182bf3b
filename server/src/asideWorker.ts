import { parentPort } from 'node:worker_threads';
import type { AsideAnswer, AsideJob } from './aside.ts';
import { jobs } from './asideJobs.ts';

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
