import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess.ts';
import { checkPlan } from '../findings/index.ts';
import { readPlanText } from './reading.ts';
import { removeItem } from './remove.ts';

const words = ['constructor', 'toString', 'hasOwnProperty', 'valueOf', 'isPrototypeOf', 'prototype'];
const demo = (name: string): string =>
  readFileSync(new URL(`../../../demo/${name}.glimmer.json`, import.meta.url), 'utf8');

/** The ids that a plan calls its items by. */
const idsOf = (text: string): string[] =>
  (JSON.parse(text) as { design: { items: { id: string }[] } }).design.items.map(({ id }) => id);

/** The same plan with its first items called by words that every object answers to, wherever they are named. */
function renamed(text: string): string {
  const names = new Map(
    idsOf(text)
      .slice(0, words.length)
      .map((id, i) => [id, words[i] ?? id]),
  );
  const nameOf = (value: string): string =>
    value
      .split(':')
      .map((part) => names.get(part) ?? part)
      .join(':');
  const walk = (value: unknown, key: string): unknown => {
    if (typeof value === 'string') return ['kind', 'role', 'name', 'port'].includes(key) ? value : nameOf(value);
    if (Array.isArray(value)) return value.map((each) => walk(each, key));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([own, each]) => [key === 'moves' ? nameOf(own) : own, walk(each, own)]),
    );
  };
  return JSON.stringify(walk(JSON.parse(text), ''));
}

describe('ids that every object answers to', () => {
  it.each(['anglerfish-headdress', 'reef-reliquary', 'kelp-cloak', 'harbour-beacon'])(
    '%s is reckoned, checked, told and built as under any other ids',
    (name) => {
      const [plain, hostile] = [demo(name), renamed(demo(name))].map((text) => {
        const read = readPlanText(text);
        if (!read.ok) throw new Error(JSON.stringify(read.problems));
        return read.plan;
      });
      if (!plain || !hostile) throw new Error('both are read');
      const [as, like] = [assess(hostile.design), assess(plain.design)];
      expect(as.peakA).toBe(like.peakA);
      expect(as.runsFor?.likelyH).toBe(like.runsFor?.likelyH);
      expect(checkPlan(hostile, as).map(({ what }) => what)).toEqual(checkPlan(plain, like).map(({ what }) => what));
      for (const id of words.filter((word) => hostile.design.items.some((item) => item.id === word))) {
        const without = removeItem(hostile.design, id);
        // A mood may be called like an item: it stays.
        const isMood = hostile.design.moods.list.some((mood) => mood.id === id);
        if (!isMood) expect(JSON.stringify(without)).not.toContain(`"${id}"`);
        expect(() => assess(without)).not.toThrow();
      }
    },
  );

  it('the one that can be no key is refused with its place, and what to do', () => {
    const text = demo('mooring-float');
    const [first] = idsOf(text);
    const read = readPlanText(text.replaceAll(`"${first}"`, '"__proto__"'));
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems[0]?.message).toContain('take any other word');
  });
});
