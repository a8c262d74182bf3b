import type { Assessment } from '../assess.ts';

/** A figure as it is told: likely, and with caution; null where it can't be decided, with what is needed. */
export interface Figured {
  readonly likely: number | null;
  readonly cautious: number | null;
  readonly needs: readonly string[];
}

/** The figures that decide whether a piece works tonight. */
export interface Figures {
  readonly peakA: Figured;
  readonly usualA: Figured;
  readonly restA: Figured;
  readonly runsForH: Figured;
  readonly ceiling: Figured;
  readonly costPerCopy: Figured;
  /** Null where it can't be decided. */
  readonly weakestLink: { readonly name: string; readonly loadA: number | null; readonly limitA: number } | null;
}

const known = (likely: number, cautious = likely): Figured => ({ likely, cautious, needs: [] });
const open = (needs: readonly string[]): Figured => ({ likely: null, cautious: null, needs });

/** How much more all may draw than is likely: each consumer by its own spread, as they add up in the worst case. */
const withSpread = (assessment: Assessment, likelyA: number): number => {
  const whole = assessment.consumers.reduce((sum, each) => sum + each.restA + each.steadyPeakA + each.fullA, 0);
  const spread = assessment.consumers.reduce(
    (sum, each) => sum + (each.restA + each.steadyPeakA + each.fullA) * each.relativeSpread,
    0,
  );
  return whole <= 0 ? likelyA : likelyA * (1 + spread / whole);
};

/** The figures of an assessed plan; what is not decided yet is null and says what it needs. */
export function figuresOf(assessment: Assessment): Figures {
  const needs = (...kinds: readonly ('current' | 'time')[]): readonly string[] =>
    assessment.needs.filter((need) => kinds.includes(need.for)).map((need) => need.words);
  const current = needs('current');
  const time = needs('current', 'time');
  const { runsFor, ceilings, weakest } = assessment;
  const isDecided = current.length === 0;
  const lowest = ceilings.reduce<number | null>((least, ceiling) => Math.min(least ?? 1, ceiling.brightness), null);
  const ofCurrent = (likelyA: number): Figured =>
    isDecided ? known(likelyA, withSpread(assessment, likelyA)) : open(current);
  return {
    peakA: ofCurrent(assessment.peakA),
    usualA: isDecided && assessment.course.length === 0 ? open(['a mood']) : ofCurrent(assessment.usualA),
    restA: ofCurrent(assessment.restA),
    runsForH:
      time.length > 0
        ? open(time)
        : runsFor
          ? known(runsFor.likelyH, runsFor.cautiousH)
          : { likely: null, cautious: null, needs: ['nothing: it hangs on an outside supply and goes on'] },
    ceiling: !isDecided ? open(current) : lowest === null ? open(ceilingNeeds(assessment)) : known(lowest),
    costPerCopy: assessment.shopping.length === 0 ? open(['something to buy']) : known(assessment.costPerCopy),
    weakestLink:
      isDecided && weakest
        ? { name: weakest.name, loadA: Number.isFinite(weakest.loadA) ? weakest.loadA : null, limitA: weakest.limitA }
        : null,
  };
}

const ceilingNeeds = (assessment: Assessment): readonly string[] =>
  assessment.supplies.length === 0 ? ['a pack'] : ['a mood'];
