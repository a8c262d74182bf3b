import type { DrivenLeds } from '../drive/index.ts';
import type { PlacedGroup } from '../lights/index.ts';
import {
  type GroupLoad,
  measureLimited,
  measureMood,
  peakOfMood,
  type Show,
  type ShowLimit,
  type ShowMood,
} from '../motion/index.ts';
import type { ControllerPart, Figure } from '../parts/index.ts';
import type { Design, Mood } from '../plan/index.ts';
import type { MoodDraw } from '../power/index.ts';

/** What one consumer can draw from the rail: always, and on top of it with every light at full. */
export interface Consumer {
  readonly id: string;
  readonly name: string;
  readonly restA: number;
  readonly fullA: number;
  /** Half-width of the doubt, as a share of what it draws. */
  readonly relativeSpread: number;
}

/** Red, green and blue: a white die beside them is sent nothing by the program and stays dark. */
const LIT_DICE = 3;

/** Rest and full-light draw of every group and of the controller. */
export function listConsumers(
  placed: readonly PlacedGroup[],
  driven: ReadonlyMap<string, DrivenLeds>,
  controller: ControllerPart | undefined,
): Consumer[] {
  const lights = placed.map((group): Consumer => {
    if (group.kind === 'tape') {
      const die: Figure = group.tape.dieCurrentA ?? group.part.dieCurrentA;
      return {
        id: group.id,
        name: group.name,
        restA: group.cut.lights * group.part.restCurrentA.likely,
        fullA: group.cut.lights * LIT_DICE * die.likely,
        relativeSpread: die.spread / die.likely,
      };
    }
    const drive = driven.get(group.id);
    const baseA = drive?.by.kind === 'transistor' ? drive.by.pinA * drive.lightsOnChannel.length : 0;
    const spread = drive
      ? (drive.resistor.brightestA - drive.resistor.dimmestA) / 2 / Math.max(1e-9, drive.resistor.currentA)
      : 0;
    return { id: group.id, name: group.name, restA: 0, fullA: (drive?.totalA ?? 0) + baseA, relativeSpread: spread };
  });
  const board: Consumer[] = controller
    ? [
        {
          id: 'controller',
          name: controller.name,
          restA: controller.drawA.likely,
          fullA: 0,
          relativeSpread: controller.drawA.spread / controller.drawA.likely,
        },
      ]
    : [];
  return [...board, ...lights];
}

/** What one group draws in one mood, at the mood's own brightness. */
interface GroupInMood {
  readonly groupId: string;
  readonly load: GroupLoad;
  readonly meanA: number;
  readonly peakA: number;
}

/** A mood's draw on the rail, all consumers together. */
export interface MoodBudget {
  readonly moodId: string;
  readonly name: string;
  readonly brightness: number;
  readonly draw: MoodDraw;
  readonly meanA: number;
  /** All at their height at once: moves of unlike length drift until they meet. What moves as one counts as one. */
  readonly peakA: number;
  /** What is left of both once the program's limiter has cut what the supply does not bear; null = it never acts. */
  readonly limited: { readonly meanA: number; readonly peakA: number } | null;
  readonly groups: readonly GroupInMood[];
}

const weightsOf = (drive: DrivenLeds | undefined): readonly number[] | undefined => drive?.lightsOnChannel;

/** Reckons one mood from the engine's own frames. */
export function budgetMood(options: {
  readonly mood: Mood;
  readonly shown: ShowMood;
  readonly show: Show;
  readonly consumers: readonly Consumer[];
  readonly driven: ReadonlyMap<string, DrivenLeds>;
}): MoodBudget {
  const { mood, shown, show, consumers, driven } = options;
  const restA = consumers.reduce((sum, consumer) => sum + consumer.restA, 0);
  const fullOf = (groupId: string): number => consumers.find((consumer) => consumer.id === groupId)?.fullA ?? 0;
  const moodLoad = measureMood(show, shown, (groupId) => weightsOf(driven.get(groupId)));
  const groups = moodLoad.groups.map((load, g): GroupInMood => {
    const groupId = show.groups[g]?.id ?? '';
    const consumer = consumers.find((candidate) => candidate.id === groupId);
    const fullA = fullOf(groupId);
    const rest = consumer?.restA ?? 0;
    return {
      groupId,
      load,
      meanA: rest + fullA * load.mean * mood.brightness,
      peakA: rest + fullA * load.peak * mood.brightness,
    };
  });
  const dynamicMeanA = groups.reduce((sum, { groupId, load }) => sum + fullOf(groupId) * load.mean, 0);
  const dynamicPeakA = peakOfMood(
    moodLoad,
    show.groups.map((group) => fullOf(group.id)),
  );
  return {
    moodId: mood.id,
    name: mood.name,
    brightness: mood.brightness,
    draw: { restA, dynamicMeanA, dynamicPeakA },
    meanA: restA + dynamicMeanA * mood.brightness,
    peakA: restA + dynamicPeakA * mood.brightness,
    limited: null,
    groups,
  };
}

