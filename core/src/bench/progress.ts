import type { Plan, Reading } from '../plan/index.ts';
import { type Judgement, judgeReading } from './expectation.ts';
import type { BenchStep } from './steps.ts';

/** Where a step stands: its last reading with the verdict, and whether it counts as done. */
export interface StepProgress {
  readonly step: BenchStep;
  readonly reading: Reading | null;
  readonly judgement: Judgement | null;
  readonly done: boolean;
}

/** A step with a reading is done when its last reading is not wrong; one without, when it was ticked. */
export function trackSteps(steps: readonly BenchStep[], bench: Plan['bench']): StepProgress[] {
  return steps.map((step) => {
    const reading = bench.readings
      .filter((each) => each.stepId === step.id)
      .reduce<Reading | null>((last, each) => (!last || each.takenAt >= last.takenAt ? each : last), null);
    const judgement = reading && step.expect ? judgeReading(step.expect, reading.value) : null;
    const ticked = bench.done.some((each) => each.stepId === step.id);
    return {
      step,
      reading,
      judgement,
      done: step.expect ? judgement !== null && judgement.verdict !== 'wrong' : ticked,
    };
  });
}

/** Steps with a test that stand before a final one and are not done: what would be closed in untested. */
export function findGates(progress: readonly StepProgress[], finalId: string): StepProgress[] {
  const index = progress.findIndex((each) => each.step.id === finalId);
  const closes = progress[index]?.step.id === 'close';
  return closes ? progress.slice(0, index).filter((each) => each.step.expect !== null && !each.done) : [];
}
