import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { listMoves } from '../../../scripts/writeLists.mjs';
import { anyMoveOf } from '../../tests/moves.ts';
import { firstLoad, frameAt, showOf } from '../../tests/shows.ts';
import { writeMovesHeader, writeMovesSource } from '../exports/index.ts';
import { usualPrinter } from '../units/index.ts';
import {
  changeMove,
  compileMove,
  heightOf,
  listMoveFields,
  type Move,
  moveBytes,
  moveKinds,
  moveOf,
  sayMove,
} from './index.ts';
import { moveSchema } from './moveSchema.ts';

const folder = import.meta.dirname;
const target = { columns: 8, rows: 2, controlIndex: () => 255 };

describe('the kinds of moves', () => {
  it('are listed as their folders are, and the engine has their C: both are written by npm run docs', () => {
    for (const [file, text] of Object.entries(listMoves(folder)))
      expect(readFileSync(join(folder, file), 'utf8'), file).toBe(text);
    const texts = Object.fromEntries(
      moveKinds.flatMap((kind) => {
        const file = join(folder, kind, 'move.c');
        return existsSync(file) ? [[kind, readFileSync(file, 'utf8')] as const] : [];
      }),
    );
    const engine = (name: string): string => readFileSync(join(folder, '../../../firmware/engine', name), 'utf8');
    expect(engine('moves.h')).toBe(writeMovesHeader());
    expect(engine('moves.c')).toBe(writeMovesSource(texts));
  });

  it.each(moveKinds)('%s: whatever its form takes, the plan keeps; and it has words, a span and a height', (kind) => {
    fc.assert(
      fc.property(anyMoveOf(kind), (move) => {
        expect(moveSchema.safeParse(move).error?.issues ?? []).toEqual([]);
        expect(usualPrinter.message(sayMove(move))).not.toMatch(/NaN|undefined|\[object/);
        const { periodMs, level } = compileMove(move, target);
        expect(Number.isInteger(periodMs) && periodMs >= 1, `${periodMs} ms`).toBe(true);
        expect(level).toBe(Math.round(heightOf(move) * 255));
        // Every field of the program holds what the move has for it.
        for (const [name, { type, of }] of Object.entries(moveOf(kind).program)) {
          const value = of(compileMove(move, target));
          const most = { uint8_t: 255, uint16_t: 65_535, uint32_t: 2 ** 32 - 1, rgb: 255 }[type];
          for (const each of typeof value === 'object' ? value : [Number(value)])
            expect(Number.isInteger(each) && each >= 0 && each <= most, `${name} ${each}`).toBe(true);
        }
      }),
      { numRuns: 60, seed: 12 },
    );
  });

  it('each is offered once, keeps colour and height when it is taken for another, and says what its calmer setting is', () => {
    expect(new Set(moveKinds).size).toBe(moveKinds.length);
    const before: Move = { kind: 'steady', colour: '#123456', level: 0.6 };
    for (const kind of moveKinds) {
      const move = changeMove(kind, before, '#ffffff');
      expect([move.kind, move.colour, heightOf(move)]).toEqual([kind, '#123456', 0.6]);
      const calmer = moveOf(kind).calmer?.(move);
      if (calmer) expect(moveSchema.safeParse({ ...move, [calmer.key]: calmer.value }).success, kind).toBe(true);
    }
  });

  it('have every field of the program once, and fifty-three bytes a row', () => {
    const names = listMoveFields().map(([name]) => name);
    expect(new Set(names).size).toBe(names.length);
    // 5 numbers of 4 bytes, 7 of 2, two colours of 3, and 13 of 1.
    expect(moveBytes(moveKinds)).toBe(5 * 4 + 7 * 2 + 2 * 3 + 13);
    // A steady light is a kind, a level, a period, two colours and how they mix.
    expect(moveBytes(['steady'])).toBe(4 + 2 * 3 + 3);
  });
});

describe('swell and hold', () => {
  const move: Move = {
    kind: 'swell',
    colour: '#ffffff',
    riseS: 2,
    holdS: 3,
    fallS: 1,
    restS: 2,
    low: 0,
    level: 1,
  };
  const show = showOf({ moves: { tape: move } });
  const at = (atS: number): number => frameAt(show, Math.round(atS * 1000))[0] ?? -1;
  it('rises, stays, falls and rests, and begins again', () => {
    // Halfway up the level is 127; light 255 · (127/255)^2.2 = 55.
    expect([0, 1, 2, 4.9, 5.5, 6, 7.9, 8, 9].map(at)).toEqual([0, 55, 255, 255, 56, 0, 0, 0, 55]);
  });
  it('draws what it is lit for: three of eight seconds in full, and two slopes', () => {
    // The mean of x^2.2 over a slope is 1/3.2: (3 + 3 · 0.3125) / 8 = 0.492.
    expect(firstLoad(show).mean).toBeCloseTo(0.492, 1);
    expect(firstLoad(show).peak).toBeCloseTo(1, 6);
  });
});
