import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Box, placeLabels } from './placeLabels.ts';

const box = (x: number, y: number, w = 30, h = 5): Box => ({ minX: x, minY: y, maxX: x + w, maxY: y + h });
const bounds = box(-50, -50, 1000, 1000);
const isApart = (a: Box, b: Box): boolean =>
  a.maxX <= b.minX + 1e-9 || b.maxX <= a.minX + 1e-9 || a.maxY <= b.minY + 1e-9 || b.maxY <= a.minY + 1e-9;
const at = (one: Box, placed: { dx: number; dy: number } | null | undefined): Box | null =>
  placed
    ? { minX: one.minX + placed.dx, minY: one.minY + placed.dy, maxX: one.maxX + placed.dx, maxY: one.maxY + placed.dy }
    : null;

describe('labels on the picture', () => {
  it('stay where they are while nothing is in their way', () => {
    expect(placeLabels([{ box: box(0, 0), mayHide: false }], [], bounds)).toEqual([{ dx: 0, dy: 0 }]);
  });
  it('the second of two at one place goes just beside it', () => {
    const [first, second] = placeLabels(
      [
        { box: box(0, 0), mayHide: false },
        { box: box(0, 0), mayHide: false },
      ],
      [],
      bounds,
    );
    expect(first).toEqual({ dx: 0, dy: 0 });
    // A row of 5 mm and its eight hundredths: nearer than a width of 30 mm.
    expect(Math.abs(second?.dy ?? 0)).toBeCloseTo(5.4, 6);
  });
  it('go off a light, and a number that finds no place near it is left out', () => {
    const light = box(0, 0, 4, 4);
    const [name] = placeLabels([{ box: box(1, 1), mayHide: false }], [light], bounds);
    const there = at(box(1, 1), name);
    expect(there && isApart(there, light)).toBe(true);
    const all = box(-100, -100, 300, 300);
    expect(placeLabels([{ box: box(0, 0), mayHide: true }], [all], bounds)).toEqual([null]);
  });
  it('twenty anywhere never cover each other, and stay in sight', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 600 })), { maxLength: 20 }),
        (places) => {
          const wanted = places.map(([x, y]) => ({ box: box(x, y), mayHide: false }));
          const boxes = placeLabels(wanted, [], bounds).map((placed, i) => at(wanted[i]?.box ?? box(0, 0), placed));
          boxes.forEach((one, i) => {
            if (!one) throw new Error('a name is never left out');
            expect(one.minX).toBeGreaterThanOrEqual(bounds.minX);
            for (const other of boxes.slice(i + 1)) if (other) expect(isApart(one, other)).toBe(true);
          });
        },
      ),
      { seed: 4, numRuns: 100 },
    );
  });
});
