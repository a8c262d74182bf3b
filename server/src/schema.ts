import { integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import type { KeptDocument } from './pictures.ts';
import type { ShelfFacts } from './shelfFacts.ts';

/** One row a plan. `revision` goes up by one with each confirmed save and is what a save must be based on. */
export const plans = pgTable('plans', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  document: jsonb('document').$type<KeptDocument>().notNull(),
  revision: integer('revision').notNull().default(1),
  putAwayAt: timestamp('put_away_at', { withTimezone: true }),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull(),
  /** The id that the last save carried: the same once more was confirmed already, and its answer was lost. */
  lastSave: text('last_save'),
  /** What the shelf shows, and what it was reckoned of: `REVISION:CORE`. Null until it is reckoned. */
  shelf: jsonb('shelf').$type<ShelfFacts>(),
  shelfOf: text('shelf_of'),
});

/** Pictures of plans, each once, by what it holds. */
export const pictures = pgTable('pictures', {
  sha256: text('sha256').primaryKey(),
  mime: text('mime').notNull(),
  content: text('content').notNull(),
  keptAt: timestamp('kept_at', { withTimezone: true }).notNull(),
});

/** What a workshop has beside its plans: the desk of sums, the drawer, parts of its own. */
export const belongings = pgTable('belongings', {
  name: text('name').primaryKey(),
  document: jsonb('document').notNull(),
  revision: integer('revision').notNull().default(1),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull(),
});

/** Small facts about this store itself, such as whether the demo data has been laid in. */
export const marks = pgTable('marks', {
  name: text('name').primaryKey(),
  setAt: timestamp('set_at', { withTimezone: true }).notNull(),
});
