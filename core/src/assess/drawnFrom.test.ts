import { describe, expect, it } from 'vitest';
import { allDemos } from '../../tests/designs.ts';
import { assess } from '../assess.ts';

const assessed = allDemos().map(([name, { design }]) => ({ name, design, assessment: assess(design) }));
const of = (name: string) => {
  const found = assessed.find((each) => each.name.startsWith(name));
  if (!found) throw new Error(`no ${name}`);
  return found.assessment;
};

describe('what is drawn from each rail, by its own amperes', () => {
  it('is by the pack what a discharge makes of it: its charge, divided by its hours', () => {
    // The run time steps through the night with the pack’s own voltages; the figures know the mean and the nominal ones.
    const told = assessed.flatMap(({ name, assessment }) =>
      assessment.supplies.flatMap(({ rail, tree, runsFor }) => {
        const made = assessment.rails.list.some((each) => each.gives.form === 'converter' && each.sourceId === rail.id);
        if (tree.source.kind !== 'pack' || !runsFor || runsFor.end !== 'cut-off' || !made) return [];
        const usualA = assessment.railFigures.find(({ id }) => id === rail.id)?.usualA ?? 0;
        return [
          { name: `${name}: ${rail.name}`, ratio: (usualA * runsFor.likelyH * 1000) / tree.source.pack.capacityMah },
        ];
      }),
    );
    expect(told.length).toBeGreaterThan(6);
    for (const { name, ratio } of told) {
      expect(ratio, name).toBeGreaterThan(0.94);
      expect(ratio, name).toBeLessThan(1.05);
    }
  });

  it('is the same on either side of a switch, and dark as much as is told of the pack that waits', () => {
    const { railFigures, standBy } = of('Crew');
    const [cell, behind] = ['Cell', 'Switch'].map((name) => railFigures.find((rail) => rail.name === name));
    expect(cell?.usualA).toBeCloseTo(behind?.usualA ?? 0, 9);
    expect(cell?.restA).toBeCloseTo(standBy[0]?.dark?.drawnA ?? 0, 9);
  });

  it('the oars dark: 45.8 mA at 5 V are 86 mA from the cell', () => {
    // A pixel waits with 0.8 mA: 28 + 5 + 16 · 0.8 = 45.8 mA. Of 1.5 A that is 3.05 %: between 60 % at none and 82 % at 5 %
    // the converter has 73.4 %. 0.0458 · 5 / (0.734 · 3.69) = 84.5 mA, and 1 mA of its own.
    const { railFigures } = of('Crew');
    expect(railFigures.find(({ name }) => name === 'Boost')?.restA).toBeCloseTo(0.0458, 5);
    expect(railFigures.find(({ name }) => name === 'Cell')?.restA).toBeCloseTo(0.0855, 3);
  });
});
