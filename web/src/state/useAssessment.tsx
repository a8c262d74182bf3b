import { type Assessment, assess } from '@glimmer/core/assess';
import { listRebuilds, listSteps, type StepProgress, trackSteps } from '@glimmer/core/bench';
import { checkPlan } from '@glimmer/core/findings';
import type { Finding } from '@glimmer/core/items';
import { createContext, type ReactNode, useContext, useMemo } from 'react';
import { usePlan } from './planStore.ts';

interface Reckoned {
  readonly assessment: Assessment;
  readonly findings: readonly Finding[];
  /** Where the build stands. */
  readonly progress: readonly StepProgress[];
  readonly stepsLeft: number;
}

const ReckonedContext = createContext<Reckoned | null>(null);

/** Reckons the plan on the bench once for each change of its design, for everything below. */
export function ReckoningProvider({ children }: { readonly children: ReactNode }) {
  const { design, bench } = usePlan();
  const ofDesign = useMemo(() => {
    const assessment = assess(design);
    return { assessment, steps: listSteps(design, assessment) };
  }, [design]);
  const reckoned = useMemo((): Reckoned => {
    const { assessment } = ofDesign;
    const progress = trackSteps(ofDesign.steps, bench, listRebuilds(bench, design, assessment));
    return {
      assessment,
      findings: checkPlan({ design, bench }, assessment),
      progress,
      stepsLeft: progress.filter((each) => !each.done).length,
    };
  }, [ofDesign, design, bench]);
  return <ReckonedContext value={reckoned}>{children}</ReckonedContext>;
}

/** What the plan on the bench comes to. */
export function useReckoned(): Reckoned {
  const reckoned = useContext(ReckonedContext);
  if (!reckoned) throw new Error('useReckoned belongs inside the workbench');
  return reckoned;
}
