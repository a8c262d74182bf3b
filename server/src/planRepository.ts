import type { Picture, Plan } from '@glimmer/core/plan';
import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { isRef, type KeptDocument, type PlanToKeep } from './pictures.ts';
import { marks, pictures, plans } from './schema.ts';
import type { ShelfFacts } from './shelfFacts.ts';

/** A connection, or one within a transaction. */
export type Database = Pick<NodePgDatabase, 'select' | 'insert' | 'update' | 'delete' | 'execute'>;

/** A plan as the database has it. */
export interface StoredPlan {
  readonly plan: Plan;
  /** One more with each save. */
  readonly revision: number;
  readonly updatedAt: Date;
  /** Null on the shelf. */
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
  /** Null until they have been reckoned once. */
  readonly facts: ShelfFacts | null;
  /** Revision and version of core that they are of. */
  readonly factsOf: string | null;
}

/** A save: the revision that it is based on, and an id of its own, by which a repeated one is known. */
interface Save {
  readonly basedOn: number;
  /** By which a repeated one is known; null where it carried none. */
  readonly saveId: string | null;
  readonly at: Date;
}

/** What a save has been confirmed with. */
export type SavedPlan = Omit<StoredPlan, 'plan'>;

/** A plan is to be kept whose pictures are named and not here: they must be sent once. */
export class MissingPictures extends Error {}

/** All that the routes need of the database. */
export interface PlanRepository {
  /** The newest first. */
  readonly list: (options: { readonly putAway: boolean }) => Promise<ShelfRow[]>;
  /** Null where it is not here. */
  readonly find: (id: string) => Promise<StoredPlan | null>;
  /** The same, as it is kept: its pictures by what they hold. */
  readonly findKept: (id: string) => Promise<KeptDocument | null>;
  /** Null when a plan of this id is there already. */
  readonly add: (plan: PlanToKeep, at: Date, options?: { readonly putAway: boolean }) => Promise<StoredPlan | null>;
  /**
   * Null when the stored revision is not `basedOn`; nothing is changed then. A save that was confirmed before, by its id,
   * is confirmed once more.
   * @throws MissingPictures
   */
  readonly save: (plan: PlanToKeep, save: Save) => Promise<SavedPlan | null>;
  /** Keeps what the shelf shows of a plan, unless it has been saved again since. */
  readonly keepFacts: (
    id: string,
    kept: { readonly revision: number; readonly facts: ShelfFacts; readonly of: string },
  ) => Promise<void>;
  /** Null brings it back. */
  readonly setPutAway: (id: string, at: Date | null) => Promise<StoredPlan | null>;
  /** Deletes a plan that is put away, for good, and gives it; null where none of this id is. */
  readonly remove: (id: string) => Promise<StoredPlan | null>;
  /** True the first time this mark is set. */
  readonly mark: (name: string, at: Date) => Promise<boolean>;
  /** All plans, on the shelf and put away. */
  readonly all: () => Promise<StoredPlan[]>;
  /** Takes away pictures that no plan has shown for a day. */
  readonly sweepPictures: (now: Date) => Promise<void>;
  /** Throws while the database is away. */
  readonly ping: () => Promise<void>;
}

type PlanRow = typeof plans.$inferSelect;

const toStored = (row: PlanRow, found: ReadonlyMap<string, Picture>): StoredPlan => ({
  plan: putPicturesBack(row.document, found),
  revision: row.revision,
  updatedAt: row.updatedAt,
  putAwayAt: row.putAwayAt,
  lastSave: row.lastSave,
});

/** The whole plan again. */
function putPicturesBack(document: KeptDocument, found: ReadonlyMap<string, Picture>): Plan {
  const whole = Object.entries(document.pictures).flatMap(([id, picture]): [string, Picture][] => {
    const known = isRef(picture) ? found.get(picture.sha256) : picture;
    return known ? [[id, known]] : [];
  });
  return { ...document, pictures: Object.fromEntries(whole) };
}

const refsOf = (documents: readonly KeptDocument[]): string[] => [
  ...new Set(
    documents.flatMap((document) =>
      Object.values(document.pictures).flatMap((picture) => (isRef(picture) ? [picture.sha256] : [])),
    ),
  ),
];

async function findPictures(db: Database, hashes: readonly string[]): Promise<ReadonlyMap<string, Picture>> {
  if (hashes.length === 0) return new Map();
  const rows = await db
    .select()
    .from(pictures)
    .where(inArray(pictures.sha256, [...hashes]));
  return new Map(
    rows.map(({ sha256, mime, content }): [string, Picture] => [
      sha256,
      // Kept as the reader of plans let it through.
      mime === 'image/svg+xml' ? { mime, svg: content } : ({ mime, base64: content } as Picture),
    ]),
  );
}

/**
 * Keeps the pictures that came with a plan, and looks whether those that it names are here.
 * @throws MissingPictures
 */
