import { parseQuantity, type QuantityKind, usualPrinter } from '../units/index.ts';
import { type Cell, type RowProblem, readPrice, readTable, writeTable } from './table.ts';

/** What a maker's own table may say of a thing, each column with its kind of quantity. */
const columns = {
  resistance: 'resistanceOhm',
  forward: 'voltageV',
  current: 'currentA',
  capacity: 'capacityMah',
  length: 'lengthMm',
  diameter: 'lengthMm',
  gauge: 'gaugeAwg',
  density: 'perMetre',
} as const satisfies Record<string, QuantityKind>;
type ValueColumn = keyof typeof columns;

const conditions = ['new', 'salvaged', 'suspect'] as const;
type Condition = (typeof conditions)[number];

/** One line of the drawer: what it is in the maker's own words, how many, in what state, and what is known of it. */
export interface StockItem {
  /** In the maker’s words, such as resistor or cell. */
  readonly kind: string;
  readonly name: string;
  /** How many there are. */
  readonly count: number;
  readonly condition: Condition;
  /** Of one; null where it is not known. */
  readonly price: number | null;
  /** What is known of it, in base units. */
  readonly values: Readonly<Partial<Record<ValueColumn, number>>>;
  /** Anything else. */
  readonly note: string;
}

/** What a table of the drawer came to. */
export interface StockRead {
  readonly items: readonly StockItem[];
  /** Lines that could not be read, by the number of the line in the file; they are left out, the others are kept. */
  readonly problems: readonly RowProblem[];
}

const isCondition = (text: string): text is Condition => conditions.some((each) => each === text);

function readRow(cell: Cell): StockItem | string {
  const kind = cell('kind').toLowerCase();
  const name = cell('name') || cell('kind');
  if (kind === '') return 'it has no kind, such as resistor, light, cell, wire or tape';
  const count = cell('count') === '' ? 1 : Number(cell('count'));
  if (!Number.isInteger(count) || count < 0) return `count "${cell('count')}" is not a whole number of 0 or more`;
  const condition = cell('condition').toLowerCase() || 'new';
  if (!isCondition(condition)) return `condition "${condition}" is not one of ${conditions.join(', ')}`;
  const price = cell('price') === '' ? null : readPrice(cell('price'));
  if (typeof price === 'string') return price;
  const values: Partial<Record<ValueColumn, number>> = {};
  // Object.keys of the table above gives just its names.
  for (const column of Object.keys(columns) as ValueColumn[]) {
    if (cell(column) === '') continue;
    const parsed = parseQuantity(columns[column], cell(column));
    if (!parsed.ok) return `${column}: ${parsed.problem}`;
    if (!(parsed.value > 0)) return `${column} "${cell(column)}" must be more than 0`;
    values[column] = parsed.value;
  }
  if (kind === 'resistor' && values.resistance === undefined) return 'a resistor needs its resistance, such as 4k7';
  return { kind, name, count, condition, price, values, note: cell('note') };
}

/**
 * Reads the drawer from CSV with a heading line: kind, name, count, condition (new, salvaged, suspect), price, note, and
 * resistance, forward, current, capacity, length, diameter, gauge or density as people write them.
 */
export function readStockCsv(text: string): StockRead {
  const { rows, problems } = readTable(text, ['kind'], readRow);
  return { items: rows, problems };
}

/** The drawer as CSV that `readStockCsv` reads back without loss. */
export function writeStockCsv(items: readonly StockItem[]): string {
  const names = Object.keys(columns) as ValueColumn[];
  return writeTable(
    ['kind', 'name', 'count', 'condition', 'price', ...names, 'note'],
    items.map((item) => ({
      kind: item.kind,
      name: item.name,
      count: item.count,
      condition: item.condition,
      price: item.price ?? '',
      ...Object.fromEntries(
        names.map((name) => {
          const value = item.values[name];
          return [name, value === undefined ? '' : usualPrinter.forEditing(columns[name], value)];
        }),
      ),
      note: item.note,
    })),
  );
}

/** Resistances that are in the drawer and can be counted on, each once. */
export const resistorsInStock = (items: readonly StockItem[]): readonly number[] =>
  [
    ...new Set(
      items.flatMap((item) =>
        item.kind === 'resistor' &&
        item.count > 0 &&
        item.condition !== 'suspect' &&
        item.values.resistance !== undefined
          ? [item.values.resistance]
          : [],
      ),
    ),
  ].sort((a, b) => a - b);
