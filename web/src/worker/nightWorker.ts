import { assess, prepareNights } from '@glimmer/core/assess';
import type { Design } from '@glimmer/core/plan';
import { createRandom, type Deviation, type NightRun, runNight, sampleNight } from '@glimmer/core/power';
import { expose } from 'comlink';

/** An evening played through, once likely and once with caution. */
export interface NightCurves {
  /** With everything typical. */
  readonly likely: NightRun;
  /** The cautious night: the likeliest of the bad ones. */
  readonly cautious: NightRun;
}

const SEED = 20_261_124;
const SAMPLE_STEP_S = 60;

const api = {
  /** The evening of one pack played through; null until there is a pack and something lit. */
  play(design: Design, sourceId: string): NightCurves | null {
    const make = prepareNights(design).get(sourceId);
    const runs = assess(design).supplies.find((supply) => supply.rail.id === sourceId)?.runsFor;
    if (!make || !runs) return null;
    const run = (deviation: Deviation): NightRun => {
      const { tree, course } = make(deviation);
      return runNight(tree, course, { stepS: runs.stepS });
    };
    return { likely: run({ capacity: 0, resistance: 0, load: 0 }), cautious: run(runs.cautious) };
  },

  /** Hours of many sampled nights, sorted; `onProgress` says how many are done and whether to go on. */
  async sample(
    design: Design,
    sourceId: string,
    count: number,
    onProgress: (done: number) => Promise<boolean>,
  ): Promise<number[] | null> {
    const make = prepareNights(design).get(sourceId);
    if (!make) return null;
    // As fine as the quick estimate: a night of months in minutes would never end.
    const stepS = Math.max(
      SAMPLE_STEP_S,
      assess(design).supplies.find((supply) => supply.rail.id === sourceId)?.runsFor?.stepS ?? 0,
    );
    const random = createRandom(SEED);
    const hours: number[] = [];
    for (let i = 0; i < count; i += 1) {
      hours.push(sampleNight(make, random, stepS));
      if (i % 20 === 19 && !(await onProgress(i + 1))) return null;
    }
    return hours.sort((a, b) => a - b);
  },
};

/** What the worker of the night answers. */
export type NightApi = typeof api;
expose(api);
