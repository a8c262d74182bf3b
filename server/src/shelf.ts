import { assess } from '@glimmer/core/assess';
import { checkDesign, isOpen } from '@glimmer/core/findings';
import type { Design } from '@glimmer/core/plan';
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
    readonly lights: readonly { readonly xMm: number; readonly yMm: number; readonly colour: string }[];
  };
}

const MOST_LIGHTS = 300;

function colourOf(design: Design, groupId: string, fallback: string): string {
  const mood = design.moods.list.find((each) => each.id === design.moods.startId) ?? design.moods.list[0];
  return (
    mood?.moves[groupId]?.colour ??
    design.moods.list.map((each) => each.moves[groupId]?.colour).find((colour) => colour !== undefined) ??
    fallback
  );
}

/** Reckons one stored plan for the shelf. */
export function describeForShelf(stored: StoredPlan): ShelfEntry {
  const { design } = stored.plan;
  const assessment = assess(design);
  const lights = assessment.placed.flatMap((group) => {
    const colour = group.kind === 'leds' ? group.part.colour : colourOf(design, group.id, '#ffe9c4');
    return group.places.map((place) => ({ ...place, colour }));
  });
  const step = Math.max(1, Math.ceil(lights.length / MOST_LIGHTS));
  const { picture, widthMm, heightMm } = design.view;
  return {
    id: stored.plan.id,
    name: stored.plan.name,
    revision: stored.revision,
    updatedAt: stored.updatedAt.toISOString(),
    kind: design.piece.kind,
    openFindings: checkDesign(design, assessment).filter(isOpen).length,
    runsForH: assessment.supply?.runsFor?.cautiousH ?? null,
    glimpse: {
      outline: picture.kind === 'drawn' ? picture.outline : null,
      widthMm,
      heightMm,
      lights: lights.filter((_, i) => i % step === 0),
    },
  };
}
