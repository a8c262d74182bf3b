import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../tests/anyDesign.ts';
import { demoPlan } from '../../tests/designs.ts';
import { bands } from '../items/index.ts';
import { createPlan, type Design, placesOfSpots, removeSpots, type Spot, shiftSpots } from './index.ts';
import { readPlan } from './reading.ts';

const { design } = demoPlan();
/** Every spot of a design, by a walk of its own. */
const spotsOf = ({ hollows, items }: Design): Spot[] => [
  ...hollows.map(({ id }): Spot => ({ of: 'hollow', id })),
  ...items.flatMap((item): Spot[] => [
    ...('at' in item ? [{ of: 'item' as const, id: item.id }] : []),
    ...('route' in item ? item.route.map((_, part) => ({ of: 'corner' as const, id: item.id, part })) : []),
    ...('places' in item ? item.places.map(({ id }) => ({ of: 'light' as const, id: item.id, part: id })) : []),
    ...('ends' in item ? item.ends.map(({ id }) => ({ of: 'hole' as const, id: item.id, part: id })) : []),
  ]),
];

describe('what is chosen together on the picture', () => {
  const spots = spotsOf(design);
  it('moves by the same way, and nothing else does', () => {
    const chosen = spots.filter((_, i) => i % 3 === 0);
    const others = spots.filter((_, i) => i % 3 !== 0);
    const moved = shiftSpots(design, chosen, { xMm: 7, yMm: -2.5 });
    const before = placesOfSpots(design, chosen);
    placesOfSpots(moved, chosen).forEach((at, i) => {
      expect(at.xMm - (before[i]?.xMm ?? 0)).toBeCloseTo(7, 6);
      expect(at.yMm - (before[i]?.yMm ?? 0)).toBeCloseTo(-2.5, 6);
    });
    expect(placesOfSpots(moved, others)).toEqual(placesOfSpots(design, others));
    expect(shiftSpots(moved, chosen, { xMm: -7, yMm: 2.5 })).toEqual(design);
  });
  it('keeps its shape at the edge of what a plan takes: the outermost stops all', () => {
    const moved = placesOfSpots(shiftSpots(design, spots, { xMm: 1e6, yMm: 0 }), spots);
    const before = placesOfSpots(design, spots);
    expect(Math.max(...moved.map(({ xMm }) => xMm))).toBeCloseTo(bands.placeMm.most, 6);
    const ways = moved.map(({ xMm }, i) => xMm - (before[i]?.xMm ?? 0));
    expect(Math.max(...ways) - Math.min(...ways)).toBeLessThan(1e-6);
  });
  it('a design of any kind stays a plan, whatever of it is moved or taken away', () => {
    fc.assert(
      fc.property(anyDesign, fc.nat(6), fc.integer({ min: -900, max: 900 }), (any, every, xMm) => {
        const chosen = spotsOf(any).filter((_, i) => i % (every + 1) === 0);
        const plan = createPlan({ id: '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a02', name: 'Any' });
        for (const changed of [shiftSpots(any, chosen, { xMm, yMm: -xMm }), removeSpots(any, chosen)]) {
          const read = readPlan(JSON.parse(JSON.stringify({ ...plan, design: changed })));
          expect(read.ok ? [] : read.problems).toEqual([]);
        }
        expect(
          placesOfSpots(
            removeSpots(any, chosen),
            chosen.filter(({ of }) => of !== 'corner'),
          ),
        ).toEqual([]);
      }),
      { seed: 31, numRuns: 60 },
    );
  });
  it('takes away lights one by one, and their group with the last', () => {
    const eyes = design.items.find((item) => item.kind === 'light' && item.name === 'Eyes');
    if (eyes?.kind !== 'light') throw new Error('the demo has eyes');
    const [first, ...rest] = eyes.places.map(({ id }): Spot => ({ of: 'light', id: eyes.id, part: id }));
    if (!first) throw new Error('they are lights');
    const one = removeSpots(design, [first]);
    expect(one.items.find(({ id }) => id === eyes.id)).toMatchObject({ places: eyes.places.slice(1) });
    expect(removeSpots(one, rest).items.some(({ id }) => id === eyes.id)).toBe(false);
  });
});
