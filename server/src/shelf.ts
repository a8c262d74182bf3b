import { assess } from '@glimmer/core/assess';
import { checkPlan, isOpen } from '@glimmer/core/findings';
import type { Design } from '@glimmer/core/plan';
import { type GlimpseLight, glimpseLights } from './glimpse.ts';
import type { StoredPlan } from './planRepository.ts';

/** What the shelf shows of one plan, its small lit picture included. */
export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: string;
  readonly kind: Design['piece']['kind'];
  readonly openFindings: number;
  readonly runsForH: number | null;
  readonly glimpse: {
    readonly outline: string | null;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly lights: readonly GlimpseLight[];
  };
}

/** Reckons one stored plan for the shelf. */
export function describeForShelf(stored: StoredPlan): ShelfEntry {
  const { design } = stored.plan;
  const assessment = assess(design);
  const { picture, widthMm, heightMm } = design.view;
  return {
    id: stored.plan.id,
    name: stored.plan.name,
    revision: stored.revision,
    updatedAt: stored.updatedAt.toISOString(),
    kind: design.piece.kind,
    openFindings: checkPlan(stored.plan, assessment).filter(isOpen).length,
    runsForH: assessment.supply?.runsFor?.cautiousH ?? null,
    glimpse: {
      outline: picture.kind === 'drawn' ? picture.outline : null,
      widthMm,
      heightMm,
      lights: glimpseLights(assessment),
    },
  };
}
