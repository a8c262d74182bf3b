import type { Design } from '@glimmer/core/plan';
import type { TriedPart } from '@glimmer/core/trial';
import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Trial, TrialApi } from './trialWorker.ts';

/** How far a list of parts is tried. */
export interface TrialState {
  readonly done: number;
  /** The parts can’t be tried: the worker’s script is not to be had, or the plan can’t be reckoned. */
  readonly failed: boolean;
  /** By the part; empty until all are tried, since what every one is told speaks against none. */
  readonly tried: ReadonlyMap<string, TriedPart>;
}

const untried: TrialState = { done: 0, failed: false, tried: new Map() };

/**
 * Tries every part of a list in the plan, in a worker, while the list is open.
 * @param trial null while nobody asks
 */
export function useTrial(design: Design, trial: Trial | null): TrialState {
  const [state, setState] = useState(untried);
  const asked = trial && JSON.stringify(trial);
  useEffect(() => {
    if (asked === null) return;
    setState(untried);
    const worker = new Worker(new URL('./trialWorker.ts', import.meta.url), { type: 'module' });
    const fail = (): void => setState({ ...untried, failed: true });
    worker.addEventListener('error', fail);
    const remote = wrap<TrialApi>(worker);
    const told = (done: number): void => setState((now) => (done > now.done ? { ...now, done } : now));
    void remote
      .tryParts(design, JSON.parse(asked) as Trial, proxy(told))
      .then((tried) =>
        setState({ done: tried.length, failed: false, tried: new Map(tried.map((each) => [each.partId, each])) }),
      )
      .catch(fail);
    return () => worker.terminate();
  }, [design, asked]);
  return trial ? state : untried;
}
