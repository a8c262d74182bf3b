import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { join } from 'node:path';
import type { Plan } from '@glimmer/core/plan';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoPlan } from '../../core/tests/designs.ts';
import type { createApp } from '../src/app.ts';
import { measureJson } from '../src/bodies.ts';
import { createEvents } from '../src/events.ts';
import { setPicturesApart } from '../src/pictures.ts';
import { createShelf } from '../src/shelf.ts';
import type { ShelfFacts } from '../src/shelfFacts.ts';
import { describeForShelf } from '../src/shelfFacts.ts';
import { openStore, type Store } from '../src/store.ts';
import { ownDatabase } from './ownDatabase.ts';
import { appOver as serverOver } from './server.ts';

const fresh = (name = 'Sturdy piece'): Plan => ({ ...demoPlan(), id: randomUUID(), name });
const events = createEvents();
const logged: unknown[] = [];
let reckoned = 0;
let store: Store;
let app: ReturnType<typeof createApp>;
let shelf: ReturnType<typeof createShelf>;
const shelfOf = (core: string, describe: (plan: Plan) => ShelfFacts = describeForShelf) =>
  createShelf({
    repository: store.repository,
    describe: (plan) => {
      reckoned += 1;
      return Promise.resolve(describe(plan));
    },
    core,
    onReckoned: (id) => events.publish({ kind: 'shelf', id }),
    onTrouble: (error) => logged.push(error),
  });
const appOver = (repository = store.repository) =>
  serverOver({
    store: { ...store, repository },
    now: () => new Date('2026-11-20T10:00:00Z'),
    shelf,
    events,
    onError: (...told) => void logged.push(told),
  });

beforeAll(async () => {
  store = await openStore({
    at: new Date('2026-11-01T10:00:00Z'),
    url: await ownDatabase(),
    migrationsFolder: join(import.meta.dirname, '../migrations'),
    onLost: () => undefined,
  });
  shelf = shelfOf('one');
  app = appOver();
});
afterAll(async () => {
  events.close();
  await store.close();
});
const add = (plan: Plan) => request(app).post('/api/plans').send(plan).expect(201);

describe('a save of its own', () => {
  const save = (plan: Plan, basedOn: number, saveId?: string) => {
    const asked = request(app).put(`/api/plans/${plan.id}`).set('If-Match', `"${basedOn}"`);
    return (saveId === undefined ? asked : asked.set('Save-Id', saveId)).send(plan);
  };
  it('whose answer was lost is confirmed once more, and counted once', async () => {
    const plan = fresh();
    await add(plan);
    const saveId = randomUUID();
    const first = await save({ ...plan, name: 'Mine' }, 1, saveId).expect(200);
    const again = await save({ ...plan, name: 'Mine' }, 1, saveId).expect(200);
    expect([first.body.revision, again.body.revision]).toEqual([2, 2]);
    expect(again.body.plan.name).toBe('Mine');
  });
  it('is a stranger’s when another save came between, and when it carries no id', async () => {
    const plan = fresh();
    await add(plan);
    const saveId = randomUUID();
    await save({ ...plan, name: 'Mine' }, 1, saveId).expect(200);
    await save({ ...plan, name: 'Theirs' }, 2, randomUUID()).expect(200);
    const late = await save({ ...plan, name: 'Mine' }, 1, saveId).expect(409);
    expect(late.body).toMatchObject({ code: 'newer-version', revision: 3 });
    await save({ ...plan, name: 'Mine' }, 2).expect(409);
    await save({ ...plan, name: 'Mine' }, 1, 'no-uuid').expect(409);
  });
});

