import type { Plan } from '@glimmer/core/plan';
import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { marks, plans } from './schema.ts';

export interface StoredPlan {
  readonly plan: Plan;
  readonly revision: number;
  readonly updatedAt: Date;
  readonly putAwayAt: Date | null;
}

/** All that the routes need of the database. */
export interface PlanRepository {
  readonly list: (options: { readonly putAway: boolean }) => Promise<StoredPlan[]>;
  readonly find: (id: string) => Promise<StoredPlan | null>;
  /** Null when a plan of this id is there already. */
  readonly add: (plan: Plan, at: Date) => Promise<StoredPlan | null>;
  /** Null when the stored revision is not `basedOn`; nothing is changed then. */
  readonly save: (plan: Plan, options: { readonly basedOn: number; readonly at: Date }) => Promise<StoredPlan | null>;
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
});

/** The repository over a Drizzle connection. */
export function createPlanRepository(db: NodePgDatabase): PlanRepository {
  const first = (rows: (typeof plans.$inferSelect)[]): StoredPlan | null => (rows[0] ? toStored(rows[0]) : null);
  return {
    list: async ({ putAway }) =>
      (
        await db
          .select()
          .from(plans)
          .where(putAway ? isNotNull(plans.putAwayAt) : isNull(plans.putAwayAt))
          .orderBy(desc(plans.updatedAt), plans.id)
      ).map(toStored),
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
    save: async (plan, { basedOn, at }) =>
      first(
        await db
          .update(plans)
          .set({ name: plan.name, document: plan, revision: sql`${plans.revision} + 1`, updatedAt: at })
          .where(and(eq(plans.id, plan.id), eq(plans.revision, basedOn)))
          .returning(),
      ),
    setPutAway: async (id, at) =>
      first(await db.update(plans).set({ putAwayAt: at }).where(eq(plans.id, id)).returning()),
    mark: async (name, at) =>
      (await db.insert(marks).values({ name, setAt: at }).onConflictDoNothing().returning()).length > 0,
    ping: async () => {
      await db.execute(sql`select 1`);
    },
  };
}
