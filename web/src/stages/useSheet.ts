import type { Assessment } from '@glimmer/core/assess';
import type { Finding } from '@glimmer/core/items';
import type { Design, Plan } from '@glimmer/core/plan';
import { useReckoned } from '../reckoning/index.ts';

/** What every sheet works with. */
export function useSheet(): {
  readonly plan: Plan;
  readonly design: Design;
  /** Of that very design. */
  readonly assessment: Assessment;
  /** Of all stages, the gravest first. */
  readonly findings: readonly Finding[];
} {
  const { plan, assessment, findings } = useReckoned();
  return { plan, design: plan.design, assessment, findings };
}
