import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { planOf } from '../../tests/designs.ts';
import { type Design, removeControl, removeGroup, removeMood, removeSet } from './index.ts';
import { readPlan, readPlanText } from './reading.ts';

const folder = new URL('../../../demo/', import.meta.url);
const demos = readdirSync(folder).map((file): [string, Design] => {
  const read = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
  if (!read.ok) throw new Error(file);
  return [file, read.plan.design];
});

/** A demo with a set over its groups, a sign and a gauge on each control, so that everything hangs on everything. */
function entangle(design: Design): Design {
  const [first] = [...design.tapes, ...design.leds];
  const kind = design.tapes.length > 0 ? design.tapes : design.leds;
  const control = design.drive.controls[0];
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

const pictureless = (design: Design): Design => ({ ...design, view: { ...design.view, picture: { kind: 'none' } } });

describe('taking something out of a plan leaves nothing that leads nowhere', () => {
  it.each(demos)('%s', (_file, demo) => {
    const design = pictureless(entangle(demo));
    const sound = (left: Design): void => {
      const read = readPlan(planOf(left));
      expect(read.ok ? [] : read.problems).toEqual([]);
    };
    sound(design);
    for (const group of [...design.tapes, ...design.leds]) {
      const left = removeGroup(design, group.id);
      expect(JSON.stringify(left.moods)).not.toContain(`"${group.id}"`);
      sound(left);
    }
    for (const mood of design.moods.list) sound(removeMood(design, mood.id));
    for (const control of design.drive.controls) sound(removeControl(design, control.id));
    for (const set of design.moods.sets ?? []) sound(removeSet(design, set.id));
    // And one after another, until nothing is left.
    const none = [...design.tapes, ...design.leds].reduce((now, group) => removeGroup(now, group.id), design);
    expect(none.moods.sets ?? []).toEqual([]);
    sound(design.drive.controls.reduce((now, control) => removeControl(now, control.id), none));
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
