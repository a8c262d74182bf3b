import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placesOf } from './places.ts';
import { confirm, fromServer, grewFrom, grow, isWaiting, type KeptRecord, withServerOf } from './record.ts';
import { type Keeping, type KeepingEvent, transition } from './transition.ts';

interface Notes {
  readonly text: string;
}
const note = (text: string): Notes => ({ text });
const first = fromServer({ plan: note('as it was'), revision: 1, saveId: null }, 1);
const begun: Keeping<Notes> = {
  record: first,
  stored: first.stamp,
  store: 'holds',
  server: { kind: 'at hand' },
  other: null,
};
const typed = (state: Keeping<Notes>, text: string) =>
  transition(state, { kind: 'edited', plan: note(text), id: text });
const kinds = ({ effects }: { readonly effects: readonly { readonly kind: string }[] }): string[] =>
  effects.map(({ kind }) => kind);

describe('what is kept of one plan', () => {
  it('an edit is written and sent after a pause; until then it is on its way', () => {
    const step = typed(begun, 'one');
    expect(step.effects).toEqual([
      { kind: 'write', record: step.state.record, grewFrom: first.stamp },
      { kind: 'send', after: 'a pause' },
    ]);
    expect(placesOf(step.state)).toEqual({ kind: 'keeping', isHeld: false });
    const stored = transition(step.state, { kind: 'stored', stamp: step.state.record.stamp }).state;
    expect(placesOf(stored)).toEqual({ kind: 'keeping', isHeld: true });
    const { state } = transition(stored, { kind: 'confirmed', stamp: stored.record.stamp, revision: 2 });
    expect(placesOf(state)).toEqual({ kind: 'kept' });
    expect(state.record).toMatchObject({ basedOn: 2, line: [] });
  });

  it('an answer to an earlier state leaves the later one on its way', () => {
    const [one] = [typed(begun, 'one')];
    const two = typed(one.state, 'two').state;
    const step = transition(two, { kind: 'confirmed', stamp: one.state.record.stamp, revision: 2 });
    expect(isWaiting(step.state.record)).toBe(true);
    expect(step.state.record).toMatchObject({ basedOn: 2, line: [] });
    expect(kinds(step)).toEqual(['send']);
  });

  it('an answer to a state that this one did not grow from changes nothing of it', () => {
    const mine = typed(begun, 'mine').state;
    const { state } = transition(mine, { kind: 'confirmed', stamp: { count: 2, id: 'theirs' }, revision: 2 });
    expect(state.record).toEqual(mine.record);
  });

  it('an own save whose answer was lost is known by the line, and no stranger’s', () => {
    const two = typed(typed(begun, 'one').state, 'two').state;
    const own = transition(two, { kind: 'newer', plan: note('one'), revision: 2, saveId: 'one' });
    expect(own.state.other).toBeNull();
    expect(own.state.record.basedOn).toBe(2);
    expect(kinds(own)).toEqual(['write', 'send']);
    const foreign = transition(two, { kind: 'newer', plan: note('theirs'), revision: 2, saveId: 'foreign' });
    expect(placesOf(foreign.state)).toMatchObject({ kind: 'clash', with: 'browser' });
    expect(kinds(foreign)).toEqual([]);
  });

  it('another tab’s edit on top of this one is gone on with; one beside it is read again', () => {
    const record = grow(first, note('theirs'), 'theirs');
    const on = transition(begun, { kind: 'heard edit', record, grewFrom: first.stamp, isStored: true });
    expect(on.effects).toEqual([{ kind: 'show', plan: record.plan }]);
    const beside = transition(on.state, {
      kind: 'heard edit',
      record: grow(grow(first, note('other'), 'other'), note('later'), 'later'),
      grewFrom: { count: 2, id: 'other' },
      isStored: true,
    });
    expect(kinds(beside)).toEqual(['read again']);
  });

  it.each(['mine', 'other'] as const)('settled for %s, one goes on and nothing is left open', (goOnWith) => {
    const mine = typed(begun, 'mine').state;
    const clash = transition(mine, { kind: 'newer', plan: note('theirs'), revision: 5, saveId: 'x' }).state;
    const { state, effects } = transition(clash, { kind: 'settled', goOnWith, id: 'settled' });
    expect(state.other).toBeNull();
    expect(state.record.plan.text).toBe(goOnWith === 'mine' ? 'mine' : 'theirs');
    expect(state.record.basedOn).toBe(5);
    expect(effects.some(({ kind }) => kind === 'show')).toBe(goOnWith === 'other');
  });
});

