/** The reading side of plans, apart from `index.ts` so that what only computes need not load the schemas. */

export { findActiveContent } from './activeContent.ts';
export { newestVersion, type PlanProblem, type PlanRead, readPlan, readPlanText } from './read.ts';
export { planSchema } from './schema.ts';
