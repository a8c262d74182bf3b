import { type Assessment, assess } from '../assess.ts';
import { figuresOf } from '../figures/index.ts';
import type { Figure } from '../parts/index.ts';
import type { Design, RunTest } from '../plan/index.ts';

/** Mean and spread of repeated readings. @example 3.62, 3.71, 3.55 → 3.63 ± 0.08 */
export function summarise(values: readonly number[]): { readonly mean: number; readonly deviation: number } | null {
  if (values.length === 0) return null;
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance =
    values.length < 2 ? 0 : values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1);
  return { mean, deviation: Math.sqrt(variance) };
}

/** What a run should last, and the pack that ends it. */
export interface RunPrediction {
  readonly hours: number;
  readonly packId: string;
  /** What the pack is reckoned with. */
  readonly capacityMah: number;
}

/** The pack that a piece’s hours hang on; null without one. */
function foretell({ supplies, runsFor }: Assessment): RunPrediction | null {
  const gives = supplies.find((supply) => supply.runsFor === runsFor)?.rail.gives;
  const capacity = gives?.form === 'cells' ? (gives.item.capacityMah ?? gives.part?.capacityMah) : undefined;
  return runsFor && gives?.form === 'cells' && capacity
    ? { hours: runsFor.likelyH, packId: gives.item.id, capacityMah: capacity.likely }
    : null;
}

/**
 * How long the plan should run in one mood at one brightness, or through the evening's course (mood null).
 * Null where there is no pack or no such mood: it can't be decided.
 */
export function predictRun(
  design: Design,
  assessment: Assessment,
  options: { readonly moodId: string | null; readonly brightness: number },
): RunPrediction | null {
  if (figuresOf(assessment).runsForH.likely === null) return null;
  if (options.moodId === null) return foretell(assessment);
  if (!design.moods.list.some((mood) => mood.id === options.moodId)) return null;
  const list = design.moods.list.map((mood) =>
    mood.id === options.moodId ? { ...mood, brightness: options.brightness } : mood,
  );
  // The same piece, in that mood all evening.
  const alone = { ...design, moods: { ...design.moods, list, startId: options.moodId, course: [], cueUses: [] } };
  return foretell(assess(alone));
}

/** A run test beside what was predicted for it when it was logged. */
export interface ComparedRun {
  readonly test: RunTest;
  /** Share by which it ran longer (+) or shorter (−) than predicted; null without a prediction. */
  readonly deviation: number | null;
  /** What the difference points at. */
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
 * The capacity that would have made the predictions true, as a measured figure; null without a test that has one. Each
 * test is weighed against the capacity that its own prediction was made with: that of its kind, where it does not say.
 * The spread is that of the repeats, and never less than 4 % for a single one.
 */
export function tuneCapacity(ofItsKind: Figure, tests: readonly RunTest[]): Figure | null {
  const found = tests.flatMap((test) =>
    test.predictedHours ? [((test.predictedWithMah ?? ofItsKind.likely) * test.hours) / test.predictedHours] : [],
  );
  const summary = summarise(found);
  if (!summary) return null;
  const likely = Math.round(summary.mean);
  return {
    likely,
    spread: Math.round(Math.max(likely * 0.04, (2 * summary.deviation) / Math.sqrt(found.length))),
    origin: 'measured',
  };
}

/** A pack whose runs say another capacity than is reckoned with. */
export interface TunedPack {
  readonly packId: string;
  readonly name: string;
  /** As it is reckoned with now. */
  readonly nowMah: number;
  readonly tuned: Figure;
}

/** A difference below this share is no news. */
const NEWS_SHARE = 0.02;

/**
 * The packs of which run tests say another capacity. A test speaks of the pack that was to end first; one that does not
 * say which speaks only where there is one.
 */
export function tunePacks({ supplies }: Pick<Assessment, 'supplies'>, tests: readonly RunTest[]): readonly TunedPack[] {
  const packs = supplies.flatMap(({ rail: { gives } }) =>
    gives.form === 'cells' && gives.part ? [{ item: gives.item, part: gives.part }] : [],
  );
  return packs.flatMap(({ item, part }) => {
    const own = tests.filter(({ predictedPackId }) =>
      predictedPackId === undefined ? packs.length === 1 : predictedPackId === item.id,
    );
    const tuned = tuneCapacity(part.capacityMah, own);
    const nowMah = (item.capacityMah ?? part.capacityMah).likely;
    return tuned && Math.abs(tuned.likely / nowMah - 1) > NEWS_SHARE
      ? [{ packId: item.id, name: item.name, nowMah, tuned }]
      : [];
  });
}
