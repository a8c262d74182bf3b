import { Worker } from 'node:worker_threads';
import type { Plan } from '@glimmer/core/plan';
import type { Jobs } from './asideJobs.ts';
import type { ShelfFacts } from './shelfFacts.ts';

/** A piece of work for the thread aside, and its answer, by a number of its own. */
export interface AsideJob<K extends keyof Jobs = keyof Jobs> {
  /** Its number, by which the answer is known. */
  readonly job: number;
  /** What is to be done. */
  readonly kind: K;
  readonly input: Parameters<Jobs[K]>[0];
}
/** What a worker sends back: the result, or why there is none. */
export type AsideAnswer =
  | { readonly job: number; readonly result: unknown }
  | { readonly job: number; readonly trouble: string };

/** What takes long, done away from the thread that answers requests. */
export interface Aside {
  /** @throws Error where the work throws, takes too long or is cut off */
  readonly run: <K extends keyof Jobs>(kind: K, input: Parameters<Jobs[K]>[0]) => Promise<ReturnType<Jobs[K]>>;
  /** Ends the worker. */
  readonly close: () => Promise<void>;
}

/** What takes longer than this is given up, rather than let all others wait. */
const MOST_MS = 30_000;

/** A worker thread that does one piece of work after another; one that dies or hangs is replaced. */
export function createAside(script: URL, mostMs = MOST_MS): Aside {
  let worker: Worker | null = null;
  let jobs = 0;
  const stop = async (): Promise<void> => {
    const old = worker;
    worker = null;
    await old?.terminate();
  };
  const run: Aside['run'] = (kind, input) =>
    new Promise((resolve, reject) => {
      worker ??= new Worker(script);
      const here = worker;
      jobs += 1;
      const job = jobs;
      const end = (): void => {
        clearTimeout(timer);
        here.off('message', hear).off('error', fail).off('exit', left);
      };
      const fail = (error: Error): void => {
        void stop();
        end();
        reject(error);
      };
      const left = (): void => fail(new Error('its reckoning was cut off'));
      const hear = (answer: AsideAnswer): void => {
        if (answer.job !== job) return;
        end();
        if ('trouble' in answer) reject(new Error(answer.trouble));
        // The worker answers each kind of work with what that work gives.
        else resolve(answer.result as ReturnType<Jobs[typeof kind]>);
      };
      const timer = setTimeout(() => fail(new Error('it takes too long to reckon')), mostMs);
      here.on('message', hear).on('error', fail).on('exit', left);
      here.postMessage({ job, kind, input } satisfies AsideJob);
    });
  return { run, close: stop };
}

/** Reckons a plan for the shelf; one that can’t be reckoned is told of as broken. */
export const describeAside =
  ({ run }: Aside) =>
  (plan: Plan): Promise<ShelfFacts> =>
    run('describe', plan).catch(
      (error: unknown): ShelfFacts => ({
        state: 'broken',
        trouble: error instanceof Error ? error.message : String(error),
      }),
    );
