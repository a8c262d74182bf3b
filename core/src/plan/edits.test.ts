import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../tests/anyDesign.ts';
import { itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import type { Edit } from '../items/index.ts';
import { applyEdits, type Design, editHollow, editMood, editMove, emptyDesign, takeGauge } from './index.ts';

const always = (check: (design: Design) => void): void => {
  fc.assert(fc.property(anyDesign, check), { seed: 11, numRuns: 40 });
};

/** Every edit that any finding proposes, mend by mend. */
const mendsOf = (design: Design): readonly (readonly Edit[])[] =>
  checkDesign(design, assess(design)).flatMap((finding) => finding.fixes.map((fix) => fix.edits));

/** What an edit changes, so that two of them can be told to be of different things. */
const aimOf = (edit: Edit): string =>
  edit.kind === 'add item'
    ? `item ${edit.item.id}`
    : edit.kind === 'move'
      ? `mood ${'moodId' in edit.at ? edit.at.moodId : edit.at.signId}`
      : `${edit.kind} ${edit.id}`;

describe('edits', () => {
  it('mean the same after other things were placed before what they change, and after all was turned round', () => {
    always((design) => {
      const grown: Design = { ...design, items: [itemOf('board', { id: 'first-of-all' }), ...design.items] };
      const turned: Design = { ...design, items: [...design.items].reverse() };
      for (const edits of mendsOf(design)) {
        const here = applyEdits(design, edits);
        const there = applyEdits(grown, edits);
        expect(there.items.filter((item) => item.id !== 'first-of-all')).toEqual(here.items);
        const byId = (of: Design) => [...of.items].sort((a, b) => (a.id < b.id ? -1 : 1));
        expect(byId(applyEdits(turned, edits))).toEqual(byId(here));
      }
    });
  });

  it('of different things may be made in any order', () => {
    always((design) => {
      const edits = mendsOf(design).flat();
      for (const [i, one] of edits.entries()) {
        const other = edits.slice(i + 1).find((each) => aimOf(each) !== aimOf(one));
        // Two that are added, or two runs that are first spoken of, stand in the order in which they came.
        if (!other || (one.kind === other.kind && (one.kind === 'add item' || one.kind === 'run'))) continue;
        expect(applyEdits(design, [one, other])).toEqual(applyEdits(design, [other, one]));
      }
    });
  });

  it('made twice are made once, but for what is added', () => {
    always((design) => {
      for (const edits of mendsOf(design)) {
        if (edits.some((edit) => edit.kind === 'add item')) continue;
        const once = applyEdits(design, edits);
        expect(applyEdits(once, edits)).toEqual(once);
      }
    });
  });

  it('leave what they do not name the very same', () => {
    always((design) => {
      for (const edits of mendsOf(design)) {
        const changed = applyEdits(design, edits);
        const aims = new Set(edits.map(aimOf));
        const untouched = <T extends { readonly id: string }>(kind: string, of: readonly T[]): readonly T[] =>
          of.filter((each) => !aims.has(`${kind} ${each.id}`));
        const [before, after] = [design, changed].map(({ items, moods }) => [
          ...untouched('item', items),
          ...untouched('mood', moods.list),
        ]);
        before?.forEach((each, i) => {
          expect(after?.[i]).toBe(each);
        });
        expect(changed.piece).toBe(design.piece);
      }
    });
  });

  it.each<readonly [string, Edit]>([
    ['an item', { kind: 'item', id: 'gone', fields: { name: 'x' } }],
    ['a hollow', editHollow('gone', { diameterMm: 5 })],
    ['a mood', editMood('gone', { brightness: 0.1 })],
    ['a set', { kind: 'set', id: 'gone', fields: { name: 'x' } }],
    ['the move of a mood', editMove({ moodId: 'gone', on: 'x' }, { kind: 'steady', colour: '#ffffff', level: 1 })],
    ['a move laid upon', editMove({ moodId: 'gone', topId: 'x' }, { kind: 'steady', colour: '#ffffff', level: 1 })],
    ['the move of a sign', editMove({ signId: 'gone', on: 'x' }, { kind: 'steady', colour: '#ffffff', level: 1 })],
  ])('of %s that is no longer there change nothing', (_what, edit) => {
    always((design) => {
      const { moods, ...rest } = applyEdits(design, [edit]);
      const { moods: moodsBefore, ...before } = design;
      expect(rest).toEqual(before);
      // Lists that were left out are there now, and empty.
      expect(moods.list).toEqual(moodsBefore.list);
      expect(moods.sets ?? []).toEqual(moodsBefore.sets ?? []);
      expect(moods.signs ?? []).toEqual(moodsBefore.signs ?? []);
    });
  });

  it('of a run that nothing was said of say that alone', () => {
    const { runs } = applyEdits(emptyDesign, [takeGauge('light:lamp:a', 26)]).wires;
    expect(runs).toEqual([{ runId: 'light:lamp:a', lengthMm: null, gaugeAwg: 26, colours: null }]);
    const again = applyEdits({ ...emptyDesign, wires: { ...emptyDesign.wires, runs } }, [
      takeGauge('light:lamp:a', 24),
      { kind: 'run', id: 'light:lamp:a', fields: { lengthMm: 120 } },
    ]);
    expect(again.wires.runs).toEqual([{ runId: 'light:lamp:a', lengthMm: 120, gaugeAwg: 24, colours: null }]);
  });
});
