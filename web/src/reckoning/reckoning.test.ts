import { assess } from '@glimmer/core/assess';
import { applyEdits, changeItem, type Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keepSame } from './keepSame.ts';
import { latestWins } from './latestWins.ts';
import { reckonFar, reckonNear } from './reckonPlan.ts';

const texts = import.meta.glob<string>('../../../demo/*.json', { eager: true, query: '?raw', import: 'default' });
const demos = Object.entries(texts).map(([file, text]): [string, Plan] => {
  const read = readPlanText(text);
  if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
  return [read.plan.name, read.plan];
});

describe('a plan that is reckoned in a worker', () => {
  // What is sent between threads is taken apart and put together again: nothing of it may be lost on the way.
  it.each(demos)('%s comes to the same as one that is reckoned here', (_name, plan) => {
    const far = structuredClone(reckonFar(structuredClone({ design: plan.design, bench: plan.bench })));
    const { assessment, findings } = reckonNear(plan, far);
    const here = assess(plan.design);
    expect(assessment.supplies.map(({ ceilings, reserve, runsFor }) => ({ ceilings, reserve, runsFor }))).toEqual(
      here.supplies.map(({ ceilings, reserve, runsFor }) => ({ ceilings, reserve, runsFor })),
    );
    expect(assessment.limit).toEqual(here.limit);
    expect(assessment.moods).toEqual(here.moods);
    expect(assessment.runsFor).toEqual(here.runsFor);
    expect(findings).toEqual(reckonFar(plan).findings);
  });

  it('takes what was searched for and not what it would find itself', () => {
    const [, plan] = demos[0] ?? expect.fail('no demo');
    const far = reckonFar(plan);
    const supplies = new Map([...far.searches.supplies].map(([id, each]) => [id, { ...each, reserve: 0.77 }] as const));
    const { assessment } = reckonNear(plan, { ...far, searches: { ...far.searches, supplies } });
    expect(assessment.supplies.map(({ reserve }) => reserve)).toEqual(assessment.supplies.map(() => 0.77));
  });
});

describe('what a copy keeps of what it was copied from', () => {
  it('is everything, where nothing changed, and all but the way to what did', () => {
    const [, plan] = demos[0] ?? expect.fail('no demo');
    const copy = structuredClone(plan);
    expect(keepSame(plan, copy)).toBe(plan);
    const [first] = plan.design.items;
    const renamed = structuredClone({
      ...plan,
      design: applyEdits(plan.design, changeItem(plan.design, first?.id ?? '', { name: 'Another' })),
    });
    const kept = keepSame(plan, renamed);
    expect(kept).toEqual(renamed);
    expect(kept.design.moods).toBe(plan.design.moods);
    expect(kept.design.items).not.toBe(plan.design.items);
    expect(kept.design.items.slice(1).every((item, i) => item === plan.design.items[i + 1])).toBe(true);
  });

  it('always says what the newer says, whatever the older said', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (older, newer) => {
        expect(keepSame(older, structuredClone(newer))).toEqual(newer);
        expect(keepSame(structuredClone(newer), newer)).toEqual(newer);
      }),
    );
  });

  it('tells a list from a group, a missing field from an undefined one, and the hostile names from none', () => {
    expect(keepSame({ a: [] }, { a: {} })).toEqual({ a: {} });
    expect(Object.hasOwn(keepSame({ b: 1 }, { a: undefined }), 'a')).toBe(true);
    expect(keepSame({}, { constructor: 1 })).toEqual({ constructor: 1 });
  });
});

describe('latest wins', () => {
  it('does one thing at a time, skips what was overtaken, and never skips the newest', async () => {
    const begun: number[] = [];
    const ends: (() => void)[] = [];
    const ask = latestWins((asked: number) => {
      begun.push(asked);
      return new Promise<void>((resolve) => ends.push(resolve));
    });
    const settle = async (): Promise<void> => {
      ends.shift()?.();
      await Promise.resolve();
      await new Promise((resolve) => setTimeout(resolve));
    };
    for (const each of [1, 2, 3]) ask(each);
    expect(begun).toEqual([1]);
    await settle();
    expect(begun).toEqual([1, 3]);
    ask(4);
    await settle();
    expect(begun).toEqual([1, 3, 4]);
    await settle();
    ask(5);
    expect(begun).toEqual([1, 3, 4, 5]);
  });
});
