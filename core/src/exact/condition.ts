import type { Assessment } from '../assess.ts';
import type { Rail } from '../network/index.ts';

/** What a piece is looked at in: how full its packs are, what is lit, which switches in its leads are open. */
export interface Condition {
  /** Share left in the pack, 0 to 1. */
  readonly charge: number;
  /** Its height is taken, as it is set; null = every programmed light is dark. */
  readonly moodId: string | null;
  /** Switches in leads that are open. */
  readonly openIds: readonly string[];
  /** Sources that are unplugged; left out, every rail takes from the feed that it is reckoned with, and no other. */
  readonly awayIds?: readonly string[];
  /** Changeover switches that stand on their second feed; left out, none. */
  readonly otherIds?: readonly string[];
}

/** A condition with what follows from it. */
export interface Conditions {
  readonly condition: Condition;
  /** Of the time, the share in which a group is lit in this mood; 0 where it is dark. */
  readonly shareOf: (itemId: string) => number;
  /** Whether a source stands behind a rail, with every switch before it closed. */
  readonly isLive: (railId: string | null) => boolean;
  /** Whether a source is plugged in. */
  readonly isThere: (sourceId: string) => boolean;
  /** The sides of a changeover that its rail takes from. */
  readonly takenBy: (changeoverId: string) => readonly ('a' | 'b')[];
}

/** What is lit for less than this of the time is dark. */
const LEAST_SHARE = 1e-6;

/** Works out what is lit and what is fed. */
export function applyCondition(assessment: Assessment, condition: Condition): Conditions {
  const { show, consumers, rails, supplies } = assessment;
  const byId = new Map(consumers.map((consumer) => [consumer.id, consumer]));
  const railOf = (itemId: string): Rail | undefined => {
    const railId = byId.get(itemId)?.railId ?? null;
    return railId === null ? undefined : rails.byId.get(railId);
  };
  const { moodId } = condition;
  const lit = new Map(
    show.groups.map((group, g): [string, number] => {
      const supply = supplies.find((each) => each.rail.id === railOf(group.id)?.sourceId);
      const share = moodId === null ? 0 : (supply?.moodShares.get(moodId)?.[g] ?? 0);
      return [group.id, share < LEAST_SHARE ? 0 : share];
    }),
  );
  return {
    condition,
    shareOf: (itemId) => lit.get(itemId) ?? 0,
    ...findLive(assessment, condition),
  };
}

/** A condition with every pole of the levers that are open. */
export function withPoles({ rails }: Pick<Assessment, 'rails'>, condition: Condition): Condition {
  const leverOf = (id: string): string => {
    const gives = rails.byId.get(id)?.gives;
    return (gives?.form === 'contact' ? gives.item.with : null) ?? id;
  };
  const open = new Set(condition.openIds.map(leverOf));
  const poles = rails.list.flatMap(({ id, gives }) => (gives.form === 'contact' && open.has(leverOf(id)) ? [id] : []));
  return { ...condition, openIds: poles };
}

/** What is fed, and from which side, as switches and plugs are. */
function findLive(
  { rails, supplies }: Pick<Assessment, 'rails' | 'supplies'>,
  { openIds, awayIds, otherIds = [] }: Condition,
): Pick<Conditions, 'isLive' | 'isThere' | 'takenBy'> {
  const isThere = (sourceId: string): boolean => !awayIds?.includes(sourceId);
  // Feeds that go round in a circle feed nothing.
  const waiting = new Set<string>();
  const isLive = (railId: string | null): boolean => {
    if (railId === null || waiting.has(railId)) return false;
    waiting.add(railId);
    const is = findIfLive(railId);
    waiting.delete(railId);
    return is;
  };
  const findIfLive = (railId: string): boolean => {
    const rail = rails.byId.get(railId);
    if (!rail) return false;
    if (rail.gives.form === 'contact' && openIds.includes(rail.id)) return false;
    if (rail.gives.form === 'converter' && !rail.gives.part) return false;
    if (rail.gives.form === 'changeover')
      return takenBy(rail.id).some((side) => isLive(side === 'a' ? rail.fromId : otherOf(rail)));
    if (rail.fromId === null) return isThere(rail.id) && supplies.some((each) => each.rail.id === rail.id);
    return isLive(rail.fromId);
  };
  const takenBy = (id: string): readonly ('a' | 'b')[] => {
    const rail = rails.byId.get(id);
    if (rail?.gives.form !== 'changeover') return [];
    if (!awayIds) return ['a'];
    const { by } = rail.gives.item;
    const other = otherOf(rail);
    if (by === 'switch') return other !== null && otherIds.includes(id) ? ['b'] : ['a'];
    if (by === 'joined') return other === null ? ['a'] : ['a', 'b'];
    const volts = (railId: string | null): number =>
      railId !== null && isLive(railId) ? (rails.byId.get(railId)?.range?.nominalV ?? 0) : 0;
    return other !== null && volts(other) > volts(rail.fromId) ? ['b'] : ['a'];
  };
  return { isLive, isThere, takenBy };
}

/** The second feed of a changeover. */
const otherOf = (rail: Rail): string | null => (rail.gives.form === 'changeover' ? rail.gives.item.other : null);
