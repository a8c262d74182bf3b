import { assess } from '@glimmer/core/assess';
import { checkPlan } from '@glimmer/core/findings';
import { readPartsCsv, readStockCsv } from '@glimmer/core/parts';
import { readPlanText } from '@glimmer/core/plan/reading';
import { answerSum, quickSums } from '@glimmer/core/sums';
import { usualPrinter } from '@glimmer/core/units';
import { count, demos } from './count.ts';
import { pick, random } from './random.ts';

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

/** Gives damaged input to a reader of each kind. */
export function feedReaders(): void {
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
    answerSum(
      sum,
      Object.fromEntries(Object.keys(sum.inputs).map((key) => [key, damage('20 mA 4k7 1:2, 3')])),
      usualPrinter,
    );
  });
}

/** Sends the server something that is no request. */
export async function sendHostile(address: string): Promise<void> {
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
