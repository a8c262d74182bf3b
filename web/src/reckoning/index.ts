/** What the plan on the bench comes to: reckoned in a worker, shown as one state. */

export { ReckoningProvider } from './ReckoningProvider.tsx';
export { useIsBehind, usePlan, useReckoned } from './reckonedContext.ts';
export { useReckonedNow } from './reckonedNow.ts';
export type { Reckoned } from './reckonPlan.ts';
export { useHeld } from './useHeld.ts';
