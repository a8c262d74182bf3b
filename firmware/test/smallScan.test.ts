import type { Design } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { buildChip } from './chip.ts';
import { driftingPiece } from './driftingPiece.ts';
import {
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
import { lineOfDemand, runSmallChip } from './smallChip.ts';

const onSmall = (design: Design, milliseconds: number) =>
  watchScan({ build: buildChip, run: runSmallChip, lineOf: lineOfDemand }, design, milliseconds);
/** In 255ths: what is cut off at either end of what is watched, and what the clock’s interrupt moves. */
const WITHIN = 1;

describe.each([3, 4, 5])('lights between %i pins that they share, on the small chip', (pins) => {
  const on = onSmall(showing('controller-small-5v', sharedOf(pins * (pins - 1))), 640);

  it('lights each as its byte says, one at a time, in the room that was reckoned', () => {
    expectLights(on, 10, WITHIN);
    for (const { lit } of litMoments(on)) expect(lit.length).toBeLessThan(2);
    expectReckoned(on);
    expect(on.run.stackBytes).toBeLessThanOrEqual(on.assessed.boards[0]?.part.stackBytes ?? 0);
  });
  it('holds two pins at most; the others are let go', () => {
    expectTwoHeld(on);
  });
});

describe('two rows of three on the small chip', () => {
  const on = onSmall(showing('controller-small-5v', rowsOf(6, 2)), 640);

  it('lights each as its byte says, a row at a time, dark in between, in the room that was reckoned', () => {
    expectLights(on, 30, WITHIN);
    for (const { lit } of litMoments(on))
      expect(new Set(lit.map((light) => Math.floor(light / 3))).size).toBeLessThan(2);
    expect(litMoments(on).some(({ lit }) => lit.length === 0)).toBe(true);
    expectReckoned(on);
  });
});

it('a grid beside pixels: each frame goes out whole, and the grid is dark meanwhile', () => {
  const piece = driftingPiece('controller-small-5v');
  const items = piece.items.filter(({ id }) => id !== 'leds');
  const list = piece.moods.list.map((mood) => ({ ...mood, moves: { tape: mood.moves.tape ?? slow, grid: slow } }));
  const on = onSmall({ ...piece, items: [...items, sharedOf(6)], moods: { ...piece.moods, list } }, 700);
  expectDarkWhileSent(on, on.run.edges.get(lineOfDemand(on.assessed, 'data:tape')) ?? []);
});
