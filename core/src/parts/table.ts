import Papa from 'papaparse';
import { parseQuantity } from '../units/index.ts';

/** A cell of the row by its heading in small letters: trimmed, empty where there is none. */
export type Cell = (heading: string) => string;

/** What is wrong with one line of a table. */
export interface RowProblem {
  /** The number of the line in the file, the headings being line 1. */
  readonly line: number;
  /** In words, for the maker. */
  readonly problem: string;
}

/**
 * Reads CSV with a heading line, row by row. A row that can't be read gives its problem as a string and is left out; the
 * others are kept.
 */
export function readTable<T>(
  text: string,
  required: readonly string[],
  readRow: (cell: Cell, soFar: readonly T[]) => T | string,
): { readonly rows: readonly T[]; readonly problems: readonly RowProblem[] } {
  const { data, lines } = readRows(text);
  const [headings = [], ...body] = data;
  const columns = headings.map((heading) => heading.trim().toLowerCase());
  if (!required.every((heading) => columns.includes(heading)))
    return {
      rows: [],
      problems: [{ line: 1, problem: `the first line must name the columns, among them ${required.join(', ')}` }],
    };
  const rows: T[] = [];
  const problems = body.flatMap((row, i): RowProblem[] => {
    const read = readRow((heading) => unguard((row[columns.indexOf(heading)] ?? '').trim()), rows);
    if (typeof read === 'string') return [{ line: lines[i + 1] ?? 1, problem: read }];
    rows.push(read);
    return [];
  });
  return { rows, problems };
}

const separators = [',', ';', '\t'];

/** What parts the headings: cells below may hold lists of their own, by which it would be guessed wrongly. */
function separatorOf(source: string): string {
  const [headings = ''] = source.split(/\r|\n/, 1);
  const counts = separators.map((each) => headings.split(each).length);
  return separators[counts.indexOf(Math.max(...counts))] ?? ',';
}

/** The rows of a CSV text that hold anything, each with the number of the line that it begins on. */
function readRows(text: string): {
  readonly data: readonly (readonly string[])[];
  readonly lines: readonly number[];
} {
  const data: string[][] = [];
  const lines: number[] = [];
  let [begin, line] = [0, 1];
  const source = text.replace(/^\uFEFF/, '');
  Papa.parse<string[]>(source, {
    delimiter: separatorOf(source),
    step: ({ data: row, meta }) => {
      if (row.some((cell) => cell.trim() !== '')) {
        data.push(row);
        lines.push(line);
      }
      // A quoted cell may hold line ends of its own.
      line += source.slice(begin, meta.cursor).match(/\r\n|\r|\n/g)?.length ?? 0;
      begin = meta.cursor;
    },
  });
  return { data, lines };
}

/** What a spreadsheet would take for a formula is written behind this. */
const GUARD = "'";
/** Guarded already or not: one guard more is put before it, and taken off again. */
const looksLikeFormula = (text: string): boolean => /^'*[=+\-@\t\r]/.test(text);

/** A cell without the guard that `writeTable` put before it. */
const unguard = (text: string): string =>
  text.startsWith(GUARD) && looksLikeFormula(text.slice(1)) ? text.slice(1) : text;

/**
 * Writes CSV that `readTable` reads back without loss. A text that begins like a spreadsheet's formula is guarded, so that
 * it stays a text there; figures are not.
 */
export const writeTable = (
  columns: readonly string[],
  rows: readonly Readonly<Record<string, string | number>>[],
): string =>
  `${Papa.unparse(
    { fields: [...columns], data: rows.map((row) => columns.map((column) => guard(row[column] ?? ''))) },
    { newline: '\n' },
  )}\n`;

const guard = (cell: string | number): string | number =>
  typeof cell === 'string' && looksLikeFormula(cell) && !/^[-+]?[\d.,]/.test(cell) ? `${GUARD}${cell}` : cell;

/** A sum of money out of a cell, with point or comma; a string says what is wrong. */
export function readPrice(text: string): number | string {
  const parsed = parseQuantity('money', text);
  return parsed.ok && parsed.value >= 0 && parsed.value <= 1e6
    ? parsed.value
    : `price "${text}" is not a sum of money of 0 or more`;
}
