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
}

/** A condition with what follows from it. */
export interface Conditions {
  readonly condition: Condition;
  /** Of the time, the share in which a group is lit in this mood; 0 where it is dark. */
  readonly shareOf: (itemId: string) => number;
  /** Whether a source stands behind a rail, with every switch before it closed. */
  readonly isLive: (railId: string | null) => boolean;
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
  const { moodId, openIds } = condition;
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
    isLive: (railId) => {
      for (let rail = railId === null ? undefined : rails.byId.get(railId); rail; ) {
        if (rail.gives.form === 'contact' && openIds.includes(rail.id)) return false;
        if (rail.gives.form === 'converter' && !rail.gives.part) return false;
        if (rail.fromId === null) return supplies.some((each) => each.rail.id === rail?.id);
        rail = rails.byId.get(rail.fromId);
      }
      return false;
    },
  };
}
