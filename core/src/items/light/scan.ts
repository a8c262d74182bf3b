import type { SwitchedBy } from '../types.ts';

/** What of a scanned group one wire from its board or driver serves. */
export interface ScanLine {
  /** Short and stable: `r1` the first row, `c1` the first column, `p1` the first of pins that are shared. */
  readonly id: string;
  readonly kind: 'row' | 'column' | 'shared pin';
  /** Counted from 1 within its kind. */
  readonly number: number;
  /** Sides of lights that it joins, in the order of the lights. */
  readonly joins: readonly { readonly light: number; readonly side: 'plus' | 'minus' }[];
}

/** Whether what is switched so takes turns on lines that it shares. */
export const takesTurns = ({ way }: SwitchedBy): boolean =>
  way === 'scanned grid' || way === 'shared pins' || way === 'scan driver';

/** How the lights of a group take turns, whatever they are. */
export interface ScanLayout {
  /** Turns in one picture: each light is lit for one of them. */
  readonly turns: number;
  /** Most lights that are lit in one turn. */
  readonly atOnce: number;
  readonly lines: readonly ScanLine[];
  /** Of whole rows; null where they are no rectangle. */
  readonly grid: { readonly rows: number; readonly columns: number } | null;
}

const side = (of: 'plus' | 'minus') => (light: number) => ({ light, side: of });
const upTo = (count: number): number[] => Array.from({ length: count }, (_, i) => i);

/** Light i stands in row i / columns, from the left; the last row may be short. Plus is shared by a row, minus by a column. */
function layOutRows(lights: number, asked: number): ScanLayout {
  const columns = Math.ceil(lights / Math.min(asked, lights));
  const rows = Math.ceil(lights / columns);
  const all = upTo(lights);
  return {
    turns: rows,
    atOnce: columns,
    lines: [
      ...upTo(rows).map(
        (row): ScanLine => ({
          id: `r${row + 1}`,
          kind: 'row',
          number: row + 1,
          joins: all.filter((light) => Math.floor(light / columns) === row).map(side('plus')),
        }),
      ),
      ...upTo(columns).map(
        (column): ScanLine => ({
          id: `c${column + 1}`,
          kind: 'column',
          number: column + 1,
          joins: all.filter((light) => light % columns === column).map(side('minus')),
        }),
      ),
    ],
    grid: lights === rows * columns ? { rows, columns } : null,
  };
}

/** Least number of pins between which so many lights find a pair each, either way round. @example 12 lights: 4 pins; 13: 5 */
export const pinsToShare = (lights: number): number => Math.ceil((1 + Math.sqrt(1 + 4 * lights)) / 2 - 1e-9);

/** The two pins of a light, from 0: the first gives, with each other one in turn; then the second, and so on. */
export function pairOf(light: number, pins: number): { readonly gives: number; readonly takes: number } {
  const gives = Math.floor(light / (pins - 1));
  const other = light % (pins - 1);
  return { gives, takes: other < gives ? other : other + 1 };
}

function layOutPairs(lights: number): ScanLayout {
  const pins = pinsToShare(lights);
  const pairs = upTo(lights).map((light) => pairOf(light, pins));
  return {
    turns: lights,
    atOnce: 1,
    lines: upTo(pins).map(
      (pin): ScanLine => ({
        id: `p${pin + 1}`,
        kind: 'shared pin',
        number: pin + 1,
        joins: pairs.flatMap(({ gives, takes }, light) =>
          gives === pin ? [side('plus')(light)] : takes === pin ? [side('minus')(light)] : [],
        ),
      }),
    ),
    grid: null,
  };
}

/**
 * How so many lights take turns by the way they are switched; null where they don't, or there are none.
 * @example 64 lights in 8 rows: 8 turns of 8 lights on 16 lines; 12 between shared pins: 12 turns on 4
 */
export function layOutScan(lights: number, said: SwitchedBy): ScanLayout | null {
  if (lights === 0) return null;
  if (said.way === 'shared pins') return layOutPairs(lights);
  return 'rows' in said ? layOutRows(lights, said.rows) : null;
}