export async function keepPictures(db: Database, plan: PlanToKeep, at: Date): Promise<void> {
  if (plan.pictures.size > 0)
    await db
      .insert(pictures)
      .values(
        [...plan.pictures].map(([sha256, picture]) => ({
          sha256,
          mime: picture.mime,
          content: 'svg' in picture ? picture.svg : picture.base64,
          keptAt: at,
        })),
      )
      .onConflictDoNothing();
  if (plan.named.length === 0) return;
  const rows = await db
    .select({ sha256: pictures.sha256 })
    .from(pictures)
    .where(inArray(pictures.sha256, [...plan.named]));
  if (rows.length < new Set(plan.named).size) throw new MissingPictures();
}

/** Reads rows with the pictures that they show. */
async function withPictures(db: Database, rows: readonly PlanRow[]): Promise<StoredPlan[]> {
  const found = await findPictures(db, refsOf(rows.map(({ document }) => document)));
  return rows.map((row) => toStored(row, found));
}

/** Of one row at most. */
const one = async (db: Database, rows: readonly PlanRow[]): Promise<StoredPlan | null> =>
  (await withPictures(db, rows.slice(0, 1)))[0] ?? null;

/** Prepared once: it is what is asked most. */
function prepareSave(db: Database) {
  const { placeholder } = sql;
  return db
    .update(plans)
    .set({
      name: sql`${placeholder('name')}`,
      document: sql`${placeholder('document')}::jsonb`,
      revision: sql`${plans.revision} + 1`,
      updatedAt: sql`${placeholder('at')}::timestamptz`,
      lastSave: sql`${placeholder('saveId')}`,
    })
    .where(and(eq(plans.id, placeholder('id')), eq(plans.revision, placeholder('basedOn'))))
    .returning({ revision: plans.revision, putAwayAt: plans.putAwayAt })
    .prepare('save_over');
}

function createSave(db: Database): PlanRepository['save'] {
  const saveOver = prepareSave(db);
  // One statement compares and writes, so two saves at the same moment can't both win.
  return async (plan, { basedOn, saveId, at }) => {
    if (plan.pictures.size > 0 || plan.named.length > 0) await keepPictures(db, plan, at);
    // The document is not asked back: it is the one that was given.
    const [saved] = await saveOver.execute({
      id: plan.id,
      name: plan.name,
      document: JSON.stringify(plan.document),
      basedOn,
      saveId,
      at: at.toISOString(),
    });
    if (saved) return { revision: saved.revision, updatedAt: at, putAwayAt: saved.putAwayAt, lastSave: saveId };
    if (saveId === null) return null;
    const before = and(eq(plans.id, plan.id), eq(plans.revision, basedOn + 1), eq(plans.lastSave, saveId));
    return one(db, await db.select().from(plans).where(before));
  };
}

async function add(
  db: Database,
  plan: PlanToKeep,
  at: Date,
  options?: { readonly putAway: boolean },
): Promise<StoredPlan | null> {
  await keepPictures(db, plan, at);
  const { id, name, document } = plan;
  return one(
    db,
    await db
      .insert(plans)
      .values({ id, name, document, createdAt: at, updatedAt: at, putAwayAt: options?.putAway ? at : null })
      .onConflictDoNothing()
      .returning(),
  );
}

const list = (db: Database, putAway: boolean): Promise<ShelfRow[]> =>
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
    .orderBy(desc(plans.updatedAt), plans.id);

async function sweepPictures(db: Database, now: Date): Promise<void> {
  const dayAgo = new Date(now.getTime() - 24 * 60 * 60 * 1000);
  await db.execute(sql`
    delete from ${pictures} where ${pictures.keptAt} < ${dayAgo} and not exists (
      select 1 from ${plans}, jsonb_each(${plans.document} -> 'pictures') as shown
      where shown.value ->> 'sha256' = ${pictures.sha256}
    )`);
}

/** The repository over a Drizzle connection. */
export function createPlanRepository(db: Database): PlanRepository {
  return {
    list: ({ putAway }) => list(db, putAway),
    find: async (id) => one(db, await db.select().from(plans).where(eq(plans.id, id))),
    findKept: async (id) => {
      const [row] = await db.select({ document: plans.document }).from(plans).where(eq(plans.id, id));
      return row?.document ?? null;
    },
    add: (plan, at, options) => add(db, plan, at, options),
    save: createSave(db),
    keepFacts: async (id, { revision, facts, of }) => {
      await db
        .update(plans)
        .set({ shelf: facts, shelfOf: of })
        .where(and(eq(plans.id, id), eq(plans.revision, revision)));
    },
    setPutAway: async (id, at) =>
      one(db, await db.update(plans).set({ putAwayAt: at }).where(eq(plans.id, id)).returning()),
    remove: async (id) =>
      one(
        db,
        await db
          .delete(plans)
          .where(and(eq(plans.id, id), isNotNull(plans.putAwayAt)))
          .returning(),
      ),
    all: async () => withPictures(db, await db.select().from(plans).orderBy(plans.createdAt, plans.id)),
    sweepPictures: (now) => sweepPictures(db, now),
    mark: async (name, at) =>
      (await db.insert(marks).values({ name, setAt: at }).onConflictDoNothing().returning()).length > 0,
    ping: async () => {
      await db.execute(sql`select 1`);
    },
  };
}