describe('what every open page hears', () => {
  it('is told of each save and of each plan that was reckoned', async () => {
    const server = createServer(app).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as AddressInfo;
    const heard = new AbortController();
    const answer = await fetch(`http://127.0.0.1:${port}/api/events`, { signal: heard.signal });
    expect(answer.headers.get('content-type')).toBe('text/event-stream');
    const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
    const plan = fresh('Heard');
    await add(plan);
    let text = '';
    while (!text.includes(`event: shelf\ndata: {"id":"${plan.id}"}`)) text += (await reader?.read())?.value ?? '';
    expect(text).toContain(`event: plan\ndata: {"id":"${plan.id}","revision":1,"saveId":null}\n\n`);
    expect(text).toContain(`event: shelf\ndata: {"id":"${plan.id}"}\n\n`);
    heard.abort();
    server.closeAllConnections();
    server.close();
  });
});

describe('the shelf', () => {
  const entryOf = async (on: typeof shelf, id: string) =>
    (await on.list({ putAway: false })).find((entry) => entry.id === id);
  it('reckons a plan once for each revision and each version of core, however often it is looked at', async () => {
    const plan = fresh('Looked at');
    await add(plan);
    await shelf.settled();
    const before = reckoned;
    for (let look = 0; look < 5; look += 1) await shelf.list({ putAway: false });
    await shelf.settled();
    expect(reckoned).toBe(before);
    const next = shelfOf('two');
    expect(await entryOf(next, plan.id)).toMatchObject({ isReckoned: false, facts: { openFindings: 2 } });
    await next.settled();
    expect(await entryOf(next, plan.id)).toMatchObject({ isReckoned: true });
  });
  it('says what it does not know yet, and waits for nothing', async () => {
    const plan = fresh('Slow');
    await store.repository.add(setPicturesApart(plan), new Date());
    let let_go: (facts: ShelfFacts) => void = () => undefined;
    const slow = createShelf({
      repository: store.repository,
      describe: () => new Promise((resolve) => (let_go = resolve)),
      core: 'slow',
      onReckoned: () => undefined,
      onTrouble: (error) => logged.push(error),
    });
    expect(await entryOf(slow, plan.id)).toMatchObject({ name: 'Slow', isReckoned: false, facts: null });
    let_go({ state: 'broken', trouble: 'never mind' });
  });
  it('stands whatever a plan does: that card alone says so', async () => {
    const plan = fresh('Broken');
    await store.repository.add(
      setPicturesApart({ ...plan, design: { ...plan.design, items: null as never } }),
      new Date(),
    );
    const own = shelfOf('three');
    await own.list({ putAway: false });
    await own.settled();
    const list = await own.list({ putAway: false });
    const card = list.find((entry) => entry.id === plan.id);
    expect(card?.facts).toMatchObject({ state: 'broken' });
    expect(list.filter((entry) => entry.facts?.state === 'reckoned').length).toBeGreaterThan(0);
    await request(app).get('/api/plans').expect(200);
    await request(app).patch(`/api/plans/${plan.id}`).send({ putAway: true }).expect(200);
  });
});

describe('who may ask', () => {
  it.each(['127.0.0.1:4680', 'localhost:4680', 'localhost', '[::1]:4680'])('%s is this machine', async (host) => {
    await request(app).get('/api/health').set('Host', host).expect(200);
  });
  it.each(['glimmer.example', '127.0.0.1.example:4680', 'localhost.example', '10.0.0.7:4680'])(
    '%s is not, though it may lead here: nothing is read or written',
    async (host) => {
      const plan = fresh();
      const refused = await request(app).post('/api/plans').set('Host', host).send(plan).expect(403);
      expect(refused.body.code).toBe('foreign-host');
      await request(app).get(`/api/plans/${plan.id}`).expect(404);
    },
  );
  it('a page of another origin is refused, one of this address is not', async () => {
    const from = (origin: string) => request(app).get('/api/plans').set('Host', 'localhost:4680').set('Origin', origin);
    await from('http://localhost:4680').expect(200);
    for (const origin of ['http://localhost:9999', 'https://page.example', 'null']) await from(origin).expect(403);
  });
});

