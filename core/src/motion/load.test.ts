import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tapeOf } from '../../tests/designs.ts';
import { anyMove } from '../../tests/moves.ts';
import { firstLoad, frameAt, momentsMs, type Sets, showOf, steady, white } from '../../tests/shows.ts';
import type { Move } from '../moves/index.ts';
import { flickerCharacters, layings, type Mood } from '../plan/index.ts';
import { findFlashing, type GroupLoad, measureMood, peakOfMood } from './index.ts';

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
        const { first, late } = momentsMs({ first: 700, everyMs: 31, late: 800 });
        const shareAt = (tMs: number): number =>
          frameAt(show, tMs).reduce((sum, byte) => sum + byte, 0) / (255 * show.frameBytes);
        const lateShares = late.map(shareAt);
        expect(Math.max(...first.map(shareAt), ...lateShares)).toBeLessThanOrEqual(peak + 0.03);
        expect(Math.abs(lateShares.reduce((sum, share) => sum + share, 0) / late.length - mean)).toBeLessThan(0.04);
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
