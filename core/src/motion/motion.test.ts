import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ledsOf, moodOf, soundDesign, tapeOf } from '../../tests/designs.ts';
import { placeLights } from '../lights/index.ts';
import { builtInLibrary } from '../parts/index.ts';
import type { Cue, Design, Move } from '../plan/index.ts';
import {
  compileMove,
  compileShow,
  crossFade,
  gammaTable,
  handleEvent,
  measureMove,
  paintFrame,
  paintNow,
  passTime,
  type Show,
  startPlayer,
  weaveRibbons,
} from './index.ts';

const showOf = (design: Design): Show => compileShow(design, placeLights(design, builtInLibrary));
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

const anyMove: fc.Arbitrary<Move> = fc.oneof(
  fc.record({
    kind: fc.constant('steady' as const),
    colour: fc.constant('#ff8040'),
    level: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('breathe' as const),
    colour: fc.constant('#40ff80'),
    periodS: fc.double({ min: 0.05, max: 20, noNaN: true }),
    low: fc.double({ min: 0, max: 1, noNaN: true }),
    high: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('chase' as const),
    colour: fc.constant('#8040ff'),
    groups: fc.integer({ min: 2, max: 9 }),
    stepS: fc.double({ min: 0.01, max: 2, noNaN: true }),
    direction: fc.constantFrom('onward' as const, 'back' as const),
    level: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
);

describe('moves, frame by frame (N41)', () => {
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
        const periodMs = compileMove(move).periodMs;
        expect(frameAt(show, 0, tMs)).toEqual(frameAt(show, 0, tMs + periodMs));
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

describe('cross-fade', () => {
  it('keeps the sum of levels when the two frames have the same sum', () => {
    const [from, to, out] = [Uint8Array.of(255, 0), Uint8Array.of(0, 255), new Uint8Array(2)];
    for (let share = 0; share <= 256; share += 1) {
      crossFade(from, to, share, out);
      expect(Math.abs((out[0] ?? 0) + (out[1] ?? 0) - 255)).toBeLessThanOrEqual(1);
    }
  });
});

describe('the load of a move', () => {
  it('is the mean and the height of the frames themselves', () => {
    fc.assert(
      fc.property(anyMove, (move) => {
        const show = six(move);
        const group = show.groups[0];
        if (!group) throw new Error('one group');
        const periodMs = compileMove(move).periodMs;
        const load = measureMove(group, compileMove(move));
        let [sum, peak] = [0, 0];
        const samples = 400;
        for (let i = 0; i < samples; i += 1) {
          const light =
            frameAt(show, 0, Math.trunc((i * periodMs) / samples)).reduce((total, byte) => total + byte, 0) /
            (255 * show.frameBytes);
          sum += light;
          peak = Math.max(peak, light);
        }
        expect(load.mean).toBeCloseTo(sum / samples, 2);
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
    const [group] = show.groups;
    if (!group) throw new Error('one group');
    expect(
      measureMove(group, compileMove({ kind: 'breathe', colour: '#ffffff', periodS, low: 0, high: 1 })).flashesPerS,
    ).toBeCloseTo(rate, 1);
  });
  it('weighs channels by how many lights hang on them', () => {
    const group = { id: 'g', points: 3, bytesPerPoint: 1, offset: 0 } as const;
    const chase = compileMove({
      kind: 'chase',
      colour: '#ffffff',
      groups: 3,
      stepS: 0.1,
      direction: 'onward',
      level: 1,
    });
    // Channels of 3, 2 and 2 lights: the fullest step lights 3 of 7.
    expect(measureMove(group, chase, [3, 2, 2]).peak).toBeCloseTo(3 / 7, 9);
    expect(measureMove(group, chase, [3, 2, 2]).mean).toBeCloseTo(1 / 3, 9);
  });
});

describe('cues', () => {
  const cue = (change: Partial<Cue>): Cue => ({
    id: 'c',
    from: null,
    when: { kind: 'button', controlId: 'b' },
    to: 'two',
    fadeS: 0,
    backAfterS: null,
    ...change,
  });
  const design = (...cues: Cue[]): Design =>
    soundDesign({
      moods: { list: [moodOf({ id: 'one' }), moodOf({ id: 'two' })], startId: 'one', cues, course: [], cueUses: [] },
    });

  it('a button goes to another mood and back after its time', () => {
    const plan = design(cue({ backAfterS: 4 }));
    let state = handleEvent(plan, startPlayer(plan), { kind: 'button', controlId: 'b' }, 1000);
    expect(state.moodId).toBe('two');
    state = passTime(plan, state, 4999);
    expect(state.moodId).toBe('two');
    expect(passTime(plan, state, 5000).moodId).toBe('one');
  });
  it('another button, or a cue of another mood, does nothing', () => {
    const plan = design(cue({ from: 'two', to: 'one' }));
    const start = startPlayer(plan);
    expect(handleEvent(plan, start, { kind: 'button', controlId: 'b' }, 0)).toBe(start);
    expect(handleEvent(plan, start, { kind: 'button', controlId: 'x' }, 0)).toBe(start);
  });
  it('a cue after a time comes by itself, from the moment the mood began', () => {
    const plan = design(cue({ when: { kind: 'after', afterS: 3 } }));
    const state = passTime(plan, startPlayer(plan), 3400);
    expect(state).toMatchObject({ moodId: 'two', sinceMs: 3000 });
  });
  it('fades over its time and is done with it', () => {
    const plan = design(cue({ fadeS: 1 }));
    const show = showOf(plan);
    const [out, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
    const state = handleEvent(plan, startPlayer(plan), { kind: 'button', controlId: 'b' }, 0);
    paintNow({ show, state, nowMs: 500, out, scratch });
    expect(out[0]).toBeGreaterThan(90);
    expect(passTime(plan, state, 1000).fade).toBeNull();
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
