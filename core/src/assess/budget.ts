import {
  type GroupLoad,
  type LimitedLoad,
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
import { type Consumer, fullOf } from './consumers.ts';

/** What one group draws in one mood, at the mood's own brightness. */
interface GroupInMood {
  readonly groupId: string;
  readonly load: GroupLoad;
  readonly meanA: number;
  readonly peakA: number;
}

/** A load that grows in a straight line with brightness: with every light dark, and what full brightness adds. */
interface MoodDraw {
  /** What brightness does not change: boards, dark pixels, what is lit by hand, loads that run. */
  readonly restA: number;
  readonly dynamicMeanA: number;
  readonly dynamicPeakA: number;
  /** Of that, loads that the mood runs: what they start with is part of `restA`, what they usually take of the mean. */
  readonly runMeanA: number;
  readonly runPeakA: number;
}

/** What is left of a mood. */
type Limited = Pick<LimitedLoad, 'meanA' | 'peakA'>;

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
  readonly limited: Limited | null;
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

/** How many lights hang on each channel of a group, or what its colours draw, where that is not the same for all. */
export function weightsOf(driven: readonly Driven[]): (groupId: string) => readonly number[] | undefined {
  const known = new Map(
    driven.filter((each) => each.channels.length > 1).map((each) => [each.itemId, each.loopsOnChannel]),
  );
  // Dice of one light, each with its own resistor, draw their own currents.
  for (const each of driven) {
    if (each.die === null) continue;
    const dice = driven.filter(({ itemId }) => itemId === each.itemId);
    const meanA = dice.reduce((sum, { totalA }) => sum + totalA, 0) / dice.length;
    if (meanA > 0)
      known.set(
        each.itemId,
        dice.map(({ totalA }) => totalA / meanA),
      );
  }
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
  const worthAt = (at: 'mean' | 'peak', isOf: (group: Show['groups'][number]) => boolean): readonly number[] =>
    show.groups.map((group) => {
      const consumer = consumers.get(group.id);
      return consumer && isOf(group) ? fullOf(consumer, at) : 0;
    });
  const [worth, worthAtPeak] = [worthAt('mean', () => true), worthAt('peak', () => true)];
  const groups = moodLoad.groups.map((load, g): GroupInMood => {
    const group = show.groups[g];
    const groupId = group?.id ?? '';
    const consumer = consumers.get(groupId);
    const ownA = (consumer?.restA ?? 0) + (consumer?.steadyA ?? 0);
    // What is on or off is not dimmed with its mood.
    const brightness = group?.switches ? 1 : mood.brightness;
    return {
      groupId,
      load,
      meanA: ownA + (worth[g] ?? 0) * load.mean * brightness,
      peakA: ownA + (worthAtPeak[g] ?? 0) * load.peak * brightness,
    };
  });
  const isDimmed = (group: Show['groups'][number] | undefined): boolean => !group?.switches;
  const together = (amps: readonly number[], at: 'mean' | 'peak', isOf: typeof isDimmed): number =>
    sum(moodLoad.groups.map((load, g) => (isOf(show.groups[g]) ? (amps[g] ?? 0) * load[at] : 0)));
  const dynamicMeanA = together(worth, 'mean', isDimmed);
  const dynamicPeakA = peakOfMood(moodLoad, worthAt('peak', isDimmed));
  const switchedMeanA = together(worth, 'mean', (group) => !isDimmed(group));
  const switchedPeakA = together(worthAtPeak, 'peak', (group) => !isDimmed(group));
  const meanRestA = sum([...consumers.values()].map((consumer) => consumer.restA + consumer.steadyA)) + switchedMeanA;
  return {
    moodId: mood.id,
    name: mood.name,
    brightness: mood.brightness,
    draw: {
      restA: restA + switchedPeakA,
      dynamicMeanA,
      dynamicPeakA,
      runMeanA: switchedMeanA,
      runPeakA: switchedPeakA,
    },
    meanA: meanRestA + dynamicMeanA * mood.brightness,
    peakA: restA + switchedPeakA + dynamicPeakA * mood.brightness,
    limited: null,
    groups,
    load: moodLoad,
    underSigns: show.signs.map((sign, s) => {
      const moments = measureUnderSign(show, moodIndex, s);
      const amps = moments.map((shares) => sum(shares.map((share, g) => share * (worthAtPeak[g] ?? 0))));
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
        const consumer = consumers.get(groupId);
        return { groupId, load: each, peakA: (consumer ? fullOf(consumer, 'peak') : 0) * each.peak };
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
  budgets.map((budget, i) => {
    // What is below the limit of every rail in all needs no second look.
    const isBelow = limit.supplies.every(
      ({ rails, together }) =>
        !together && rails.every(({ limitMicroA }) => limitMicroA === 0 || budget.peakA * 1e6 <= limitMicroA),
    );
    if (isBelow) return budget;
    const left = measureLimited(show, i, limit);
    return left.acts ? { ...budget, limited: withRuns(left, budget.draw) } : budget;
  });

/** With the loads that the mood runs, which no limiter dims. */
const withRuns = (left: Limited, { runMeanA, runPeakA }: MoodDraw): Limited => ({
  meanA: left.meanA + runMeanA,
  peakA: left.peakA + runPeakA,
});

/** What a mood draws as the program shows it. */
export const shownDraw = (budget: MoodBudget): { readonly meanA: number; readonly peakA: number } =>
  budget.limited ?? budget;
