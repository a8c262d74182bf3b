import type { Edit, Fields, Item, MoveAt } from '../items/index.ts';
import type { Move } from '../moves/index.ts';
import type { Design, Hollow, Mood } from './types.ts';

type Moods = Design['moods'];
type Named = { readonly id: string };

/** A value with a field set, however deep; untouched parts stay the same objects. */
function setAt(node: unknown, [key, ...deeper]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  if (Array.isArray(node)) {
    if (!(Number(key) in node)) throw new Error(`No place ${key} in a list of ${node.length}; an edit must name one`);
    return node.map((each, i) => (i === Number(key) ? setAt(each, deeper, value) : each));
  }
  if (typeof node !== 'object' || node === null || (deeper.length > 0 && !(key in node)))
    throw new Error(`No field "${key}" to set at this place; an edit must name one that is there`);
  const { [key]: before, ...others } = node as Record<string, unknown>;
  return deeper.length === 0 && value === undefined ? others : { ...node, [key]: setAt(before, deeper, value) };
}

const setFields = <T>(thing: T, fields: Fields): T =>
  // Edits come from rules and forms that are typed against the design and tested to leave it valid.
  Object.entries(fields).reduce<unknown>((now, [field, value]) => setAt(now, field.split('.'), value), thing) as T;

const setIn = <T extends Named>(list: readonly T[], id: string, fields: Fields): readonly T[] =>
  list.map((each) => (each.id === id ? setFields(each, fields) : each));

/** Moods with another move at a place; the same where the place is gone. */
function setMove(moods: Moods, at: MoveAt, move: Fields): Moods {
  const put = <T extends { readonly moves: object }>(of: T, on: string): T =>
    on in of.moves ? { ...of, moves: { ...of.moves, [on]: move } } : of;
  if ('signId' in at)
    return { ...moods, signs: (moods.signs ?? []).map((sign) => (sign.id === at.signId ? put(sign, at.on) : sign)) };
  const list = moods.list.map((mood) => {
    if (mood.id !== at.moodId) return mood;
    if ('on' in at) return put(mood, at.on);
    return mood.tops ? { ...mood, tops: setIn(mood.tops, at.topId, { move }) } : mood;
  });
  return { ...moods, list };
}

/** What is said of a run, with nothing of its own where nothing was said before. */
function setRun(runs: Design['wires']['runs'], runId: string, fields: Fields): Design['wires']['runs'] {
  const isKnown = runs.some((run) => run.runId === runId);
  const all = isKnown ? runs : [...runs, { runId, lengthMm: null, gaugeAwg: null, colours: null }];
  return all.map((run) => (run.runId === runId ? setFields(run, fields) : run));
}

function applyEdit(design: Design, edit: Edit): Design {
  const { items, hollows, moods, wires } = design;
  switch (edit.kind) {
    case 'item':
      return { ...design, items: setIn<Item>(items, edit.id, edit.fields) };
    case 'hollow':
      return { ...design, hollows: setIn(hollows, edit.id, edit.fields) };
    case 'mood':
      return { ...design, moods: { ...moods, list: setIn(moods.list, edit.id, edit.fields) } };
    case 'set':
      return { ...design, moods: { ...moods, sets: setIn(moods.sets ?? [], edit.id, edit.fields) } };
    case 'add item':
      return { ...design, items: [...items, edit.item] };
    case 'move':
      return { ...design, moods: setMove(moods, edit.at, edit.move) };
    case 'run':
      return { ...design, wires: { ...wires, runs: setRun(wires.runs, edit.id, edit.fields) } };
  }
}

/**
 * The design with these edits made, one after another; untouched parts stay the same objects. An edit of what is no
 * longer there changes nothing.
 * @throws where it names a place within a thing that the thing has not got: a programmer's mistake.
 */
export const applyEdits = (design: Design, edits: readonly Edit[]): Design => edits.reduce(applyEdit, design);

type Bore = Extract<Hollow, { kind: 'bore' }>;
type Channel = Extract<Hollow, { kind: 'channel' }>;

/** The edit that sets fields of a mood. */
export const editMood = (id: string, fields: Partial<Mood>): Edit => ({ kind: 'mood', id, fields });

/** The edit that puts another move where one stands. */
export const editMove = (at: MoveAt, move: Move): Edit => ({ kind: 'move', at, move });

/** The edit that sets sizes of a hollow. */
export const editHollow = (id: string, fields: Partial<Bore> | Partial<Channel>): Edit => ({
  kind: 'hollow',
  id,
  fields,
});

/** The edit that takes a gauge for a run, against what was reckoned. */
export const takeGauge = (runId: string, gaugeAwg: number): Edit => ({ kind: 'run', id: runId, fields: { gaugeAwg } });
