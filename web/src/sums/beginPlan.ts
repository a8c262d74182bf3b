import { createPlan, emptyDesign, type Plan } from '@glimmer/core/plan';
import type { QuickSum, Values } from '@glimmer/core/sums';
import { api } from '../state/api.ts';

const newId = (): string => crypto.randomUUID();

/** A plan with what a sum reckoned in it. */
export const putInto = (plan: Plan, sum: QuickSum, values: Values): Plan => ({
  ...plan,
  design: sum.intoDesign?.(plan.design, values, newId) ?? plan.design,
});

/** A new plan on the shelf that begins with what a sum reckoned. */
export async function beginPlan(sum: QuickSum, values: Values): Promise<Plan> {
  const fresh = createPlan({ id: newId(), name: sum.title, design: emptyDesign });
  return (await api.add(putInto(fresh, sum, values))).plan;
}

const stageOfGroup: Readonly<Record<QuickSum['group'], string>> = {
  lights: 'lights',
  drive: 'lights',
  power: 'power',
  wires: 'power',
  'heat and make': 'piece',
};

/** Where in the plan what was put in is seen. */
export const stageOfSum = (sum: QuickSum): string => (sum.name === 'fit' ? 'piece' : stageOfGroup[sum.group]);
