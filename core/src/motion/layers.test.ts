import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ledsOf, moodOf, soundDesign, tapeOf } from '../../tests/designs.ts';
import { anyMove } from '../../tests/moves.ts';
import { firstLoad } from '../../tests/shows.ts';
import { placeLights } from '../lights/index.ts';
import { builtInLibrary } from '../parts/index.ts';
import { type Along, type Design, flickerCharacters, layings, type Mood, type Move } from '../plan/index.ts';
import {
  boardsAt,
  type CompiledMove,
  compileShow,
  findFlashing,
  type GroupLoad,
  gammaTable,
  measureMood,
  nextGeneration,
  paintFrame,
  peakOfMood,
  type Show,
  stillAfter,
} from './index.ts';

const white = '#ffffff';
const steady = (colour: string, level = 1): Move => ({ kind: 'steady', colour, level });
type Sets = NonNullable<Design['moods']['sets']>;

function showOf(mood: Partial<Mood>, change: Partial<Design> = {}, sets: Sets = []): Show {
  const design = soundDesign({
    tapes: [tapeOf({ part: 'pixel-tape-60', lengthMm: 100 })],
    ...change,
    moods: {
      list: [moodOf({ brightness: 1, moves: {}, ...mood })],
      startId: null,
      cues: [],
      course: [],
      cueUses: [],
      sets,
    },
  });
  return compileShow(design, placeLights(design, builtInLibrary));
}
const frameAt = (show: Show, tMs = 0): Uint8Array => {
  const out = new Uint8Array(show.frameBytes);
  paintFrame(show, 0, tMs, out);
  return out;
};
const pixel = (show: Show, i: number, tMs = 0): number[] => [...frameAt(show, tMs).slice(i * 3, i * 3 + 3)];
const lit = (show: Show, tMs = 0): number[] =>
  Array.from({ length: show.frameBytes / 3 }, (_, i) => i).filter((i) => (frameAt(show, tMs)[i * 3] ?? 0) > 0);

describe('moves laid upon each other', () => {
  const stack = (how: 'over' | 'add' | 'lightest', top: Move, base: Move = steady('#804000')): Show =>
    showOf({ moves: { tape: base }, tops: [{ id: 't', on: 'tape', how, move: top }] });
  it('over: a full one covers, one that is dark lets through, half of it covers half', () => {
    // Half the level is 128 of 255, which is 56 in light; #80 and #40 are 56 and 12 in light.
    expect(pixel(stack('over', steady('#0000ff')), 0)).toEqual([0, 0, 255]);
    expect(pixel(stack('over', steady('#0000ff', 0)), 0)).toEqual([56, 12, 0]);
    // 56 · 127/255 = 27.9 and 12 · 127/255 = 6.0 are left below 56 of blue.
    expect(pixel(stack('over', steady('#0000ff', 0.5)), 0)).toEqual([28, 6, 56]);
  });
  it('add: the light of both, as far as a byte goes', () => {
    expect(pixel(stack('add', steady('#800080')), 0)).toEqual([112, 12, 56]);
    expect(pixel(stack('add', steady('#ffffff'), steady('#ffffff')), 0)).toEqual([255, 255, 255]);
  });
  it('lightest: of each colour what is more', () => {
    expect(pixel(stack('lightest', steady('#408080')), 0)).toEqual([56, 56, 56]);
  });
  it('brightness comes after the stack', () => {
    const dim = showOf({
      brightness: 0.5,
      moves: { tape: steady(white) },
      tops: [{ id: 't', on: 'tape', how: 'add', move: steady(white) }],
    });
    expect(pixel(dim, 0)).toEqual([128, 128, 128]);
  });
  it('a top on a group that has no move of its own is shown alone', () => {
    const show = showOf({ tops: [{ id: 't', on: 'tape', how: 'lightest', move: steady('#ff0000') }] });
    expect(pixel(show, 5)).toEqual([255, 0, 0]);
  });
});

