import { assess } from '@glimmer/core/assess';
import { compareVersions, predictRun, type RunPrediction, type VersionRow } from '@glimmer/core/logbook';
import type { Design } from '@glimmer/core/plan';
import { expose } from 'comlink';

interface RunAsked {
  readonly design: Design;
  readonly ambientC: number;
  /** Null for the evening’s course. */
  readonly moodId: string | null;
  readonly brightness: number;
}

const api = {
  /** What a run should last, in the model; null while the plan says too little. */
  predict({ design, ambientC, ...ran }: RunAsked): RunPrediction | null {
    const there = { ...design, piece: { ...design.piece, ambientC } };
    return predictRun(there, assess(there), ran);
  },
  compare: (before: Design, after: Design): readonly VersionRow[] => compareVersions(assess(before), assess(after)),
};

/** What the logbook’s worker answers. */
export type LogbookApi = typeof api;
expose(api);
