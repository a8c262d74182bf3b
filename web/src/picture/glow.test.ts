import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { type Fitting, type Light, layGlows, paintLights } from './glow.ts';

const fitting: Fitting = { scale: 1, leftPx: 0, topPx: 0, widthPx: 700, heightPx: 600 };
const light = (change: Partial<Light>): Light => ({
  xMm: 0,
  yMm: 0,
  at: 0,
  colour: null,
  radiusMm: 8,
  relative: 1,
  dimmingHz: 400,
  onlyInDark: false,
  ...change,
});
/** A row of pixels, so many millimetres (and here pixels of the screen) apart. */
const row = (count: number, apartMm: number): Light[] =>
  Array.from({ length: count }, (_, i) => light({ xMm: i * apartMm, at: 3 * i }));
const seen = { fitting, lamp: 'off', viewMm: 640 } as const;

describe('lights that are painted at once', () => {
  // A sprite is nothing here: what is drawn of it is counted.
  beforeAll(() => {
    vi.stubGlobal('document', { createElement: () => ({ getContext: () => null }) });
  });
  afterAll(() => {
    vi.unstubAllGlobals();
  });
  it('are those that can’t be told apart, each counted once: half a pixel apart they melt, seven apart they do not', () => {
    const dense = layGlows(row(1200, 0.5), seen);
    expect(dense.length).toBeLessThan(400);
    expect(dense.reduce((sum, { count }) => sum + count, 0)).toBe(1200);
    expect(dense.flatMap(({ bytes }) => bytes)).toEqual(row(1200, 0.5).map(({ at }) => at));
    expect(layGlows(row(60, 7), seen)).toHaveLength(60);
  });
  it('are of one kind: another colour, another diffuser or a guide is painted by itself', () => {
    const near = [
      light({}),
      light({ at: 3, radiusMm: 9 }),
      light({ at: 6, colour: [255, 0, 0] }),
      light({ at: 9, mixedWith: [12] }),
      light({ at: 15, onlyInDark: true }),
    ];
    expect(layGlows(near, seen)).toHaveLength(5);
    expect(layGlows(near, { ...seen, lamp: 'on' })).toHaveLength(4);
  });
  it('have the mean of their bytes, and as much light as all of them', () => {
    const drawn: { readonly alpha: number; readonly wide: number }[] = [];
    const context = {
      globalAlpha: 1,
      clearRect: () => undefined,
      drawImage(_: unknown, _x: number, _y: number, wide: number) {
        drawn.push({ alpha: this.globalAlpha, wide });
      },
    };
    // Two of them in one place, one lit at full and one dark: half the light of each, of both together all of it.
    const glows = layGlows([light({}), light({ at: 3 })], seen);
    paintLights(
      { ...seen, context: context as never, exposure: null },
      glows,
      Uint8Array.from([255, 255, 255, 0, 0, 0]),
    );
    expect(drawn).toHaveLength(1);
    expect(drawn[0]?.alpha).toBeCloseTo(Math.min(1, 2 * 0.5 ** (1 / 2.2)), 2);
    drawn.length = 0;
    paintLights({ ...seen, context: context as never, exposure: null }, glows, new Uint8Array(6));
    expect(drawn).toHaveLength(0);
  });
});
