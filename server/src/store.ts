import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { type BelongingRepository, createBelongingRepository } from './belongingRepository.ts';
import { laidIn, readExample } from './examples.ts';
import { setPicturesApart } from './pictures.ts';
import { createPlanRepository, type Database, type PlanRepository } from './planRepository.ts';
import { renewKept } from './renewKept.ts';

/** The database, ready to be asked. */
export interface Store {
  readonly repository: PlanRepository;
  readonly belongings: BelongingRepository;
  /** Does something whole or not at all. */
  readonly alone: <T>(work: (db: Database) => Promise<T>) => Promise<T>;
  /** Lets its connections go. */
  readonly close: () => Promise<void>;
}

/** Opens the database and brings it, and every plan in it, to the newest version. `onLost` hears of connections that die while idle. */
export async function openStore(options: {
  readonly url: string;
  readonly migrationsFolder: string;
  /** Now. */
  readonly at: Date;
  /** A connection broke; the next request takes another. */
  readonly onLost: (error: Error) => void;
}): Promise<Store> {
  const pool = new pg.Pool({ connectionString: options.url, max: 8, connectionTimeoutMillis: 3000 });
  pool.on('error', options.onLost);
  const db = drizzle(pool);
  await migrate(db, { migrationsFolder: options.migrationsFolder });
  await db.transaction((alone) => renewKept(alone, options.at));
  return {
    repository: createPlanRepository(db),
    belongings: createBelongingRepository(db),
    alone: (work) => db.transaction(work),
    close: () => pool.end(),
  };
}

/** The demo plans of the first stores, which were laid in under one mark for them all. */
const firstDemos: ReadonlySet<string> = new Set(['anglerfish-headdress', 'harbour-lighthouse', 'jellyfish-parasol']);

/**
 * Lays in the first of the demo plans, each once in the life of a store: one that was put away or changed is not brought
 * back. The others are examples to begin from.
 */
export async function layInDemo(
  repository: PlanRepository,
  folder: string,
  at: Date,
  files: readonly string[] = laidIn,
): Promise<number> {
  const hadFirst = !(await repository.mark('demo', at));
  let laid = 0;
  for (const file of files) {
    const isNew = await repository.mark(`demo ${file}`, at);
    if (!isNew || (hadFirst && firstDemos.has(file))) continue;
    await repository.add(setPicturesApart(readExample(folder, file)), at);
    laid += 1;
  }
  return laid;
}
