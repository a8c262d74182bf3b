import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { createLog, keepRunning, type Running } from './supervise.mjs';

/** Something that dies when it is told to, under a clock of its own. */
function fakes() {
  const pauses: number[] = [];
  const told: (number | null)[] = [];
  const dies: ((code: number | null) => void)[] = [];
  const clock = { ms: 0 };
  const start = (): Promise<Running> =>
    Promise.resolve({
      exited: new Promise((resolve) => dies.push(resolve)),
      stop: () => dies.at(-1)?.(0),
    });
  const kept = keepRunning({
    start,
    onStopped: ({ code }) => told.push(code),
    pause: (ms) => {
      pauses.push(ms);
      return Promise.resolve();
    },
    now: () => clock.ms,
  });
  const die = async (code: number | null, afterMs = 0): Promise<void> => {
    clock.ms += afterMs;
    dies.at(-1)?.(code);
    await new Promise((resolve) => setTimeout(resolve, 0));
  };
  return { pauses, told, dies, die, kept };
}

describe('what is kept running', () => {
  it('is started again after pauses that grow, up to half a minute, and says what happened', async () => {
    const { pauses, told, die, kept, dies } = fakes();
    await new Promise((resolve) => setTimeout(resolve, 0));
    for (let death = 0; death < 7; death += 1) await die(137);
    expect(pauses).toEqual([1000, 2000, 4000, 8000, 16_000, 30_000, 30_000]);
    expect(told).toEqual([137, 137, 137, 137, 137, 137, 137]);
    expect(dies).toHaveLength(8);
    await kept.stop();
  });
  it('has a short pause again once it has run for a while', async () => {
    const { pauses, die, kept } = fakes();
    await new Promise((resolve) => setTimeout(resolve, 0));
    await die(1);
    await die(1);
    await die(1, 90_000);
    expect(pauses).toEqual([1000, 2000, 1000]);
    await kept.stop();
  });
  it('is stopped at once, in the middle of a pause too', async () => {
    const never = new Promise<void>(() => undefined);
    const kept = keepRunning({
      start: () => Promise.reject(new Error('it does not start')),
      onStopped: () => undefined,
      pause: () => never,
    });
    await new Promise((resolve) => setTimeout(resolve, 0));
    await kept.stop();
  });
  it('stays stopped when it is stopped, without a word', async () => {
    const { pauses, told, kept } = fakes();
    await new Promise((resolve) => setTimeout(resolve, 0));
    await kept.stop();
    expect([pauses, told]).toEqual([[], []]);
  });
});

describe('the log', () => {
  it('is set aside when it has grown, and the newest lines are never lost', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'glimmer-log-')), 'deep', 'server.log');
    const write = createLog(file, 100);
    for (let line = 1; line <= 30; line += 1) write(`line ${line} of thirty\n`);
    const kept = readFileSync(`${file}.1`, 'utf8') + readFileSync(file, 'utf8');
    expect(kept).toContain('line 30 of thirty');
    expect(kept.length).toBeLessThanOrEqual(200);
    writeFileSync(file, 'x'.repeat(99));
    createLog(file, 100)('more\n');
    expect(readFileSync(file, 'utf8')).toBe('more\n');
  });
});
