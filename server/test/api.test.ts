import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import pg from 'pg';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { asVersionTwo, demoPlan } from '../../core/tests/designs.ts';
import { createEvents } from '../src/events.ts';
import { createExamples, type Examples } from '../src/examples.ts';
import type { PlanToKeep } from '../src/pictures.ts';
import type { PlanRepository } from '../src/planRepository.ts';
import { createShelf } from '../src/shelf.ts';
import { describeForShelf } from '../src/shelfFacts.ts';
import { layInDemo, openStore, type Store } from '../src/store.ts';
import { ownDatabase } from './ownDatabase.ts';
import { appOver } from './server.ts';

const versionOneFolder = join(import.meta.dirname, '../../core/tests/versionOne');
const migrationsFolder = join(import.meta.dirname, '../migrations');
const fresh = (name = 'Test piece'): Plan => ({ ...demoPlan(), id: randomUUID(), name });

let url = '';
let store: Store;
let clock = new Date('2026-11-01T10:00:00Z');
/** The server over a repository, with what it depends on in this thread. */
function serverOver(repository: PlanRepository, examples?: Examples) {
  const events = createEvents();
  const shelf = createShelf({
    repository,
    describe: (plan) => Promise.resolve(describeForShelf(plan)),
    core: 'test',
    onReckoned: (id) => events.publish({ kind: 'shelf', id }),
    onTrouble: (error) => {
      throw error;
    },
  });
  return {
    app: appOver({ store: { ...store, repository }, shelf, events, now: () => clock, ...(examples && { examples }) }),
    shelf,
  };
}
let server: ReturnType<typeof serverOver>;
const app = () => server.app;
const add = async (plan: Plan): Promise<void> => {
  await request(app()).post('/api/plans').send(plan).expect(201);
};

beforeAll(async () => {
  url = await ownDatabase();
  store = await openStore({ url, migrationsFolder, at: clock, onLost: () => undefined });
  server = serverOver(store.repository);
});
beforeEach(() => {
  clock = new Date('2026-11-01T10:00:00Z');
});
afterAll(async () => {
  // What was added last is reckoned when a hand has rested: not once the database has gone.
  await server.shelf.settled();
  await store.close();
});

