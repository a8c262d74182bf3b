import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readPlanText } from '@glimmer/core/plan/reading';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { type BelongingRepository, createBelongingRepository } from './belongingRepository.ts';
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
 * Lays in the demo plans, each once in the life of a store: one that was put away or changed is not brought back, one
 * that came with a newer version is laid in beside the others.
 */
export async function layInDemo(repository: PlanRepository, folder: string, at: Date): Promise<number> {
  const hadFirst = !(await repository.mark('demo', at));
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.glimmer.json'))
    .sort();
  let laid = 0;
  for (const file of files) {
    const name = file.replace('.glimmer.json', '');
    const isNew = await repository.mark(`demo ${name}`, at);
    if (!isNew || (hadFirst && firstDemos.has(name))) continue;
    const read = readPlanText(readFileSync(join(folder, file), 'utf8'));
    if (!read.ok)
      throw new Error(
        `Demo plan ${file} is damaged: ${read.problems.map((problem) => `${problem.place}: ${problem.message}`).join('; ')}`,
      );
    await repository.add(setPicturesApart(read.plan), at);
    laid += 1;
  }
  return laid;
}
