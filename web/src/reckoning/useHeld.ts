import type { Plan } from '@glimmer/core/plan';
import { useContext, useState } from 'react';
import { usePlanStore } from '../state/planStore.ts';
import { ReckonedContext } from './reckonedContext.ts';

/** Counts the states that the plan on the bench comes to, and knows the turn at which each did so last. */
function countTurns() {
  const turns = new WeakMap<Plan, number>();
  let turn = 0;
  usePlanStore.subscribe(({ plan }, before) => {
    if (!plan || plan === before.plan) return;
    turn += 1;
    turns.set(plan, turn);
  });
  return { now: () => turn, of: (plan: Plan) => turns.get(plan) ?? 0 };
}

const turns = countTurns();

/**
 * What a control stands at: what a hand has just set it to, until the plan that is shown has caught up with it.
 * @param value as the plan that is shown has it
 * @param commit changes the plan
 */
export function useHeld<T>(value: T, commit: (value: T) => void): readonly [T, (value: T) => void] {
  const reckoned = useContext(ReckonedContext);
  const [held, setHeld] = useState<{ readonly value: T; readonly turn: number } | null>(null);
  const isAhead = held !== null && reckoned !== null && turns.of(reckoned.plan) < held.turn;
  return [
    isAhead ? held.value : value,
    (next) => {
      commit(next);
      setHeld({ value: next, turn: turns.now() });
    },
  ];
}
