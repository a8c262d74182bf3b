import Papa from 'papaparse';
import { parseQuantity } from '../units/index.ts';

/** A cell of the row by its heading in small letters: trimmed, empty where there is none. */
export type Cell = (heading: string) => string;

export interface RowProblem {
  /** The number of the line in the file, the headings being line 1. */
  readonly line: number;
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
  const { data, meta } = Papa.parse<Record<string, string | undefined>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (heading) => heading.trim().toLowerCase(),
  });
  if (!required.every((heading) => meta.fields?.includes(heading)))
    return {
      rows: [],
      problems: [{ line: 1, problem: `the first line must name the columns, among them ${required.join(', ')}` }],
    };
  const rows: T[] = [];
  const problems = data.flatMap((row, i): RowProblem[] => {
    const read = readRow((heading) => (row[heading] ?? '').trim(), rows);
    if (typeof read === 'string') return [{ line: i + 2, problem: read }];
    rows.push(read);
    return [];
  });
  return { rows, problems };
}

/** A sum of money out of a cell, with point or comma; a string says what is wrong. */
export function readPrice(text: string): number | string {
  const parsed = parseQuantity('money', text);
  return parsed.ok && parsed.value >= 0 && parsed.value <= 1e6
    ? parsed.value
    : `price "${text}" is not a sum of money of 0 or more`;
}
