import { type Assessment, assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import { type Finding, type Item, type ItemKind, type ItemOf, kindOf, type PlanPoint } from '../items/index.ts';
import { builtInLibrary, createLibrary, type OwnPart, type Part } from '../parts/index.ts';
import { type Design, emptyDesign } from '../plan/index.ts';

/** What a sum asks about, laid down as a plan of its own. */
export interface Piece {
  readonly design: Design;
  readonly assessment: Assessment;
  /** What a plan says of one of its items, without what only a plan can mend. */
  readonly toldOf: (itemId: string) => readonly Finding[];
  /** All that a plan would be told, but for the usual cautions. */
  readonly told: () => readonly Finding[];
}

/** Lays the items of a sum down as a plan, with parts that are what the sum was told: so it is judged by the rules of plans. */
export function layPiece(
  items: readonly Item[],
  parts: readonly Part[] = [],
  said: Partial<Pick<Design, 'moods' | 'piece' | 'wires'>> = {},
): Piece {
  const design: Design = { ...emptyDesign, ...said, items };
  const assessment = assess(design, createLibrary([...builtInLibrary.parts.values(), ...parts]));
  const tellOf = (holds: (finding: Finding) => boolean): readonly Finding[] =>
    checkDesign(design, assessment)
      .filter(holds)
      .map((each) => ({ ...each, id: each.rule, stage: null, aboutId: null, fixes: [] }))
      .filter((each, i, all) => all.findIndex(({ id }) => id === each.id) === i);
  return {
    design,
    assessment,
    toldOf: (itemId) => tellOf((each) => each.aboutId === itemId),
    told: () => tellOf(({ rule }) => !rule.startsWith('caution')),
  };
}

/** A fresh item of a kind, with what the sum knows of it. */
export const freshItem = <K extends ItemKind>(
  kind: K,
  { id, name, at, ...known }: Pick<ItemOf<K>, 'id' | 'name'> & { readonly at: PlanPoint } & Partial<ItemOf<K>>,
): ItemOf<K> =>
  // What a kind creates is of that kind.
  ({ ...kindOf(kind).create({ id, name, at }), ...known }) as ItemOf<K>;

const isSource = (item: Item): boolean => kindOf(item.kind).role === 'source';

/** Puts the items of a sum into a maker’s plan with the parts that they name; a plan that has a source keeps its own. */
export function putPiece(design: Design, items: readonly Item[], parts: readonly OwnPart[]): Design {
  const hasSource = design.items.some(isSource);
  return {
    ...design,
    ...(parts.length > 0 ? { ownParts: [...(design.ownParts ?? []), ...parts] } : {}),
    items: [...design.items, ...items.filter((item) => !(hasSource && isSource(item)))],
  };
}
