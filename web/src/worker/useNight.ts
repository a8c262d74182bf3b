import type { Design } from '@glimmer/core/plan';
import { proxy, type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { NightApi, NightCurves } from './nightWorker.ts';

/** A worker that lives as long as the sheet that uses it. */
function useNightWorker(): React.RefObject<Remote<NightApi> | null> {
  const remote = useRef<Remote<NightApi> | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('./nightWorker.ts', import.meta.url), { type: 'module' });
    remote.current = wrap<NightApi>(worker);
    return () => {
      remote.current = null;
      worker.terminate();
    };
  }, []);
  return remote;
}

/** How far the sampling of many nights is. */
export type Sampling =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly done: number; readonly of: number }
  | { readonly kind: 'done'; readonly hours: readonly number[] };

/** So many tell nineteen in twenty well enough, and take some seconds. */
export const SAMPLED_NIGHTS = 300;

/** The evening of a design, played in a worker, and the sampling of many nights with progress and cancel. */
export function useNight(
  design: Design,
  sourceId: string | null,
): {
  /** Null until they are played. */
  readonly curves: NightCurves | null;
  readonly sampling: Sampling;
  /** Begins many nights. */
  readonly sample: () => void;
  /** Stops them. */
  readonly cancel: () => void;
} {
  const remote = useNightWorker();
  const [curves, setCurves] = useState<NightCurves | null>(null);
  const [sampling, setSampling] = useState<Sampling>({ kind: 'idle' });
  const turn = useRef(0);

  useEffect(() => {
    let current = true;
    turn.current += 1;
    setSampling({ kind: 'idle' });
    if (sourceId !== null) remote.current?.play(design, sourceId).then((next) => current && setCurves(next));
    return () => {
      current = false;
    };
  }, [design, sourceId, remote]);

  const sample = (): void => {
    if (sourceId === null) return;
    turn.current += 1;
    const mine = turn.current;
    setSampling({ kind: 'running', done: 0, of: SAMPLED_NIGHTS });
    const onProgress = proxy((done: number): Promise<boolean> => {
      if (turn.current !== mine) return Promise.resolve(false);
      setSampling({ kind: 'running', done, of: SAMPLED_NIGHTS });
      return Promise.resolve(true);
    });
    remote.current?.sample(design, sourceId, SAMPLED_NIGHTS, onProgress).then((hours) => {
      if (turn.current === mine) setSampling(hours ? { kind: 'done', hours } : { kind: 'idle' });
    });
  };
  const cancel = (): void => {
    turn.current += 1;
    setSampling({ kind: 'idle' });
  };
  return { curves, sampling, sample, cancel };
}
