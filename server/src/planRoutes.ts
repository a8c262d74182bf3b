import type { Plan } from '@glimmer/core/plan';
import { readPlan } from '@glimmer/core/plan/reading';
import { type Request, type Response, Router } from 'express';
import { z } from 'zod';
import type { PlanRepository, StoredPlan } from './planRepository.ts';
import { Problem, refusePlan } from './problems.ts';
import { describeForShelf } from './shelf.ts';

const idParam = z.object({ id: z.uuid() });
const listQuery = z.object({ shelf: z.enum(['open', 'away']).default('open') });
const putAwayBody = z.strictObject({ putAway: z.boolean() });
const etag = /^"?(\d+)"?$/;

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

function reply(res: Response, stored: StoredPlan, status = 200): void {
  res
    .status(status)
    .set('ETag', `"${stored.revision}"`)
    .json({
      plan: stored.plan,
      revision: stored.revision,
      updatedAt: stored.updatedAt.toISOString(),
      putAway: stored.putAwayAt !== null,
    });
}

/** The routes under /api/plans. */
export function createPlanRoutes(repository: PlanRepository, now: () => Date): Router {
  const router = Router();

  router.get('/', async (req, res) => {
    const { shelf } = parse(listQuery, req.query, 'query');
    const stored = await repository.list({ putAway: shelf === 'away' });
    res.json({ plans: stored.map(describeForShelf) });
  });

  router.post('/', async (req, res) => {
    const plan = parsePlan(req.body);
    const stored = await repository.add(plan, now());
    if (!stored)
      throw new Problem('plan-exists', `A plan "${plan.name}" with this id is here already; bring it in as a copy`);
    reply(res, stored, 201);
  });

  router.get('/:id', async (req, res) => {
    const { id } = parse(idParam, req.params, 'address');
    const stored = await repository.find(id);
    if (!stored) throw noSuchPlan(id);
    reply(res, stored);
  });

  router.put('/:id', async (req: Request, res: Response) => {
    const { id } = parse(idParam, req.params, 'address');
    const basedOn = etag.exec(req.get('If-Match') ?? '')?.[1];
    if (!basedOn) throw new Problem('needs-revision', 'Send the revision that the change is based on in If-Match');
    const plan = parsePlan(req.body);
    if (plan.id !== id) throw new Problem('wrong-id', `The document says ${plan.id}, the address ${id}`);
    const saved = await repository.save(plan, { basedOn: Number(basedOn), at: now() });
    if (saved) {
      reply(res, saved);
      return;
    }
    const current = await repository.find(id);
    if (!current) throw noSuchPlan(id);
    throw new Problem(
      'newer-version',
      `This save is based on version ${basedOn}; the one kept here is ${current.revision}. Both are safe: yours was not written over it`,
      {
        extra: { revision: current.revision },
      },
    );
  });

  router.patch('/:id', async (req, res) => {
    const { id } = parse(idParam, req.params, 'address');
    const { putAway } = parse(putAwayBody, req.body, 'body');
    const stored = await repository.setPutAway(id, putAway ? now() : null);
    if (!stored) throw noSuchPlan(id);
    reply(res, stored);
  });

  return router;
}
