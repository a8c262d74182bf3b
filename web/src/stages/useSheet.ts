import type { Assessment } from '@glimmer/core/assess';
import type { Finding } from '@glimmer/core/items';
import type { Design, Plan } from '@glimmer/core/plan';
import { usePlan } from '../state/planStore.ts';
import { useReckoned } from '../state/useAssessment.tsx';

/** What every sheet works with. */
export function useSheet(): {
  readonly plan: Plan;
  readonly design: Design;
  readonly assessment: Assessment;
  readonly findings: readonly Finding[];
} {
  const plan = usePlan();
  return { plan, design: plan.design, ...useReckoned() };
}
