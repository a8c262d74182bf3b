import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../../tests/designs.ts';
import { assess } from '../../assess.ts';
import { listSteps } from '../../bench/index.ts';
import { checkDesign } from '../../findings/index.ts';
import { applyEdits, type Design } from '../../plan/index.ts';

const at = { xMm: 10, yMm: 10 };
const withPack = (change: object): Design =>
  circuitOf([
    itemOf('pack', { id: 'pack', name: 'Pack', at, ...change }),
    itemOf('light', {
      id: 'lamp',
      switchedBy: { way: 'always on' },
      places: [{ id: 'a', at: { xMm: 60, yMm: 40 }, hollowId: null }],
    }),
  ]);
const mixedIn = (design: Design) =>
  checkDesign(design, assess(design)).filter(({ id }) => id.startsWith('mixed-cells'));

describe('cells that are not alike', () => {
  it('are stopped where they can burn, told of where they leak, and nothing of one cell alone', () => {
    expect(mixedIn(withPack({ part: 'pack-three-aa-alkaline', mixed: true })).map(({ gravity }) => gravity)).toEqual([
      'mend',
    ]);
    expect(mixedIn(withPack({ part: 'pack-lithium-round-3400', mixed: true }))).toEqual([]);
    const design = withPack({ part: 'pack-two-lithium-round', mixed: true });
    const [told] = mixedIn(design);
    expect(told?.gravity).toBe('stop');
    expect(mixedIn(applyEdits(design, told?.fixes[0]?.edits ?? []))).toEqual([]);
  });

  it('are looked for at the bench, cell by cell, before the pack is', () => {
    const stepsOf = (part: string) => {
      const design = withPack({ part });
      return listSteps(design, assess(design));
    };
    const steps = stepsOf('pack-three-aa-alkaline');
    const cells = steps.findIndex(({ id }) => id === 'cells');
    expect(cells).toBeGreaterThan(-1);
    expect(cells).toBeLessThan(steps.findIndex(({ id }) => id === 'pack-voltage'));
    // An alkaline cell rests at 1.22 V half empty and at 1.58 V when new.
    expect(steps[cells]?.expect?.low).toBeCloseTo(1.22, 1);
    expect(steps[cells]?.expect?.high).toBeCloseTo(1.58, 1);
    expect(stepsOf('pack-lithium-round-3400').some(({ id }) => id === 'cells')).toBe(false);
  });
});
