import { describe, expect, it } from 'vitest';
import { allDemos } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { kindOf } from '../items/index.ts';
import { fuseRatingsA } from '../parts/index.ts';
import { applyEdits, changeItem, type Design } from '../plan/index.ts';

/** Every fuse of a plan of so much, and every gauge left to the app. */
const fusedWith = (design: Design, fuseA: number): Design => {
  const fused = design.items.filter((item) => kindOf(item.kind).role === 'source' && 'fuseA' in item);
  const edits = fused.flatMap(({ id }) => changeItem(design, id, { fuseA }));
  const { wires } = applyEdits(design, edits);
  return { ...applyEdits(design, edits), wires: { ...wires, runs: [] } };
};

describe('a wire behind a fuse', () => {
  const demos = allDemos().filter(([name]) => !name.startsWith('Paddle') && !name.startsWith('Kelp'));
  it.each(demos)('of %s bears it, whatever it is rated, as far as the drawer goes', (_, { design }) => {
    for (const fuseA of fuseRatingsA.filter((each) => each <= 5)) {
      const fused = fusedWith(design, fuseA);
      for (const { sourceId, name, carriesA, couldCarryA } of assess(fused).runs)
        if (sourceId !== null)
          expect(carriesA, `${name} behind ${fuseA} A`).toBeGreaterThanOrEqual(Math.min(fuseA, couldCarryA));
    }
  });
});