/** What a sign draws on top of the mood that it lies over, at its height; it is not dimmed with the mood. */
export interface SignBudget {
  readonly signId: string;
  readonly name: string;
  readonly peakA: number;
  readonly groups: readonly { readonly groupId: string; readonly load: GroupLoad; readonly peakA: number }[];
}

/** Reckons the signs of a design from the engine's own frames. */
export function budgetSigns(
  design: Design,
  show: Show,
  consumers: readonly Consumer[],
  driven: ReadonlyMap<string, DrivenLeds>,
): SignBudget[] {
  const worth = show.groups.map((group) => consumers.find((consumer) => consumer.id === group.id)?.fullA ?? 0);
  return show.signs.map((sign, i): SignBudget => {
    const load = measureMood(show, sign, (groupId) => weightsOf(driven.get(groupId)));
    return {
      signId: sign.id,
      name: design.moods.signs?.[i]?.name ?? sign.id,
      peakA: peakOfMood(load, worth),
      groups: load.groups.map((each, g) => ({
        groupId: show.groups[g]?.id ?? '',
        load: each,
        peakA: (worth[g] ?? 0) * each.peak,
      })),
    };
  });
}

/** The budgets again, with what the limiter leaves of those moods that would pass it. */
export const limitBudgets = (budgets: readonly MoodBudget[], show: Show, limit: ShowLimit): MoodBudget[] =>
  budgets.map((budget, i) =>
    limit.limitMicroA === 0 || budget.peakA * 1e6 <= limit.limitMicroA
      ? budget
      : { ...budget, limited: measureLimited(show, i, limit) },
  );

/** What a mood draws as the program shows it. */
const shownDraw = (budget: MoodBudget): { readonly meanA: number; readonly peakA: number } => budget.limited ?? budget;

/** One stretch of the evening with the cues that come in it mixed in. */
export interface CourseStretch {
  readonly moodId: string;
  readonly minutes: number;
  readonly meanA: number;
  readonly peakA: number;
}

/** The course of the evening; without one, the first mood runs on. Cues that go back take their share of every stretch. */
export function layOutCourse(design: Design, budgets: readonly MoodBudget[]): CourseStretch[] {
  const budgetOf = (id: string | null): MoodBudget | undefined => budgets.find((budget) => budget.moodId === id);
  const startId = design.moods.startId ?? design.moods.list[0]?.id ?? null;
  const course =
    design.moods.course.length > 0 ? design.moods.course : startId ? [{ id: 'all', moodId: startId, minutes: 60 }] : [];
  const cues = design.moods.cueUses.flatMap((use) => {
    const cue = design.moods.cues.find((candidate) => candidate.id === use.cueId);
    const budget = cue && budgetOf(cue.to);
    return cue && budget && cue.backAfterS !== null && use.perHour > 0
      ? [{ budget, from: cue.from, share: (use.perHour * cue.backAfterS) / 3600 }]
      : [];
  });
  return course.flatMap((step) => {
    const base = budgetOf(step.moodId);
    if (!base) return [];
    const here = cues.filter((cue) => cue.from === null || cue.from === step.moodId);
    const asked = here.reduce((sum, cue) => sum + cue.share, 0);
    const scale = asked > 1 ? 1 / asked : 1;
    const cued = here.reduce((sum, cue) => sum + cue.share * scale * shownDraw(cue.budget).meanA, 0);
    return [
      {
        moodId: step.moodId,
        minutes: step.minutes,
        meanA: shownDraw(base).meanA * (1 - Math.min(1, asked)) + cued,
        peakA: Math.max(shownDraw(base).peakA, ...here.map((cue) => shownDraw(cue.budget).peakA)),
      },
    ];
  });
}

/** Mean of a course over its minutes. */
export function meanOfCourse(course: readonly CourseStretch[]): number {
  const minutes = course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  return minutes === 0 ? 0 : course.reduce((sum, stretch) => sum + stretch.meanA * stretch.minutes, 0) / minutes;
}
