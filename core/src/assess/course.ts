import type { Design } from '../plan/index.ts';
import { type MoodBudget, shownDraw } from './budget.ts';

/** A part of what is drawn in a stretch of the evening: a mood for its share of the time, as far as the limiter leaves it. */
interface CoursePart {
  readonly budget: MoodBudget;
  readonly share: number;
  /** Of its light, what the limiter leaves on the mean and at the height. */
  readonly meanLeft: number;
  readonly peakLeft: number;
}

/** One stretch of the evening with the cues that come in it mixed in. */
export interface CourseStretch {
  /** Null where there are no moods: what is lit is lit all the time. */
  readonly moodId: string | null;
  /** How long it lasts. */
  readonly minutes: number;
  /** In the mean, as far as the limiter leaves it. */
  readonly meanA: number;
  /** At its height. */
  readonly peakA: number;
  /** Moods that it is made of: the one it is in, and those that cues lead to. */
  readonly parts: readonly CoursePart[];
}

const leftOf = (shownA: number, restA: number, lightA: number): number =>
  lightA <= 0 ? 1 : Math.min(1, Math.max(0, (shownA - restA) / lightA));

function partOf(budget: MoodBudget, share: number): CoursePart {
  const { restA, dynamicMeanA, dynamicPeakA } = budget.draw;
  const meanRestA = budget.meanA - dynamicMeanA * budget.brightness;
  const shown = shownDraw(budget);
  return {
    budget,
    share,
    meanLeft: budget.limited ? leftOf(shown.meanA, meanRestA, dynamicMeanA * budget.brightness) : 1,
    peakLeft: budget.limited ? leftOf(shown.peakA, restA, dynamicPeakA * budget.brightness) : 1,
  };
}

/** How long a cue holds on the mean: until it goes back, or until its mood is left again by another; in seconds an hour. */
function heldShare(use: Design['moods']['cueUses'][number], cue: Design['moods']['cues'][number]): number {
  const heldS = cue.backAfterS ?? ('holdS' in cue.when && cue.when.kind === 'held' ? cue.when.holdS : null);
  // A cue that does not go back holds until the next one comes: of an hour with n of them, half the time between two.
  const seconds = heldS ?? 3600 / (use.perHour + 1) / 2;
  return (use.perHour * seconds) / 3600;
}

/** The course of the evening; without one, the first mood runs on. Cues take their share of every stretch. */
export function layOutCourse(
  design: Design,
  budgets: readonly MoodBudget[],
  lit: { readonly meanA: number; readonly peakA: number } | null,
): CourseStretch[] {
  const budgetOf = (id: string | null): MoodBudget | undefined => budgets.find((budget) => budget.moodId === id);
  const startId = design.moods.startId ?? design.moods.list[0]?.id ?? null;
  const course =
    design.moods.course.length > 0 ? design.moods.course : startId ? [{ id: 'all', moodId: startId, minutes: 60 }] : [];
  if (course.length === 0 && lit) return [{ moodId: null, minutes: 60, meanA: lit.meanA, peakA: lit.peakA, parts: [] }];
  const cues = design.moods.cueUses.flatMap((use) => {
    const cue = design.moods.cues.find((candidate) => candidate.id === use.cueId);
    const budget = cue && budgetOf(cue.to);
    return cue && budget && use.perHour > 0 ? [{ budget, from: cue.from, share: heldShare(use, cue) }] : [];
  });
  return course.flatMap((step) => {
    const base = budgetOf(step.moodId);
    if (!base) return [];
    const here = cues.filter((cue) => (cue.from === null || cue.from === step.moodId) && cue.budget !== base);
    const asked = here.reduce((total, cue) => total + cue.share, 0);
    const scale = asked > 1 ? 1 / asked : 1;
    const parts = [partOf(base, 1 - Math.min(1, asked)), ...here.map((cue) => partOf(cue.budget, cue.share * scale))];
    return [
      {
        moodId: step.moodId,
        minutes: step.minutes,
        meanA: parts.reduce((total, part) => total + part.share * shownDraw(part.budget).meanA, 0),
        peakA: Math.max(...parts.map((part) => shownDraw(part.budget).peakA)),
        parts,
      },
    ];
  });
}

/** Mean of a course over its minutes. */
export function meanOfCourse(course: readonly CourseStretch[]): number {
  const minutes = course.reduce((total, stretch) => total + stretch.minutes, 0);
  return minutes === 0 ? 0 : course.reduce((total, stretch) => total + stretch.meanA * stretch.minutes, 0) / minutes;
}
