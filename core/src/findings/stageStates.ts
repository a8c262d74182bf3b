import type { Plan } from '../plan/index.ts';
import { isOpen } from './checkDesign.ts';
import { type Finding, type Stage, stages } from './finding.ts';

/** How a bead of the cord looks: nothing done yet, something open, or settled. */
export type StageState = 'untouched' | 'open' | 'settled';

const touched: Readonly<Record<Stage, (plan: Plan) => boolean>> = {
  piece: ({ design }) => design.view.picture.kind !== 'none',
  lights: ({ design }) => design.tapes.length + design.leds.length > 0,
  moods: ({ design }) => design.moods.list.length > 0,
  drive: ({ design }) => design.drive.controller !== null,
  power: ({ design }) => design.power.pack !== null,
  wires: ({ design }) =>
    design.power.pack !== null && design.drive.controller !== null && design.tapes.length + design.leds.length > 0,
  bench: ({ bench }) => bench.readings.length + bench.done.length > 0,
  logbook: ({ logbook }) => logbook.entries.length + logbook.runTests.length + logbook.versions.length > 0,
};

/** The state of each stage: untouched stays unlit even where findings already point at it; Bench is open while steps are left. */
export function listStageStates(
  plan: Plan,
  findings: readonly Finding[],
  stepsLeft: number,
): Record<Stage, StageState> {
  const stateOf = (stage: Stage): StageState => {
    if (!touched[stage](plan)) return 'untouched';
    if (stage === 'bench' && stepsLeft > 0) return 'open';
    return findings.some((finding) => finding.stage === stage && isOpen(finding)) ? 'open' : 'settled';
  };
  return Object.fromEntries(stages.map((stage) => [stage, stateOf(stage)])) as Record<Stage, StageState>;
}
