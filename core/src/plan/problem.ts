/** What is wrong with a plan file, at which place, in words. */
export interface PlanProblem {
  readonly place: string;
  readonly message: string;
}
