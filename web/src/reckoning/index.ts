/** What the plan on the bench comes to: reckoned in a worker, shown as one state. */

export { ReckoningProvider } from './ReckoningProvider.tsx';
export { reckonedNow, useIsBehind, usePlan, useReckoned } from './reckonedContext.ts';
export { useHeld } from './useHeld.ts';
