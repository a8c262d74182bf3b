import { usualUnits } from '@glimmer/core/units';
import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Reply } from './sumsWorker.ts';

/** What a worker does with a sum; it may never end. */
let answer: (sum: string) => Promise<Reply>;
let begun: FakeWorker[] = [];

/** A worker in this thread. */
class FakeWorker {
  private readonly channel = new MessageChannel();
  isTerminated = false;
  readonly made: string[] = [];
  readonly addEventListener = this.channel.port1.addEventListener.bind(this.channel.port1);
  readonly removeEventListener = this.channel.port1.removeEventListener.bind(this.channel.port1);

  constructor() {
    begun.push(this);
    expose(
      {
        answer: (sum: string) => {
          this.made.push(sum);
          return answer(sum);
        },
      },
      this.channel.port2,
    );
    this.channel.port1.start();
  }

  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.channel.port1.postMessage(message, transfer);
  }

  terminate(): void {
    this.isTerminated = true;
    this.channel.port1.close();
  }
}

const said = (word: string): Reply => ({ ok: false, problems: [{ word, problem: word }] });
const never = (): Promise<Reply> => new Promise(() => undefined);
const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));

let makeSum: typeof import('./makeSum.ts').makeSum;
beforeEach(async () => {
  begun = [];
  answer = (sum) => Promise.resolve(said(sum));
  vi.resetModules();
  vi.stubGlobal('Worker', FakeWorker);
  ({ makeSum } = await import('./makeSum.ts'));
});
afterEach(() => {
  for (const worker of begun) worker.terminate();
  vi.unstubAllGlobals();
});

describe('sums that are made in workers', () => {
  it('go to one worker as long as one is free', async () => {
    expect(await makeSum('a', {}, usualUnits).answer).toEqual(said('a'));
    expect(await makeSum('b', {}, usualUnits).answer).toEqual(said('b'));
    expect(begun).toHaveLength(1);
    expect(begun[0]?.made).toEqual(['a', 'b']);
  });

  it('are made three at once at most; what waits is made when one is done', async () => {
    const ends: (() => void)[] = [];
    answer = (sum) => new Promise((resolve) => ends.push(() => resolve(said(sum))));
    const works = ['a', 'b', 'c', 'd', 'e'].map((sum) => makeSum(sum, {}, usualUnits));
    await soon();
    expect(begun).toHaveLength(3);
    expect(ends).toHaveLength(3);
    for (let made = 0; made < works.length; made += 1) {
      ends[made]?.();
      await soon();
    }
    expect(await Promise.all(works.map((work) => work.answer))).toEqual(['a', 'b', 'c', 'd', 'e'].map(said));
    expect(begun).toHaveLength(3);
  });

  it('that are slow hold up none but themselves', async () => {
    answer = (sum) => (sum === 'slow' ? never() : Promise.resolve(said(sum)));
    makeSum('slow', {}, usualUnits);
    makeSum('slow', {}, usualUnits);
    expect(await makeSum('quick', {}, usualUnits).answer).toEqual(said('quick'));
    expect(await makeSum('quick again', {}, usualUnits).answer).toEqual(said('quick again'));
  });

  it('that are stopped give up their worker, and what waited is made by a new one', async () => {
    answer = (sum) => (sum === 'slow' ? never() : Promise.resolve(said(sum)));
    const slow = [1, 2, 3].map(() => makeSum('slow', {}, usualUnits));
    const waits = makeSum('waits', {}, usualUnits);
    await soon();
    expect(begun).toHaveLength(3);
    slow[1]?.stop();
    expect(await waits.answer).toEqual(said('waits'));
    expect(begun.map(({ isTerminated }) => isTerminated)).toEqual([false, true, false, false]);
  });

  it('that are stopped before they began are never begun', async () => {
    answer = (sum) => (sum === 'slow' ? never() : Promise.resolve(said(sum)));
    const slow = [1, 2, 3].map(() => makeSum('slow', {}, usualUnits));
    const given = makeSum('given up', {}, usualUnits);
    const next = makeSum('next', {}, usualUnits);
    await soon();
    given.stop();
    slow[0]?.stop();
    expect(await next.answer).toEqual(said('next'));
    expect(begun.flatMap(({ made }) => made)).not.toContain('given up');
  });

  it('that are stopped when they are done leave their worker to the others', async () => {
    const done = makeSum('a', {}, usualUnits);
    await done.answer;
    done.stop();
    await makeSum('b', {}, usualUnits).answer;
    expect(begun).toHaveLength(1);
    expect(begun[0]?.isTerminated).toBe(false);
  });

  it('that a worker throws at are answered with what it said', async () => {
    answer = () => Promise.reject(new Error('out of range'));
    expect(await makeSum('a', {}, usualUnits).answer).toEqual({
      ok: false,
      problems: [{ word: 'a', problem: 'the sum was not made: out of range' }],
    });
  });
});
