import type { BelongingName, BelongingOf, Belongings } from '@glimmer/core/workshop';
import { belongingNames } from '@glimmer/core/workshop';
import { and, eq, sql } from 'drizzle-orm';
import type { Database } from './planRepository.ts';
import { belongings } from './schema.ts';

/** A belonging as it is kept; revision 0 = there has been none yet. */
interface StoredBelonging<N extends BelongingName = BelongingName> {
  readonly value: BelongingOf<N>;
  /** One more with each save; 0 = nothing kept yet. */
  readonly revision: number;
}

/** What a workshop keeps beside its plans, each with its revision. */
export interface BelongingRepository {
  /** What was never kept is empty, at revision 0. */
  readonly find: <N extends BelongingName>(name: N) => Promise<StoredBelonging<N>>;
  /** Its new revision; null when the stored one is not `basedOn`, and nothing is changed then. */
  readonly save: <N extends BelongingName>(
    name: N,
    value: BelongingOf<N>,
    save: { readonly basedOn: number; readonly at: Date },
  ) => Promise<number | null>;
  /** All of them. */
  readonly all: () => Promise<Belongings>;
}

/** What a workshop has beside its plans, over a Drizzle connection. */
export function createBelongingRepository(db: Database): BelongingRepository {
  const find: BelongingRepository['find'] = async <N extends BelongingName>(name: N) => {
    const [row] = await db.select().from(belongings).where(eq(belongings.name, name));
    // What is kept under a name was read by the schema of that name.
    return { value: (row?.document ?? []) as unknown as BelongingOf<N>, revision: row?.revision ?? 0 };
  };
  return {
    find,
    save: async (name, value, { basedOn, at }) => {
      const rows =
        basedOn === 0
          ? await db
              .insert(belongings)
              .values({ name, document: value, updatedAt: at })
              .onConflictDoNothing()
              .returning({ revision: belongings.revision })
          : await db
              .update(belongings)
              .set({ document: value, revision: sql`${belongings.revision} + 1`, updatedAt: at })
              .where(and(eq(belongings.name, name), eq(belongings.revision, basedOn)))
              .returning({ revision: belongings.revision });
      return rows[0]?.revision ?? null;
    },
    all: async () => {
      const found = await Promise.all(belongingNames.map(async (name) => [name, (await find(name)).value] as const));
      // Each name is there, with what belongs to it.
      return Object.fromEntries(found) as unknown as Belongings;
    },
  };
}
