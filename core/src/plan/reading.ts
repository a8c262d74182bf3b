/** The reading side of plans, apart from `index.ts` so that what only computes need not load the schemas. */
export { newestVersion, type PlanProblem, type PlanRead, readPlan, readPlanText } from './read.ts';
export { findActiveContent } from './references.ts';
export { planSchema } from './schema.ts';
