import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../tests/anyDesign.ts';
import { asVersionTwo, demoPlan, planOf } from '../../tests/designs.ts';
import { fingerprint } from '../exports/index.ts';
import { type Plan, renewPlan } from './index.ts';
import { readPlan, readPlanText } from './reading.ts';

const folder = new URL('../../../demo/', import.meta.url);

/** With a version in its logbook, which is a design too. */
const withVersion = (plan: Plan): Plan => ({
  ...plan,
  logbook: {
    ...plan.logbook,
    versions: [{ id: 'v', name: 'Before', why: '', keptAt: '2026-10-01T20:00:00.000Z', design: plan.design }],
  },
});

describe('a plan of version 2', () => {
  it.each(readdirSync(folder))('%s is read as the plan that it is', (file) => {
    const read = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const plan = withVersion(read.plan);
    const older = asVersionTwo(plan);
    expect(JSON.stringify(older)).not.toContain('"version":3');
    expect(readPlan(older)).toEqual({ ok: true, plan });
    expect(renewPlan(older as unknown as Plan)).toEqual(plan);
  });

  it('is read as the plan that it is, whatever it holds', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const plan = withVersion(planOf(design));
        const now = readPlan(plan);
        expect(readPlan(asVersionTwo(plan))).toEqual(now);
      }),
      { seed: 3, numRuns: 40 },
    );
  });

  it('keeps the channel that a tape lies in', () => {
    const older = asVersionTwo(demoPlan());
    expect(JSON.stringify(older)).toMatch(/"channelId":"[\w-]+"/);
    const read = readPlan(older);
    const lies = read.ok ? read.plan.design.items.flatMap((item) => ('hollowId' in item ? [item.hollowId] : [])) : [];
    expect(lies.filter((id) => id !== null)).not.toEqual([]);
  });

  it.each([
    ['anglerfish-headdress', '0d717f2d'],
    ['jellyfish-parasol', 'a1d1c968'],
    ['kelp-cloak', '0b6d42c4'],
  ])('%s has the mark that the programs made of it carry: %s', (name, mark) => {
    const read = readPlanText(readFileSync(new URL(`${name}.glimmer.json`, folder), 'utf8'));
    expect(read.ok && fingerprint(read.plan.design)).toBe(mark);
  });

  it.each([
    ['no items', { design: { items: null } }],
    ['an item that is none', { design: { items: [null, 3, 'x', [], {}] } }],
    ['no design', { design: null }],
    ['a logbook that is none', { logbook: 5 }],
    ['versions that are none', { logbook: { versions: [null, 7, { design: 4 }] } }],
  ])('with %s is refused with a problem, and nothing is thrown', (_what, change) => {
    const read = readPlan({ ...asVersionTwo(demoPlan()), ...change });
    expect(read.ok ? [] : read.problems.map((problem) => problem.place)).not.toEqual([]);
  });

  it('that says both is told of the one that is not known', () => {
    const older = asVersionTwo(demoPlan()) as { readonly design: { readonly items: readonly object[] } };
    const items = older.design.items.map((item) => ('channelId' in item ? { ...item, hollowId: null } : item));
    const read = readPlan({ ...older, design: { ...older.design, items } });
    expect(read.ok ? '' : JSON.stringify(read.problems)).toMatch(/channelId/);
  });

  it('of today is the very same', () => {
    const plan = demoPlan();
    expect(renewPlan(plan)).toBe(plan);
  });
});
