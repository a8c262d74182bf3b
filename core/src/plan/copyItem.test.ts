import { describe, expect, it } from 'vitest';
import { allDemos } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { copyItem, createPlan, itemNamed } from './index.ts';
import { readPlan } from './reading.ts';

/** Ids of all that has one, at any depth. */
function idsIn(value: unknown): readonly string[] {
  if (Array.isArray(value)) return value.flatMap(idsIn);
  if (typeof value !== 'object' || value === null) return [];
  const own = 'id' in value && typeof value.id === 'string' ? [value.id] : [];
  return [...own, ...Object.values(value).flatMap(idsIn)];
}

describe.each(allDemos())('copies of %s', (_, { design }) => {
  it('each item once: a plan that is read, with ids and a name of its own', () => {
    for (const item of design.items) {
      let n = 0;
      const made = copyItem(design, item.id, () => `c${++n}`);
      const copy = made.id === null ? undefined : itemNamed(made.design, made.id);
      expect(copy?.name).toBe(`${item.name} copy`);
      expect(copy?.kind).toBe(item.kind);
      // Places are told apart within their item only.
      const ids = idsIn(copy);
      expect(new Set(ids).size, item.name).toBe(ids.length);
      expect(ids.filter((id) => idsIn(design.items).includes(id))).toEqual([]);
      const read = readPlan(
        createPlan({ id: '0b0c1f5e-7a31-4c2e-9a55-3f6d1c2b7a00', name: 'Copied', design: made.design }),
      );
      expect(read.ok, JSON.stringify(read)).toBe(true);
      // Copied once more, its name is another again.
      const again = copyItem(made.design, item.id, () => `d${++n}`);
      expect(again.id && itemNamed(again.design, again.id)?.name).toBe(`${item.name} copy 2`);
    }
  });
});

it('a copied tape has a data line of its own, 10 mm aside, and does what the first does', () => {
  const design = allDemos().find(([name]) => name.startsWith('Anglerfish'))?.[1].design;
  const lower = design?.items.find((item) => item.kind === 'pixel tape' && item.after !== null);
  if (!design || lower?.kind !== 'pixel tape') throw new Error('the lower jaw hangs on the upper');
  const made = copyItem(design, lower.id, () => 'copy');
  const copy = itemNamed(made.design, 'copy');
  if (copy?.kind !== 'pixel tape') throw new Error('a tape');
  expect(copy.after).toBeNull();
  expect(copy.route[0]?.xMm).toBe((lower.route[0]?.xMm ?? 0) + 10);
  for (const mood of made.design.moods.list) expect(mood.moves.copy).toEqual(mood.moves[lower.id]);
  expect(assess(made.design).chains.length).toBe(assess(design).chains.length + 1);
});

it('what is not there can’t be copied', () => {
  const design = allDemos()[0]?.[1].design;
  if (design) expect(copyItem(design, 'nobody', () => 'x')).toEqual({ design, id: null });
});
