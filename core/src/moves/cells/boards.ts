import { chanceByte } from '../chance.ts';
import type { CompiledBase } from '../contract.ts';

/** Cells as the engine runs them: whole numbers, rules as bits by the count of neighbours. */
export interface CompiledCells extends CompiledBase {
  readonly kind: 'cells';
  readonly columns: number;
  readonly rows: number;
  /** Bit n: with n living neighbours. */
  readonly birth: number;
  /** Bit n: lives on with n neighbours. */
  readonly survival: number;
  /** Edges meet. */
  readonly wraps: boolean;
  /** Goes over from one generation to the next. */
  readonly melts: boolean;
  /** One generation. */
  readonly stepMs: number;
  /** Alive at first, of 256. */
  readonly share256: number;
  /** Start number. */
  readonly seed: number;
}

/** Cells a board may hold; the controllers' memory sets it. */
export const MOST_CELLS = 256;

/** Whether each cell lives: the first generation, by chance alone. */
function seedBoard(move: CompiledCells, board: Uint8Array): void {
  board.fill(0);
  const count = Math.min(MOST_CELLS, move.columns * move.rows);
  for (let cell = 0; cell < count; cell += 1) board[cell] = chanceByte(move.seed, cell, 0) < move.share256 ? 1 : 0;
}

/** One neighbour's place along one side; −1 beyond an edge that does not wrap. */
const beside = (at: number, by: number, size: number, wraps: boolean): number => {
  const to = at + by;
  if (to >= 0 && to < size) return to;
  return wraps ? (to + size) % size : -1;
};

function countNeighbours(move: CompiledCells, board: Uint8Array, row: number, column: number): number {
  let living = 0;
  for (let down = -1; down <= 1; down += 1) {
    const y = beside(row, down, move.rows, move.wraps);
    if (y < 0) continue;
    for (let right = -1; right <= 1; right += 1) {
      const x = beside(column, right, move.columns, move.wraps);
      if (x < 0 || (down === 0 && right === 0)) continue;
      const cell = y * move.columns + x;
      if (cell < MOST_CELLS) living += board[cell] ?? 0;
    }
  }
  return living;
}

/** The next generation of a board, by the rule of the move. */
export function nextGeneration(move: CompiledCells, board: Uint8Array, next: Uint8Array): void {
  const count = Math.min(MOST_CELLS, move.columns * move.rows);
  for (let cell = 0; cell < count; cell += 1) {
    const living = countNeighbours(move, board, Math.trunc(cell / move.columns), cell % move.columns);
    const mask = board[cell] === 1 ? move.survival : move.birth;
    next[cell] = (mask >> living) & 1;
  }
}

/** Generations after which a life is dead, still, or only swings between two boards; its whole time where it never is. */
export function stillAfter(move: CompiledCells): number {
  const generations = Math.trunc(move.periodMs / move.stepMs);
  let [before, now, next] = [new Uint8Array(MOST_CELLS), new Uint8Array(MOST_CELLS), new Uint8Array(MOST_CELLS)];
  const same = (a: Uint8Array, b: Uint8Array): boolean => a.every((cell, i) => cell === b[i]);
  seedBoard(move, now);
  for (let generation = 0; generation < generations; generation += 1) {
    nextGeneration(move, now, next);
    if (same(now, next) || (generation > 0 && same(before, next))) return generation;
    [before, now, next] = [now, next, before];
  }
  return generations;
}

interface Slot {
  move: CompiledCells | null;
  generation: number;
  readonly now: Uint8Array;
  readonly next: Uint8Array;
}

const makeSlot = (): Slot => ({
  move: null,
  generation: 0,
  now: new Uint8Array(MOST_CELLS),
  next: new Uint8Array(MOST_CELLS),
});

/** The boards last looked at, so that a frame costs a step at most and not the whole life: two, for a fade between them. */
const slots: readonly [Slot, Slot] = [makeSlot(), makeSlot()];
let older = 0;

/** The first generation; what a larger board left behind its last cell is gone. */
function beginAgain(slot: Slot, move: CompiledCells): void {
  slot.generation = 0;
  slot.next.fill(0);
  seedBoard(move, slot.now);
  nextGeneration(move, slot.now, slot.next);
}

function slotOf(move: CompiledCells): Slot {
  if (slots[0].move === move) return slots[0];
  if (slots[1].move === move) return slots[1];
  const slot = slots[older === 0 ? 0 : 1];
  older = 1 - older;
  slot.move = move;
  beginAgain(slot, move);
  return slot;
}

/** This and the next generation at a time within the period; the same boards whatever was asked for before. */
export function boardsAt(move: CompiledCells, tMs: number): { readonly now: Uint8Array; readonly next: Uint8Array } {
  const wanted = Math.trunc((tMs % move.periodMs) / move.stepMs);
  const slot = slotOf(move);
  if (slot.generation > wanted) beginAgain(slot, move);
  while (slot.generation < wanted) {
    slot.now.set(slot.next);
    nextGeneration(move, slot.now, slot.next);
    slot.generation += 1;
  }
  return slot;
}