describe('sets of lights', () => {
  const set = (of: Sets[number]['of'], order: Sets[number]['order'] = 'one after another'): Sets => [
    { id: 's', name: 'S', of, order },
  ];
  const part = (first: number, last: number, every = 1, groupId = 'tape'): Sets[number]['of'][number] => ({
    groupId,
    first,
    last,
    every,
  });
  const over = { moves: { s: steady('#ff0000') } };
  it('split a group', () => {
    expect(lit(showOf(over, {}, set([part(2, 4)])))).toEqual([1, 2, 3]);
    expect(lit(showOf(over, {}, set([part(1, 6, 2)])))).toEqual([0, 2, 4]);
  });
  it('lie over the groups they are taken from', () => {
    const show = showOf({ moves: { tape: steady('#00ff00'), s: steady('#ff0000') } }, {}, set([part(3, 3)]));
    expect([pixel(show, 1), pixel(show, 2)]).toEqual([
      [0, 255, 0],
      [255, 0, 0],
    ]);
  });
  const running: Move = { kind: 'chase', colour: white, groups: 12, stepS: 0.1, direction: 'onward', level: 1 };
  const two = {
    tapes: [
      tapeOf({ part: 'pixel-tape-60', lengthMm: 100 }),
      tapeOf({ id: 'back', name: 'Back', part: 'pixel-tape-60', lengthMm: 100 }),
    ],
  };
  it('join groups, and turn one of them round', () => {
    const show = showOf({ moves: { s: running } }, two, set([part(1, 6), part(6, 1, 1, 'back')]));
    expect(Array.from({ length: 12 }, (_, i) => lit(show, i * 100)[0])).toEqual([0, 1, 2, 3, 4, 5, 11, 10, 9, 8, 7, 6]);
  });
  it('interleave groups, light by light', () => {
    const show = showOf({ moves: { s: running } }, two, set([part(1, 3), part(1, 6, 1, 'back')], 'interleaved'));
    expect(Array.from({ length: 9 }, (_, i) => lit(show, i * 100)[0])).toEqual([0, 6, 1, 7, 2, 8, 9, 10, 11]);
  });
  it('leave out what the group does not have', () => {
    expect(lit(showOf(over, {}, set([part(5, 60)])))).toEqual([4, 5]);
  });
});

describe('orders in which a move meets the lights', () => {
  const sweep = (along: Along, change: Partial<Design> = {}): number[] => {
    const show = showOf(
      { moves: { tape: { kind: 'sweep', colour: white, periodS: 2, tail: 0, level: 1, along } } },
      change,
    );
    const brightest = (tMs: number): number => {
      const frame = frameAt(show, tMs);
      const reds = Array.from({ length: show.frameBytes / 3 }, (_, i) => frame[i * 3] ?? 0);
      return reds.indexOf(Math.max(...reds));
    };
    return [0, 400, 600, 990].map(brightest);
  };
  it('with the data and against it', () => {
    expect(sweep('route')).toEqual([0, 2, 3, 5]);
    expect(sweep('route back')).toEqual([5, 3, 2, 0]);
  });
  it('from both ends: both halves alike', () => {
    const show = showOf({
      moves: { tape: { kind: 'fill', colour: white, periodS: 2, level: 1, along: 'both ends' } },
    });
    expect(lit(show, 400)).toEqual([0, 1, 4, 5]);
    for (let tMs = 0; tMs < 2000; tMs += 50)
      expect(lit(show, tMs)).toEqual(
        lit(show, tMs)
          .map((i) => 5 - i)
          .reverse(),
      );
  });
  it('across and down the picture, whichever way the tape lies', () => {
    const slanted = {
      tapes: [
        tapeOf({
          part: 'pixel-tape-60',
          route: [
            { xMm: 100, yMm: 0 },
            { xMm: 0, yMm: 100 },
          ],
          lengthMm: 100,
        }),
      ],
    };
    expect(sweep('across', slanted)).toEqual([5, 3, 2, 0]);
    expect(sweep('down', slanted)).toEqual([0, 2, 3, 5]);
  });
  it('round a ring the order is the angle, clockwise from the top', () => {
    // Eight lights on a circle, wired from the right round: number i stands at 90° + 45°·i on the clock.
    const places = Array.from({ length: 8 }, (_, i) => ({
      id: `p${i}`,
      at: { xMm: 100 + 50 * Math.cos((i * Math.PI) / 4), yMm: 100 + 50 * Math.sin((i * Math.PI) / 4) },
      hollowId: null,
    }));
    const show = showOf(
      {
        moves: {
          leds: { kind: 'chase', colour: white, groups: 8, stepS: 0.1, direction: 'onward', level: 1, along: 'ring' },
        },
      },
      { tapes: [], leds: [ledsOf({ channels: 8, places })] },
    );
    const order = Array.from({ length: 8 }, (_, i) => frameAt(show, i * 100).indexOf(255));
    // On the screen y runs down: light 6 is at the top, then 7, 0, 1 …
    expect(order).toEqual([6, 7, 0, 1, 2, 3, 4, 5]);
  });
});

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
const cellsOf = (
  change: Partial<Extract<CompiledMove, { kind: 'cells' }>>,
): Extract<CompiledMove, { kind: 'cells' }> => ({
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
    const { now } = boardsAt(move, 0);
    const cells = [0, 1, 2, 3, 7, 6, 5, 4, 8, 9, 10, 11];
    expect(lit(show)).toEqual(cells.flatMap((cell, light) => (now[cell] ? [light] : [])));
    // Light 4 hangs below light 3: the second row begins on the right.
    expect(show.sets[0]?.at[4]?.xMm).toBeCloseTo(show.sets[0]?.at[3]?.xMm ?? 0, 9);
  });
});

