import { Worker } from 'node:worker_threads';
import type { Plan } from '@glimmer/core/plan';
import type { ShelfFacts } from './shelfFacts.ts';

/** What reckons plans away from the thread that answers requests. */
export interface Reckoner {
  readonly describe: (plan: Plan) => Promise<ShelfFacts>;
  readonly close: () => Promise<void>;
}

/** A plan to be reckoned, and its answer, by a number of its own. */
export interface ReckonJob {
  readonly job: number;
  readonly plan: Plan;
}
export interface ReckonAnswer {
  readonly job: number;
  readonly facts: ShelfFacts;
}

/** A plan that takes longer than this is said to be broken, rather than let all others wait. */
const MOST_MS = 30_000;

/** A worker thread that reckons one plan after another; one that dies or hangs is replaced, and its plan told of. */
export function createReckoner(script: URL): Reckoner {
  let worker: Worker | null = null;
  let jobs = 0;
  const stop = async (): Promise<void> => {
    const old = worker;
    worker = null;
    await old?.terminate();
  };
  const describe = (plan: Plan): Promise<ShelfFacts> =>
    new Promise((resolve) => {
      worker ??= new Worker(script);
      const here = worker;
      jobs += 1;
      const job = jobs;
      const done = (facts: ShelfFacts): void => {
        clearTimeout(timer);
        here.off('message', hear).off('error', fail).off('exit', left);
        resolve(facts);
      };
      const fail = (error: Error): void => {
        void stop();
        done({ state: 'broken', trouble: error.message });
      };
      const left = (): void => fail(new Error('its reckoning was cut off'));
      const hear = (answer: ReckonAnswer): void => {
        if (answer.job === job) done(answer.facts);
      };
      const timer = setTimeout(() => fail(new Error('it takes too long to reckon')), MOST_MS);
      here.on('message', hear).on('error', fail).on('exit', left);
      here.postMessage({ job, plan } satisfies ReckonJob);
    });
  return { describe, close: stop };
}
