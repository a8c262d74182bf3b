import { assess } from '@glimmer/core/assess';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../core/tests/designs.ts';
import { glimpseLights } from '../src/glimpse.ts';

const route = [
  { xMm: 0, yMm: 0 },
  { xMm: 170, yMm: 0 },
];
const shown = (tape: object, others: Parameters<typeof circuitOf>[0] = []) =>
  glimpseLights(
    assess({
      ...circuitOf([
        itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
        itemOf('board', { id: 'board', at: { xMm: 0, yMm: 0 }, part: 'controller-large-5v' }),
        itemOf('pixel tape', { id: 'tape', part: 'pixel-tape-60', route, ...tape }),
        ...others,
      ]),
      moods: {
        list: [moodOf({ id: 'red', brightness: 1, moves: { tape: { kind: 'steady', colour: '#ff0000', level: 1 } } })],
        startId: 'red',
        cues: [],
        course: [],
        cueUses: [],
      },
    }),
  );

describe('the small picture on the shelf', () => {
  it('shows every light that is lit, and none of those that are not used', () => {
    expect(shown({})).toHaveLength(10);
    expect(shown({ litFirst: 4 })).toHaveLength(4);
    // A spare pixel before them moves them in the frame, not on the picture.
    const spared = shown({ litFirst: 4, spareFirst: 'plain' });
    expect(spared.map(({ xMm }) => xMm)).toEqual(shown({ litFirst: 4 }).map(({ xMm }) => xMm));
    expect(new Set(spared.map(({ colour }) => colour))).toEqual(new Set(['#ff0000']));
  });
  it('shows the light of guides at their holes, and no longer where it begins', () => {
    const lights = shown({}, [
      itemOf('guide', {
        id: 'wave',
        lights: [{ groupId: 'tape', light: 1 }],
        ends: [1, 2, 3].map((i) => ({ id: `e${i}`, at: { xMm: 20 * i, yMm: 90 }, hollowId: null })),
      }),
    ]);
    expect(lights).toHaveLength(9 + 3);
    expect(lights.filter(({ yMm }) => yMm === 90).map(({ colour }) => colour)).toEqual([
      '#ff0000',
      '#ff0000',
      '#ff0000',
    ]);
  });
});