describe('moves that show a value', () => {
  const gaugeShow = showOf({ moves: { tape: { kind: 'gauge', colour: white, controlId: 'b', level: 1 } } }, {
    drive: { ...soundDesign().drive, controls: [{ kind: 'button', id: 'b', name: 'B', at: { xMm: 0, yMm: 0 } }] },
  } as Partial<Design>);
  const shown = (show: Show, level: number): number[] => {
    const out = new Uint8Array(show.frameBytes);
    paintFrame(show, 0, 0, out, [{ level }]);
    return [0, 1, 2, 3, 4, 5].map((i) => out[i * 3] ?? 0);
  };
  it('a gauge fills light by light: half the value lights half of them', () => {
    expect(shown(gaugeShow, 0)).toEqual([0, 0, 0, 0, 0, 0]);
    expect(shown(gaugeShow, 128).slice(0, 3)).toEqual([255, 255, 255]);
    expect(shown(gaugeShow, 128)[4]).toBe(0);
    expect(shown(gaugeShow, 255)).toEqual([255, 255, 255, 255, 255, 255]);
  });
  it('without a control it stands at full, and so it is reckoned', () => {
    const show = showOf({ moves: { tape: { kind: 'gauge', colour: white, controlId: null, level: 1 } } });
    expect(shown(show, 10)).toEqual([255, 255, 255, 255, 255, 255]);
    expect(firstLoad(show)).toMatchObject({ mean: 1, peak: 1 });
  });
  it('steps stand on one of so many levels and colours', () => {
    const show = showOf(
      {
        moves: {
          tape: { kind: 'steps', colour: white, second: '#ff0000', controlId: 'b', count: 3, low: 0, level: 1 },
        },
      },
      { drive: { ...soundDesign().drive, controls: [{ kind: 'button', id: 'b', name: 'B', at: { xMm: 0, yMm: 0 } }] } },
    );
    const levels = Array.from({ length: 256 }, (_, value) => shown(show, value)[0] ?? 0);
    expect([...new Set(levels)]).toEqual([0, gammaTable[127], 255]);
    expect(levels.lastIndexOf(0)).toBe(85);
    expect(levels.indexOf(255)).toBe(171);
  });
});

describe('curves of a breath', () => {
  const heights = (curve: 'soft' | 'even' | 'sharp' | 'heart'): number[] => {
    const show = showOf({ moves: { tape: { kind: 'breathe', colour: white, periodS: 4, low: 0, high: 1, curve } } });
    return Array.from({ length: 400 }, (_, i) => pixel(show, 0, i * 10)[0] ?? 0);
  };
  it.each(['soft', 'even', 'sharp', 'heart'] as const)('%s begins dark and reaches full', (curve) => {
    expect(heights(curve)[0]).toBe(0);
    expect(Math.max(...heights(curve))).toBeGreaterThan(250);
  });
  it('even is as long on the way up as down; sharp is up in a sixteenth', () => {
    const even = heights('even');
    expect(even[100]).toBe(gammaTable[127]);
    expect(heights('sharp').indexOf(Math.max(...heights('sharp')))).toBeLessThanOrEqual(26);
  });
  it('heart beats twice and rests', () => {
    const beats = heights('heart');
    const tops = beats.filter((light, i) => light > 60 && light > (beats[i - 1] ?? 0) && light >= (beats[i + 1] ?? 0));
    expect(tops).toHaveLength(2);
    expect(beats.slice(260).every((light) => light === 0)).toBe(true);
  });
});

