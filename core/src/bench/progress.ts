import type { Plan, Reading } from '../plan/index.ts';
import type { Message } from '../units/index.ts';
import type { Rebuild } from './built.ts';
import { type Judgement, judgeReading } from './expectation.ts';
import type { BenchStep } from './step.ts';

/** Where a step stands: its last reading with the verdict, and whether it counts as done. */
export interface StepProgress {
  readonly step: BenchStep;
  /** The last one that was taken; null where there is none. */
  readonly reading: Reading | null;
  /** Of that reading; null where nothing is expected. */
  readonly judgement: Judgement | null;
  /** Ticked, or read and right. */
  readonly done: boolean;
  /** It was done, and the plan has changed since: what has to be done to the soldered piece. */
  readonly undo: readonly Message[];
}

/** A step with a reading is done when its last reading is not wrong; one without, when it was ticked and is still so. */
export function trackSteps(
  steps: readonly BenchStep[],
  bench: Plan['bench'],
  rebuilds: readonly Rebuild[] = [],
): StepProgress[] {
  return steps.map((step) => {
    const reading = bench.readings
      .filter((each) => each.stepId === step.id)
      .reduce<Reading | null>((last, each) => (!last || each.takenAt >= last.takenAt ? each : last), null);
    const judgement = reading && step.expect ? judgeReading(step.expect, reading.value) : null;
    const undo = rebuilds.find((each) => each.stepId === step.id)?.undo ?? [];
    const ticked = undo.length === 0 && bench.done.some((each) => each.stepId === step.id);
    return {
      step,
      reading,
      judgement,
      undo,
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
