import { type FormRow, type Item, kindOf, rowsOf } from '../items/index.ts';
import { type Message, type QuantityKind, quantity, say } from '../units/index.ts';
import type { Design, Plan } from './types.ts';

/** One part of a plan that is otherwise in another state of it, as each of the two has it. */
export interface Difference {
  /** @example "Eyes: wanted current, each" */
  readonly part: string;
  /** As this side has it. */
  readonly mine: Message;
  /** As the other side has it. */
  readonly other: Message;
}

const ABSENT = 'is not there';
const MOST_TEXT = 60;

const isAlike = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What a field counts, by the unit in its name. */
const unitsByEnding: readonly (readonly [RegExp, QuantityKind])[] = [
  [/Mm$/, 'lengthMm'],
  [/[a-z]C$/, 'temperatureC'],
  [/[a-z]A$/, 'currentA'],
  [/[a-z]V$/, 'voltageV'],
  [/Ohm$/, 'resistanceOhm'],
  [/^hours/, 'timeH'],
  [/[a-z]S$/, 'timeS'],
  [/^brightness$/, 'fraction'],
];

function quantityOf(field: string, row: FormRow | undefined): QuantityKind | undefined {
  if (row?.type === 'quantity') return row.quantity;
  return unitsByEnding.find(([ending]) => ending.test(field))?.[1];
}

function show(value: unknown, field: string, row?: FormRow): Message {
  if (value === undefined || value === null) return row && 'empty' in row && row.empty ? row.empty : 'nothing';
  const kind = quantityOf(field, row);
  if (typeof value === 'number') return kind ? quantity(kind, value) : `${value}`;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return `${value.length} of them`;
  if (typeof value === 'object' && 'likely' in value && typeof value.likely === 'number')
    return show(value.likely, field, row);
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > MOST_TEXT ? `${text.slice(0, MOST_TEXT)}…` : text;
}

/** Fields of two things that differ, each with its label. */
function compareFields(
  name: string,
  mine: Readonly<Record<string, unknown>>,
  other: Readonly<Record<string, unknown>>,
  rows: readonly FormRow[] = [],
): Difference[] {
  const fields = [...new Set([...Object.keys(mine), ...Object.keys(other)])];
  return fields
    .filter((field) => !isAlike(mine[field], other[field]))
    .map((field) => {
      const row = rows.find((each) => each.field === field);
      const [here, there] = [show(mine[field], field, row), show(other[field], field, row)];
      // Two lists or objects that print alike still differ.
      const note = isAlike(here, there) ? ' (in detail)' : '';
      return {
        part: `${name}: ${row?.label.toLowerCase() ?? wordsOf(field)}`,
        mine: here,
        other: say`${there}${note}`,
      };
    });
}

/** A field in words, without its unit. @example "hoursWanted": "hours wanted"; "ambientC": "ambient" */
const wordsOf = (field: string): string =>
  field.replace(/(?:Mm|Ohm|C|A|V|S)$/, '').replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

interface Named {
  readonly id: string;
  readonly name?: string;
}

/** Lists of things with ids: what only one of the two has, and what differs in what both have. */
function compareLists<T extends Named>(
  mine: readonly T[],
  other: readonly T[],
  nameOf: (thing: T) => string,
  rowsFor: (thing: T) => readonly FormRow[] = () => [],
): Difference[] {
  const [here, there] = [mine, other].map((list) => new Map(list.map((each) => [each.id, each])));
  const ids = [...new Set([...mine, ...other].map(({ id }) => id))];
  return ids.flatMap((id) => {
    const [a, b] = [here?.get(id), there?.get(id)];
    if (a && b) return compareFields(nameOf(a), a as never, b as never, rowsFor(a));
    const only = a ?? b;
    if (!only) return [];
    return [{ part: nameOf(only), mine: a ? 'is there' : ABSENT, other: b ? 'is there' : ABSENT }];
  });
}

const nameOfItem = (item: Item): string => `${item.name} (${kindOf(item.kind).name.toLowerCase()})`;

/** All that two states of a plan have otherwise, part by part in the order of the stages; empty where they are alike. */
export function listDifferences(mine: Design, other: Design): readonly Difference[] {
  if (mine === other) return [];
  return [
    ...compareFields('The piece', mine.piece, other.piece),
    ...compareFields('The picture', mine.view, other.view),
    ...compareLists(mine.hollows, other.hollows, (hollow) => `Hollow ${hollow.name}`),
    ...compareLists(mine.items, other.items, nameOfItem, rowsOf),
    ...compareLists(mine.moods.list, other.moods.list, (mood) => `Mood ${mood.name}`),
    ...compareFields('Moods', { ...mine.moods, list: [] }, { ...other.moods, list: [] }),
    ...compareFields('Wires', mine.wires, other.wires),
    ...compareLists(mine.ownParts ?? [], other.ownParts ?? [], (part) => `Part ${part.name}`),
  ];
}

/** What one edit changed, in a line: its first difference, and how many more there are. */
export function sayChange(before: Pick<Plan, 'name' | 'design'>, after: Pick<Plan, 'name' | 'design'>): Message {
  const [first, ...others] = listDifferences(before.design, after.design);
  if (!first) return before.name === after.name ? 'Bench, logbook or picture' : say`Called ${after.name}`;
  const more = others.length > 0 ? say`; and ${others.length} more` : '';
  if (first.mine === ABSENT) return say`${first.part}: put in${more}`;
  if (first.other === ABSENT) return say`${first.part}: taken out${more}`;
  return say`${first.part}: ${first.mine} → ${first.other}${more}`;
}
