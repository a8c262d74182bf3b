import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readPlanText } from '@glimmer/core/plan/reading';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { createPlanRepository, type PlanRepository } from './planRepository.ts';

export interface Store {
  readonly repository: PlanRepository;
  readonly close: () => Promise<void>;
}

/** Opens the database and brings it to the newest migration. `onLost` hears of connections that die while idle. */
export async function openStore(options: {
  readonly url: string;
  readonly migrationsFolder: string;
  readonly onLost: (error: Error) => void;
}): Promise<Store> {
  const pool = new pg.Pool({ connectionString: options.url, max: 8, connectionTimeoutMillis: 3000 });
  pool.on('error', options.onLost);
  const db = drizzle(pool);
  await migrate(db, { migrationsFolder: options.migrationsFolder });
  return { repository: createPlanRepository(db), close: () => pool.end() };
}

/** Lays in the demo plans, once in the life of a store: one that was put away or changed is not brought back. */
export async function layInDemo(repository: PlanRepository, folder: string, at: Date): Promise<number> {
  if (!(await repository.mark('demo', at))) return 0;
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.glimmer.json'))
    .sort();
  for (const file of files) {
    const read = readPlanText(readFileSync(join(folder, file), 'utf8'));
    if (!read.ok)
      throw new Error(
        `Demo plan ${file} is damaged: ${read.problems.map((problem) => `${problem.place}: ${problem.message}`).join('; ')}`,
      );
    await repository.add(read.plan, at);
  }
  return files.length;
}
