import type { Design } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { buildCore, lineOfDemand, runCore } from './coreChip.ts';
import { driftingPiece } from './driftingPiece.ts';
import {
  BEGUN_NS,
  expectDarkWhileSent,
  expectLights,
  expectReckoned,
  expectTwoHeld,
  litMoments,
  rowsOf,
  sharedOf,
  showing,
  slow,
  watchScan,
} from './scanned.ts';

const onCore = (design: Design, milliseconds: number) =>
  watchScan({ build: buildCore, run: runCore, lineOf: lineOfDemand }, design, milliseconds);
/** In 255ths: what is cut off at either end of what is watched. */
const WITHIN = 0.7;

describe('a grid of 8 by 8 on the pins of the 32-bit board', () => {
  const on = onCore(showing('controller-dual-3v3', rowsOf(64, 8)), 640);

  it('lights each as its byte says', () => {
    expectLights(on, 12, WITHIN);
  });
  it('takes its rows in turn, dark in between, and no line is ever let go', () => {
    for (const { lit } of litMoments(on))
      expect(new Set(lit.map((light) => Math.floor(light / 8))).size).toBeLessThan(2);
    expect(litMoments(on).some(({ lit }) => lit.length === 0)).toBe(true);
    const lines = on.scan.layout.lines.map(on.lineOf);
    // Before the program has begun they are.
    const letGo = on.run.changes.filter(
      ({ atNs, line, level }) => atNs > BEGUN_NS && lines.includes(line) && level === 'let go',
    );
    expect(letGo).toEqual([]);
  });
  it('takes no more room and time than were reckoned', () => {
    expectReckoned(on);
  });
});

it.each([
  ['3 rows of 3, borne by their pins', 9, 3],
  ['12 rows of 5', 60, 12],
  ['one row of 10', 10, 1],
] as const)('%s: each light as its byte says, in the room that was reckoned', (_name, count, rows) => {
  const on = onCore(showing('controller-dual-3v3', rowsOf(count, rows)), 640);
  expectLights(on, 8, WITHIN);
  expectReckoned(on);
});

describe('lights between pins that they share, on the 32-bit board', () => {
  const on = onCore(showing('controller-dual-3v3', sharedOf(12)), 640);

  it('lights each as its byte says, one at a time, in the room that was reckoned', () => {
    expectLights(on, 10, WITHIN);
    for (const { lit } of litMoments(on)) expect(lit.length).toBeLessThan(2);
    expectReckoned(on);
  });
  it('holds two pins at most; the others are let go', () => {
    expectTwoHeld(on);
  });
});

it('a grid beside pixels: each frame goes out whole, and the grid is dark meanwhile', () => {
  const piece = driftingPiece('controller-dual-3v3');
  const grid = rowsOf(9, 3);
  const list = piece.moods.list.map((mood) => ({ ...mood, moves: { ...mood.moves, grid: slow } }));
  const on = onCore({ ...piece, items: [...piece.items, grid], moods: { ...piece.moods, list } }, 600);
  expectDarkWhileSent(on, on.run.edges.get(lineOfDemand(on.assessed, 'data:tape')) ?? []);
});
