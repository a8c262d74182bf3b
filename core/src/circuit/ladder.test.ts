import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Ladder, type LadderFeed, solveLadder, solveNetlist } from './index.ts';

const METRES = 3;
const LOOP_OHM_PER_METRE = 0.3;
/** 1.6 A spread over 3 m of 0.30 Ω/m, both rails together. */
function evenTape(loads: number, feeds: readonly LadderFeed[]): Ladder {
  const rail = new Array<number>(loads).fill((LOOP_OHM_PER_METRE * METRES) / loads / 2);
  return {
    supplyV: 12,
    plusOhm: rail,
    minusOhm: rail,
    loadA: new Array<number>(loads).fill(1.6 / loads),
    feeds,
    fullAboveV: 3,
  };
}
const both = (at: number, leadOhm = 0): LadderFeed => ({ at, rail: 'both', leadOhm });
const drop = (ladder: Ladder): number => ladder.supplyV - Math.min(...solveLadder(ladder).voltageV);

describe('the ladder of a tape', () => {
  it('fed at one end, five loads lose 0.864 V and a thousand 0.721 V; spread evenly it is I·R/2 = 0.72 V', () => {
    // The first step lies before the first load, so it is the lead of the feed: half the loop in each rail.
    for (const [loads, lostV, digits] of [
      [5, 0.864, 6],
      [1000, 0.721, 3],
    ] as const)
      expect(drop(evenTape(loads, [both(0, 0.9 / loads / 2)]))).toBeCloseTo(lostV, digits);
  });
  it('fed at both ends it loses a quarter of that, 0.18 V', () => {
    expect(drop(evenTape(1001, [both(0), both(1000)]))).toBeCloseTo(0.18, 2);
  });
  it('plus fed at one end and minus at the other: every pixel sees the same length of rail, so the drop is even', () => {
    const { voltageV } = solveLadder(
      evenTape(1001, [
        { at: 0, rail: 'plus', leadOhm: 0 },
        { at: 1000, rail: 'minus', leadOhm: 0 },
      ]),
    );
    // At place x of the whole: plus loses I·R/2·(x − x²/2), minus the mirror of it; I·R/2 = 0.72 V, at the ends 0.36 V.
    expect(12 - (voltageV[0] ?? 0)).toBeCloseTo(0.36, 2);
    expect(12 - (voltageV[1000] ?? 0)).toBeCloseTo(0.36, 2);
    // In the middle both have lost 0.72·(0.5 − 0.125) = 0.27 V.
    expect(12 - (voltageV[500] ?? 0)).toBeCloseTo(0.54, 2);
  });
  it('a load whose current ends at a voltage: 5 V over 10 Ω, 0.2 A from 4 V on and none at 2 V', () => {
    // (5 − V)/10 = 0.2·(V − 2)/2, so V = 3.5 V and 0.15 A.
    const one = { plusOhm: [0], minusOhm: [0], loadA: [0.2], feeds: [both(0, 5)], fullAboveV: 4, endsAtV: 2 };
    const { voltageV, totalA } = solveLadder({ ...one, supplyV: 5 });
    expect(voltageV[0]).toBeCloseTo(3.5, 6);
    expect(totalA).toBeCloseTo(0.15, 6);
    // Of 1.9 V it takes nothing, so it gets all of them.
    expect(solveLadder({ ...one, supplyV: 1.9 }).voltageV[0]).toBeCloseTo(1.9, 6);
  });
  it('what flows into each pixel flows out of it, wherever on its fall it is', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.001, max: 0.4, noNaN: true }), { minLength: 3, maxLength: 30 }),
        fc.double({ min: 0, max: 3.9, noNaN: true }),
        fc.double({ min: 2.5, max: 6, noNaN: true }),
        (loadA, endsAtV, supplyV) => {
          const rail = loadA.map(() => 0.1);
          const ladder = {
            supplyV,
            plusOhm: rail,
            minusOhm: rail,
            loadA,
            feeds: [both(0, 0.1)],
            fullAboveV: 4,
            endsAtV,
          };
          const { voltageV, totalA } = solveLadder(ladder);
          const takes = loadA.map(
            (full, i) => full * Math.min(1, Math.max(0, ((voltageV[i] ?? 0) - endsAtV) / (4 - endsAtV))),
          );
          let beyondA = takes.reduce((sum, each) => sum + each, 0);
          expect(totalA).toBeCloseTo(beyondA, 6);
          takes.slice(0, -1).forEach((each, i) => {
            beyondA -= each;
            expect((voltageV[i] ?? 0) - (voltageV[i + 1] ?? 0)).toBeCloseTo(beyondA * 0.2, 6);
          });
        },
      ),
      { seed: 8, numRuns: 200 },
    );
  });
  it('agrees with the general solver, node by node', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.001, max: 0.05, noNaN: true }), { minLength: 2, maxLength: 8 }),
        fc.integer({ min: 0, max: 7 }),
        fc.integer({ min: 0, max: 7 }),
        (loadA, plusAt, minusAt) => {
          const feeds: LadderFeed[] = [
            { at: Math.min(plusAt, loadA.length - 1), rail: 'plus', leadOhm: 0.1 },
            { at: Math.min(minusAt, loadA.length - 1), rail: 'minus', leadOhm: 0.2 },
          ];
          const rail = loadA.map(() => 0.15);
          const ladder = solveLadder({ supplyV: 5, plusOhm: rail, minusOhm: rail, loadA, feeds, fullAboveV: 3.7 });
          const solved = solveNetlist([
            { kind: 'voltage', name: 'supply', plus: 'v', minus: '0', volts: 5 },
            { kind: 'resistor', name: 'lead+', a: 'v', b: `p${feeds[0]?.at}`, ohm: 0.1 },
            { kind: 'resistor', name: 'lead-', a: '0', b: `m${feeds[1]?.at}`, ohm: 0.2 },
            ...loadA.map((amps, i) => ({
              kind: 'falling load' as const,
              name: `pixel ${i}`,
              plus: `p${i}`,
              minus: `m${i}`,
              amps,
              fullAboveV: 3.7,
            })),
            ...loadA.slice(1).flatMap((_, i) => [
              { kind: 'resistor' as const, name: `plus ${i}`, a: `p${i}`, b: `p${i + 1}`, ohm: 0.15 },
              { kind: 'resistor' as const, name: `minus ${i}`, a: `m${i}`, b: `m${i + 1}`, ohm: 0.15 },
            ]),
          ]);
          if (!solved.ok) throw new Error(solved.reason);
          loadA.forEach((_, i) => {
            const volts = (solved.voltageV.get(`p${i}`) ?? 0) - (solved.voltageV.get(`m${i}`) ?? 0);
            expect(Math.abs(volts - (ladder.voltageV[i] ?? 0))).toBeLessThan(1e-6);
          });
        },
      ),
      { seed: 4, numRuns: 60 },
    );
  });
  it('keeps charge: what the feeds give is what the loads take', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.04, noNaN: true }), { minLength: 1, maxLength: 80 }),
        fc.double({ min: 3, max: 6, noNaN: true }),
        (loadA, supplyV) => {
          const rail = loadA.map(() => 0.002);
          const solved = solveLadder({
            supplyV,
            plusOhm: rail,
            minusOhm: rail,
            loadA,
            feeds: [both(0, 0.025)],
            fullAboveV: 3.7,
          });
          const taken = loadA.reduce((sum, load, i) => sum + load * Math.min(1, (solved.voltageV[i] ?? 0) / 3.7), 0);
          expect(Math.abs(solved.totalA - taken)).toBeLessThan(1e-6);
        },
      ),
      { seed: 5 },
    );
  });
  it('never lowers a voltage by a further feed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 60 }), fc.integer({ min: 0, max: 59 }), (loads, at) => {
        const one = solveLadder(evenTape(loads, [both(0, 0.05)])).voltageV;
        const two = solveLadder(evenTape(loads, [both(0, 0.05), both(Math.min(at, loads - 1), 0.05)])).voltageV;
        one.forEach((volts, i) => {
          expect(two[i]).toBeGreaterThanOrEqual(volts - 1e-9);
        });
      }),
      { seed: 6 },
    );
  });

  it('with what each draws besides at any voltage: as the general solver on the same elements', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 0, max: 11 }),
        fc.double({ min: 3.2, max: 5.2, noNaN: true }),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        (count, at, supplyV, loadA) => {
          const feed = { at: at % count, rail: 'both' as const, leadOhm: 0.05 };
          const ladder: Ladder = {
            supplyV,
            plusOhm: new Array<number>(count).fill(0.03),
            minusOhm: new Array<number>(count).fill(0.02),
            loadA: new Array<number>(count).fill(loadA / count),
            steadyA: new Array<number>(count).fill(0.01 / count),
            feeds: [feed],
            fullAboveV: 3.4,
          };
          const solved = solveNetlist([
            { kind: 'voltage', name: 'supply', plus: 's', minus: '0', volts: supplyV },
            { kind: 'resistor', name: 'lead', a: 's', b: `p${feed.at}`, ohm: 0.05 },
            { kind: 'resistor', name: 'back', a: `m${feed.at}`, b: '0', ohm: 0.05 },
            ...Array.from({ length: count }, (_, i) => [
              {
                kind: 'current' as const,
                name: `rest ${i}`,
                from: `p${i}`,
                to: `m${i}`,
                amps: 0.01 / count,
              },
              {
                kind: 'falling load' as const,
                name: `pixel ${i}`,
                plus: `p${i}`,
                minus: `m${i}`,
                amps: loadA / count,
                fullAboveV: 3.4,
              },
              ...(i + 1 < count
                ? [
                    { kind: 'resistor' as const, name: `plus ${i}`, a: `p${i}`, b: `p${i + 1}`, ohm: 0.03 },
                    { kind: 'resistor' as const, name: `minus ${i}`, a: `m${i}`, b: `m${i + 1}`, ohm: 0.02 },
                  ]
                : []),
            ]).flat(),
          ]);
          if (!solved.ok) throw new Error(solved.reason);
          const ours = solveLadder(ladder);
          for (let i = 0; i < count; i += 1) {
            const theirs = (solved.voltageV.get(`p${i}`) ?? 0) - (solved.voltageV.get(`m${i}`) ?? 0);
            expect(ours.voltageV[i]).toBeCloseTo(theirs, 6);
          }
          expect(ours.totalA).toBeCloseTo(-(solved.currentA.get('supply') ?? 0), 6);
        },
      ),
      { seed: 17 },
    );
  });
});
