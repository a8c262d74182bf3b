import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Element, solveNetlist } from '../circuit/index.ts';
import { efficiencyLaw } from '../items/index.ts';
import { builtInLibrary, type ConverterPart, findPart } from '../parts/index.ts';
import { type Draws, operate, type RailLaw, type SharedReturns, type SupplyNode, type SupplyTree } from './index.ts';

const converterOf = (id: string): ConverterPart => {
  const part = findPart(builtInLibrary, 'converter', id);
  if (!part) throw new Error(`${id} is in the catalogue`);
  return part;
};
const converters = ['boost-5v-3a', 'buck-5v-3a', 'buck-3v3-1a', 'linear-5v-1a', 'linear-3v3-0a25'].map(converterOf);
const node = (parent: number, ohm: number, converter: ConverterPart | null = null): SupplyNode => ({
  id: '',
  name: '',
  parent,
  ohm,
  converter,
  brownOutV: 0,
});
const steady = (...amps: number[]): Draws => amps.map((steadyA) => ({ steadyA, shaped: [] }));
const treeOf = (volts: number, nodes: readonly SupplyNode[], returns: SharedReturns | null = null): SupplyTree => ({
  source: { kind: 'steady', volts, ohm: 0 },
  nodes,
  main: nodes.length - 1,
  links: [],
  returns,
});

describe('a tree of rails, by hand', () => {
  it('12 V behind 0.5 Ω, and 1 Ω further on: 1 A and 2 A leave 10.5 V and 8.5 V', () => {
    const { nodes, packA } = operate(treeOf(12, [node(-1, 0.5), node(0, 1)]), 1, steady(1, 2));
    expect(packA).toBeCloseTo(3, 9);
    expect(nodes[0]?.outV).toBeCloseTo(10.5, 9);
    expect(nodes[1]?.outV).toBeCloseTo(8.5, 9);
  });

  it('a lamp of 10 Ω behind 2 Ω on 12 V takes 1 A', () => {
    const lamp: RailLaw = (railV, [share = 0]) => (share * railV) / 10;
    const draws: Draws = [{ steadyA: 0, shaped: [{ law: lamp, shares: [1] }] }];
    expect(operate(treeOf(12, [node(-1, 2)]), 1, draws).packA).toBeCloseTo(1, 9);
  });

  it('nothing drawn behind anything: every rail has the open voltage, and a way without use does no harm', () => {
    const { nodes, packA } = operate(treeOf(7, [node(-1, 0.3), node(0, 5), node(1, 9)]), 1, steady(0, 0, 0));
    expect(packA).toBe(0);
    expect(nodes.map(({ outV }) => outV)).toEqual([7, 7, 7]);
  });

  it('a linear regulator passes its current on and takes its own besides; below its drop-out the rail follows', () => {
    const part = converterOf('linear-5v-1a');
    const tree = (volts: number): SupplyTree => treeOf(volts, [node(-1, 0), node(0, 0, part)]);
    const held = operate(tree(9), 1, steady(0, 0.4));
    expect(held.nodes[1]).toMatchObject({ outV: 5 });
    expect(held.packA).toBeCloseTo(0.4 + part.idleA, 9);
    const low = part.inputLeastV - 0.5;
    const fallen = operate(tree(low), 1, steady(0, 0.4));
    expect(fallen.nodes[1]?.outV).toBeCloseTo(low - (part.inputLeastV - part.outputV), 9);
    expect(fallen.dropsOut).toBe(true);
  });

  it('a shared way back: two loads of 1 A at one hub lose twice what one loses', () => {
    // Minus of both by one core of 0.1 Ω, plus by 0.2 Ω each: 12 − 0.2 − 0.2 V at both.
    const both = [new Float64Array([0, 0, 0]), new Float64Array([0, 0.1, 0.1]), new Float64Array([0, 0.1, 0.1])];
    const none = both.map(() => new Float64Array(3));
    const returns: SharedReturns = { intoOhm: both, fromOhm: none };
    const tree = treeOf(12, [node(-1, 0), node(0, 0.2), node(0, 0.2)], returns);
    const { nodes } = operate(tree, 1, steady(0, 1, 1));
    expect(nodes[1]?.outV).toBeCloseTo(11.6, 6);
    expect(nodes[2]?.outV).toBeCloseTo(11.6, 6);
    const one = operate(tree, 1, steady(0, 1, 0));
    expect(one.nodes[1]?.outV).toBeCloseTo(11.7, 6);
    // At the one that draws nothing minus is lifted all the same.
    expect(one.nodes[2]?.outV).toBeCloseTo(11.9, 6);
  });
});

interface RandomTree {
  readonly volts: number;
  readonly nodes: readonly SupplyNode[];
  readonly amps: readonly number[];
  readonly lampS: readonly number[];
}

/** Trees of up to six rails: each hangs on one before it, some behind a converter. */
const anyTree: fc.Arbitrary<RandomTree> = fc
  .tuple(
    fc.double({ min: 4, max: 20, noNaN: true }),
    fc.array(
      fc.record({
        parent: fc.nat(5),
        ohm: fc.double({ min: 0.001, max: 0.4, noNaN: true }),
        converter: fc.option(fc.constantFrom(...converters), { freq: 2 }),
        amps: fc.double({ min: 0, max: 0.15, noNaN: true }),
        lampS: fc.double({ min: 0, max: 0.02, noNaN: true }),
      }),
      { minLength: 1, maxLength: 6 },
    ),
  )
  .map(([volts, drafts]) => ({
    volts,
    nodes: drafts.map(({ parent, ohm, converter }, i) => (i === 0 ? node(-1, ohm) : node(parent % i, ohm, converter))),
    amps: drafts.map(({ amps }) => amps),
    lampS: drafts.map(({ lampS }) => lampS),
  }));