describe('keeping plans', () => {
  it('keeps a plan, gives it back as it was, and counts its versions', async () => {
    const plan = fresh();
    await add(plan);
    const saved = await request(app())
      .put(`/api/plans/${plan.id}`)
      .set('If-Match', '"1"')
      .send({ ...plan, name: 'Renamed' })
      .expect(200);
    expect(saved.body.revision).toBe(2);
    const loaded = await request(app()).get(`/api/plans/${plan.id}`).expect(200);
    expect(loaded.body.plan).toEqual({ ...plan, name: 'Renamed' });
    expect(loaded.headers.etag).toBe('"2"');
  });

  it('refuses a save over a newer version and keeps the newer one', async () => {
    const plan = fresh();
    await add(plan);
    await request(app())
      .put(`/api/plans/${plan.id}`)
      .set('If-Match', '"1"')
      .send({ ...plan, name: 'First' })
      .expect(200);
    const refused = await request(app())
      .put(`/api/plans/${plan.id}`)
      .set('If-Match', '"1"')
      .send({ ...plan, name: 'Second' })
      .expect(409);
    expect(refused.type).toBe('application/problem+json');
    expect(refused.body).toMatchObject({ code: 'newer-version', status: 409, revision: 2 });
    expect((await request(app()).get(`/api/plans/${plan.id}`)).body.plan.name).toBe('First');
  });

  it('deletes for good only what is put away, gives it once more, and takes it again as a new one', async () => {
    const plan = fresh();
    await add(plan);
    const refused = await request(app()).delete(`/api/plans/${plan.id}`).expect(409);
    expect(refused.body).toMatchObject({ code: 'on-the-shelf' });
    expect(refused.body.detail).toContain(plan.name);
    await request(app()).patch(`/api/plans/${plan.id}`).send({ putAway: true }).expect(200);
    const gone = await request(app()).delete(`/api/plans/${plan.id}`).expect(200);
    expect(gone.body.plan).toEqual(plan);
    await request(app()).get(`/api/plans/${plan.id}`).expect(404);
    await request(app()).delete(`/api/plans/${plan.id}`).expect(404);
    const away = await request(app()).get('/api/plans?shelf=away').expect(200);
    expect(away.body.plans.map(({ id }: { id: string }) => id)).not.toContain(plan.id);
    await add(gone.body.plan);
    expect((await request(app()).get(`/api/plans/${plan.id}`).expect(200)).body.plan).toEqual(plan);
  });

  it('lets only one of many saves at the same moment win', async () => {
    const plan = fresh();
    await add(plan);
    const results = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        request(app())
          .put(`/api/plans/${plan.id}`)
          .set('If-Match', '"1"')
          .send({ ...plan, name: `Save ${i}` }),
      ),
    );
    expect(results.map((result) => result.status).sort()).toEqual([200, 409, 409, 409, 409, 409, 409, 409]);
  });

  it('survives the death of the database connection, and says so while it is gone', async () => {
    const plan = fresh('Survivor');
    await add(plan);
    // Nothing of the shelf is under way, which would be cut off too.
    await server.shelf.settled();
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    await client.query(
      'select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database()',
    );
    await client.end();
    // A connection found dead in use is a 503 at most; the next one works.
    const first = await request(app()).get(`/api/plans/${plan.id}`);
    expect([200, 503]).toContain(first.status);
    const second = await request(app()).get(`/api/plans/${plan.id}`).expect(200);
    expect(second.body.plan.name).toBe('Survivor');
  });

  it('puts a plan away and brings it back', async () => {
    const plan = fresh('Rarely worn');
    await add(plan);
    const names = async (shelf: string): Promise<string[]> =>
      (await request(app()).get(`/api/plans?shelf=${shelf}`).expect(200)).body.plans.map(
        (entry: { name: string }) => entry.name,
      );
    await request(app()).patch(`/api/plans/${plan.id}`).send({ putAway: true }).expect(200);
    expect(await names('open')).not.toContain('Rarely worn');
    expect(await names('away')).toContain('Rarely worn');
    await request(app()).patch(`/api/plans/${plan.id}`).send({ putAway: false }).expect(200);
    expect(await names('open')).toContain('Rarely worn');
  });

  it('shows each plan on the shelf with its lights and what is open, once it is reckoned', async () => {
    const plan = fresh('On the shelf');
    await add(plan);
    const entryOf = async (id: string) =>
      (await request(app()).get('/api/plans')).body.plans.find((each: { id: string }) => each.id === id);
    await server.shelf.settled();
    const entry = await entryOf(plan.id);
    expect(entry).toMatchObject({
      name: 'On the shelf',
      isReckoned: true,
      facts: {
        state: 'reckoned',
        openFindings: 2,
        toStopFor: 1,
        kind: 'headdress',
        glimpse: { outline: 'anglerfish', widthMm: 640 },
      },
    });
    // Doze: both jaws and the lure are lit, the two eyes are dark.
    expect(entry.facts.glimpse.lights).toHaveLength(67);
    expect(new Set(entry.facts.glimpse.lights.map((light: { colour: string }) => light.colour)).size).toBe(3);
    const dark = fresh('Dark');
    await add({
      ...dark,
      design: {
        ...dark.design,
        moods: { ...dark.design.moods, list: [], cues: [], startId: null, course: [], cueUses: [] },
      },
    });
    await server.shelf.settled();
    expect((await entryOf(dark.id)).facts.glimpse.lights).toHaveLength(69);
  });
});