describe('requests that are none', () => {
  const deep = (levels: number): string => `${'['.repeat(levels)}${']'.repeat(levels)}`;
  it.each([
    ['a method that is not there', 'delete', '/api/plans', undefined, 405, 'wrong-method'],
    ['another', 'post', `/api/plans/${randomUUID()}`, '{}', 405, 'wrong-method'],
    ['an address in broken encoding', 'get', '/api/plans/%ff', undefined, 400, 'bad-request'],
    ['nesting of 5,000', 'post', '/api/plans', deep(5000), 413, 'too-large'],
    ['a number for a plan', 'post', '/api/plans', '7', 422, 'not-a-plan'],
    ['no body', 'post', '/api/plans', undefined, 422, 'not-a-plan'],
  ] as const)('%s', async (_name, method, path, body, status, code) => {
    const asked = request(app)[method](path);
    const refused = await (body === undefined ? asked : asked.type('application/json').send(body));
    expect(refused.status).toBe(status);
    expect(refused.type).toBe('application/problem+json');
    expect(refused.body).toMatchObject({ code, type: `/api/problems#${code}` });
  });
  it('a wrong method names the right ones', async () => {
    const { headers } = await request(app).put('/api/plans').send({});
    expect(headers.allow).toBe('GET, HEAD, POST');
  });
  it('a body that is no JSON is named by its kind', async () => {
    const refused = await request(app).post('/api/plans').type('text/plain').send('{"format":1}').expect(415);
    expect(refused.body.detail).toContain('text/plain');
  });
  it.each(['"2147483648"', '"99999999999999999999"', '"-1"', 'W/"1"', '*', '"one"'])(
    'a save based on %s is refused and changes nothing',
    async (match) => {
      const plan = fresh();
      await add(plan);
      const refused = await request(app).put(`/api/plans/${plan.id}`).set('If-Match', match).send(plan);
      expect(refused.status).toBe(428);
      expect((await request(app).get(`/api/plans/${plan.id}`)).body.revision).toBe(1);
    },
  );
  it('the page that a problem’s type leads to tells of it', async () => {
    const { text, type } = await request(app).get('/api/problems').expect(200);
    expect(type).toBe('text/html');
    for (const code of ['newer-version', 'foreign-host', 'wrong-method', 'too-large'])
      expect(text).toContain(`id="${code}"`);
  });
  it('text that no store can hold is mended, and the rest of it kept', async () => {
    const plan = fresh('Half a \uD83D letter and a \u0000 nought');
    await add(plan);
    const { body } = await request(app).get(`/api/plans/${plan.id}`).expect(200);
    expect(body.plan.name).toBe('Half a \uFFFD letter and a \uFFFD nought');
  });
  it('a million unknown fields are refused before they are read', () => {
    const fields = Array.from({ length: 1000 }, (_, i) => `"f${i}":{"a:b":"}{\\":"}`).join(',');
    expect(measureJson(new TextEncoder().encode(`{"all":[${fields}]}`))).toEqual({ depth: 3, fields: 2001 });
  });
  it('what the database was asked stays out of the log', async () => {
    const plan = fresh();
    const secret = JSON.stringify(plan);
    const broken = appOver({
      ...store.repository,
      add: () => Promise.reject(new Error(`Failed query: insert … params: ${secret}`)),
    });
    logged.length = 0;
    await request(broken).post('/api/plans').send(plan).expect(500);
    expect(logged).toHaveLength(1);
    expect(JSON.stringify(logged).length).toBeLessThan(3000);
  });
});

describe('whoever sends slowly', () => {
  it('is cut off, and the others are answered meanwhile', async () => {
    const server = createServer({ requestTimeout: 300, headersTimeout: 300, connectionsCheckingInterval: 50 }, app);
    server.listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as AddressInfo;
    const slow = connect(port, '127.0.0.1');
    slow.write(
      'POST /api/plans HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 900\r\n\r\n{"a":',
    );
    await request(`http://127.0.0.1:${port}`).get('/api/health').expect(200);
    const closed = new Promise((resolve) => slow.once('close', resolve));
    slow.resume();
    await closed;
    server.close();
  });
});
