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
  /** At the height of the evening. */
  readonly peakA: Figure;
  /** In the mean over it. */
  readonly usualA: Figure;
  /** With every programmed light dark. */
  readonly restA: Figure;
  /** Hours, likely and with caution. */
  readonly runsForH: Figure;
  /** The lowest of all moods. */
  readonly ceiling: Figure;
  /** By usual prices. */
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
