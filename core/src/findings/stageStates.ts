import { type Finding, type ItemRole, kindOf, type Stage, stages } from '../items/index.ts';
import type { Plan } from '../plan/index.ts';
import { isOpen } from './checkDesign.ts';

/** How a bead of the cord looks: nothing done yet, something open, or settled. */
export type StageState = 'untouched' | 'open' | 'settled';

/** Whether a plan has an item of a role. */
const has = (design: Plan['design'], role: ItemRole): boolean =>
  design.items.some((item) => kindOf(item.kind).role === role);

const touched: Readonly<Record<Stage, (plan: Plan) => boolean>> = {
  piece: ({ design }) => design.view.picture.kind !== 'none',
  lights: ({ design }) => has(design, 'light'),
  moods: ({ design }) => design.moods.list.length > 0,
  drive: ({ design }) => has(design, 'board') || has(design, 'switches'),
  power: ({ design }) => has(design, 'source'),
  wires: ({ design }) => has(design, 'source') && has(design, 'light'),
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