describe('a drift that keeps the current', () => {
  it('mixes light in a straight line, where one that keeps the look dips', () => {
    const at = (keeps: 'current' | 'look', tMs: number): number => {
      const show = showOf({
        moves: {
          tape: { kind: 'drift', colour: '#ff0000', second: '#0000ff', periodS: 2, wave: 0, level: 1, keeps },
        },
      });
      return pixel(show, 0, tMs).reduce((sum, light) => sum + light, 0);
    };
    for (let tMs = 0; tMs <= 1000; tMs += 50) expect(Math.abs(at('current', tMs) - 255)).toBeLessThanOrEqual(1);
    expect(at('look', 500)).toBeLessThan(120);
  });
});

describe('what a stack asks for', () => {
  it('is between its single moves and their sum', () => {
    const breathe: Move = { kind: 'breathe', colour: '#ff0000', periodS: 3.1, low: 0, high: 1 };
    const sparkle: Move = { kind: 'sparkle', colour: white, share: 0.3, stepS: 0.37, seed: 4, level: 1 };
    const load = (mood: Partial<Mood>): GroupLoad => {
      const show = showOf(mood);
      return firstLoad(show);
    };
    const [a, b] = [load({ moves: { tape: breathe } }), load({ moves: { tape: sparkle } })];
    const both = load({ moves: { tape: breathe }, tops: [{ id: 't', on: 'tape', how: 'add', move: sparkle }] });
    expect(both.mean).toBeGreaterThan(Math.max(a.mean, b.mean));
    expect(both.mean).toBeLessThanOrEqual(a.mean + b.mean + 0.01);
    expect(both.peak).toBeLessThanOrEqual(a.peak + b.peak + 0.01);
  });

  /** A red breath, with one green shot of a tenth of a second upon it, once in so long. */
  const shotInBreath = (breathS: number, shotS: number): GroupLoad =>
    firstLoad(
      showOf({
        moves: { tape: { kind: 'breathe', colour: '#ff0000', periodS: breathS, low: 0, high: 1 } },
        tops: [
          {
            id: 't',
            on: 'tape',
            how: 'add',
            move: { kind: 'shots', colour: '#00ff00', count: 1, onS: 0.1, offS: 0.1, pauseS: shotS - 0.2, level: 1 },
          },
        ],
      }),
    );
  it('is what they come to when their heights meet, however seldom that is', () => {
    // 97 s against 100 s: lit for one part in a thousand, and yet it falls on the height of the breath some time.
    expect(shotInBreath(100, 97).peak).toBeCloseTo(2 / 3, 6);
    expect(shotInBreath(100, 97).mean).toBeCloseTo(0.36 / 3, 1);
  });
  it('is no more than they ever come to where one beat holds them apart', () => {
    // Every second breath a shot, always as it begins: red and green are never full at once.
    expect(shotInBreath(2, 4).peak).toBeCloseTo(1 / 3, 6);
  });
  it('no moment of ten hours is brighter than its peak, and none that is seen often is left out of it', () => {
    fc.assert(
      fc.property(anyMove, anyMove, fc.constantFrom(...layings), (below, move, how) => {
        const show = showOf({ moves: { tape: below }, tops: [{ id: 't', on: 'tape', how, move }] });
        const { peak, mean } = firstLoad(show);
        const moments = Array.from({ length: 1500 }, (_, i) =>
          i < 700 ? i * 31 : Math.trunc(((i * 0.618_033_988_749_894_9) % 1) * 36_000_000),
        );
        const shares = moments.map(
          (tMs) => frameAt(show, tMs).reduce((sum, byte) => sum + byte, 0) / (255 * show.frameBytes),
        );
        expect(Math.max(...shares)).toBeLessThanOrEqual(peak + 0.03);
        const late = shares.slice(700);
        expect(Math.abs(late.reduce((sum, share) => sum + share, 0) / late.length - mean)).toBeLessThan(0.04);
      }),
      { seed: 6, numRuns: 120 },
    );
  });
});

