import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tapeOf } from '../../../tests/designs.ts';
import { lit, showOf, white } from '../../../tests/shows.ts';
import { boardsAt, type CompiledCells, nextGeneration, stillAfter } from './boards.ts';

/** The rule of the cells by a second way: neighbours by distance, on sets of coordinates. */
function bruteGeneration(
  alive: ReadonlySet<string>,
  rule: { columns: number; rows: number; birth: readonly number[]; survival: readonly number[]; wraps: boolean },
): Set<string> {
  const ways = [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => [dx, dy] as const)).filter(([dx, dy]) => dx || dy);
  const wrap = (at: number, size: number): number => (rule.wraps ? (at + size) % size : at);
  const cells = Array.from({ length: rule.rows }, (_, y) =>
    Array.from({ length: rule.columns }, (_cell, x) => [x, y] as const),
  ).flat();
  const next = new Set<string>();
  for (const [x, y] of cells) {
    // Where edges wrap on few rows, a cell may be its neighbour's neighbour twice: each of the eight ways counts.
    const living = ways.filter(([dx, dy]) =>
      alive.has(`${wrap(x + dx, rule.columns)},${wrap(y + dy, rule.rows)}`),
    ).length;
    if ((alive.has(`${x},${y}`) ? rule.survival : rule.birth).includes(living)) next.add(`${x},${y}`);
  }
  return next;
}

const mask = (numbers: readonly number[]): number => numbers.reduce((sum, number) => sum + 2 ** number, 0);
const cellsOf = (change: Partial<CompiledCells>): CompiledCells => ({
  kind: 'cells',
  periodMs: 6000,
  rgb: [255, 255, 255],
  level: 255,
  columns: 8,
  rows: 8,
  birth: mask([3]),
  survival: mask([2, 3]),
  wraps: true,
  melts: false,
  stepMs: 100,
  share256: 100,
  seed: 5,
  ...change,
});

describe('cells that live and die', () => {
  it('follow any rule as a second way reckons it, with edges that wrap or not', () => {
    const neighbours = fc.uniqueArray(fc.integer({ min: 0, max: 8 }));
    fc.assert(
      fc.property(
        neighbours,
        neighbours,
        fc.boolean(),
        fc.integer({ min: 1, max: 16 }),
        fc.integer({ min: 1, max: 16 }),
        fc.integer({ min: 0, max: 65_535 }),
        (birth, survival, wraps, columns, rows, seed) => {
          const move = cellsOf({ birth: mask(birth), survival: mask(survival), wraps, columns, rows, seed });
          const board = new Uint8Array(256);
          const alive = new Set<string>();
          for (let cell = 0; cell < columns * rows; cell += 1)
            if ((seed >> (cell % 13)) & 1) {
              board[cell] = 1;
              alive.add(`${cell % columns},${Math.floor(cell / columns)}`);
            }
          const next = new Uint8Array(256);
          nextGeneration(move, board, next);
          const expected = bruteGeneration(alive, { columns, rows, birth, survival, wraps });
          const found = new Set<string>();
          for (let cell = 0; cell < columns * rows; cell += 1)
            if (next[cell]) found.add(`${cell % columns},${Math.floor(cell / columns)}`);
          expect([...found].sort()).toEqual([...expected].sort());
        },
      ),
      { seed: 21, numRuns: 300 },
    );
  });
  it('a bar of three turns by a quarter each generation', () => {
    const board = new Uint8Array(256);
    for (const cell of [26, 27, 28]) board[cell] = 1;
    const next = new Uint8Array(256);
    nextGeneration(cellsOf({}), board, next);
    expect([...next.keys()].filter((cell) => next[cell])).toEqual([19, 27, 35]);
  });
  it('a bar only swings, a block only stands: both are known at once', () => {
    // Rules under which every start is still after one or two generations.
    expect(stillAfter(cellsOf({ birth: 0, survival: mask([0, 1, 2, 3, 4, 5, 6, 7, 8]) }))).toBe(0);
    expect(stillAfter(cellsOf({ birth: 0, survival: 0 }))).toBeLessThanOrEqual(1);
    expect(stillAfter(cellsOf({ seed: 1127, share256: 97 }))).toBe(60);
  });
  it('are the same at a time, whatever was looked at before', () => {
    const move = cellsOf({ seed: 9 });
    const at = (tMs: number): string => boardsAt(move, tMs).now.join('');
    const [early, late] = [at(300), at(4200)];
    boardsAt(cellsOf({ seed: 1 }), 500);
    boardsAt(cellsOf({ seed: 2 }), 500);
    expect([at(300), at(4200), at(300 + 6000)]).toEqual([early, late, early]);
  });
  it('stand on the picture where the tape of the grid puts them, row by row, every second row back', () => {
    const grid = { columns: 4, rows: 3, snakes: true };
    const show = showOf(
      {
        moves: {
          tape: {
            kind: 'cells',
            colour: white,
            birth: [],
            survival: [0, 1, 2, 3, 4, 5, 6, 7, 8],
            wraps: false,
            melts: false,
            stepS: 1,
            generations: 2,
            share: 0.5,
            seed: 3,
            level: 1,
          },
        },
      },
      { tapes: [tapeOf({ part: 'pixel-tape-60', grid })] },
    );
    const [move] = show.moods[0]?.layers.map((layer) => layer.move) ?? [];
    if (move?.kind !== 'cells') throw new Error('cells');
    // A compiled move is of the kind that it says.
    const { now } = boardsAt(move as CompiledCells, 0);
    const cells = [0, 1, 2, 3, 7, 6, 5, 4, 8, 9, 10, 11];
    expect(lit(show)).toEqual(cells.flatMap((cell, light) => (now[cell] ? [light] : [])));
    // Light 4 hangs below light 3: the second row begins on the right.
    expect(show.sets[0]?.at[4]?.xMm).toBeCloseTo(show.sets[0]?.at[3]?.xMm ?? 0, 9);
  });
});
