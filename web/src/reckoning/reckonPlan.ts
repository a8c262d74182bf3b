import { type Assessment, assess, assessAndTell, type Searches } from '@glimmer/core/assess';
import { listRebuilds, listSteps, type StepProgress, trackSteps } from '@glimmer/core/bench';
import { checkPlan } from '@glimmer/core/findings';
import type { Finding } from '@glimmer/core/items';
import type { Plan } from '@glimmer/core/plan';

/** What of a plan is reckoned: the rest of it changes no figure. */
export type Reckonable = Pick<Plan, 'design' | 'bench'>;

/** What of a plan takes long to reckon, as plain data that a worker can send. */
export interface FarReckoned {
  /** What takes longest. */
  readonly searches: Searches;
  /** The gravest first. */
  readonly findings: readonly Finding[];
  /** Where the build stands. */
  readonly progress: readonly StepProgress[];
}

/** A plan with all that it comes to. */
export interface Reckoned {
  /** The very plan that all of this is of. */
  readonly plan: Plan;
  /** Of that very plan. */
  readonly assessment: Assessment;
  /** The gravest first. */
  readonly findings: readonly Finding[];
  /** Where the build stands, step by step. */
  readonly progress: readonly StepProgress[];
  /** Not done yet. */
  readonly stepsLeft: number;
}

/** The slow part: what is searched for, what is found amiss, and the steps of the bench. */
export function reckonFar({ design, bench }: Reckonable): FarReckoned {
  const { assessment, searches } = assessAndTell(design);
  return {
    searches,
    findings: checkPlan({ design, bench }, assessment),
    progress: trackSteps(listSteps(design, assessment), bench, listRebuilds(bench, design, assessment)),
  };
}

const stepsLeft = (progress: readonly StepProgress[]): number => progress.filter((each) => !each.done).length;

/** All that a plan comes to, from its slow part. */
export function reckonNear(plan: Plan, { searches, findings, progress }: FarReckoned): Reckoned {
  const assessment = assess(plan.design, undefined, searches);
  return { plan, assessment, findings, progress, stepsLeft: stepsLeft(progress) };
}

/** All that a plan comes to, reckoned here and now. */
export const reckonHere = (plan: Plan): Reckoned => reckonNear(plan, reckonFar(plan));

/** Whether two states of a plan come to the same. */
export const isSameWork = (a: Reckonable, b: Reckonable): boolean => a.design === b.design && a.bench === b.bench;
