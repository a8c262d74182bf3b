import { newestVersion } from '@glimmer/core/plan/reading';
import { eq, sql } from 'drizzle-orm';
import { readPlanBody } from './pictures.ts';
import { type Database, keepPictures } from './planRepository.ts';
import { plans } from './schema.ts';

/**
 * Writes the plans that a store holds in an older version of the document anew, as they are read today; each keeps its
 * revision, for nothing in it was changed. One that can't be read stays as it is: it is said where it is opened.
 */
export async function renewKept(db: Database, at: Date): Promise<void> {
  const older = await db
    .select({ id: plans.id, document: plans.document })
    .from(plans)
    .where(sql`(${plans.document} ->> 'version')::int < ${newestVersion}`);
  for (const { id, document } of older) {
    const read = readPlanBody(document);
    if (!read.ok) continue;
    await keepPictures(db, read.plan, at);
    await db.update(plans).set({ document: read.plan.document }).where(eq(plans.id, id));
  }
}
