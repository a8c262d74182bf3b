/** Parts tried in the plan, each in the stead of the one that is chosen: what a plan with it would be told. */

export { type TriedPart, tryParts } from './tryParts.ts';
