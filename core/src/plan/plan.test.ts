import { describe, expect, it } from 'vitest';
import { demoPlan, demoText, ledsOf, planOf, soundDesign, tapeOf } from '../../tests/designs.ts';
import type { MoveAt } from '../items/index.ts';
import {
  applyEdits,
  changeItem,
  createPlan,
  type Design,
  editMove,
  measureRoute,
  type Plan,
  takeGauge,
  walkRoute,
} from './index.ts';
import { findActiveContent, readPlan, readPlanText } from './reading.ts';

const problemsOf = (document: unknown): string => {
  const read = readPlan(document);
  return read.ok ? 'ok' : read.problems.map((problem) => `${problem.place}: ${problem.message}`).join('\n');
};
/** The demo with one value changed, by a path of keys. */
const spoiled = (path: readonly (string | number)[], value: unknown): unknown => {
  const copy = JSON.parse(demoText) as Record<string, unknown>;
  let at: Record<string | number, unknown> = copy;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>;
  at[path[path.length - 1] ?? ''] = value;
  return copy;
};

describe('reading a plan', () => {
  it('takes the demo, and what is written is read back as the same', () => {
    const plan = demoPlan();
    expect(readPlanText(JSON.stringify(plan))).toEqual({ ok: true, plan });
  });
  it('takes a new plan', () => {
    expect(readPlan(createPlan({ id: '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a02', name: 'New' })).ok).toBe(true);
  });
  it.each([
    [
      'a negative length',
      ['design', 'items', 0, 'lengthMm'],
      -20,
      /design\.items\.0\.lengthMm: Upper jaw: found -20; must be at least 1/,
    ],
    ['an unknown field', ['design', 'piece', 'colour'], 'red', /design\.piece\.colour: this field is not known/],
    ['a word that is not allowed', ['design', 'piece', 'kind'], 'spoon', /found "spoon"; allowed: headdress/],
    ['a text for a number', ['design', 'piece', 'hoursWanted'], 'long', /must be a number/],
    ['a missing part', ['design', 'wires'], undefined, /design\.wires: found nothing/],
    [
      'an unknown kind',
      ['design', 'items', 0, 'kind'],
      'spoon',
      /Upper jaw: found "spoon"; allowed: light, pixel tape/,
    ],
    [
      'a feed that is gone',
      ['design', 'items', 0, 'feed'],
      'nowhere',
      /Upper jaw names the pack, supply, converter, switch or changeover "nowhere", which is not in the plan/,
    ],
    [
      'a feed that feeds nothing',
      ['design', 'items', 0, 'feed'],
      'jaw-lower',
      /which is no pack, supply, converter, switch or changeover/,
    ],
    [
      'a switch that is gone',
      ['design', 'items', 2, 'switchedBy'],
      { way: 'hand switch', by: 'x' },
      /names the switch "x"/,
    ],
    ['a future version', ['version'], 9, /version 9; this program reads up to 3/],
    ['a version that is no number', ['version'], 'new', /must be a whole number/],
    ['another format', ['format'], 'something', /unruly-glimmer-plan/],
    ['a dangling mood', ['design', 'moods', 'startId'], 'nowhere', /names the mood "nowhere"/],
    [
      'a dangling picture',
      ['design', 'view', 'picture'],
      { kind: 'own', pictureId: 'gone' },
      /names the picture "gone"/,
    ],
    ['data in a circle', ['design', 'items', 0, 'after'], 'jaw-lower', /round in a circle/],
    ['a million lights', ['design', 'items', 0, 'lengthMm'], 14_000_000, /at most 20000/],
    [
      'too many places',
      ['design', 'items', 2, 'places'],
      new Array(2001).fill({ id: 'a', at: { xMm: 0, yMm: 0 }, hollowId: null }),
      /more than the 2000/,
    ],
    [
      'a picture with a script',
      ['pictures'],
      { p: { mime: 'image/svg+xml', svg: '<svg><script>alert(1)</script></svg>' } },
      /holds a script/,
    ],
  ] as const)('refuses %s and says where', (_name, path, value, message) => {
    expect(problemsOf(spoiled(path, value))).toMatch(message);
  });
  it('refuses more lights than a plan may hold, spread over many tapes', () => {
    const tapes = Array.from({ length: 6 }, (_, i) => tapeOf({ id: `t${i}`, part: 'pixel-tape-200', lengthMm: 5000 }));
    expect(
      problemsOf(planOf(soundDesign({ tapes, moods: { ...soundDesign().moods, list: [], startId: null } }))),
    ).toMatch(/about 6000 lights.*at most 5000/);
  });
  it('refuses an id used twice', () => {
    expect(problemsOf(planOf(soundDesign({ leds: [ledsOf(), ledsOf()] })))).toMatch(/"leds" is used twice/);
  });
  it('says that a file was cut short, or is no JSON, or no plan', () => {
    const message = (text: string): string => {
      const read = readPlanText(text);
      return read.ok ? 'ok' : (read.problems[0]?.message ?? '');
    };
    expect(message(demoText.slice(0, demoText.length / 2))).toMatch(/cut short/);
    expect(message('hello')).toMatch(/is not JSON: a plan file begins with \{/);
    expect(message('{\n  "format": "unruly-glimmer-plan",\n  version: 2\n}')).toMatch(
      /is not JSON from line 3, letter 3 on, at "version: 2"/,
    );
    expect(message('[]')).toMatch(/not a plan/);
    expect(message('null')).toMatch(/not a plan/);
  });
  it('finds all problems at once', () => {
    const document = spoiled(['design', 'piece', 'hoursWanted'], -1) as Plan;
    (document.design.piece as { ambientC: number }).ambientC = 900;
    expect(problemsOf(document).split('\n')).toHaveLength(2);
  });
});

describe('drawings that are brought in', () => {
  it.each([
    ['<svg><script>x</script></svg>', true],
    ['<svg onload="x()"></svg>', true],
    ['<svg><a href="javascript:x"/></svg>', true],
    ['<svg><foreignObject/></svg>', true],
    ['<svg><image href="https://elsewhere.test/x.png"/></svg>', true],
    ['<!DOCTYPE svg [<!ENTITY a "b">]><svg/>', true],
    ['<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0"/></svg>', false],
  ])('%s', (svg, isActive) => {
    expect(findActiveContent(svg) !== undefined).toBe(isActive);
  });
});

describe('changes and routes', () => {
  it('replace only what they name', () => {
    const design = soundDesign();
    const changed = applyEdits(design, changeItem(design, 'tape', { name: 'Hem' }));
    expect(changed.items[0]?.name).toBe('Hem');
    expect(changed.moods).toBe(design.moods);
    expect(design.items[0]?.name).toBe('Tape');
    expect(changeItem(design, 'gone', { name: 'Hem' })).toEqual([]);
    expect(applyEdits(design, [{ kind: 'item', id: 'gone', fields: { name: 'Hem' } }])).toEqual(design);
    expect(() => applyEdits(design, changeItem(design, 'tape', { 'nonsense.x': 1 }))).toThrow(/must name one/);
    expect(() => applyEdits(design, changeItem(design, 'tape', { 'route.9.xMm': 1 }))).toThrow(/list of 2/);
  });
  it('mean the same thing whatever was taken out before it in the list', () => {
    const design = soundDesign();
    const [first, second] = design.items;
    if (!first || !second) throw new Error('the design has two items');
    const edits = changeItem(design, second.id, { name: 'Renamed' });
    const without = { ...design, items: design.items.slice(1) };
    expect(applyEdits(without, edits).items[0]).toEqual({ ...second, name: 'Renamed' });
    expect(applyEdits({ ...design, items: [first] }, edits).items).toEqual([first]);
  });
  it('set a place deep in an item, and take an optional field away', () => {
    const design = soundDesign();
    const moved = applyEdits(design, changeItem(design, 'tape', { 'route.1.xMm': 77 }));
    expect(moved.items[0]).toMatchObject({ route: [{ xMm: 0 }, { xMm: 77 }] });
    const [tape] = applyEdits(design, changeItem(design, 'tape', { waySoldered: 1 })).items;
    expect(tape).toHaveProperty('waySoldered', 1);
    expect(
      applyEdits({ ...design, items: tape ? [tape] : [] }, [
        { kind: 'item', id: 'tape', fields: { waySoldered: undefined } },
      ]).items[0],
    ).not.toHaveProperty('waySoldered');
  });
  it('say of a run what was not said before, and keep what was', () => {
    const design = soundDesign();
    const [once, twice] = [
      applyEdits(design, [takeGauge('feed:tape', 20)]),
      applyEdits(design, [takeGauge('feed:tape', 20), takeGauge('feed:tape', 18)]),
    ];
    expect(once.wires.runs).toEqual([
      ...design.wires.runs,
      { runId: 'feed:tape', lengthMm: null, gaugeAwg: 20, colours: null },
    ]);
    expect(twice.wires.runs.filter(({ runId }) => runId === 'feed:tape').map(({ gaugeAwg }) => gaugeAwg)).toEqual([18]);
  });
  it('put a move where one stands, and none where none does', () => {
    const { design } = demoPlan();
    const [mood] = design.moods.list;
    const [on, move] = Object.entries(mood?.moves ?? {})[0] ?? [];
    if (!mood || !on || !move) throw new Error('the demo has a mood with a move');
    const slower = { ...move, level: 0.123 };
    const put = (at: MoveAt): Design => applyEdits(design, [editMove(at, slower)]);
    expect(put({ moodId: mood.id, on }).moods.list[0]?.moves[on]).toEqual(slower);
    for (const at of [
      { moodId: 'gone', on },
      { moodId: mood.id, on: 'gone' },
      { moodId: mood.id, topId: 'gone' },
      { signId: 'gone', on },
    ])
      expect(put(at).moods.list).toEqual(design.moods.list);
  });
  it('walk a route by distance, over its corners', () => {
    const route = [
      { xMm: 0, yMm: 0 },
      { xMm: 30, yMm: 0 },
      { xMm: 30, yMm: 40 },
    ];
    expect(measureRoute(route)).toBe(70);
    expect(walkRoute(route, [0, 15, 30, 50, 70])).toEqual([
      { xMm: 0, yMm: 0 },
      { xMm: 15, yMm: 0 },
      { xMm: 30, yMm: 0 },
      { xMm: 30, yMm: 20 },
      { xMm: 30, yMm: 40 },
    ]);
    expect(walkRoute([], [1])).toEqual([]);
    expect(walkRoute([{ xMm: 5, yMm: 5 }], [9])).toEqual([{ xMm: 5, yMm: 5 }]);
  });
});
