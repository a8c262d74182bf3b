import { undo, usePlanStore } from '../state/planStore.ts';
import { tell, untell } from './Toasts.tsx';

/**
 * Says what was just done to the plan, with a way back. The notice goes with the next change: by then the last step
 * back is another one.
 */
export function tellDone(text: string): void {
  const done = usePlanStore.getState().plan;
  const id = tell(text, { undo });
  const stop = usePlanStore.subscribe(({ plan }) => {
    if (plan === done) return;
    stop();
    untell(id);
  });
}
