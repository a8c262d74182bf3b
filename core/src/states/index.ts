export { type Lever, listLevers, MOST_LEVERS } from './levers.ts';
export { isLive, isWorthATable, type StateTable, tabulateStates } from './table.ts';
export type { PlanState, Trouble } from './walk.ts';
