import { assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import { type Finding, type Gravity, kindOf } from '../items/index.ts';
import { applyEdits, changeItem, type Design, itemNamed } from '../plan/index.ts';
import { hours, type Message, say } from '../units/index.ts';

/** A part in the stead of the one that is chosen. */
export interface TriedPart {
  readonly partId: string;
  /** What of it can only be told in this plan: how long the piece runs on a pack. Null where there is nothing. */
  readonly comesTo: Message | null;
  /** The gravest that the plan would be told with it and not with every other; null where it suits. */
  readonly against: Message | null;
  readonly gravity: Gravity | null;
}

interface Told {
  readonly partId: string;
  readonly comesTo: Message | null;
  readonly findings: readonly Finding[];
}

const isOpen = ({ gravity }: Finding): boolean => gravity !== 'mind';

function tryOne(design: Design, itemId: string, field: string, partId: string): Told {
  const tried = applyEdits(design, changeItem(design, itemId, { [field]: partId }));
  const assessment = assess(tried);
  const item = itemNamed(tried, itemId);
  const runs = assessment.supplies.find(({ rail }) => rail.id === itemId)?.runsFor;
  return {
    partId,
    comesTo:
      item && kindOf(item.kind).role === 'source' && runs && field === 'part'
        ? say`runs ${hours(runs.cautiousH)} with caution`
        : null,
    findings: checkDesign(tried, assessment).filter(isOpen),
  };
}

/** What an open finding is told apart by: one that only moves to another light or mood is the same. */
const keyOf = ({ rule, gravity }: Finding): string => `${rule} ${gravity}`;

/**
 * Each part of a list in the stead of the one that an item names in a field, as the plan would be judged with it. What
 * every one of them is told speaks against none.
 * @param onTried told after each, with how many are done
 */
export function tryParts(
  design: Design,
  { itemId, field, partIds }: { readonly itemId: string; readonly field: string; readonly partIds: readonly string[] },
  onTried?: (done: number) => void,
): readonly TriedPart[] {
  const told = partIds.map((partId, i) => {
    const one = tryOne(design, itemId, field, partId);
    onTried?.(i + 1);
    return one;
  });
  const [first, ...others] = told.map(({ findings }) => new Set(findings.map(keyOf)));
  const common = new Set([...(first ?? [])].filter((key) => others.every((each) => each.has(key))));
  return told.map(({ partId, comesTo, findings }): TriedPart => {
    const own = findings.filter((each) => !common.has(keyOf(each)));
    const worst = own.find(({ gravity }) => gravity === 'stop') ?? own[0];
    return { partId, comesTo, against: worst?.what ?? null, gravity: worst?.gravity ?? null };
  });
}
