import type { Plan } from '@glimmer/core/plan';
import { useContext, useState } from 'react';
import { usePlanStore } from '../state/planStore.ts';
import { ReckonedContext } from './reckonedContext.ts';

/** Every state that the plan on the bench came to, by the turn at which it did so last. */
const turns = new WeakMap<Plan, number>();
let turn = 0;
usePlanStore.subscribe(({ plan }, before) => {
  if (!plan || plan === before.plan) return;
  turn += 1;
  turns.set(plan, turn);
});

/**
 * What a control stands at: what a hand has just set it to, until the plan that is shown has caught up with it.
 * @param value as the plan that is shown has it
 * @param commit changes the plan
 */
export function useHeld<T>(value: T, commit: (value: T) => void): readonly [T, (value: T) => void] {
  const reckoned = useContext(ReckonedContext);
  const [held, setHeld] = useState<{ readonly value: T; readonly turn: number } | null>(null);
  const isAhead = held !== null && reckoned !== null && (turns.get(reckoned.plan) ?? 0) < held.turn;
  return [
    isAhead ? held.value : value,
    (next) => {
      commit(next);
      setHeld({ value: next, turn });
    },
  ];
}
