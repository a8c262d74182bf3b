import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../../tests/designs.ts';
import { assess } from '../../assess.ts';
import { listSteps } from '../../bench/index.ts';
import { pixelShapes } from '../../parts/index.ts';
import type { Design, PlanPoint } from '../../plan/index.ts';

const shapeOf = (part: string, route: readonly PlanPoint[], change: object = {}): Design =>
  circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'board', at: { xMm: 0, yMm: 10 }, part: 'controller-large-5v' }),
    itemOf('pixel tape', { id: 'ring', name: 'Ring', part, route: [...route], ...change }),
    itemOf('pixel tape', {
      id: 'tail',
      part: 'pixel-tape-60',
      after: 'ring',
      route: [
        { xMm: 200, yMm: 0 },
        { xMm: 300, yMm: 0 },
      ],
    }),
  ]);
const middle = { xMm: 100, yMm: 50 };
const placed = (design: Design) => {
  const group = assess(design).placed.find(({ id }) => id === 'ring');
  if (group?.shape !== 'pixels') throw new Error('no ring');
  return group;
};

describe('pixels on a shape', () => {
  it('each has as many lights as it says, round its middle, and is bought by the piece', () => {
    for (const part of pixelShapes) {
      const design = shapeOf(part.id, [middle]);
      const group = placed(design);
      expect(group.cut.lights, part.id).toBe(part.form?.pixels);
      expect(group.places, part.id).toHaveLength(part.form?.pixels ?? 0);
      const mean = (of: (place: PlanPoint) => number) =>
        group.places.reduce((sum, each) => sum + of(each), 0) / group.places.length;
      expect(
        mean(({ xMm }) => xMm),
        part.id,
      ).toBeCloseTo(100, 9);
      expect(
        mean(({ yMm }) => yMm),
        part.id,
      ).toBeCloseTo(50, 9);
      const { shopping } = assess(design);
      expect(
        shopping.find(({ name }) => name === part.name),
        part.id,
      ).toMatchObject({ quantity: 1, unit: 'piece' });
      expect(
        listSteps(design, assess(design)).map(({ id }) => id),
        part.id,
      ).not.toContain('cut:ring');
    }
  });
  it('a ring of 16 lies on its middle circle, its first pixel towards the second point', () => {
    const { places } = placed(shapeOf('pixel-ring-16', [middle, { xMm: 100, yMm: 0 }]));
    // (44.5 + 31.7) / 4 = 19.05 mm, straight up.
    expect(places[0]?.xMm).toBeCloseTo(100, 6);
    expect(places[0]?.yMm).toBeCloseTo(50 - 19.05, 6);
    // A quarter further it is on the right.
    expect(places[4]?.xMm).toBeCloseTo(119.05, 6);
  });
  it('a panel of 8 by 8 is a grid for the moods; its data goes on to what hangs behind it', () => {
    const assessment = assess(shapeOf('pixel-panel-64', [middle]));
    expect(assessment.movables.find(({ id }) => id === 'ring')?.grid).toMatchObject({ columns: 8, rows: 8 });
    expect(assessment.placed.find(({ id }) => id === 'tail')).toMatchObject({ firstIndex: 64 });
    expect(assessment.chains[0]?.tapeIds).toEqual(['ring', 'tail']);
  });
  it('full on it takes what its dice take: 16 · (3 · 12 mA + 0.8 mA) = 589 mA', () => {
    const { consumers } = assess(shapeOf('pixel-ring-16', [middle]));
    const ring = consumers.find(({ id }) => id === 'ring');
    expect(ring?.fullA).toBeCloseTo(16 * 3 * 0.012, 6);
    expect(ring?.restA).toBeCloseTo(16 * 0.0008, 6);
  });
  it('what it was told as tape off a reel means nothing on it, and without a place it lights nothing', () => {
    const grid = { columns: 3, rows: 2, snakes: true };
    expect(placed(shapeOf('pixel-ring-16', [middle], { grid, lengthMm: 900 })).cut.lights).toBe(16);
    expect(placed(shapeOf('pixel-ring-16', [])).cut.lights).toBe(0);
  });
});