/** Records of a family: each grew from one before it. */
const grown = (depth: number): KeptRecord<Notes> =>
  depth === 0 ? first : grow(grown(depth - 1), note(`${depth}`), 'abcd'[depth - 1] ?? '');
const family = [1, 2, 3, 4].map(grown);
const stranger = grow(first, note('stranger'), 'stranger');
const anyRecord = fc.constantFrom(first, stranger, ...family);
const anyEvent: fc.Arbitrary<KeepingEvent<Notes>> = fc.oneof(
  fc.record({ kind: fc.constant('edited' as const), plan: fc.string().map(note), id: fc.uuid() }),
  anyRecord.map(({ stamp }) => ({ kind: 'stored' as const, stamp })),
  fc.constantFrom({ kind: 'store refused' as const }, { kind: 'away' as const }, { kind: 'back' as const }),
  anyRecord.map((by) => ({ kind: 'overtaken' as const, by })),
  fc.record({
    kind: fc.constant('confirmed' as const),
    stamp: anyRecord.map(({ stamp }) => stamp),
    revision: fc.nat(6),
  }),
  fc.constant({ kind: 'refused' as const, why: 'so' }),
  fc.record({
    kind: fc.constantFrom('newer' as const, 'heard save' as const),
    plan: fc.string().map(note),
    revision: fc.nat(6),
    saveId: fc.option(fc.constantFrom('a', 'b', 'stranger')),
  }),
  fc.record({
    kind: fc.constant('heard edit' as const),
    record: anyRecord,
    grewFrom: anyRecord.map(({ stamp }) => stamp),
    isStored: fc.boolean(),
  }),
  anyRecord.map((record) => ({ kind: 'reread' as const, record })),
  fc.record({
    kind: fc.constant('settled' as const),
    goOnWith: fc.constantFrom('mine' as const, 'other' as const),
    id: fc.uuid(),
  }),
);

/** What the server has not confirmed is never said to be kept there; two states are never told of as one. */
function checkPlaces(state: Keeping<Notes>): void {
  const { kind } = placesOf(state);
  expect(kind === 'kept' && isWaiting(state.record)).toBe(false);
  expect(kind === 'clash').toBe(state.other !== null);
}

describe('whatever comes in whatever order', () => {
  it('what is on the bench is what was typed there, or is shown; nothing that was given is changed', () => {
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 30 }), (events) => {
        let [bench, state] = [begun.record.plan, begun];
        for (const event of events) {
          const before = structuredClone(state);
          const step = transition(state, event);
          expect(state).toEqual(before);
          const shown = step.effects.flatMap((effect) => (effect.kind === 'show' ? [effect.plan] : []));
          bench = shown.at(-1) ?? (event.kind === 'edited' ? event.plan : bench);
          state = step.state;
          expect(state.record.plan).toEqual(bench);
          checkPlaces(state);
        }
      }),
      { numRuns: 2000, seed: 5 },
    );
  });

  it('only what a state grew from confirms it, and knowledge of the server never runs backwards', () => {
    fc.assert(
      fc.property(anyRecord, anyRecord, fc.nat(9), (record, other, revision) => {
        const told = confirm(record, other.stamp, revision);
        expect(told.plan).toBe(record.plan);
        expect(told.basedOn).toBeGreaterThanOrEqual(record.basedOn);
        if (!grewFrom(record, other.stamp.id)) expect(told).toBe(record);
        else if (revision >= record.basedOn) expect(told.confirmed).toEqual(other.stamp);
        expect(withServerOf(record, other).basedOn).toBeGreaterThanOrEqual(record.basedOn);
      }),
    );
  });
});
