import type { Assessment } from '../assess.ts';
import type { Figure } from '../parts/index.ts';
import type { RunTest } from '../plan/index.ts';
import { runNight } from '../power/index.ts';

/** Mean and spread of repeated readings. @example 3.62, 3.71, 3.55 → 3.63 ± 0.08 */
export function summarise(values: readonly number[]): { readonly mean: number; readonly deviation: number } | null {
  if (values.length === 0) return null;
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance =
    values.length < 2 ? 0 : values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1);
  return { mean, deviation: Math.sqrt(variance) };
}

const MOST_HOURS = 240;

/**
 * How long the plan should run in one mood at one brightness, or through the evening's course (mood null).
 * Null where there is no pack or no such mood: it can't be decided.
 */
export function predictRun(
  assessment: Assessment,
  options: { readonly moodId: string | null; readonly brightness: number },
): number | null {
  const { supply } = assessment;
  if (!supply) return null;
  if (options.moodId === null) return supply.runsFor?.likelyH ?? null;
  const mood = assessment.moods.find((each) => each.moodId === options.moodId);
  if (!mood) return null;
  const limitA = assessment.limit.limitMicroA === 0 ? Number.POSITIVE_INFINITY : assessment.limit.limitMicroA / 1e6;
  const at = (share: number): number => Math.min(limitA, mood.draw.restA + share * options.brightness);
  const isAsPlanned = options.brightness === mood.brightness;
  const stretch = {
    moodId: mood.moodId,
    minutes: 60,
    meanA: isAsPlanned && mood.limited ? mood.limited.meanA : at(mood.draw.dynamicMeanA),
    peakA: at(mood.draw.dynamicPeakA),
  };
  return runNight(supply.path, [stretch], { stepS: 30, mostHours: MOST_HOURS, keepSamples: false }).hours;
}

/** A run test beside what was predicted for it when it was logged. */
export interface ComparedRun {
  readonly test: RunTest;
  /** Share by which it ran longer (+) or shorter (−) than predicted; null without a prediction. */
  readonly deviation: number | null;
  readonly say: string;
}

/** @example 3.63 h against 3.9 h: −7.0 % */
export function compareRun(test: RunTest): ComparedRun {
  if (test.predictedHours === null || test.predictedHours === 0)
    return { test, deviation: null, say: 'no prediction to compare with' };
  const deviation = test.hours / test.predictedHours - 1;
  const size = Math.abs(deviation);
  const say =
    size <= 0.1
      ? 'as predicted'
      : size <= 0.25
        ? 'off: capacity, age or cold of the pack are the likeliest'
        : 'far off: look for a weak cell, another brightness, or a wrong mood';
  return { test, deviation, say };
}

/**
 * The capacity that would make the prediction true, as a measured figure; null without a test that has a prediction.
 * The spread is that of the repeats, and never less than 4 % for a single one.
 */
export function tuneCapacity(now: Figure, tests: readonly RunTest[]): Figure | null {
  const ratios = tests.flatMap((test) => (test.predictedHours ? [test.hours / test.predictedHours] : []));
  const summary = summarise(ratios);
  if (!summary) return null;
  const likely = Math.round(now.likely * summary.mean);
  return {
    likely,
    spread: Math.round(Math.max(likely * 0.04, (2 * summary.deviation * now.likely) / Math.sqrt(ratios.length))),
    origin: 'measured',
  };
}
