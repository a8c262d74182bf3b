import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ledsOf, moodOf, soundDesign, tapeOf } from '../../tests/designs.ts';
import { anyMove } from '../../tests/moves.ts';
import { firstLoad, showFrom } from '../../tests/shows.ts';
import { chanceByte, type Move } from '../moves/index.ts';
import { type Design, flickerCharacters } from '../plan/index.ts';
import { crossFade, gammaTable, paintFrame, type Show, weaveRibbons } from './index.ts';

const showOf = (design: Design): Show => showFrom(design);
const frameAt = (show: Show, mood: number, tMs: number): number[] => {
  const out = new Uint8Array(show.frameBytes);
  paintFrame(show, mood, tMs, out);
  return [...out];
};
/** Six pixels: 100 mm at 60/m. */
const six = (move: Move, brightness = 1): Show =>
  showOf(
    soundDesign({
      tapes: [tapeOf({ part: 'pixel-tape-60', lengthMm: 100 })],
      moods: {
        list: [moodOf({ brightness, moves: { tape: move } })],
        startId: null,
        cues: [],
        course: [],
        cueUses: [],
      },
    }),
  );

const periodOf = (show: Show): number => show.moods[0]?.layers[0]?.move.periodMs ?? 0;

describe('moves, frame by frame', () => {
  it('steady: the colour through the gamma curve, the brightness after it', () => {
    // 128 of 255 is 56 of 255 in light; half the brightness is 28.
    expect(gammaTable[128]).toBe(56);
    expect(frameAt(six({ kind: 'steady', colour: '#ff8000', level: 1 }), 0, 0).slice(0, 3)).toEqual([255, 56, 0]);
    expect(frameAt(six({ kind: 'steady', colour: '#ff8000', level: 1 }, 0.5), 0, 0).slice(0, 3)).toEqual([128, 28, 0]);
  });
  it('chase in three groups runs with the data, or against it', () => {
    const lit = (direction: 'onward' | 'back', tMs: number): number[] => {
      const frame = frameAt(
        six({ kind: 'chase', colour: '#ffffff', groups: 3, stepS: 0.1, direction, level: 1 }),
        0,
        tMs,
      );
      return [0, 1, 2, 3, 4, 5].filter((i) => frame[i * 3] === 255);
    };
    expect([0, 100, 200, 300].map((tMs) => lit('onward', tMs))).toEqual([
      [0, 3],
      [1, 4],
      [2, 5],
      [0, 3],
    ]);
    expect([0, 100, 200, 300].map((tMs) => lit('back', tMs))).toEqual([
      [0, 3],
      [2, 5],
      [1, 4],
      [0, 3],
    ]);
  });
  it('a breath follows the raised cosine within one step of 255', () => {
    const show = six({ kind: 'breathe', colour: '#ffffff', periodS: 4, low: 0, high: 1 });
    for (let tMs = 0; tMs < 4000; tMs += 37) {
      const level = (255 * (1 - Math.cos((2 * Math.PI * tMs) / 4000))) / 2;
      const light = frameAt(show, 0, tMs)[0] ?? 0;
      // One step of level is at most three of light at the steep end of the gamma curve.
      expect(Math.abs(light - 255 * (level / 255) ** 2.2)).toBeLessThan(4.5);
    }
  });
  it('a raised-cosine breath averages 36.0 % of the current after gamma 2.2', () => {
    const show = six({ kind: 'breathe', colour: '#ffffff', periodS: 4, low: 0, high: 1 });
    let sum = 0;
    for (let tMs = 0; tMs < 4000; tMs += 1) sum += frameAt(show, 0, tMs)[0] ?? 0;
    expect(sum / 4000 / 255).toBeCloseTo(0.36, 2);
  });
  it('comes round: the frame at T is the frame at 0', () => {
    fc.assert(
      fc.property(anyMove, fc.integer({ min: 0, max: 5000 }), (move, tMs) => {
        const show = six(move);
        const periodMs = periodOf(show);
        // A build-up does not come round: past its rise it stays.
        const from = move.kind === 'build-up' ? tMs + periodMs : tMs;
        expect(frameAt(show, 0, from)).toEqual(frameAt(show, 0, from + periodMs));
      }),
      { seed: 9, numRuns: 150 },
    );
  });
  it('holds whole bytes only, and more brightness is never less light', () => {
    fc.assert(
      fc.property(
        anyMove,
        fc.integer({ min: 0, max: 100_000 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (move, tMs, brightness) => {
          const dim = frameAt(six(move, brightness), 0, tMs);
          frameAt(six(move, 1), 0, tMs).forEach((byte, i) => {
            expect(Number.isInteger(byte) && byte >= (dim[i] ?? 0)).toBe(true);
          });
        },
      ),
      { seed: 10, numRuns: 100 },
    );
  });
  it('an unknown mood and a group without a move are dark', () => {
    const show = six({ kind: 'steady', colour: '#ffffff', level: 1 });
    expect(frameAt(show, 7, 0).every((byte) => byte === 0)).toBe(true);
  });
});

describe('running and random moves, frame by frame', () => {
  const litAt = (show: Show, tMs: number): number[] => {
    const frame = frameAt(show, 0, tMs);
    return [0, 1, 2, 3, 4, 5].map((i) => frame[i * 3] ?? 0);
  };
  const white = '#ffffff';
  it('a sweep without a tail goes from the first light to the last and back', () => {
    const show = six({ kind: 'sweep', colour: white, periodS: 1, tail: 0, level: 1 });
    const brightest = (tMs: number): number => litAt(show, tMs).indexOf(Math.max(...litAt(show, tMs)));
    expect([0, 100, 200, 300, 400, 499].map(brightest)).toEqual([0, 1, 2, 3, 4, 5]);
    expect([600, 700, 800, 900].map(brightest)).toEqual([4, 3, 2, 1]);
  });
  it('its tail falls off behind the head, and nothing is lit ahead of it', () => {
    const show = six({ kind: 'sweep', colour: white, periodS: 2, tail: 4, level: 1 });
    const out = litAt(show, 600);
    // At 0.6 of the way out the head stands on light 3 (counted from 0).
    expect(out[3]).toBeGreaterThan(240);
    expect(out.slice(0, 4)).toEqual([...out.slice(0, 4)].sort((a, b) => a - b));
    expect(out.slice(4)).toEqual([0, 0]);
    const back = litAt(show, 1400);
    expect(back.slice(3)).toEqual([...back.slice(3)].sort((a, b) => b - a));
    expect(back.slice(0, 2)).toEqual([0, 0]);
  });
  it('fills light by light and empties again', () => {
    const show = six({ kind: 'fill', colour: white, periodS: 2, level: 1 });
    const count = (tMs: number): number => litAt(show, tMs).filter((light) => light === 255).length;
    expect([0, 500, 999].map(count)).toEqual([0, 3, 5]);
    expect(count(1480)).toBe(3);
    for (let tMs = 0; tMs < 990; tMs += 10) expect(count(tMs + 10)).toBeGreaterThanOrEqual(count(tMs));
  });
  it('drifts from one colour to the other and back, shifted from light to light', () => {
    const show = six({ kind: 'drift', colour: '#ff0000', second: '#0000ff', periodS: 2, wave: 0, level: 1 });
    expect(frameAt(show, 0, 0).slice(0, 3)).toEqual([255, 0, 0]);
    expect(frameAt(show, 0, 1000).slice(0, 3)).toEqual([0, 0, 255]);
    const waved = six({ kind: 'drift', colour: '#ff0000', second: '#0000ff', periodS: 2, wave: 4, level: 1 });
    // Half a wave on, the colour is the other one.
    expect(frameAt(waved, 0, 0).slice(6, 9)).toEqual([0, 0, 255]);
  });
  it('shots: so many, then the pause', () => {
    const show = six({ kind: 'shots', colour: white, count: 3, onS: 0.1, offS: 0.2, pauseS: 1, level: 1 });
    const lit = Array.from({ length: 190 }, (_, i) => litAt(show, i * 10)[0] === 255);
    const starts = lit.flatMap((on, i) => (on && !lit[i - 1] ? [i * 10] : []));
    expect(starts).toEqual([0, 300, 600]);
    expect(lit.filter(Boolean)).toHaveLength(30);
  });
  it('a build-up rises in a straight line of level and stays', () => {
    const show = six({ kind: 'build-up', colour: white, riseS: 1, low: 0, level: 1 });
    expect(litAt(show, 0)[0]).toBe(0);
    // Half the level is 127, which is 55 of 255 in light.
    expect(litAt(show, 500)[0]).toBe(gammaTable[127]);
    expect([1000, 5000, 100_000].map((tMs) => litAt(show, tMs)[0])).toEqual([255, 255, 255]);
  });
  it('sparkle lights about its share, at times and places that follow from the start number alone', () => {
    const sixty = (seed: number): Show =>
      showOf(
        soundDesign({
          tapes: [tapeOf({ part: 'pixel-tape-60', lengthMm: 1000 })],
          moods: {
            list: [
              moodOf({
                brightness: 1,
                moves: { tape: { kind: 'sparkle', colour: white, share: 0.25, stepS: 0.1, seed, level: 1 } },
              }),
            ],
            startId: null,
            cues: [],
            course: [],
            cueUses: [],
          },
        }),
      );
    let lit = 0;
    for (let slot = 0; slot < 64; slot += 1)
      lit += frameAt(sixty(7), 0, slot * 100 + 50).filter((byte, i) => i % 3 === 0 && byte > 0).length;
    expect(lit / 64 / 60).toBeCloseTo(0.25, 1);
    expect(frameAt(sixty(7), 0, 350)).toEqual(frameAt(sixty(7), 0, 350));
    expect(frameAt(sixty(7), 0, 350)).not.toEqual(frameAt(sixty(8), 0, 350));
  });
  it.each(flickerCharacters)('flicker like a %s stays between its low and its level', (character) => {
    const show = six({ kind: 'flicker', colour: white, character, seed: 3, level: 0.8 });
    const seen = new Set<number>();
    for (let tMs = 0; tMs < 20_000; tMs += 70) for (const light of litAt(show, tMs)) seen.add(light);
    expect(Math.max(...seen)).toBeLessThanOrEqual(gammaTable[204] ?? 0);
    expect(Math.min(...seen)).toBeGreaterThan(0);
    expect(seen.size).toBeGreaterThan(character === 'failing tube' ? 1 : 8);
  });
  it('chance is spread evenly over lights and slots', () => {
    const counts = new Array<number>(16).fill(0);
    for (let light = 0; light < 64; light += 1)
      for (let slot = 0; slot < 256; slot += 1) {
        const bin = chanceByte(5, light, slot) >> 4;
        counts[bin] = (counts[bin] ?? 0) + 1;
      }
    // 1024 in each bin; four standard deviations are 124.
    for (const count of counts) expect(Math.abs(count - 1024)).toBeLessThan(124);
  });
});

describe('cross-fade', () => {
  it('keeps the sum of levels when the two frames have the same sum', () => {
    const [from, to, out] = [Uint8Array.of(255, 0), Uint8Array.of(0, 255), new Uint8Array(2)];
    for (let share = 0; share <= 256; share += 1) {
      crossFade(from, to, { out256: 256 - share, in256: share }, false, out);
      expect(Math.abs((out[0] ?? 0) + (out[1] ?? 0) - 255)).toBeLessThanOrEqual(1);
    }
  });
});

describe('the load of a move', () => {
  it('is the mean and the height of the frames themselves', () => {
    fc.assert(
      fc.property(anyMove, (move) => {
        const show = six(move);
        const periodMs = periodOf(show);
        // A build-up is counted at its height, since it stays there.
        const from = move.kind === 'build-up' ? periodMs : 0;
        const load = firstLoad(show);
        let [sum, peak] = [0, 0];
        const samples = 400;
        for (let i = 0; i < samples; i += 1) {
          const light =
            frameAt(show, 0, from + Math.trunc((i * periodMs) / samples)).reduce((total, byte) => total + byte, 0) /
            (255 * show.frameBytes);
          sum += light;
          peak = Math.max(peak, light);
        }
        // Short shots fall between the samples here: their exact mean is tested below.
        if (move.kind !== 'shots') expect(load.mean).toBeCloseTo(sum / samples, 1);
        expect(load.peak).toBeGreaterThanOrEqual(peak - 0.005);
      }),
      { seed: 11, numRuns: 40 },
    );
  });
  it.each([
    [0.25, 4],
    [1 / 3, 3],
    [2, 0.5],
  ])('a full breath of %d s flashes %d times a second', (periodS, rate) => {
    const show = six({ kind: 'breathe', colour: '#ffffff', periodS, low: 0, high: 1 });
    expect(firstLoad(show).flashing.perS).toBeCloseTo(rate, 1);
  });
  // Three times between four flashes in a row: by hand from the ends of the shots.
  it.each([
    [4, 0.1, 0.4, 2, 3 / 1.5],
    [5, 0.05, 0.1, 3, 3 / 0.45],
    [2, 0.1, 0.1, 10, 3 / 10.6],
    [1, 0.1, 0.2, 0, 3 / 0.9],
  ])(
    '%d shots of %d s with %d s between and %d s after: %d a second at the worst',
    (count, onS, offS, pauseS, perS) => {
      const load = firstLoad(six({ kind: 'shots', colour: '#ffffff', count, onS, offS, pauseS, level: 1 }));
      expect(load.flashing.perS).toBeCloseTo(perS, 6);
      expect(load.mean).toBeCloseTo((count * onS) / (count * (onS + offS) + pauseS), 9);
    },
  );
  it('weighs channels by how many lights hang on them', () => {
    const show = showOf(
      soundDesign({
        tapes: [],
        leds: [
          ledsOf({
            channels: 3,
            places: Array.from({ length: 7 }, (_, i) => ({ id: `p${i}`, at: { xMm: i, yMm: 0 }, hollowId: null })),
          }),
        ],
        moods: {
          list: [
            moodOf({
              moves: {
                leds: { kind: 'chase', colour: '#ffffff', groups: 3, stepS: 0.1, direction: 'onward', level: 1 },
              },
            }),
          ],
          startId: null,
          cues: [],
          course: [],
          cueUses: [],
        },
      }),
    );
    // Channels of 3, 2 and 2 lights: the fullest step lights 3 of 7.
    expect(firstLoad(show, [3, 2, 2]).peak).toBeCloseTo(3 / 7, 9);
    expect(firstLoad(show, [3, 2, 2]).mean).toBeCloseTo(1 / 3, 9);
  });
});

describe('ribbons', () => {
  it('show the engine’s own frames, light by light', () => {
    const show = six({ kind: 'chase', colour: '#ffffff', groups: 3, stepS: 0.1, direction: 'onward', level: 1 }, 0.2);
    const [ribbon] = weaveRibbons(show, 0, { spanMs: 300, columns: 3, mostRows: 10 });
    const lit = [0, 1, 2].map((column) =>
      [0, 1, 2, 3, 4, 5].filter((row) => ribbon?.rgb[(row * 3 + column) * 3] === 255),
    );
    expect(lit).toEqual([
      [0, 3],
      [1, 4],
      [2, 5],
    ]);
  });
  it('give one row a channel to single lights', () => {
    const design = soundDesign({
      tapes: [],
      leds: [
        ledsOf({
          channels: 2,
          places: [0, 1, 2].map((i) => ({ id: `p${i}`, at: { xMm: i, yMm: 0 }, hollowId: null })),
        }),
      ],
      moods: { list: [moodOf({ moves: {} })], startId: null, cues: [], course: [], cueUses: [] },
    });
    expect(weaveRibbons(showOf(design), 0, { spanMs: 1000, columns: 4, mostRows: 10 })[0]?.rows).toBe(2);
  });
});
