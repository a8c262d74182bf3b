import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { planSchema } from '@glimmer/core/plan/reading';
import request from 'supertest';
import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../core/tests/designs.ts';
import { writeArchive } from '../src/archive.ts';
import { createEvents } from '../src/events.ts';
import { describeApi } from '../src/openapi.ts';
import type { PlanRepository } from '../src/planRepository.ts';
import { appOver } from './server.ts';

const stored = {
  plan: demoPlan(),
  revision: 3,
  updatedAt: new Date('2026-11-20T10:00:00Z'),
  putAwayAt: null,
  lastSave: null,
};
/** A store in which everything goes well. */
const repository: PlanRepository = {
  list: () => Promise.resolve([]),
  find: () => Promise.resolve(stored),
  add: () => Promise.resolve(stored),
  save: () => Promise.resolve(stored),
  findKept: () => Promise.resolve(null),
  all: () => Promise.resolve([stored]),
  sweepPictures: () => Promise.resolve(),
  keepFacts: () => Promise.resolve(),
  setPutAway: () => Promise.resolve(stored),
  remove: () => Promise.resolve(stored),
  mark: () => Promise.resolve(true),
  ping: () => Promise.resolve(),
};
const none = { desk: [], drawer: [], 'own-parts': [], units: [] };
const app = appOver({
  store: {
    repository,
    belongings: {
      find: (name) => Promise.resolve({ value: none[name], revision: 2 }),
      save: () => Promise.resolve(3),
      all: () => Promise.resolve(none),
    },
    alone: () => Promise.resolve({ added: [], same: [], asCopies: [] } as never),
  },
  now: () => new Date('2026-11-20T10:00:00Z'),
  events: createEvents(),
  examples: {
    list: () => [{ id: stored.plan.id, name: stored.plan.name, shows: 'All.' }],
    find: () => stored.plan,
    facts: () => Promise.resolve({ state: 'broken', trouble: 'none' }),
  },
  shelf: { list: () => Promise.resolve([]), renew: () => undefined, settled: () => Promise.resolve() },
});
const api = describeApi();
const { id } = stored.plan;
const methods = ['get', 'post', 'put', 'patch', 'delete'] as const;

/** Every operation that the document tells of, but for the stream, which never ends. */
const operations = Object.entries(api.paths)
  .filter(([path]) => path !== '/api/events')
  .flatMap(([path, item]) =>
    methods.flatMap((method) => {
      const operation = (item as Partial<Record<string, { responses: Record<string, unknown> }>>)[method];
      return operation ? [[method, path, operation] as const] : [];
    }),
  );

/** Sends a body that is as it should be. */
function send(asked: request.Test, method: string, path: string): request.Test {
  if (path === '/api/archive')
    return asked.type('application/zip').send(
      Buffer.from(
        writeArchive({
          workshop: { plans: [{ plan: stored.plan, putAway: false }], belongings: none },
          madeAt: '2026-11-20',
        }),
      ),
    );
  if (path.startsWith('/api/workshop')) return asked.send([]);
  return asked.send(method === 'patch' ? { putAway: true } : stored.plan);
}

describe('the description of what can be asked', () => {
  it('is served as it is made, and is OpenAPI 3.1', async () => {
    const { body } = await request(app).get('/api/openapi.json').expect(200);
    expect(body).toEqual(JSON.parse(JSON.stringify(api)));
    expect(body.openapi).toBe('3.1.0');
  });

  it.each(operations)('%s %s is answered as it says', async (method, path, operation) => {
    const asked = request(app)[method](path.replace('{id}', id).replace('{name}', 'desk')).set('If-Match', '"2"');
    const answer = await (method === 'get' ? asked : send(asked, method, path));
    expect(Object.keys(operation.responses)).toContain(`${answer.status}`);
    expect(answer.status).toBeLessThan(300);
  });

  it('refusals are among those that it tells of', async () => {
    const told = (method: string, path: keyof typeof api.paths): string[] =>
      Object.keys((api.paths[path] as Record<string, { responses: object }>)[method]?.responses ?? {});
    const bad = await request(app).get('/api/plans/no-id');
    expect(told('get', '/api/plans/{id}')).toContain(`${bad.status}`);
    const kind = await request(app).post('/api/plans').type('text/plain').send('{}');
    expect(told('post', '/api/plans')).toContain(`${kind.status}`);
    const based = await request(app).put(`/api/plans/${id}`).send(stored.plan);
    expect(told('put', '/api/plans/{id}')).toContain(`${based.status}`);
    const other = await request(app).put(`/api/plans/${randomUUID()}`).set('If-Match', '"2"').send(stored.plan);
    expect(told('put', '/api/plans/{id}')).toContain(`${other.status}`);
    expect(other.body).toMatchObject({ code: 'wrong-id', status: 422 });
  });

  it('its plan is the plan that is kept, and every reference leads somewhere', () => {
    const text = JSON.stringify(api);
    for (const [, name] of text.matchAll(/"#\/components\/schemas\/(\w+)"/g))
      expect(Object.keys(api.components.schemas)).toContain(name);
    const published = JSON.parse(readFileSync(new URL('../../docs/plan.schema.json', import.meta.url), 'utf8')) as {
      properties: object;
    };
    const plan = api.components.schemas.Plan as { properties: object };
    expect(Object.keys(plan.properties)).toEqual(Object.keys(published.properties));
    expect(planSchema.safeParse(stored.plan).success).toBe(true);
  });
});
