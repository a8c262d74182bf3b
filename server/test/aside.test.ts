import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Plan } from '@glimmer/core/plan';
import { afterEach, describe, expect, it } from 'vitest';
import { demoPlan } from '../../core/tests/designs.ts';
import { type Aside, createAside, describeAside } from '../src/aside.ts';

const folder = mkdtempSync(join(tmpdir(), 'glimmer-aside-'));
let scripts = 0;
/** A thread that does this with each job. */
function threadThat(body: string): URL {
  scripts += 1;
  const file = join(folder, `thread-${scripts}.mjs`);
  writeFileSync(
    file,
    `import { parentPort } from 'node:worker_threads';
     let done = 0;
     parentPort.on('message', ({ job, kind, input }) => { done += 1; ${body} });`,
  );
  return pathToFileURL(file);
}
const opened: Aside[] = [];
const open = (body: string, mostMs?: number): Aside => {
  const aside = createAside(threadThat(body), mostMs);
  opened.push(aside);
  return aside;
};
afterEach(async () => {
  await Promise.all(opened.splice(0).map((aside) => aside.close()));
});

const plan: Plan = demoPlan();

describe('work that is done aside', () => {
  it('is answered, each by its own number, in whatever order', async () => {
    const late = 'setTimeout(() => parentPort.postMessage({ job, result: input.name }), job === 1 ? 60 : 5);';
    const aside = open(late);
    const named = (name: string) => aside.run('describe', { ...plan, name }) as Promise<unknown>;
    expect(await Promise.all([named('first'), named('second'), named('third')])).toEqual(['first', 'second', 'third']);
  });

  it('that throws says so, and the thread goes on with the next', async () => {
    const aside = open("parentPort.postMessage(done === 1 ? { job, trouble: 'a fault' } : { job, result: done });");
    await expect(aside.run('describe', plan)).rejects.toThrow('a fault');
    expect(await aside.run('describe', plan)).toBe(2);
  });

  it('whose thread dies is told of, and another thread takes the next', async () => {
    const aside = open(
      "if (input.name === 'deadly') process.exit(3); else parentPort.postMessage({ job, result: done });",
    );
    await expect(aside.run('describe', { ...plan, name: 'deadly' })).rejects.toThrow('its reckoning was cut off');
    expect(await aside.run('describe', plan)).toBe(1);
  });

  it('whose thread throws beside it is told of, and another thread takes the next', async () => {
    const aside = open(
      "if (input.name === 'deadly') setTimeout(() => { throw new Error('out of hand'); }, 1); else parentPort.postMessage({ job, result: done });",
    );
    await expect(aside.run('describe', { ...plan, name: 'deadly' })).rejects.toThrow('out of hand');
    expect(await aside.run('describe', plan)).toBe(1);
  });

  it('that never ends is given up after its time, and what waits behind it is told of too', async () => {
    const aside = open("if (input.name === 'endless') for (;;); parentPort.postMessage({ job, result: done });", 4000);
    await expect(aside.run('describe', { ...plan, name: 'endless' })).rejects.toThrow('it takes too long to reckon');
    expect(await aside.run('describe', plan)).toBe(1);
  });

  it('of the shelf: a plan that can’t be reckoned is a card that says so', async () => {
    const aside = open("parentPort.postMessage({ job, trouble: 'a net of its own' });");
    expect(await describeAside(aside)(plan)).toEqual({ state: 'broken', trouble: 'a net of its own' });
  });

  it('can be closed before anything was begun, and twice', async () => {
    const aside = open('');
    await aside.close();
    await aside.close();
  });
});
