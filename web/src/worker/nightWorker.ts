import { assess, prepareNights } from '@glimmer/core/assess';
import type { Design } from '@glimmer/core/plan';
import { createRandom, type Deviation, MOST_HOURS, type NightRun, runNight, sampleNight } from '@glimmer/core/power';
import { expose } from 'comlink';

export interface NightCurves {
  readonly likely: NightRun;
  /** The cautious night: the likeliest of the bad ones. */
  readonly cautious: NightRun;
}

const SEED = 20_261_124;
const SAMPLE_STEP_S = 60;

const api = {
  /** The evening played through; null until there is a pack and a mood. */
  play(design: Design): NightCurves | null {
    const assessment = assess(design);
    const make = prepareNights(design, assessment);
    const runs = assessment.supply?.runsFor;
    if (!make || !runs) return null;
    const run = (deviation: Deviation): NightRun => {
      const { path, course } = make(deviation);
      return runNight(path, course, { stepS: runs.stepS, mostHours: MOST_HOURS });
    };
    return { likely: run({ capacity: 0, resistance: 0, load: 0 }), cautious: run(runs.cautious) };
  },

  /** Hours of many sampled nights, sorted; `onProgress` says how many are done and whether to go on. */
  async sample(
    design: Design,
    count: number,
    onProgress: (done: number) => Promise<boolean>,
  ): Promise<number[] | null> {
    const make = prepareNights(design, assess(design));
    if (!make) return null;
    const random = createRandom(SEED);
    const hours: number[] = [];
    for (let i = 0; i < count; i += 1) {
      hours.push(sampleNight(make, random, SAMPLE_STEP_S));
      if (i % 20 === 19 && !(await onProgress(i + 1))) return null;
    }
    return hours.sort((a, b) => a - b);
  },
};

export type NightApi = typeof api;
expose(api);
