import type { Plan } from '@glimmer/core/plan';
import { readPlan } from '@glimmer/core/plan/reading';
import { type Request, type RequestHandler, type Response, Router } from 'express';
import { z } from 'zod';
import type { Events } from './events.ts';
import { idParam, listQuery, putAwayBody } from './openapi.ts';
import type { PlanRepository, StoredPlan } from './planRepository.ts';
import { Problem, refusePlan } from './problems.ts';
import type { Shelf } from './shelf.ts';

/** A revision as it is sent: what the database can count to has nine digits at least. */
const etag = /^"?(\d{1,9})"?$/;
const saveIdOf = (req: Request): string | null =>
  z
    .uuid()
    .nullable()
    .catch(null)
    .parse(req.get('Save-Id') ?? null);

function parse<T>(schema: z.ZodType<T>, value: unknown, what: string): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = result.error.issues[0];
  throw new Problem(
    'bad-request',
    `${what}${issue?.path.length ? ` ${issue.path.join('.')}` : ''}: ${issue?.message ?? 'unreadable'}`,
  );
}

function parsePlan(body: unknown): Plan {
  const read = readPlan(body);
  if (!read.ok) throw refusePlan(read.problems);
  return read.plan;
}

const noSuchPlan = (id: string): Problem =>
  new Problem('no-such-plan', `No plan ${id} is kept here; it may be on another machine`);

/** `isMinimal` = whoever asked has the plan, and wants to know its revision alone. */
function reply(res: Response, stored: StoredPlan, status = 200, isMinimal = false): void {
  res
    .status(status)
    .set('ETag', `"${stored.revision}"`)
    .json({
      ...(isMinimal ? {} : { plan: stored.plan }),
      revision: stored.revision,
      updatedAt: stored.updatedAt.toISOString(),
      putAway: stored.putAwayAt !== null,
      saveId: stored.lastSave,
    });
}

interface PlanRoutesDeps {
  readonly repository: PlanRepository;
  readonly now: () => Date;
  readonly shelf: Shelf;
  readonly events: Events;
}

/** Refuses every method that an address has not got, and says which it has. */
const onlyThese =
  (...methods: readonly string[]): RequestHandler =>
  (req) => {
    const allow = methods.join(', ');
    throw new Problem('wrong-method', `This address takes ${allow}; got ${req.method}`, { headers: { Allow: allow } });
  };

/** The routes under /api/plans. */
export function createPlanRoutes({ repository, now, shelf, events }: PlanRoutesDeps): Router {
  const router = Router();
  const tell = ({ plan, revision }: StoredPlan, saveId: string | null): void => {
    shelf.renew(plan.id);
    events.publish({ kind: 'plan', id: plan.id, revision, saveId });
  };

  router
    .route('/')
    .get(async (req, res) => {
      const asked = parse(listQuery, req.query, 'query');
      res.json({ plans: await shelf.list({ putAway: asked.shelf === 'away' }) });
    })
    .post(async (req, res) => {
      const plan = parsePlan(req.body);
      const stored = await repository.add(plan, now());
      if (!stored)
        throw new Problem('plan-exists', `A plan "${plan.name}" with this id is here already; bring it in as a copy`);
      tell(stored, null);
      reply(res, stored, 201);
    })
    .all(onlyThese('GET', 'HEAD', 'POST'));

  router
    .route('/:id')
    .get(async (req, res) => {
      const { id } = parse(idParam, req.params, 'address');
      const stored = await repository.find(id);
      if (!stored) throw noSuchPlan(id);
      reply(res, stored);
    })
    .put(async (req: Request, res: Response) => {
      const { id } = parse(idParam, req.params, 'address');
      const basedOn = etag.exec(req.get('If-Match') ?? '')?.[1];
      if (!basedOn)
        throw new Problem('needs-revision', 'Send the revision that the change is based on in If-Match, such as "12"');
      const plan = parsePlan(req.body);
      if (plan.id !== id) throw new Problem('wrong-id', `The document says ${plan.id}, the address ${id}`);
      const saveId = saveIdOf(req);
      const saved = await repository.save(plan, { basedOn: Number(basedOn), saveId, at: now() });
      if (saved) {
        tell(saved, saveId);
        reply(res, saved, 200, req.get('Prefer') === 'return=minimal');
        return;
      }
      const current = await repository.find(id);
      if (!current) throw noSuchPlan(id);
      throw new Problem(
        'newer-version',
        `This save is based on version ${basedOn}; the one kept here is ${current.revision}. Both are safe: yours was not written over it`,
        { extra: { revision: current.revision } },
      );
    })
    .patch(async (req, res) => {
      const { id } = parse(idParam, req.params, 'address');
      const { putAway } = parse(putAwayBody, req.body, 'body');
      const stored = await repository.setPutAway(id, putAway ? now() : null);
      if (!stored) throw noSuchPlan(id);
      tell(stored, null);
      reply(res, stored);
    })
    .all(onlyThese('GET', 'HEAD', 'PUT', 'PATCH'));

  return router;
}
