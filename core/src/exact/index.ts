export type { Condition } from './condition.ts';
export { drawNetwork, type ExactNetwork, NoSuchCondition } from './network.ts';
export type { ExactNode } from './nodes.ts';
