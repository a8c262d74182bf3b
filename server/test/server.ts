import { createApp } from '../src/app.ts';
import type { Aside } from '../src/aside.ts';
import { jobs } from '../src/asideJobs.ts';
import type { Events } from '../src/events.ts';
import { createExamples, type Examples } from '../src/examples.ts';
import type { Shelf } from '../src/shelf.ts';
import type { Store } from '../src/store.ts';

/** What is done aside, done here. */
export const asideHere: Pick<Aside, 'run'> = {
  run: (kind, input) =>
    new Promise((resolve) => {
      // Each job takes the input of its kind, and gives what that kind gives.
      resolve((jobs[kind] as (input: unknown) => unknown)(input) as never);
    }),
};

/** The server over a store, in this thread. */
export const appOver = (options: {
  readonly store: Pick<Store, 'repository' | 'belongings' | 'alone'>;
  readonly shelf: Shelf;
  readonly events: Events;
  readonly examples?: Examples;
  readonly now: () => Date;
  readonly onError?: (...told: unknown[]) => void;
  readonly aside?: Pick<Aside, 'run'>;
}): ReturnType<typeof createApp> =>
  createApp({
    aside: asideHere,
    archivist: asideHere,
    examples: createExamples(null, () => Promise.reject(new Error('nothing is offered'))),
    ...options,
    logger: { error: options.onError ?? (() => undefined), info: () => undefined },
    webRoot: null,
  });
