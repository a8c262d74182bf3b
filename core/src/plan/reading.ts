/** The reading side of plans, apart from `index.ts` so that what only computes need not load the schemas. */

export { findActiveContent } from './activeContent.ts';
export { describeIssues } from './issueWords.ts';
export { ownPartSchema } from './ownPartSchema.ts';
export type { PlanProblem } from './problem.ts';
export { newestVersion, type PlanRead, readPlan, readPlanText } from './read.ts';
export { planSchema } from './schema.ts';
