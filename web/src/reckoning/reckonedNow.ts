import { usePlanStore } from '../state/planStore.ts';
import { useReckoned } from './reckonedContext.ts';
import { type Reckoned, reckonHere } from './reckonPlan.ts';

/** Gives what the plan comes to at the very moment of asking: what leaves the page is never behind an edit. */
export function useReckonedNow(): () => Reckoned {
  const shown = useReckoned();
  return () => {
    const { plan } = usePlanStore.getState();
    return plan === null || plan === shown.plan ? shown : reckonHere(plan);
  };
}
