import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Weave, WeaveApi, WeaveOrder } from './weaveWorker.ts';

/**
 * Ribbons and current of a mood, woven in a worker: the last ones stay until the next are done, and of many asked for
 * while one is being made only the newest is. Null until the first is done.
 */
export function useWeave(order: WeaveOrder): Weave | null {
  const remote = useRef<Remote<WeaveApi> | null>(null);
  const waiting = useRef<WeaveOrder | null>(null);
  const busy = useRef(false);
  const [weave, setWeave] = useState<Weave | null>(null);

  useEffect(() => {
    const worker = new Worker(new URL('./weaveWorker.ts', import.meta.url), { type: 'module' });
    remote.current = wrap<WeaveApi>(worker);
    return () => {
      remote.current = null;
      busy.current = false;
      worker.terminate();
    };
  }, []);

  const { show, rail, moodIndex, spanS, columns, mostRows } = order;
  useEffect(() => {
    const next = async (): Promise<void> => {
      const [asked, maker] = [waiting.current, remote.current];
      if (busy.current || !asked || !maker) return;
      busy.current = true;
      waiting.current = null;
      const made = await maker.weave(asked);
      // The sheet may have gone meanwhile.
      if (remote.current !== maker) return;
      busy.current = false;
      setWeave(made);
      await next();
    };
    waiting.current = { show, rail, moodIndex, spanS, columns, mostRows };
    void next();
  }, [show, rail, moodIndex, spanS, columns, mostRows]);
  return weave;
}
