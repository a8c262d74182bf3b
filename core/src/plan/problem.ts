/** What is wrong with a plan file, at which place, in words. */
export interface PlanProblem {
  /** Where in the file, by its fields. */
  readonly place: string;
  /** What was found, what is allowed, what to do. */
  readonly message: string;
}
