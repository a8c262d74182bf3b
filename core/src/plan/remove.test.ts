import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { planOf } from '../../tests/designs.ts';
import { hasColours, referencesOf as namesOf } from '../items/index.ts';
import { builtInLibrary } from '../parts/index.ts';
import { controlsOf, type Design, movableItems, removeItem, removeMood, removeSet } from './index.ts';
import { readPlan, readPlanText } from './reading.ts';

const folder = new URL('../../../demo/', import.meta.url);
const demos = readdirSync(folder).map((file): [string, Design] => {
  const read = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
  if (!read.ok) throw new Error(file);
  return [file, read.plan.design];
});

/** A demo with a set over its groups, a sign and a gauge on each control, so that everything hangs on everything. */
function entangle(design: Design): Design {
  const groups = movableItems(design);
  const [first] = groups;
  const isColourful = first !== undefined && hasColours(first, builtInLibrary);
  const kind = groups.filter((group) => hasColours(group, builtInLibrary) === isColourful);
  const control = controlsOf(design)[0];
  if (!first || !control) return design;
  const gauge = { kind: 'gauge', colour: '#ffffff', controlId: control.id, level: 1 } as const;
  return {
    ...design,
    moods: {
      ...design.moods,
      sets: [
        ...(design.moods.sets ?? []),
        {
          id: 'set',
          name: 'Set',
          order: 'one after another',
          of: kind.map((group) => ({ groupId: group.id, first: 1, last: 2, every: 1 })),
        },
      ],
      signs: [{ id: 'sign', name: 'Sign', controlId: control.id, moves: { [first.id]: gauge, set: gauge } }],
      list: design.moods.list.map((mood) => ({
        ...mood,
        moves: { ...mood.moves, set: gauge },
        tops: [
          { id: 'a', on: first.id, how: 'add', move: gauge },
          { id: 'b', on: 'set', how: 'over', move: gauge },
        ],
      })),
    },
  };
}

/** Every id that items and moods of a design lead to. */
const referencesOf = ({ items, moods }: Design): string[] => [
  ...items.flatMap((item) => namesOf(item).flatMap(({ id }) => (id === null ? [] : [id]))),
  ...moods.list.flatMap((mood) => [...Object.keys(mood.moves), ...(mood.tops ?? []).map((top) => top.on)]),
  ...(moods.signs ?? []).flatMap((sign) => [sign.controlId, ...Object.keys(sign.moves)]),
  ...(moods.sets ?? []).flatMap((set) => set.of.map((part) => part.groupId)),
  ...moods.cues.flatMap(({ when }) => ('controlId' in when ? [when.controlId] : [])),
];

const pictureless = (design: Design): Design => ({ ...design, view: { ...design.view, picture: { kind: 'none' } } });

describe('taking something out of a plan leaves nothing that leads nowhere', () => {
  it.each(demos)('%s', (_file, demo) => {
    const design = pictureless(entangle(demo));
    const sound = (left: Design): void => {
      const read = readPlan(planOf(left));
      expect(read.ok ? [] : read.problems).toEqual([]);
    };
    sound(design);
    for (const item of design.items) {
      const left = removeItem(design, item.id);
      expect(referencesOf(left)).not.toContain(item.id);
      sound(left);
    }
    for (const mood of design.moods.list) sound(removeMood(design, mood.id));
    for (const set of design.moods.sets ?? []) sound(removeSet(design, set.id));
    // And one after another, until nothing is left.
    const none = design.items.reduce((now, item) => removeItem(now, item.id), design);
    expect(none.moods.sets ?? []).toEqual([]);
    sound(none);
  });
  it('the mood at the start passes that on to the first that is left', () => {
    const [, design] = demos[0] ?? [];
    if (!design) throw new Error('a demo');
    const start = design.moods.startId ?? '';
    const left = removeMood(design, start);
    expect(left.moods.startId).toBe(left.moods.list[0]?.id);
    expect(left.moods.startId).not.toBe(start);
  });
});
