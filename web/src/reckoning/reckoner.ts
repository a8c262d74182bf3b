import type { Plan } from '@glimmer/core/plan';
import { type Remote, wrap } from 'comlink';
import { latestWins } from './latestWins.ts';
import { isSameWork, type Reckoned, reckonHere, reckonNear } from './reckonPlan.ts';
import type { ReckonApi } from './reckonWorker.ts';

/** Reckons plans, the newest first. */
export interface Reckoner {
  /** Reckons a plan, unless a newer one is asked for before its turn comes. */
  readonly ask: (plan: Plan) => void;
  /** Lets the worker go. */
  readonly end: () => void;
}

interface Told {
  readonly onReckoned: (reckoned: Reckoned) => Promise<void>;
  /** What the plan can't be reckoned for. */
  readonly onTrouble: (trouble: unknown) => void;
}

/** Reckons plans in a worker of its own: here is done only what is quick. */
export function createReckoner(first: Reckoned, { onReckoned, onTrouble }: Told): Reckoner {
  let remote: Remote<ReckonApi> | null = null;
  let done = first;
  const worker = new Worker(new URL('./reckonWorker.ts', import.meta.url), { type: 'module' });
  // A worker whose script can't be had answers nothing: then it is done here.
  const broken = new Promise<null>((resolve) => {
    worker.addEventListener('error', () => {
      remote = null;
      resolve(null);
    });
  });
  remote = wrap<ReckonApi>(worker);

  const reckon = async (plan: Plan): Promise<Reckoned> => {
    if (isSameWork(plan, done.plan)) return { ...done, plan };
    const { design, bench } = plan;
    const far = remote === null ? null : await Promise.race([remote.reckon({ design, bench }), broken]);
    return far === null ? reckonHere(plan) : reckonNear(plan, far);
  };
  const ask = latestWins(async (plan: Plan) => {
    try {
      done = await reckon(plan);
      await onReckoned(done);
    } catch (trouble) {
      onTrouble(trouble);
    }
  });
  return { ask, end: () => worker.terminate() };
}
