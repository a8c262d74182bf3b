import { bands } from '../../items/limits.ts';
import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { defineMove } from '../contract.ts';
import { u8, u16, u32 } from '../program.ts';
import { count, level, seed, share, time } from '../rows.ts';
import { evenly, litOf, wholeMs } from '../whole.ts';
import { boardsAt, type CompiledCells, MOST_CELLS, stillAfter } from './boards.ts';
import type { Cells } from './schema.ts';

const bits = (numbers: readonly number[]): number => numbers.reduce((mask, number) => mask | (1 << number), 0);

/** Cells that are born, live on and die by the number of their neighbours. */
export const cells = defineMove<Cells, CompiledCells>({
  kind: 'cells',
  rank: 110,
  usual: (colour, height) => ({
    kind: 'cells',
    colour,
    birth: [3],
    survival: [2, 3],
    wraps: true,
    melts: true,
    stepS: 0.6,
    generations: 60,
    share: 0.4,
    seed: 1,
    level: height,
  }),
  rows: [
    time('stepS', 'A generation', bands.stepS),
    count('generations', 'Begins again after', bands.generations),
    share('share', 'Alive at first'),
    seed,
    { as: 'cell rule', key: 'birth', label: 'Born with' },
    { as: 'cell rule', key: 'survival', label: 'Live on with' },
    { as: 'tick', key: 'wraps', label: 'Edges meet' },
    { as: 'tick', key: 'melts', label: 'Glides' },
    level,
  ],
  words: (move) => say`lives and dies in cells, a generation each ${seconds(move.stepS)}`,
  spanS: (move) => move.stepS * Math.min(move.generations, 24),
  calmer: (move) => slower('stepS', move.stepS, 0.5),
  compile: (move, target) => {
    const stepMs = wholeMs(move.stepS);
    return {
      kind: 'cells',
      periodMs: stepMs * move.generations,
      ...litOf(move),
      columns: target.columns,
      rows: target.rows,
      birth: bits(move.birth),
      survival: bits(move.survival),
      wraps: move.wraps,
      melts: move.melts,
      stepMs,
      share256: Math.round(move.share * 256),
      seed: move.seed,
    };
  },
  program: {
    columns: u16((move) => move.columns),
    rows: u16((move) => move.rows),
    birth: u16((move) => move.birth),
    survival: u16((move) => move.survival),
    wraps: u8((move) => move.wraps),
    melts: u8((move) => move.melts),
    step_ms: u32((move) => move.stepMs),
    share256: u16((move) => move.share256),
    seed: u16((move) => move.seed),
  },
  cyclesAPixel: 3070,
  programBytes: 1345,
  sampleMs: (move) => evenly(move.periodMs, (move.melts ? 2 : 1) * Math.trunc(move.periodMs / move.stepMs)),
  begin: (moment, move) => {
    moment.boards = boardsAt(move, moment.tMs);
    moment.part = Math.trunc(((moment.tMs % move.stepMs) * 256) / move.stepMs);
  },
  // Whole in a life, gliding at birth and death where the move melts.
  level: (move, { boards, part }, _point, cell) => {
    const lives = boards?.now[cell] ?? 0;
    const share256 = move.melts ? lives * (256 - part) + (boards?.next[cell] ?? 0) * part : lives * 256;
    return (move.level * share256) >> 8;
  },
  cells: {
    most: MOST_CELLS,
    stillAfter,
    begins: ({ generations, seed }) => ({ generations, seed }),
    from: (move, start) => ({ ...move, ...start }),
  },
});
