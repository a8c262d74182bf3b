import type { Plan } from '@glimmer/core/plan';
import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { marks, plans } from './schema.ts';
import type { ShelfFacts } from './shelfFacts.ts';

export interface StoredPlan {
  readonly plan: Plan;
  readonly revision: number;
  readonly updatedAt: Date;
  readonly putAwayAt: Date | null;
  /** The id that its last save carried. */
  readonly lastSave: string | null;
}

/** A plan as the shelf knows it, without the plan itself. */
export interface ShelfRow {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: Date;
  readonly facts: ShelfFacts | null;
  readonly factsOf: string | null;
}

/** A save: the revision that it is based on, and an id of its own, by which a repeated one is known. */
interface Save {
  readonly basedOn: number;
  readonly saveId: string | null;
  readonly at: Date;
}

/** All that the routes need of the database. */
export interface PlanRepository {
  readonly list: (options: { readonly putAway: boolean }) => Promise<ShelfRow[]>;
  readonly find: (id: string) => Promise<StoredPlan | null>;
  /** Null when a plan of this id is there already. */
  readonly add: (plan: Plan, at: Date) => Promise<StoredPlan | null>;
  /**
   * Null when the stored revision is not `basedOn`; nothing is changed then. A save that was confirmed before, by its id,
   * is confirmed once more.
   */
  readonly save: (plan: Plan, save: Save) => Promise<StoredPlan | null>;
  /** Keeps what the shelf shows of a plan, unless it has been saved again since. */
  readonly keepFacts: (
    id: string,
    kept: { readonly revision: number; readonly facts: ShelfFacts; readonly of: string },
  ) => Promise<void>;
  readonly setPutAway: (id: string, at: Date | null) => Promise<StoredPlan | null>;
  /** True the first time this mark is set. */
  readonly mark: (name: string, at: Date) => Promise<boolean>;
  readonly ping: () => Promise<void>;
}

const toStored = (row: typeof plans.$inferSelect): StoredPlan => ({
  plan: row.document,
  revision: row.revision,
  updatedAt: row.updatedAt,
  putAwayAt: row.putAwayAt,
  lastSave: row.lastSave,
});

/** The repository over a Drizzle connection. */
export function createPlanRepository(db: NodePgDatabase): PlanRepository {
  const first = (rows: (typeof plans.$inferSelect)[]): StoredPlan | null => (rows[0] ? toStored(rows[0]) : null);
  return {
    list: async ({ putAway }) =>
      db
        .select({
          id: plans.id,
          name: plans.name,
          revision: plans.revision,
          updatedAt: plans.updatedAt,
          facts: plans.shelf,
          factsOf: plans.shelfOf,
        })
        .from(plans)
        .where(putAway ? isNotNull(plans.putAwayAt) : isNull(plans.putAwayAt))
        .orderBy(desc(plans.updatedAt), plans.id),
    find: async (id) => first(await db.select().from(plans).where(eq(plans.id, id))),
    add: async (plan, at) =>
      first(
        await db
          .insert(plans)
          .values({ id: plan.id, name: plan.name, document: plan, createdAt: at, updatedAt: at })
          .onConflictDoNothing()
          .returning(),
      ),
    // One statement compares and writes, so two saves at the same moment can't both win.
    save: async (plan, { basedOn, saveId, at }) => {
      // The document is not asked back: it is the one that was given.
      const [saved] = await db
        .update(plans)
        .set({
          name: plan.name,
          document: plan,
          revision: sql`${plans.revision} + 1`,
          updatedAt: at,
          lastSave: saveId,
        })
        .where(and(eq(plans.id, plan.id), eq(plans.revision, basedOn)))
        .returning({ revision: plans.revision, putAwayAt: plans.putAwayAt });
      if (saved) return { plan, revision: saved.revision, updatedAt: at, putAwayAt: saved.putAwayAt, lastSave: saveId };
      if (saveId === null) return null;
      const before = and(eq(plans.id, plan.id), eq(plans.revision, basedOn + 1), eq(plans.lastSave, saveId));
      return first(await db.select().from(plans).where(before));
    },
    keepFacts: async (id, { revision, facts, of }) => {
      await db
        .update(plans)
        .set({ shelf: facts, shelfOf: of })
        .where(and(eq(plans.id, id), eq(plans.revision, revision)));
    },
    setPutAway: async (id, at) =>
      first(await db.update(plans).set({ putAwayAt: at }).where(eq(plans.id, id)).returning()),
    mark: async (name, at) =>
      (await db.insert(marks).values({ name, setAt: at }).onConflictDoNothing().returning()).length > 0,
    ping: async () => {
      await db.execute(sql`select 1`);
    },
  };
}
