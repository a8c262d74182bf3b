export { listRebuilds, type Rebuild, whatIsBuilt } from './built.ts';
export {
  type Expectation,
  expectBetween,
  expectShare,
  type Judgement,
  judgeReading,
  sayBand,
  type Verdict,
} from './expectation.ts';
export { findGates, type StepProgress, trackSteps } from './progress.ts';
export { type SimulatedController, startSimulated } from './simulated.ts';
export type { BenchStep } from './step.ts';
export { listSteps } from './steps.ts';
