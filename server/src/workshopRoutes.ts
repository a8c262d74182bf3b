import { isDeepStrictEqual } from 'node:util';
import { type BelongingName, belongingNames, isBelonging, joinBelongings } from '@glimmer/core/workshop';
import { readBelonging } from '@glimmer/core/workshop/reading';
import express, { Router } from 'express';
import { mostOfArchive, type WorkshopToKeep } from './archive.ts';
import type { Aside } from './aside.ts';
import { createBelongingRepository } from './belongingRepository.ts';
import { bodyOf, jsonOf } from './bodies.ts';
import type { Events } from './events.ts';
import type { PlanToKeep } from './pictures.ts';
import { createPlanRepository, type Database } from './planRepository.ts';
import { onlyThese } from './planRoutes.ts';
import { Problem, refusePlan } from './problems.ts';
import { revisionOf } from './revisions.ts';
import type { Shelf } from './shelf.ts';
import type { Store } from './store.ts';

interface WorkshopRoutesDeps {
  readonly store: Pick<Store, 'repository' | 'belongings' | 'alone'>;
  readonly now: () => Date;
  readonly shelf: Shelf;
  readonly events: Events;
}

/** What an archive takes is done by a thread of its own: nobody who saves a plan waits for it. */
interface ArchiveRoutesDeps extends WorkshopRoutesDeps {
  readonly archivist: Pick<Aside, 'run'>;
}

const named = (name: string): BelongingName => {
  if (isBelonging(name)) return name;
  throw new Problem('not-found', `A workshop has ${belongingNames.join(', ')}; got "${name}"`);
};

/** The routes under /api/workshop: what a workshop has beside its plans. */
export function createWorkshopRoutes({ store, now, events }: WorkshopRoutesDeps): Router {
  const router = Router();
  router
    .route('/:name')
    .get(async (req, res) => {
      const { value, revision } = await store.belongings.find(named(req.params.name));
      res.set('ETag', `"${revision}"`).json({ value, revision });
    })
    .put(async (req, res) => {
      const name = named(req.params.name);
      const basedOn = revisionOf(req);
      const read = readBelonging(name, jsonOf(req));
      if (!read.ok) throw refusePlan(read.problems);
      const revision = await store.belongings.save(name, read.value, { basedOn, at: now() });
      if (revision === null) {
        const current = await store.belongings.find(name);
        throw new Problem(
          'newer-version',
          `This save is based on version ${basedOn}; the one kept here is ${current.revision}`,
          { extra: { revision: current.revision } },
        );
      }
      events.publish({ kind: 'belonging', name, revision });
      res.set('ETag', `"${revision}"`).json({ revision });
    })
    .all(onlyThese('GET', 'HEAD', 'PUT'));
  return router;
}

/** What became of each plan of an archive. */
interface TakenIn {
  readonly added: readonly string[];
  /** Is here already, just like that. */
  readonly same: readonly string[];
  /** Is here already, and differs: the one of the archive lies beside it. */
  readonly asCopies: readonly string[];
}

const MOST_NAME = 100;

/** The same plan under an id and a name of its own. */
const copyOf = (plan: PlanToKeep): PlanToKeep => {
  const [id, name] = [crypto.randomUUID(), `${plan.name.slice(0, MOST_NAME)} (from the archive)`];
  return { ...plan, id, name, document: { ...plan.document, id, name } };
};

/** Takes a workshop in within one transaction: what is here stays, what differs lies beside it. */
async function takeIn(db: Database, workshop: WorkshopToKeep, at: Date): Promise<TakenIn> {
  const [plans, belongings] = [createPlanRepository(db), createBelongingRepository(db)];
  const taken = { added: [] as string[], same: [] as string[], asCopies: [] as string[] };
  for (const { plan, putAway } of workshop.plans) {
    if (await plans.add(plan, at, { putAway })) {
      taken.added.push(plan.name);
      continue;
    }
    const here = await plans.findKept(plan.id);
    // The database keeps no order of fields, and none is asked for.
    if (here && isDeepStrictEqual(here, plan.document)) taken.same.push(plan.name);
    else {
      await plans.add(copyOf(plan), at, { putAway });
      taken.asCopies.push(plan.name);
    }
  }
  const join = async <N extends BelongingName>(name: N): Promise<void> => {
    const { value, revision } = await belongings.find(name);
    const joined = joinBelongings(name, value, workshop.belongings[name]);
    if (joined.length === value.length) return;
    if ((await belongings.save(name, joined, { basedOn: revision, at })) === null)
      throw new Problem(
        'newer-version',
        `The ${name} changed while the archive was taken in: nothing was; bring it in again`,
      );
  };
  for (const name of belongingNames) await join(name);
  return taken;
}

/** The routes of /api/archive: everything of a workshop, out and back. */
export function createArchiveRoutes({ store, now, shelf, events, archivist }: ArchiveRoutesDeps): Router {
  const router = Router();
  const body = express.raw({ type: () => true, limit: mostOfArchive.bytes });
  router
    .route('/')
    .get(async (_req, res) => {
      const kept = await store.repository.all();
      const zip = await archivist.run('pack', {
        workshop: {
          plans: kept.map(({ plan, putAwayAt }) => ({ plan, putAway: putAwayAt !== null })),
          belongings: await store.belongings.all(),
        },
        madeAt: now().toISOString(),
      });
      const day = now().toISOString().slice(0, 10);
      res
        .type('application/zip')
        .set('Content-Disposition', `attachment; filename="workshop-${day}.glimmer.zip"`)
        .send(Buffer.from(zip));
    })
    .post(body, async (req, res) => {
      const read = await archivist.run('unpack', bodyOf(req));
      if (!read.ok) throw refusePlan(read.problems);
      const taken = await store.alone((db) => takeIn(db, read.workshop, now()));
      await shelf.list({ putAway: false });
      for (const name of belongingNames)
        events.publish({ kind: 'belonging', name, revision: (await store.belongings.find(name)).revision });
      res.json(taken);
    })
    .all(onlyThese('GET', 'HEAD', 'POST'));
  return router;
}