describe('a set over several groups', () => {
  const two = {
    tapes: [
      tapeOf({ part: 'pixel-tape-60', lengthMm: 100 }),
      tapeOf({ id: 'back', name: 'Back', part: 'pixel-tape-60', lengthMm: 100 }),
    ],
  };
  const both: Sets = [
    {
      id: 's',
      name: 'S',
      order: 'one after another',
      of: ['tape', 'back'].map((groupId) => ({ groupId, first: 1, last: 6, every: 1 })),
    },
  ];
  it('peaks as one: a run of one light in twelve is one twelfth of both, not a sixth of each', () => {
    const run: Move = { kind: 'chase', colour: white, groups: 12, stepS: 0.1, direction: 'onward', level: 1 };
    const show = showOf({ moves: { s: run } }, two, both);
    const load = measureMood(show, show.moods[0] ?? { layers: [] });
    expect(load.groups.map((group) => group.peak)).toEqual([1 / 6, 1 / 6]);
    // Both groups are worth 6: the one light that is lit is worth 1.
    expect(peakOfMood(load, [6, 6])).toBeCloseTo(1, 9);
    // Two runs of their own may meet.
    const apart = showOf({ moves: { tape: run, back: run } }, two);
    expect(peakOfMood(measureMood(apart, apart.moods[0] ?? { layers: [] }), [6, 6])).toBeCloseTo(2, 9);
  });
});

describe('flashing', () => {
  it.each(flickerCharacters)('no flicker like a %s is too fast, at any start number', (character) => {
    for (let seed = 0; seed < 60; seed += 1) {
      const show = showOf({
        moves: { tape: { kind: 'flicker', colour: white, character, seed: seed * 97, level: 1 } },
      });
      expect(firstLoad(show).flashing.perS).toBeLessThan(3);
    }
  });
  const series = (periodMs: number, untilMs: number): [number[], number[]] => {
    const times = Array.from({ length: untilMs / 10 }, (_, i) => i * 10);
    return [times, times.map((tMs) => (tMs % periodMs < periodMs / 2 ? 1 : 0))];
  };
  it('is found at its rate, with the seconds in which it is seen', () => {
    const flashing = findFlashing(...series(200, 4000), null);
    expect(flashing.perS).toBeCloseTo(5, 1);
    expect(flashing.toS - flashing.fromS).toBeCloseTo(0.6, 1);
  });
  it('a burst counts by its own pace, not by the pause after it', () => {
    const times = Array.from({ length: 1000 }, (_, i) => i * 10);
    const burst = times.map((tMs) => (tMs < 1000 && tMs % 100 < 50 ? 1 : 0));
    expect(findFlashing(times, burst, 10_000).perS).toBeCloseTo(10, 1);
  });
  it('needs a tenth of full light, and a dark side', () => {
    const [times, lights] = series(100, 2000);
    expect(
      findFlashing(
        times,
        lights.map((light) => light * 0.09),
        null,
      ).perS,
    ).toBe(0);
    expect(
      findFlashing(
        times,
        lights.map((light) => 0.85 + light * 0.15),
        null,
      ).perS,
    ).toBe(0);
  });
  it('a fast one laid upon another does not slip between the frames that are looked at', () => {
    for (const onS of [0.01, 0.02, 0.04, 0.06]) {
      const show = showOf({
        moves: { tape: steady('#202020') },
        tops: [
          {
            id: 't',
            on: 'tape',
            how: 'over',
            move: { kind: 'shots', colour: white, count: 40, onS, offS: onS, pauseS: 0, level: 1 },
          },
        ],
      });
      expect(firstLoad(show).flashing.perS).toBeGreaterThan(3.2);
    }
  });
  it('red against blue flashes, though as many bytes are lit; so does blue against green, by its luminance', () => {
    const swing = (colour: string, second: string): number => {
      const show = showOf({
        moves: { tape: { kind: 'drift', colour, second, periodS: 0.2, wave: 0, level: 1, keeps: 'current' } },
      });
      return firstLoad(show).flashing.perS;
    };
    expect(swing('#ff0000', '#0000ff')).toBeCloseTo(5, 1);
    expect(swing('#0000ff', '#00ff00')).toBeCloseTo(5, 1);
    // On a screen blue is 7 % of white and would not count; as a light at night it does.
    expect(swing('#0000ff', '#000000')).toBeCloseTo(5, 1);
  });
});