describe('bad input', () => {
  it.each([
    ['a body cut in half', (plan: Plan) => JSON.stringify(plan).slice(0, 900), 400, 'bad-request'],
    ['a future version', (plan: Plan) => JSON.stringify({ ...plan, version: 7 }), 422, 'not-a-plan'],
    [
      'a negative width',
      (plan: Plan) =>
        JSON.stringify({ ...plan, design: { ...plan.design, view: { ...plan.design.view, widthMm: -5 } } }),
      422,
      'not-a-plan',
    ],
    ['an unknown field', (plan: Plan) => JSON.stringify({ ...plan, surprise: true }), 422, 'not-a-plan'],
    ['a list', () => '[]', 422, 'not-a-plan'],
    ['20 MB', () => JSON.stringify({ big: 'x'.repeat(20_000_000) }), 413, 'too-large'],
  ] as const)('%s is refused with a message, and the server goes on', async (_name, body, status, code) => {
    const refused = await request(app()).post('/api/plans').type('application/json').send(body(fresh()));
    expect(refused.status).toBe(status);
    expect(refused.type).toBe('application/problem+json');
    expect(refused.body.code).toBe(code);
    expect(refused.body.detail.length).toBeGreaterThan(10);
    await request(app()).get('/api/health').expect(200);
  });

  it('names every place that is wrong', async () => {
    const plan = fresh();
    const refused = await request(app())
      .post('/api/plans')
      .send({ ...plan, design: { ...plan.design, piece: { ...plan.design.piece, hoursWanted: 'long', copies: 0 } } });
    expect(refused.body.problems.map((problem: { place: string }) => problem.place)).toEqual([
      'design.piece.hoursWanted',
      'design.piece.copies',
    ]);
  });

  it.each([
    ['get', '/api/plans/not-an-id', undefined, 400, 'bad-request'],
    ['get', `/api/plans/${randomUUID()}`, undefined, 404, 'no-such-plan'],
    ['get', '/api/nothing', undefined, 404, 'not-found'],
    ['get', '/api/plans?shelf=cellar', undefined, 400, 'bad-request'],
    ['patch', `/api/plans/${randomUUID()}`, { putAway: 'yes' }, 400, 'bad-request'],
  ] as const)('%s %s', async (method, path, body, status, code) => {
    const refused = await request(app())[method](path).send(body);
    expect(refused.status).toBe(status);
    expect(refused.body.code).toBe(code);
  });

  it('a save without the version it is based on, or under another id, is refused', async () => {
    const plan = fresh();
    await add(plan);
    await request(app()).put(`/api/plans/${plan.id}`).send(plan).expect(428);
    await request(app()).put(`/api/plans/${randomUUID()}`).set('If-Match', '"1"').send(plan).expect(422);
    await request(app()).post('/api/plans').send(plan).expect(409);
  });
});

