import { createHash, randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { Plan } from '@glimmer/core/plan';
import type { DeskCard } from '@glimmer/core/workshop';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import pg from 'pg';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { demoPlan } from '../../core/tests/designs.ts';
import { createEvents } from '../src/events.ts';
import { createShelf } from '../src/shelf.ts';
import { describeForShelf } from '../src/shelfFacts.ts';
import { openStore, type Store } from '../src/store.ts';
import { ownDatabase } from './ownDatabase.ts';
import { appOver, asideHere } from './server.ts';

const events = createEvents();
const now = new Date('2026-11-26T10:00:00Z');
let pool: pg.Pool;
let store: Store;
let app: ReturnType<typeof appOver>;

beforeAll(async () => {
  const url = await ownDatabase();
  pool = new pg.Pool({ connectionString: url });
  store = await openStore({
    at: new Date('2026-11-01T10:00:00Z'),
    url,
    migrationsFolder: join(import.meta.dirname, '../migrations'),
    onLost: () => undefined,
  });
  const shelf = createShelf({
    repository: store.repository,
    describe: (plan) => Promise.resolve(describeForShelf(plan)),
    core: 'workshop',
    onReckoned: () => undefined,
    onTrouble: () => undefined,
  });
  app = appOver({ store, shelf, events, now: () => now });
});
afterAll(async () => {
  events.close();
  await pool.end();
  await store.close();
});
/** An empty machine. */
beforeEach(async () => {
  await pool.query('truncate plans, pictures, belongings');
});

const SVG = `<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><path d="M0 0H${'9'.repeat(2000)}"/></svg>`;
const withPicture = (name: string, svg = SVG): Plan => {
  const plan = demoPlan();
  return {
    ...plan,
    id: randomUUID(),
    name,
    pictures: { front: { mime: 'image/svg+xml', svg } },
    design: { ...plan.design, view: { ...plan.design.view, picture: { kind: 'own', pictureId: 'front' } } },
  };
};
const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const named = (plan: Plan): object => ({ ...plan, pictures: { front: { sha256: hashOf(`image/svg+xml\n${SVG}`) } } });
const add = (plan: object) => request(app).post('/api/plans').send(plan);
const save = (plan: Plan, body: object, basedOn: number) =>
  request(app).put(`/api/plans/${plan.id}`).set('If-Match', `"${basedOn}"`).send(body);
const countPictures = async (): Promise<number> =>
  Number((await pool.query('select count(*) as n from pictures')).rows[0]?.n);

describe('a picture', () => {
  it('is kept once, apart from all plans that show it, and comes back with each', async () => {
    const [one, two] = [withPicture('One'), withPicture('Two')];
    await add(one).expect(201);
    await add(two).expect(201);
    expect(await countPictures()).toBe(1);
    const { rows } = await pool.query('select document::text as text from plans where id = $1', [one.id]);
    expect(rows[0].text).not.toContain('9999');
    for (const plan of [one, two]) {
      const { body } = await request(app).get(`/api/plans/${plan.id}`).expect(200);
      expect(body.plan).toEqual(plan);
    }
  });

  it('need not be sent again: a save names it, and a plan with another picture is another', async () => {
    const plan = withPicture('Named');
    await add(plan).expect(201);
    await save(plan, { ...named(plan), name: 'Named again' }, 1).expect(200);
    const { body } = await request(app).get(`/api/plans/${plan.id}`).expect(200);
    expect(body.plan).toEqual({ ...plan, name: 'Named again' });
    const other = withPicture('x', SVG.replace('width="10"', 'width="11"'));
    await save(plan, { ...other, id: plan.id }, 2).expect(200);
    expect(await countPictures()).toBe(2);
  });

  it('that is named and not here is asked for, and nothing is changed meanwhile', async () => {
    const plan = withPicture('Elsewhere');
    const { body } = await add(named(plan)).expect(422);
    expect(body).toMatchObject({ code: 'no-such-picture', detail: expect.stringContaining('send the plan whole') });
    await request(app).get(`/api/plans/${plan.id}`).expect(404);
    await add(plan).expect(201);
    const missing = { ...plan, pictures: { front: { sha256: 'a'.repeat(64) } } };
    await save(plan, missing, 1).expect(422);
    expect((await request(app).get(`/api/plans/${plan.id}`)).body.revision).toBe(1);
  });

  it.each([
    ['a hash that is none', { sha256: 'abc' }],
    ['a hash with something beside it', { sha256: 'a'.repeat(64), mime: 'image/png' }],
    ['a script in a drawing', { mime: 'image/svg+xml', svg: '<svg><script>1</script></svg>' }],
  ])('is refused where it is %s', async (_what, front) => {
    const { body } = await add({ ...withPicture('Bad'), pictures: { front } }).expect(422);
    expect(body.problems[0].place).toContain('pictures.front');
    expect(await countPictures()).toBe(0);
  });

  it('that no plan has shown for a day is swept away, and no other', async () => {
    const [kept, left] = [withPicture('Kept'), withPicture('Left', SVG.replace('width="10"', 'width="12"'))];
    await add(kept).expect(201);
    await add(left).expect(201);
    await save(left, { ...demoPlan(), id: left.id }, 1).expect(200);
    await store.repository.sweepPictures(now);
    expect(await countPictures()).toBe(2);
    await store.repository.sweepPictures(new Date(now.getTime() + 25 * 3600 * 1000));
    expect(await countPictures()).toBe(1);
    expect((await request(app).get(`/api/plans/${kept.id}`)).body.plan).toEqual(kept);
  });

  it('of an older store, which lies in its plan, comes back as it was', async () => {
    const plan = withPicture('Old');
    await pool.query(
      'insert into plans (id, name, document, created_at, updated_at) values ($1, $2, $3, now(), now())',
      [plan.id, plan.name, JSON.stringify(plan)],
    );
    expect((await request(app).get(`/api/plans/${plan.id}`)).body.plan).toEqual(plan);
    await save(plan, plan, 1).expect(200);
    expect(await countPictures()).toBe(1);
  });
});

const card = (id: string, texts: Record<string, string> = {}): DeskCard => ({ id, sum: 'led-resistor', texts });
const put = (name: string, value: unknown, basedOn: number) =>
  request(app)
    .put(`/api/workshop/${name}`)
    .set('If-Match', `"${basedOn}"`)
    .send(value as object);

describe('what a workshop has beside its plans', () => {
  it('is empty at first, is kept, and counts its versions', async () => {
    expect((await request(app).get('/api/workshop/desk').expect(200)).body).toEqual({ value: [], revision: 0 });
    expect((await put('desk', [card('a', { supply: '5 V' })], 0).expect(200)).body).toEqual({ revision: 1 });
    expect((await put('desk', [card('b')], 1).expect(200)).body).toEqual({ revision: 2 });
    expect((await request(app).get('/api/workshop/desk')).body).toEqual({ value: [card('b')], revision: 2 });
  });

  it('is not written over from an older version: not by a second first one either', async () => {
    await put('desk', [card('a')], 0).expect(200);
    for (const basedOn of [0, 7]) {
      const { body } = await put('desk', [card('b')], basedOn).expect(409);
      expect(body).toMatchObject({ code: 'newer-version', revision: 1 });
    }
    expect((await request(app).get('/api/workshop/desk')).body.value).toEqual([card('a')]);
  });

  it.each([
    ['desk', [{ id: 'a', sum: 'x' }], '0.texts'],
    ['drawer', [{ kind: 'resistor' }], '0.name'],
    ['drawer', { kind: 'resistor' }, 'the document'],
    ['own-parts', [{ kind: 'led', id: 'led-5mm-white' }], '0.id'],
  ])('%s refuses %j, and says where', async (name, value, place) => {
    const { body } = await put(name, value, 0).expect(422);
    expect(body.problems.map((problem: { place: string }) => problem.place)).toContain(place);
  });

  it('is of three kinds, and of no other name', async () => {
    const { body } = await request(app).get('/api/workshop/constructor').expect(404);
    expect(body.detail).toContain('desk, drawer, own-parts');
    await request(app).delete('/api/workshop/desk').expect(405);
    await request(app).put('/api/workshop/desk').send([]).expect(428);
  });
});

const takeOut = async (): Promise<Buffer> => {
  const answer = await request(app)
    .get('/api/archive')
    .buffer()
    .parse((res, done) => {
      const chunks: Buffer[] = [];
      res.on('data', (chunk: Buffer) => chunks.push(chunk));
      res.on('end', () => done(null, Buffer.concat(chunks)));
    })
    .expect(200);
  expect(answer.headers['content-disposition']).toContain('workshop-2026-11-26.glimmer.zip');
  return answer.body;
};
const bringIn = (zip: Uint8Array) => request(app).post('/api/archive').type('application/zip').send(Buffer.from(zip));
/** The same archive with one of its files changed. */
const changed = (zip: Uint8Array, file: RegExp, change: (text: string) => string | null): Uint8Array => {
  const files = Object.entries(unzipSync(zip)).flatMap(([name, content]) => {
    const text = file.test(name) ? change(strFromU8(content)) : strFromU8(content);
    return text === null ? [] : [[name, strToU8(text)] as const];
  });
  return zipSync(Object.fromEntries(files));
};

describe('the archive of a workshop', () => {
  const drawer = [
    {
      kind: 'resistor',
      name: '150 Ω',
      count: 30,
      condition: 'new',
      price: 0.02,
      values: { resistance: 150 },
      note: '',
    },
  ];
  const plans = [withPicture('Kelp'), withPicture('Ωμέγα / 灯'), { ...demoPlan(), id: randomUUID(), name: 'Kelp' }];

  async function furnish(): Promise<Buffer> {
    for (const plan of plans) await add(plan).expect(201);
    await request(app).patch(`/api/plans/${plans[1]?.id}`).send({ putAway: true }).expect(200);
    await put('desk', [card('a', { supply: '5 V' })], 0).expect(200);
    await put('drawer', drawer, 0).expect(200);
    return takeOut();
  }

  it('holds everything, and on an empty machine everything is as it was', async () => {
    const zip = await furnish();
    expect(Object.keys(unzipSync(zip)).sort()).toEqual([
      'plans/kelp-2.glimmer.json',
      'plans/kelp.glimmer.json',
      'plans/ωμέγα-灯.glimmer.json',
      'workshop.json',
      'workshop/desk.json',
      'workshop/drawer.json',
      'workshop/own-parts.json',
      'workshop/units.json',
    ]);
    await pool.query('truncate plans, pictures, belongings');
    const { body } = await bringIn(zip).expect(200);
    expect(body).toMatchObject({ same: [], asCopies: [] });
    expect(body.added).toHaveLength(3);
    for (const plan of plans)
      expect((await request(app).get(`/api/plans/${plan.id}`).expect(200)).body.plan).toEqual(plan);
    const away = await request(app).get('/api/plans?shelf=away');
    expect(away.body.plans.map((entry: { name: string }) => entry.name)).toEqual(['Ωμέγα / 灯']);
    expect((await request(app).get('/api/workshop/desk')).body.value).toEqual([card('a', { supply: '5 V' })]);
    expect((await request(app).get('/api/workshop/drawer')).body.value).toEqual(drawer);
    // Out and back, and out again: the same plans, file by file.
    const again = unzipSync(await takeOut());
    for (const [file, content] of Object.entries(unzipSync(zip)))
      if (file.startsWith('plans/')) expect(strFromU8(again[file] ?? new Uint8Array())).toBe(strFromU8(content));
  });

  it('writes over nothing: what is here just so is left, what differs gets a copy beside it', async () => {
    const zip = await furnish();
    const [kelp] = plans;
    if (!kelp) throw new Error('there is a first plan');
    await save(kelp, { ...kelp, name: 'Kelp, mended since' }, 1).expect(200);
    await put('desk', [card('b')], 1).expect(200);
    const { body } = await bringIn(zip).expect(200);
    expect(body).toMatchObject({ added: [], asCopies: ['Kelp'] });
    expect(body.same).toHaveLength(2);
    expect((await request(app).get(`/api/plans/${kelp.id}`)).body.plan.name).toBe('Kelp, mended since');
    const { plans: shelf } = (await request(app).get('/api/plans')).body;
    expect(shelf.map((entry: { name: string }) => entry.name)).toContain('Kelp (from the archive)');
    const cards = (await request(app).get('/api/workshop/desk')).body.value;
    expect(cards).toEqual([card('b'), card('a', { supply: '5 V' })]);
  });

  it.each<[string, (zip: Uint8Array) => Uint8Array, RegExp]>([
    ['cut short', (zip) => zip.slice(0, zip.length / 2), /not a ZIP, or was cut short/],
    ['no ZIP at all', () => strToU8('{"format": "unruly-glimmer-plan"}'), /not a ZIP/],
    ['a ZIP of something else', () => zipSync({ 'readme.txt': strToU8('hello') }), /has no workshop\.json/],
    [
      'of a later version',
      (zip) => changed(zip, /^workshop\.json/, (text) => text.replace('"version": 1', '"version": 4')),
      /of version 4; this program reads up to 1/,
    ],
    ['without one of its plans', (zip) => changed(zip, /kelp-2/, () => null), /kelp-2\.glimmer\.json: is missing/],
    [
      'with a plan changed by hand',
      (zip) => changed(zip, /kelp-2/, (text) => text.replace('"copies": 1', '"copies": 2')),
      /kelp-2\.glimmer\.json: is not as it was packed/,
    ],
    [
      'with a list that is damaged',
      (zip) => changed(zip, /^workshop\.json/, (text) => text.replace('"putAway": false', '"putAway": "no"')),
      /workshop\.json, plans\.\d\.putAway: found "no"/,
    ],
  ])('%s is refused whole, with the reason', async (_what, damage, says) => {
    const zip = await furnish();
    await pool.query('truncate plans, pictures, belongings');
    const { body } = await bringIn(damage(zip)).expect(422);
    expect(body.detail).toMatch(says);
    expect((await request(app).get('/api/plans')).body.plans).toEqual([]);
    expect((await request(app).get('/api/workshop/desk')).body.revision).toBe(0);
  });

  it('with one plan that can’t be kept brings in none of the others', async () => {
    const zip = await furnish();
    await pool.query('truncate plans, pictures, belongings');
    const files = unzipSync(zip);
    const broken = strFromU8(files['plans/kelp-2.glimmer.json'] ?? new Uint8Array()).replace(
      /"hoursWanted": [\d.]+/,
      '"hoursWanted": -4',
    );
    const list = strFromU8(files['workshop.json'] ?? new Uint8Array());
    const before = hashOf(strFromU8(files['plans/kelp-2.glimmer.json'] ?? new Uint8Array()));
    const { body } = await bringIn(
      zipSync({
        ...files,
        'plans/kelp-2.glimmer.json': strToU8(broken),
        'workshop.json': strToU8(list.replace(before, hashOf(broken))),
      }),
    ).expect(422);
    expect(body.detail).toMatch(/kelp-2\.glimmer\.json, design\.piece\.hoursWanted: .*found -4/);
    expect((await request(app).get('/api/plans')).body.plans).toEqual([]);
  });
});

describe('a large plan', () => {
  const large = (): Plan => {
    const plan = demoPlan();
    const entries = Array.from({ length: 400 }, (_, i) => ({
      id: `entry-${i}`,
      at: '2026-11-01T10:00:00.000Z',
      text: 'The tide came up over the quay. '.repeat(20),
    }));
    return { ...plan, id: randomUUID(), name: 'Large', logbook: { ...plan.logbook, entries } };
  };
  /** The server, with a note of what it had done aside. */
  const counting = (): { readonly app: ReturnType<typeof appOver>; readonly aside: string[] } => {
    const aside: string[] = [];
    const shelf = { list: () => Promise.resolve([]), renew: () => undefined, settled: () => Promise.resolve() };
    const run = asideHere.run;
    return {
      aside,
      app: appOver({
        store,
        shelf,
        events,
        now: () => now,
        aside: {
          run: (kind, input) => {
            aside.push(kind);
            return run(kind, input);
          },
        },
      }),
    };
  };

  it('is read aside, so that nobody waits for it; a small one is read at once', async () => {
    const server = counting();
    await request(server.app).post('/api/plans').send(withPicture('Small')).expect(201);
    expect(server.aside).toEqual([]);
    const plan = large();
    await request(server.app).post('/api/plans').send(plan).expect(201);
    expect(server.aside).toEqual(['read']);
    expect((await request(server.app).get(`/api/plans/${plan.id}`)).body.plan).toEqual(plan);
    await request(server.app)
      .post('/api/plans')
      .set('Content-Type', 'application/json')
      .send(`{"a":"${'x'.repeat(200_000)}`)
      .expect(400);
    expect(server.aside).toEqual(['read', 'read']);
  });

  it('that nests deeper than any plan is refused aside as it would be here', async () => {
    const server = counting();
    const deep = `${'['.repeat(100)}"${'x'.repeat(200_000)}"${']'.repeat(100)}`;
    const { body } = await request(server.app)
      .post('/api/plans')
      .set('Content-Type', 'application/json')
      .send(deep)
      .expect(413);
    expect(body.detail).toBe('The body nests 100 levels deep; a plan nests 60 at most');
    expect(server.aside).toEqual(['read']);
  });
});
