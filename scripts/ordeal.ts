// npm run ordeal -- --minutes 5: kills server and database under saves, and feeds readers and sums with damaged input.
// Prints what was tried, what was lost and what broke; all that was lost or broke must be 0.
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { assess } from '@glimmer/core/assess';
import { checkPlan } from '@glimmer/core/findings';
import { readPartsCsv, readStockCsv } from '@glimmer/core/parts';
import type { Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import { answerSum, quickSums } from '@glimmer/core/sums';
import { placeCluster, removeCluster, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';

const { values } = parseArgs({ options: { minutes: { type: 'string', default: '5' }, seed: { type: 'string' } } });
const minutes = Number(values.minutes);
let seed = Number(values.seed ?? 20_261_125);

/** A seeded random (mulberry32), so that an ordeal can be gone through again. */
function random(): number {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
}
const pick = <T>(list: readonly T[]): T => {
  const found = list[Math.floor(random() * list.length)];
  if (found === undefined) throw new Error('There is nothing to pick from');
  return found;
};
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

const demos = readdirSync(join(root, 'demo'))
  .filter((name) => name.endsWith('.glimmer.json'))
  .map((name) => readFileSync(join(root, 'demo', name), 'utf8'));

const count = { saves: 0, kills: 0, lost: 0, damaged: 0, broke: 0, hostile: 0, unexpected: 0 };

/** Writes one plan again and again, as a browser does: each save with an id of its own, repeated until it is answered. */
class Writer {
  private revision = 0;
  /** What the server has confirmed last. */
  private confirmed = '';
  private readonly plan: Plan;

  constructor(
    private readonly address: () => string,
    text: string,
  ) {
    const read = readPlanText(text);
    if (!read.ok) throw new Error('A demo plan can’t be read');
    this.plan = { ...read.plan, id: randomUUID() };
  }

  /** Asks until there is a whole answer: whatever breaks off on its way is asked again. */
  private async ask(
    path: string,
    options: RequestInit = {},
  ): Promise<{ readonly status: number; readonly body: unknown }> {
    for (;;) {
      try {
        const answer = await fetch(`${this.address()}/api/plans${path}`, {
          ...options,
          headers: { 'Content-Type': 'application/json', ...options.headers },
        });
        const body: unknown = await answer.json();
        if (answer.status < 500) return { status: answer.status, body };
      } catch {
        // Away: asked again until it is back.
      }
      await pause(50);
    }
  }

  async begin(): Promise<void> {
    const added = await this.ask('', { method: 'POST', body: JSON.stringify(this.plan) });
    // Its answer may have been lost, and the plan be there.
    if (added.status !== 201 && added.status !== 409) throw new Error(`A plan was not added: ${added.status}`);
    this.revision = 1;
    this.confirmed = this.plan.name;
  }

  async save(): Promise<void> {
    const name = `save ${count.saves}`;
    const answer = await this.ask(`/${this.plan.id}`, {
      method: 'PUT',
      headers: { 'If-Match': `"${this.revision}"`, 'Save-Id': randomUUID() },
      body: JSON.stringify({ ...this.plan, name }),
    });
    if (answer.status !== 200) {
      count.unexpected += 1;
      console.error(`A save was refused: ${answer.status} ${JSON.stringify(answer.body).slice(0, 300)}`);
      return;
    }
    this.revision = (answer.body as { revision: number }).revision;
    this.confirmed = name;
    count.saves += 1;
  }

  /** Whether the server still has what it confirmed. */
  async check(): Promise<void> {
    const kept = (await this.ask(`/${this.plan.id}`)).body as { plan: Plan; revision: number };
    if (kept.plan.name === this.confirmed && kept.revision === this.revision) return;
    count.lost += 1;
    console.error(
      `Lost: ${this.confirmed} (revision ${this.revision}); the server has ${kept.plan.name}, ${kept.revision}`,
    );
  }
}

/** A text with some of it taken out, doubled, or put in from elsewhere. */
function damage(text: string): string {
  const [from, to] = [random() * text.length, random() * text.length].map(Math.floor).sort((a, b) => a - b) as [
    number,
    number,
  ];
  const short = text.slice(from, Math.min(to, from + 40));
  const pieces = ['', '"', '{', '[', '-1', '1e999', 'null', '__proto__', '\u0000', '=1+1', short, short + short];
  return `${text.slice(0, from)}${pick(pieces)}${text.slice(from + Math.floor(random() * 12))}`;
}

/** Changes one value of a plan for one of another sort, so that it is JSON still. */
function twist(text: string): string {
  const document: unknown = JSON.parse(text);
  const places: [Record<string, unknown>, string][] = [];
  const walk = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return;
    for (const key of Object.keys(value)) {
      places.push([value as Record<string, unknown>, key]);
      walk((value as Record<string, unknown>)[key]);
    }
  };
  walk(document);
  const [holder, key] = pick(places);
  holder[key] = pick<unknown>([null, -1, 0, 1e308, 'constructor', '', [], {}, true, 'x'.repeat(500), 3.5, '\uD800']);
  return JSON.stringify(document);
}

function attempt(what: string, work: () => void): void {
  count.damaged += 1;
  try {
    work();
  } catch (error) {
    count.broke += 1;
    console.error(`${what} broke: ${error instanceof Error ? error.stack : String(error)}`);
  }
}

function feedReaders(): void {
  const text = pick(demos);
  const changed = random() < 0.5 ? twist(text) : damage(text);
  attempt('the reader of plans', () => {
    const read = readPlanText(changed);
    if (read.ok) checkPlan(read.plan, assess(read.plan.design));
  });
  const table = damage('kind,like,name,count,resistance\nled,led-5mm-white,"Cold\nstar",4,4k7\nresistor,,odd,2,330\n');
  attempt('a table', () => {
    readPartsCsv(table);
    readStockCsv(table);
  });
  const sum = pick(quickSums);
  attempt(`the sum ${sum.name}`, () => {
    answerSum(sum, Object.fromEntries(Object.keys(sum.inputs).map((key) => [key, damage('20 mA 4k7 1:2, 3')])));
  });
}

async function sendHostile(address: string): Promise<void> {
  const requests: readonly [string, RequestInit][] = [
    ['/api/plans', { method: 'POST', body: '['.repeat(5000), headers: { 'Content-Type': 'application/json' } }],
    ['/api/plans/%ff', {}],
    ['/api/plans', { method: 'TRACK' as string }],
    ['/api/plans/constructor', { method: 'PUT', body: '{}', headers: { 'Content-Type': 'text/plain' } }],
    ['/assets/none.js', {}],
    ['/api/plans', { method: 'POST', body: damage(pick(demos)), headers: { 'Content-Type': 'application/json' } }],
  ];
  const [path, options] = pick(requests);
  count.hostile += 1;
  const answer = await fetch(`${address}${path}`, options).catch(() => null);
  await answer?.text().catch(() => '');
  if (answer && answer.status >= 500 && answer.status !== 503) {
    count.unexpected += 1;
    console.error(`${options.method ?? 'GET'} ${path} was answered ${answer.status}`);
  }
}

const folder = placeCluster(join(root, '.glimmer', `ordeal-${process.pid}`));
let cluster = await startCluster({ folder });
const port = 4710;
let server = await startServer({ databaseUrl: cluster.url, port, demo: false });
const address = server.address;
const until = Date.now() + minutes * 60_000;
const isOver = (): boolean => Date.now() >= until;

async function kill(): Promise<void> {
  const what = pick(['server', 'database', 'both'] as const);
  count.kills += 1;
  if (what !== 'database') {
    const gone = new Promise((resolve) => server.child.once('exit', resolve));
    server.child.kill('SIGKILL');
    await gone;
  }
  if (what !== 'server') {
    cluster.kill();
    await pause(100 + random() * 400);
    cluster = await startCluster({ folder, port: cluster.port });
  }
  if (what !== 'database') server = await startServer({ databaseUrl: cluster.url, port, demo: false });
}

try {
  const writers = Array.from({ length: 6 }, () => new Writer(() => address, pick(demos)));
  await Promise.all(writers.map((writer) => writer.begin()));
  await Promise.all([
    ...writers.map(async (writer) => {
      while (!isOver()) await writer.save();
    }),
    (async () => {
      while (!isOver()) {
        await pause(500 + random() * 2000);
        await kill();
      }
    })(),
    (async () => {
      while (!isOver()) {
        for (let i = 0; i < 5; i += 1) feedReaders();
        await sendHostile(address);
        await pause(5);
      }
    })(),
  ]);
  for (const writer of writers) await writer.check();
} finally {
  server.child.kill('SIGKILL');
  removeCluster(folder);
}
console.log(
  `tried: ${count.saves} saves confirmed under ${count.kills} kills, ${count.damaged} damaged inputs, ${count.hostile} hostile requests\n` +
    `lost: ${count.lost}; broke: ${count.broke}; answered otherwise than they should be: ${count.unexpected}`,
);
process.exit(count.lost + count.broke + count.unexpected === 0 ? 0 : 1);
