import { assess } from '@glimmer/core/assess';
import { figuresOf } from '@glimmer/core/figures';
import { checkPlan, isOpen } from '@glimmer/core/findings';
import type { Design, Plan } from '@glimmer/core/plan';
import { type GlimpseLight, glimpseLights } from './glimpse.ts';

/** What the shelf shows of a plan, its small lit picture included: it follows from the plan and from core alone. */
export type ShelfFacts =
  | {
      readonly state: 'reckoned';
      readonly kind: Design['piece']['kind'];
      /** To stop for, or to mend. */
      readonly openFindings: number;
      /** Those of them that are to stop for. */
      readonly toStopFor: number;
      /** With caution; null while the plan says too little. */
      readonly runsForH: number | null;
      readonly glimpse: {
        readonly outline: string | null;
        readonly widthMm: number;
        readonly heightMm: number;
        readonly lights: readonly GlimpseLight[];
      };
    }
  /** The plan can't be reckoned: what the program says of it. */
  | { readonly state: 'broken'; readonly trouble: string };

/** Reckons one plan for the shelf; whatever the plan does, the shelf stands. */
export function describeForShelf(plan: Plan): ShelfFacts {
  try {
    const { design } = plan;
    const assessment = assess(design);
    const open = checkPlan(plan, assessment).filter(isOpen);
    const { picture, widthMm, heightMm } = design.view;
    return {
      state: 'reckoned',
      kind: design.piece.kind,
      openFindings: open.length,
      toStopFor: open.filter(({ gravity }) => gravity === 'stop').length,
      runsForH: figuresOf(assessment).runsForH.cautious,
      glimpse: {
        outline: picture.kind === 'drawn' ? picture.outline : null,
        widthMm,
        heightMm,
        lights: glimpseLights(assessment),
      },
    };
  } catch (error) {
    return { state: 'broken', trouble: error instanceof Error ? error.message : String(error) };
  }
}
