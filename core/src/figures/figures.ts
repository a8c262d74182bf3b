import type { Assessment } from '../assess.ts';
import { lowestCeiling } from './ceiling.ts';
import { costPerCopy } from './cost.ts';
import type { Figure } from './figure.ts';
import { peakDraw } from './peakDraw.ts';
import { restDraw } from './restDraw.ts';
import { runsFor } from './runsFor.ts';
import { usualDraw } from './usualDraw.ts';
import { type WeakestLink, weakestLink } from './weakestLink.ts';

/** The figures that decide whether a piece works tonight. */
export interface Figures {
  readonly peakA: Figure;
  readonly usualA: Figure;
  readonly restA: Figure;
  readonly runsForH: Figure;
  readonly ceiling: Figure;
  readonly costPerCopy: Figure;
  readonly weakestLink: WeakestLink;
}

/** The figures of an assessed plan, each with how it came about; what is not decided yet is null and says what it needs. */
export const figuresOf = (assessment: Assessment): Figures => ({
  peakA: peakDraw(assessment),
  usualA: usualDraw(assessment),
  restA: restDraw(assessment),
  runsForH: runsFor(assessment),
  ceiling: lowestCeiling(assessment),
  costPerCopy: costPerCopy(assessment),
  weakestLink: weakestLink(assessment),
});
