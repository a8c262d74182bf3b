import type { Plan } from '@glimmer/core/plan';
import { createContext, useContext } from 'react';
import { usePlanStore } from '../state/planStore.ts';
import type { Reckoned } from './reckonPlan.ts';

/** The plan that is shown with all that it comes to; null outside the workbench. */
export const ReckonedContext = createContext<Reckoned | null>(null);

/** What the plan on the bench comes to. */
export function useReckoned(): Reckoned {
  const reckoned = useContext(ReckonedContext);
  if (!reckoned) throw new Error('useReckoned belongs inside the workbench');
  return reckoned;
}

/** The plan on the bench as it is shown, for parts of the interface that only exist while there is one. */
export const usePlan = (): Plan => useReckoned().plan;

/** True while the plan has been changed and what is shown is still what it came to before. */
export function useIsBehind(): boolean {
  const { plan } = useReckoned();
  return usePlanStore((state) => state.plan) !== plan;
}
