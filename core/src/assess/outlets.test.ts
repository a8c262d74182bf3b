import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import type { Design } from '../plan/index.ts';
import { operate } from '../power/index.ts';

/** Two colour tapes at a box, each colour on one of these outlets. */
const railOn = (outlets: readonly [number, number, number]): Design =>
  circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 12 }),
    itemOf('box', { id: 'box', name: 'Box', at: { xMm: 200, yMm: 0 }, feed: 'supply' }),
    ...[0, 1].map((i) =>
      itemOf('plain tape', {
        id: `tape${i}`,
        name: `Tape ${i}`,
        part: 'plain-tape-12v-60-3',
        feed: 'supply',
        route: [
          { xMm: 400 + 700 * i, yMm: 50 },
          { xMm: 1000 + 700 * i, yMm: 50 },
        ],
        switchedBy: outlets.map((output) => ({ way: 'box' as const, by: 'box', output })),
      }),
    ),
  ]);

const drawn = (outlets: readonly [number, number, number]) => {
  const design = railOn(outlets);
  const assessment = assess(design);
  const { netlist } = drawNetwork(design, assessment, { charge: 1, moodId: null, openIds: [] });
  const solved = solveNetlist(netlist);
  const [supply] = assessment.supplies;
  if (!solved.ok || !supply) throw new Error('no solution');
  return {
    exactA: -(solved.currentA.get('supply: open voltage') ?? 0),
    reducedA: operate(supply.tree, 1, supply.dark).packA,
  };
};

describe('colours on the outlets of a box', () => {
  it.each([
    ['all on one', [1, 1, 1]],
    ['each on its own', [1, 2, 3]],
  ] as const)('%s: what the tree gives is what every wire in the exact network lets through', (_name, outlets) => {
    const { exactA, reducedA } = drawn(outlets);
    expect(Math.abs(reducedA / exactA - 1)).toBeLessThan(1e-3);
  });

  it('three outlets and three minus cores side by side let more through than one', () => {
    expect(drawn([1, 2, 3]).exactA).toBeGreaterThan(drawn([1, 1, 1]).exactA * 1.005);
  });
});
