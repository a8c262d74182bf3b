import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { once } from '../state/once.ts';
import type { LogbookApi } from './logbookWorker.ts';

/** One worker for the whole page, begun when it is first asked. */
const logbook = once(() => ({
  remote: wrap<LogbookApi>(new Worker(new URL('./logbookWorker.ts', import.meta.url), { type: 'module' })),
}));

/**
 * What the logbook’s worker answers; undefined until it has answered what is asked now.
 * @param ask the same function for as long as the same is asked
 */
export function useLogbook<T>(ask: (logbook: Remote<LogbookApi>) => Promise<T>): T | undefined {
  const [answer, setAnswer] = useState<{ readonly to: unknown; readonly value: T } | null>(null);
  const [trouble, setTrouble] = useState<{ readonly with: unknown; readonly error: unknown } | null>(null);
  useEffect(() => {
    let isAsked = true;
    void ask(logbook().remote).then(
      (value) => isAsked && setAnswer({ to: ask, value }),
      (error: unknown) => isAsked && setTrouble({ with: ask, error }),
    );
    return () => {
      isAsked = false;
    };
  }, [ask]);
  // For the boundary around the sheet, as if it had been reckoned here.
  if (trouble?.with === ask) throw trouble.error;
  return answer?.to === ask ? answer.value : undefined;
}
