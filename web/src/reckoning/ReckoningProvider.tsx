import type { Plan } from '@glimmer/core/plan';
import { type ReactNode, useEffect, useRef, useState, useTransition } from 'react';
import { flushSync } from 'react-dom';
import { usePlanStore } from '../state/planStore.ts';
import { ReckonedContext } from './reckonedContext.ts';
import { createReckoner } from './reckoner.ts';
import { type Reckoned, reckonHere } from './reckonPlan.ts';

type Shown = Reckoned | { readonly trouble: unknown };

function openPlan(): Plan {
  const { plan } = usePlanStore.getState();
  if (!plan) throw new Error('No plan is open; this part belongs inside the workbench');
  return plan;
}

/**
 * Gives everything below the plan on the bench together with all that it comes to. An edit is reckoned in a worker and
 * shown in a transition, so that the page answers meanwhile: what is shown is always one state, a moment old at most.
 */
export function ReckoningProvider({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<Shown>(() => reckonHere(openPlan()));
  const [isShowing, showIn] = useTransition();
  // Resolved when what was reckoned last is on the page: only then is the next one begun.
  const onShown = useRef<(() => void) | null>(null);
  const first = useRef(shown);

  useEffect(() => {
    if ('trouble' in first.current) return;
    const reckoner = createReckoner(first.current, {
      onReckoned: (reckoned) =>
        new Promise((resolve) => {
          onShown.current = resolve;
          showIn(() => setShown(reckoned));
        }),
      onTrouble: (trouble) => setShown({ trouble }),
    });
    const ask = ({ plan }: { readonly plan: Plan | null }): void => {
      if (plan) reckoner.ask(plan);
    };
    ask(usePlanStore.getState());
    const leave = usePlanStore.subscribe(ask);
    // Paper can't catch up: what goes onto it is the plan as it stands.
    const catchUp = (): void => {
      const plan = openPlan();
      flushSync(() => setShown((before) => ('plan' in before && before.plan === plan ? before : reckonHere(plan))));
    };
    window.addEventListener('beforeprint', catchUp);
    return () => {
      window.removeEventListener('beforeprint', catchUp);
      leave();
      reckoner.end();
    };
  }, []);
  useEffect(() => {
    if (isShowing) return;
    onShown.current?.();
    onShown.current = null;
  }, [isShowing]);

  if ('trouble' in shown) throw shown.trouble;
  return <ReckonedContext value={shown}>{children}</ReckonedContext>;
}
