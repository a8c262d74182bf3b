import {
  type GroupLoad,
  type MoodLoad,
  measureLimited,
  measureMood,
  measureUnderSign,
  peakOfMood,
  type Show,
  type ShowLimit,
  type ShowMood,
} from '../motion/index.ts';
import type { Driven } from '../network/index.ts';
import type { Design, Mood } from '../plan/index.ts';
import type { Consumer } from './consumers.ts';

/** What one group draws in one mood, at the mood's own brightness. */
interface GroupInMood {
  readonly groupId: string;
  readonly load: GroupLoad;
  readonly meanA: number;
  readonly peakA: number;
}

/** A load that grows in a straight line with brightness: with every light dark, and what full brightness adds. */
interface MoodDraw {
  /** What no mood changes: boards, dark pixels, what is lit by hand. */
  readonly restA: number;
  readonly dynamicMeanA: number;
  readonly dynamicPeakA: number;
}

/** A mood's draw, all consumers together. */
export interface MoodBudget {
  readonly moodId: string;
  readonly name: string;
  /** As it is set, 0 to 1. */
  readonly brightness: number;
  readonly draw: MoodDraw;
  /** On all rails together, over time. */
  readonly meanA: number;
  /** All at their height at once: moves of unlike length drift until they meet. What moves as one counts as one. */
  readonly peakA: number;
  /** What is left of both once the program's limiter has cut what the supply does not bear; null = it never acts. */
  readonly limited: { readonly meanA: number; readonly peakA: number } | null;
  readonly groups: readonly GroupInMood[];
  /** What the engine’s frames come to. */
  readonly load: MoodLoad;
  /** The height while a sign lies over the mood: what it covers it takes the place of. */
  readonly underSigns: readonly SignOverMood[];
}

/** A sign over one mood. */
export interface SignOverMood {
  readonly signId: string;
  readonly name: string;
  /** With the sign over this mood, in amperes. */
  readonly peakA: number;
  /** Highest share of each group's bytes, by group of the show. */
  readonly shares: readonly number[];
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** What is drawn whatever the moods do: at its most. */
export const restOf = (consumers: readonly Consumer[]): number =>
  sum(consumers.map((consumer) => consumer.restA + consumer.steadyPeakA));

/** How many lights hang on each channel of a group, where that is not the same for all. */
export function weightsOf(driven: readonly Driven[]): (groupId: string) => readonly number[] | undefined {
  const known = new Map(
    driven.filter((each) => each.channels.length > 1).map((each) => [each.itemId, each.lightsOnChannel]),
  );
  return (groupId) => known.get(groupId);
}

/** Reckons one mood from the engine's own frames. */
export function budgetMood(options: {
  readonly mood: Mood;
  readonly shown: ShowMood;
  /** Its place in the show. */
  readonly moodIndex: number;
  readonly show: Show;
  readonly consumers: ReadonlyMap<string, Consumer>;
  /** Drawn with everything dark. */
  readonly restA: number;
  /** What each byte of a group stands for in current; undefined where all are alike. */
  readonly weights: (groupId: string) => readonly number[] | undefined;
  readonly signNames: readonly string[];
}): MoodBudget {
  const { mood, shown, moodIndex, show, consumers, restA, weights, signNames } = options;
  const moodLoad = measureMood(show, shown, weights);
  const worth = show.groups.map((group) => consumers.get(group.id)?.fullA ?? 0);
  const groups = moodLoad.groups.map((load, g): GroupInMood => {
    const groupId = show.groups[g]?.id ?? '';
    const consumer = consumers.get(groupId);
    const [fullA, ownA] = [worth[g] ?? 0, (consumer?.restA ?? 0) + (consumer?.steadyA ?? 0)];
    return {
      groupId,
      load,
      meanA: ownA + fullA * load.mean * mood.brightness,
      peakA: ownA + fullA * load.peak * mood.brightness,
    };
  });
  const dynamicMeanA = sum(groups.map(({ load }, g) => (worth[g] ?? 0) * load.mean));
  const dynamicPeakA = peakOfMood(moodLoad, worth);
  const meanRestA = sum([...consumers.values()].map((consumer) => consumer.restA + consumer.steadyA));
  return {
    moodId: mood.id,
    name: mood.name,
    brightness: mood.brightness,
    draw: { restA, dynamicMeanA, dynamicPeakA },
    meanA: meanRestA + dynamicMeanA * mood.brightness,
    peakA: restA + dynamicPeakA * mood.brightness,
    limited: null,
    groups,
    load: moodLoad,
    underSigns: show.signs.map((sign, s) => {
      const moments = measureUnderSign(show, moodIndex, s);
      const amps = moments.map((shares) => sum(shares.map((share, g) => share * (worth[g] ?? 0))));
      const highest = amps.indexOf(Math.max(0, ...amps));
      return {
        signId: sign.id,
        name: signNames[s] ?? sign.id,
        peakA: restA + Math.max(0, ...amps),
        shares: moments[highest] ?? show.groups.map(() => 0),
      };
    }),
  };
}

/** What a sign lights, for what flashes and for the explanation. */
export interface SignBudget {
  readonly signId: string;
  readonly name: string;
  readonly groups: readonly { readonly groupId: string; readonly load: GroupLoad; readonly peakA: number }[];
}

/** Reckons the signs of a design from the engine's own frames. */
export function budgetSigns(
  design: Design,
  show: Show,
  consumers: ReadonlyMap<string, Consumer>,
  weights: (groupId: string) => readonly number[] | undefined,
): SignBudget[] {
  return show.signs.map((sign): SignBudget => {
    const load = measureMood(show, sign, weights);
    return {
      signId: sign.id,
      name: design.moods.signs?.find((each) => each.id === sign.id)?.name ?? sign.id,
      groups: load.groups.map((each, g) => {
        const groupId = show.groups[g]?.id ?? '';
        return { groupId, load: each, peakA: (consumers.get(groupId)?.fullA ?? 0) * each.peak };
      }),
    };
  });
}

/** The mood with the highest peak; undefined while there is none. */
export const hungriestOf = (budgets: readonly MoodBudget[]): MoodBudget | undefined =>
  budgets.reduce<MoodBudget | undefined>((most, each) => (!most || each.peakA > most.peakA ? each : most), undefined);

/** The height of a mood with the hungriest sign over it, or without any. */
export const peakWithSigns = (budget: MoodBudget): number =>
  Math.max(budget.peakA, ...budget.underSigns.map((sign) => sign.peakA));

/** The budgets again, with what the limiter leaves of those moods that would pass it. */
export const limitBudgets = (budgets: readonly MoodBudget[], show: Show, limit: ShowLimit): MoodBudget[] =>
  budgets.map((budget, i) =>
    limit.limitMicroA === 0 || budget.peakA * 1e6 <= limit.limitMicroA
      ? budget
      : { ...budget, limited: measureLimited(show, i, limit) },
  );

/** What a mood draws as the program shows it. */
const shownDraw = (budget: MoodBudget): { readonly meanA: number; readonly peakA: number } => budget.limited ?? budget;

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
