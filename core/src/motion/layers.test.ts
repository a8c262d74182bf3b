import { describe, expect, it } from 'vitest';
import { ledsOf, type Simple, soundSimple, tapeOf } from '../../tests/designs.ts';
import { firstLoad, frameAt, lit, pixel, type Sets, showOf, steady, white } from '../../tests/shows.ts';
import type { Move } from '../moves/index.ts';
import type { Along } from '../plan/index.ts';
import { gammaTable, paintFrame, type Show } from './index.ts';

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
  const sweep = (along: Along, change: Partial<Omit<Simple, 'moods'>> = {}): number[] => {
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

describe('moves that show a value', () => {
  const gaugeShow = showOf(
    { moves: { tape: { kind: 'gauge', colour: white, controlId: 'b', level: 1 } } },
    {
      drive: { ...soundSimple.drive, controls: [{ kind: 'button', id: 'b', name: 'B', at: { xMm: 0, yMm: 0 } }] },
    },
  );
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
      { drive: { ...soundSimple.drive, controls: [{ kind: 'button', id: 'b', name: 'B', at: { xMm: 0, yMm: 0 } }] } },
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
