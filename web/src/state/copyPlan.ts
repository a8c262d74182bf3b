import type { Plan } from '@glimmer/core/plan';

/** The same plan under a new id and name. */
export function copyPlan(plan: Plan, name: string): Plan {
  return { ...plan, id: crypto.randomUUID(), name };
}
