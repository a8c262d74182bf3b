import { type Request, type RequestHandler, type Response, Router } from 'express';
import { z } from 'zod';
import type { Aside } from './aside.ts';
import { jsonOf, planOf } from './bodies.ts';
import type { Events } from './events.ts';
import { idParam, listQuery, putAwayBody } from './openapi.ts';
import { MissingPictures, type PlanRepository, type SavedPlan, type StoredPlan } from './planRepository.ts';
import { Problem } from './problems.ts';
import { revisionOf } from './revisions.ts';
import type { Shelf } from './shelf.ts';

const saveIdSchema = z.uuid().nullable().catch(null);

const saveIdOf = (req: Request): string | null => saveIdSchema.parse(req.get('Save-Id') ?? null);

function parse<T>(schema: z.ZodType<T>, value: unknown, what: string): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = result.error.issues[0];
  throw new Problem(
    'bad-request',
    `${what}${issue?.path.length ? ` ${issue.path.join('.')}` : ''}: ${issue?.message ?? 'unreadable'}`,
  );
}

const askForPictures = (error: unknown): never => {
  if (error instanceof MissingPictures)
    throw new Problem('no-such-picture', 'A picture of this plan is only named and not kept here; send the plan whole');
  throw error;
};

const noSuchPlan = (id: string): Problem =>
  new Problem('no-such-plan', `No plan ${id} is kept here; it may be on another machine`);

/** Whoever has the plan wants to know its revision alone. */
function reply(res: Response, stored: SavedPlan | StoredPlan, status = 200): void {
  const text = JSON.stringify({
    ...('plan' in stored ? { plan: stored.plan } : {}),
    revision: stored.revision,
    updatedAt: stored.updatedAt.toISOString(),
    putAway: stored.putAwayAt !== null,
    saveId: stored.lastSave,
  });
  res.setHeader('ETag', `"${stored.revision}"`);
  if ('plan' in stored) {
    res.status(status).type('json').send(text);
    return;
  }
  // Asked most of all, and never found unchanged: what would look for that is passed by.
  res.writeHead(status, {
    'Content-Type': 'application/json; charset=utf-8',
    'Content-Length': Buffer.byteLength(text),
  });
  res.end(text);
}

interface PlanRoutesDeps {
  readonly repository: PlanRepository;
  /** The clock. */
  readonly now: () => Date;
  readonly shelf: Shelf;
  /** What pages that are open are told. */
  readonly events: Events;
  /** Reads large plans. */
  readonly aside: Pick<Aside, 'run'>;
}

/** Refuses every method that an address has not got, and says which it has. */
export const onlyThese =
  (...methods: readonly string[]): RequestHandler =>
  (req) => {
    const allow = methods.join(', ');
    throw new Problem('wrong-method', `This address takes ${allow}; got ${req.method}`, { headers: { Allow: allow } });
  };

interface Telling {
  /** Says that a plan is kept in a new state. */
  readonly tell: (id: string, saved: SavedPlan, saveId: string | null) => void;
  /** Says that a plan is here no more. */
  readonly forget: (id: string) => void;
  /** What a request brings, checked. */
  readonly readPlan: (req: Request) => ReturnType<typeof planOf>;
}

type Routed = Omit<PlanRoutesDeps, 'aside' | 'events'> & Telling;

function routeShelf(router: Router, { repository, now, shelf, tell, readPlan }: Routed): void {
  router
    .route('/')
    .get(async (req, res) => {
      const asked = parse(listQuery, req.query, 'query');
      res.json({ plans: await shelf.list({ putAway: asked.shelf === 'away' }) });
    })
    .post(async (req, res) => {
      const plan = await readPlan(req);
      const stored = await repository.add(plan, now()).catch(askForPictures);
      if (!stored)
        throw new Problem('plan-exists', `A plan "${plan.name}" with this id is here already; bring it in as a copy`);
      tell(plan.id, stored, null);
      reply(res, stored, 201);
    })
    .all(onlyThese('GET', 'HEAD', 'POST'));
}

const save =
  ({ repository, now, tell, readPlan }: Routed): RequestHandler =>
  async (req, res) => {
    const { id } = parse(idParam, req.params, 'address');
    const basedOn = revisionOf(req);
    const plan = await readPlan(req);
    if (plan.id !== id) throw new Problem('wrong-id', `The document says ${plan.id}, the address ${id}`);
    const saveId = saveIdOf(req);
    const saved = await repository.save(plan, { basedOn, saveId, at: now() }).catch(askForPictures);
    if (saved) {
      tell(id, saved, saveId);
      const whole = req.get('Prefer') === 'return=minimal' ? null : await repository.find(id);
      reply(res, whole ?? saved);
      return;
    }
    const current = await repository.find(id);
    if (!current) throw noSuchPlan(id);
    throw new Problem(
      'newer-version',
      `This save is based on version ${basedOn}; the one kept here is ${current.revision}. Both are safe: yours was not written over it`,
      { extra: { revision: current.revision } },
    );
  };

function routePlan(router: Router, routed: Routed): void {
  const { repository, now, tell, forget } = routed;
  router
    .route('/:id')
    .get(async (req, res) => {
      const { id } = parse(idParam, req.params, 'address');
      const stored = await repository.find(id);
      if (!stored) throw noSuchPlan(id);
      reply(res, stored);
    })
    .put(save(routed))
    .patch(async (req, res) => {
      const { id } = parse(idParam, req.params, 'address');
      const { putAway } = parse(putAwayBody, jsonOf(req), 'body');
      const stored = await repository.setPutAway(id, putAway ? now() : null);
      if (!stored) throw noSuchPlan(id);
      tell(id, stored, null);
      reply(res, stored);
    })
    .delete(async (req, res) => {
      const { id } = parse(idParam, req.params, 'address');
      const removed = await repository.remove(id);
      if (!removed) {
        const stored = await repository.find(id);
        if (!stored) throw noSuchPlan(id);
        throw new Problem('on-the-shelf', `"${stored.plan.name}" is on the shelf: put it away first`);
      }
      forget(id);
      reply(res, removed);
    })
    .all(onlyThese('GET', 'HEAD', 'PUT', 'PATCH', 'DELETE'));
}

/** The routes under /api/plans. */
export function createPlanRoutes({ repository, now, shelf, events, aside }: PlanRoutesDeps): Router {
  const router = Router();
  const routed: Routed = {
    repository,
    now,
    shelf,
    tell: (id, { revision }, saveId) => {
      shelf.renew(id);
      events.publish({ kind: 'plan', id, revision, saveId });
    },
    forget: (id) => events.publish({ kind: 'shelf', id }),
    readPlan: (req) => planOf(req, (body) => aside.run('read', body)),
  };
  routeShelf(router, routed);
  routePlan(router, routed);
  return router;
}