const lampOf =
  (siemens: number): RailLaw =>
  (railV, [share = 0]) =>
    share * siemens * railV;
const drawsOf = ({ amps, lampS }: RandomTree): Draws =>
  amps.map((steadyA, i) => ({ steadyA, shaped: [{ law: lampOf(lampS[i] ?? 0), shares: [1] }] }));

/** The same tree as elements for the general solver. */
function elementsOf({ volts, nodes, amps, lampS }: RandomTree): Element[] {
  return [
    { kind: 'voltage', name: 'source', plus: 'source', minus: '0', volts },
    ...nodes.flatMap(({ parent, ohm, converter }, i): Element[] => {
      const before = parent < 0 ? 'source' : `rail ${parent}`;
      const rail = `rail ${i}`;
      const input = converter ? `in ${i}` : rail;
      const way: Element = { kind: 'resistor', name: `way ${i}`, a: before, b: input, ohm };
      const loads: Element[] = [
        { kind: 'current', name: `load ${i}`, from: rail, to: '0', amps: amps[i] ?? 0, leastV: 0 },
        ...(lampS[i] ? [{ kind: 'resistor' as const, name: `lamp ${i}`, a: rail, b: '0', ohm: 1 / lampS[i] }] : []),
      ];
      if (!converter) return [way, ...loads];
      if (converter.topology === 'linear')
        return [
          way,
          ...loads,
          {
            kind: 'regulator',
            name: `regulator ${i}`,
            input,
            output: rail,
            minus: '0',
            volts: converter.outputV,
            dropOutV: converter.inputLeastV - converter.outputV,
            idleA: converter.idleA,
          },
        ];
      return [
        way,
        ...loads,
        {
          kind: 'converter',
          name: `converter ${i}`,
          inPlus: input,
          inMinus: '0',
          outPlus: rail,
          outMinus: '0',
          volts: converter.outputV,
          idleA: converter.idleA,
          leastV: converter.inputLeastV,
          law: efficiencyLaw(converter),
        },
      ];
    }),
  ];
}

/** Rails at the end of their drop-out are told of alike by both, but found by another path. */
const isAtRest = ({ nodes }: RandomTree, states: readonly { readonly inV: number }[]): boolean =>
  nodes.every(({ converter }, i) => converter === null || (states[i]?.inV ?? 0) > converter.inputLeastV);

describe('any tree of rails', () => {
  it('has the voltages and the current that the general solver finds for the same elements', () => {
    let compared = 0;
    fc.assert(
      fc.property(anyTree, (random) => {
        const reduced = operate(treeOf(random.volts, random.nodes), 1, drawsOf(random));
        if (reduced.collapses || !isAtRest(random, reduced.nodes)) return;
        const exact = solveNetlist(elementsOf(random));
        if (!exact.ok) throw new Error(exact.reason);
        compared += 1;
        expect(reduced.packA).toBeCloseTo(-(exact.currentA.get('source') ?? 0), 6);
        for (const [i, { outV }] of reduced.nodes.entries())
          expect(outV).toBeCloseTo(exact.voltageV.get(`rail ${i}`) ?? Number.NaN, 5);
      }),
      { numRuns: 300, seed: 41 },
    );
    expect(compared).toBeGreaterThan(100);
  });

  it('keeps its power: what the source gives is what loads and lamps take, ways and converters lose', () => {
    fc.assert(
      fc.property(anyTree, (random) => {
        const { nodes, packA, lossW, collapses } = operate(treeOf(random.volts, random.nodes), 1, drawsOf(random));
        if (collapses) return;
        const taken = nodes.reduce((sum, { outV, ownA }) => sum + outV * ownA, 0);
        const ways = nodes.reduce((sum, { inA }, i) => sum + inA * inA * (random.nodes[i]?.ohm ?? 0), 0);
        expect(random.volts * packA).toBeCloseTo(taken + ways + lossW, 5);
      }),
      { numRuns: 300, seed: 42 },
    );
  });

  it('sags further wherever more is drawn from it, and never rises', () => {
    fc.assert(
      fc.property(anyTree, fc.nat(5), (random, which) => {
        const tree = treeOf(random.volts, random.nodes);
        const at = which % random.nodes.length;
        const more = { ...random, amps: random.amps.map((amps, i) => (i === at ? amps + 0.02 : amps)) };
        const [before, after] = [operate(tree, 1, drawsOf(random)), operate(tree, 1, drawsOf(more))];
        if (before.collapses || after.collapses) return;
        for (const [i, { outV }] of after.nodes.entries())
          expect(outV).toBeLessThanOrEqual((before.nodes[i]?.outV ?? 0) + 1e-6);
        expect(after.packA).toBeGreaterThan(before.packA - 1e-6);
      }),
      { numRuns: 300, seed: 43 },
    );
  });
});