describe('the store', () => {
  it('lays the first five demo plans in, once: what was changed or put away is not brought back', async () => {
    const folder = join(import.meta.dirname, '../../demo');
    expect(await layInDemo(store.repository, folder, clock)).toBe(5);
    expect(await layInDemo(store.repository, folder, clock)).toBe(0);
  });
  it('a store of the first version gets the demo plans that came later, and only those', async () => {
    const folder = join(import.meta.dirname, '../../demo');
    const set = new Set(['demo']);
    const added: string[] = [];
    const repository = {
      ...store.repository,
      mark: (name: string) => Promise.resolve(!set.has(name) && set.add(name) !== undefined),
      add: (plan: PlanToKeep) => {
        added.push(plan.name);
        return store.repository.add({ ...plan, id: randomUUID() }, clock);
      },
    };
    await layInDemo(repository, folder, clock);
    expect(added.sort()).toEqual(['Kelp cloak', 'Reef reliquary']);
    expect(await layInDemo(repository, folder, clock)).toBe(0);
  });
  it('plans that older programs kept are plans of today once the store is opened, and what can’t be read stays', async () => {
    const said = 'they call it "channelId": so be it';
    const plan: Plan = {
      ...fresh(),
      logbook: { ...fresh().logbook, entries: [{ id: 'e', at: clock.toISOString(), text: said }] },
    };
    const ofOne = readFileSync(join(versionOneFolder, 'reef-reliquary.glimmer.json'), 'utf8');
    const read = readPlanText(ofOne);
    if (!read.ok) throw new Error('the plan of version 1 can’t be read');
    const today: Plan = { ...read.plan, id: randomUUID() };
    const odd = fresh('Odd');
    for (const each of [plan, today, odd]) await add(each);
    const older: readonly (readonly [string, unknown])[] = [
      [plan.id, asVersionTwo(plan)],
      [today.id, { ...JSON.parse(ofOne), id: today.id }],
      [odd.id, { ...odd, version: 1 }],
    ];
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    try {
      for (const [id, document] of older)
        await client.query('update plans set document = $1 where id = $2', [JSON.stringify(document), id]);
      await (await openStore({ url, migrationsFolder, at: clock, onLost: () => undefined })).close();
      const { rows } = await client.query('select document from plans where id = $1', [odd.id]);
      expect(rows[0].document).toEqual(older[2]?.[1]);
    } finally {
      await client.query('delete from plans where id = $1', [odd.id]);
      await client.end();
    }
    for (const each of [plan, today]) {
      const got = await request(app()).get(`/api/plans/${each.id}`);
      expect(got.body).toEqual({ ...got.body, plan: each, revision: 1 });
    }
  });
  it('says which demo plan is damaged', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'glimmer-'));
    writeFileSync(join(folder, 'broken.glimmer.json'), '{"format":');
    const repository = { ...store.repository, mark: () => Promise.resolve(true) };
    await expect(layInDemo(repository, folder, clock, ['broken'])).rejects.toThrow(
      /broken\.glimmer\.json is damaged.*cut short/,
    );
  });
  it('offers every example by name, in its order, as a plan and as the shelf would show it', async () => {
    const folder = join(import.meta.dirname, '../../demo');
    let reckoned = 0;
    const examples = createExamples(folder, (plan) => {
      reckoned += 1;
      return Promise.resolve(describeForShelf(plan));
    });
    const offering = serverOver(store.repository, examples).app;
    const { body } = await request(offering).get('/api/examples').expect(200);
    expect(body.examples).toHaveLength(readdirSync(folder).length);
    expect(body.examples[0].name).toBe('Anglerfish headdress');
    for (const { name, shows } of body.examples) expect(shows, name).toMatch(/\.$/);
    const { id, name } = body.examples[5];
    const got = await request(offering).get(`/api/examples/${id}`).expect(200);
    expect([got.body.plan.id, got.body.plan.name]).toEqual([id, name]);
    // The second who asks is given what the first one waited for.
    for (let i = 0; i < 2; i += 1) {
      const facts = await request(offering).get(`/api/examples/${id}/facts`).expect(200);
      expect(facts.body.glimpse.lights.length).toBeGreaterThan(0);
    }
    expect(reckoned).toBe(1);
    await request(offering).get(`/api/examples/${randomUUID()}`).expect(404);
    await request(offering).post('/api/examples').send({}).expect(405);
    // Without a folder there is nothing to begin from.
    expect((await request(app()).get('/api/examples')).body).toEqual({ examples: [] });
  });
  it('answers 503 when the database is not there at all', async () => {
    const gone = {
      ...store.repository,
      find: () => Promise.reject(Object.assign(new Error('connect'), { code: 'ECONNREFUSED' })),
    };
    const refused = await request(serverOver(gone).app).get(`/api/plans/${randomUUID()}`);
    expect(refused.status).toBe(503);
    expect(refused.body.code).toBe('store-away');
  });
  it('sets a strict content policy', async () => {
    const { headers } = await request(app()).get('/api/health');
    expect(headers['content-security-policy']).toContain("script-src 'self'");
    expect(headers['content-security-policy']).not.toContain('unsafe-inline');
    expect(headers['strict-transport-security']).toBeUndefined();
  });
});
