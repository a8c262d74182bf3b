import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { checkDesign } from '../findings/index.ts';
import type { Design, Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { isLive, tabulateStates } from './index.ts';

const at = (xMm: number) => ({ xMm, yMm: 20 });
const pack = (change: object = {}): Item =>
  itemOf('pack', { id: 'pack', name: 'Pack', at: at(10), part: 'pack-two-lithium-round', fuseA: 2, ...change });
const wall = (change: object = {}): Item =>
  itemOf('outside supply', { id: 'wall', name: 'Wall', at: at(20), part: 'supply-bench', volts: 8, ...change });
const main = itemOf('switch', { id: 'main', name: 'Main', at: at(40), feed: 'joint' });
const lamp = (feed: string): Item =>
  itemOf('light', {
    id: 'lamp',
    name: 'Lamp',
    feed,
    part: 'led-5mm-white',
    switchedBy: { way: 'always on' },
    places: [{ id: 'a', at: at(80), hollowId: null }],
  });
const joint = (by: 'switch' | 'diodes' | 'joined', change: object = {}): Item =>
  itemOf('changeover', { id: 'joint', name: 'Joint', at: at(30), feed: 'pack', other: 'wall', by, ...change });

const lookAt = (design: Design) => {
  const assessment = assess(design);
  const table = tabulateStates(design, assessment);
  const rows = table.states.map(({ positions, fedBy, troubles }) => ({
    at: positions.join(''),
    fed: (fedBy.get('main') ?? []).join('+'),
    troubles: troubles.map(({ kind }) => kind),
  }));
  return { table, rows, findings: checkDesign(design, assessment).map(({ rule }) => rule) };
};

describe('every position of switches and plugs', () => {
  it('a changeover switch: one feed or the other, never both', () => {
    const { table, rows, findings } = lookAt(circuitOf([pack(), wall(), joint('switch'), main, lamp('main')]));
    expect(table.levers.map(({ id, positions }) => `${id}: ${positions.join(', ')}`)).toEqual([
      'pack: in, out',
      'wall: in, out',
      'joint: on Pack, on Wall',
      'main: open, closed',
    ]);
    // By hand: main open is dark; closed, the throw says which, if that one is in.
    const fed = new Map(rows.map((row) => [row.at, row.fed]));
    expect(fed.get('0001')).toBe('pack');
    expect(fed.get('0011')).toBe('wall');
    expect(fed.get('1001')).toBe('');
    expect(fed.get('1011')).toBe('wall');
    expect(fed.get('0111')).toBe('');
    expect(rows.filter((row) => row.at.endsWith('0')).every((row) => row.fed === '')).toBe(true);
    expect(rows.flatMap(({ troubles }) => troubles)).toEqual([]);
    expect(findings).not.toContain('feeds-meet');
  });

  it('simply joined: with both in, one pushes into the other, which is a stop with two mends', () => {
    const design = circuitOf([pack(), wall(), joint('joined'), main, lamp('main')]);
    const { rows, findings } = lookAt(design);
    const meeting = rows.filter(({ troubles }) => troubles.includes('meet'));
    expect(meeting.map((row) => row.at)).toEqual(['000', '001']);
    expect(findings).toContain('feeds-meet');
    const finding = checkDesign(design, assess(design)).find(({ rule }) => rule === 'feeds-meet');
    expect(finding?.gravity).toBe('stop');
    expect(finding?.fixes.length).toBe(2);
  });

  it('a diode each: both may be in, and nothing flows back', () => {
    const { rows } = lookAt(circuitOf([pack(), wall(), joint('diodes'), main, lamp('main')]));
    expect(rows.find((row) => row.at === '001')).toEqual({ at: '001', fed: 'pack+wall', troubles: [] });
  });

  it('a supply joined behind a converter pushes into its output', () => {
    const design = circuitOf([
      pack(),
      wall({ volts: 5 }),
      itemOf('converter', { id: 'step', name: 'Step', at: at(25), part: 'buck-5v-3a', feed: 'pack' }),
      joint('joined', { feed: 'step' }),
      main,
      lamp('main'),
    ]);
    const { rows, findings } = lookAt(design);
    expect(rows.find((row) => row.at === '000')?.troubles).toEqual(['meet']);
    // The pack out: the supply meets an output that nothing feeds.
    expect(rows.find((row) => row.at === '100')?.troubles).toEqual(['backwards']);
    expect(findings).toContain('feeds-meet');
  });

  it('two feeds with a minus each: the second has no way back', () => {
    const design = circuitOf([pack(), wall({ minus: 'apart' }), joint('switch'), main, lamp('main')]);
    expect(lookAt(design).findings).toContain('feeds-apart');
  });
});

describe('what stands in for a pack', () => {
  it('gives no more than what hangs there bears, and no less than it wants', () => {
    const load = itemOf('load', { id: 'sound', name: 'Sound', at: at(60), part: 'load-sound-3w', feed: 'main' });
    const one = pack({ part: 'pack-lithium-round-3400' });
    const on = (volts: number) =>
      lookAt(circuitOf([one, wall({ volts }), joint('switch'), main, load])).findings.filter((rule) =>
        rule.startsWith('stand-in'),
      );
    // A sound module wants 3.2 to 5.5 V.
    expect(on(12)).toEqual(['stand-in-high']);
    expect(on(5)).toEqual([]);
    expect(on(3)).toEqual(['stand-in-low']);
  });

  it('gives what the height asks', () => {
    const motor = itemOf('load', {
      id: 'motor',
      name: 'Motor',
      at: at(60),
      part: 'load-any',
      feed: 'main',
      usualA: { likely: 2, spread: 0, origin: 'measured' },
      mostA: { likely: 2, spread: 0, origin: 'measured' },
    });
    const on = (part: string) =>
      lookAt(
        circuitOf([pack(), wall({ part, volts: part === 'supply-bench' ? 8 : null }), joint('switch'), main, motor]),
      ).findings.filter((rule) => rule.startsWith('stand-in'));
    expect(on('supply-port-0a5')).toEqual(['stand-in-weak']);
    expect(on('supply-bench')).toEqual([]);
  });
});

describe('against the whole circuit, solved in every state', () => {
  const anyTree = fc
    .record({
      by: fc.constantFrom('switch' as const, 'diodes' as const),
      before: fc.nat(2),
      behind: fc.nat(2),
      converted: fc.boolean(),
      packPart: fc.constantFrom('pack-two-lithium-round', 'pack-three-lithium-round'),
      wallV: fc.integer({ min: 7, max: 9 }),
    })
    .map(({ by, before, behind, converted, packPart, wallV }): Design => {
      const chain = (prefix: string, from: string, count: number): Item[] =>
        Array.from({ length: count }, (_, i) =>
          itemOf('switch', {
            id: `${prefix}${i}`,
            name: `${prefix} ${i}`,
            at: at(100 + i),
            feed: i === 0 ? from : `${prefix}${i - 1}`,
          }),
        );
      const lastOf = (prefix: string, from: string, count: number): string =>
        count === 0 ? from : `${prefix}${count - 1}`;
      const first = lastOf('s', 'pack', before);
      const end = lastOf('t', 'joint', behind);
      return circuitOf([
        pack({ part: packPart }),
        wall({ volts: wallV }),
        ...chain('s', 'pack', before),
        joint(by, { feed: first }),
        ...chain('t', 'joint', behind),
        ...(converted
          ? [itemOf('converter', { id: 'step', name: 'Step', at: at(150), part: 'buck-5v-3a', feed: end })]
          : []),
        lamp(converted ? 'step' : end),
      ]);
    });

  it('a rail has a voltage where the walk says that something feeds it, and none elsewhere', () => {
    fc.assert(
      fc.property(anyTree, (design) => {
        const assessment = assess(design);
        const { levers, states } = tabulateStates(design, assessment);
        const railId = assessment.consumers[0]?.railId ?? '';
        const rail = assessment.rails.byId.get(railId);
        for (const state of states) {
          const moved = (kind: string) =>
            levers.flatMap((each, i) => (each.kind === kind && state.positions[i] === 1 ? [each.id] : []));
          const closed = new Set(moved('switch'));
          const network = drawNetwork(design, assessment, {
            charge: 1,
            moodId: null,
            openIds: levers.flatMap(({ kind, id }) => (kind === 'switch' && !closed.has(id) ? [id] : [])),
            awayIds: moved('plug'),
            otherIds: moved('changeover'),
          });
          const solution = solveNetlist(network.netlist);
          const node = network.nodes.find(({ ports }) =>
            ports.some((port) => port.item === railId && port.port === rail?.ports.plus),
          );
          const volts = node?.isFed && solution.ok ? (solution.voltageV.get(node.id) ?? 0) : 0;
          expect(solution.ok ? '' : solution.reason).toBe('');
          expect(volts > 0.5, `${state.positions.join('')}: ${volts} V`).toBe(isLive(state, railId));
        }
      }),
      { seed: 12, numRuns: 40 },
    );
  }, 60_000);
});

describe('a switch of two poles', () => {
  const second = itemOf('pack', { id: 'second', name: 'Second', at: at(110), part: 'pack-three-aa-nimh', fuseA: 1 });
  const poles = (change: object = {}): Design =>
    circuitOf([
      pack(),
      second,
      itemOf('switch', { id: 'first', name: 'First', at: at(40), feed: 'pack' }),
      itemOf('switch', { id: 'pole', name: 'Pole', at: at(40), feed: 'second', with: 'first', ...change }),
      lamp('first'),
      itemOf('light', {
        id: 'other',
        name: 'Other',
        feed: 'pole',
        part: 'led-5mm-red',
        switchedBy: { way: 'always on' },
        places: [{ id: 'a', at: at(140), hollowId: null }],
      }),
    ]);

  it('one lever, two states: both rails live, or both dark; and so in the exact network', () => {
    const design = poles();
    const assessment = assess(design);
    const { levers, states } = tabulateStates(design, assessment);
    expect(levers.map(({ id, ids }) => [id, ids])).toEqual([['first', ['first', 'pole']]]);
    expect(states.map(({ fedBy }) => [...(fedBy.get('first') ?? []), ...(fedBy.get('pole') ?? [])])).toEqual([
      [],
      ['pack', 'second'],
    ]);
    for (const openIds of [['first'], ['pole']]) {
      const solved = solveNetlist(drawNetwork(design, assessment, { charge: 1, moodId: null, openIds }).netlist);
      if (!solved.ok) throw new Error('no solution');
      for (const source of ['pack', 'second'])
        expect(Math.abs(solved.currentA.get(`${source}: open voltage`) ?? 1)).toBeLessThan(1e-6);
    }
  });

  it('is bought as one switch with a pole more, of one kind', () => {
    const { shopping } = assess(poles());
    const names = shopping.map(({ name }) => usualPrinter.message(name));
    expect(names.filter((name) => /switch/i.test(name))).toHaveLength(2);
    expect(names).toContain('One pole more on a switch of several');
    expect(lookAt(poles({ part: 'switch-rocker-6a' })).findings).toContain('poles-differ');
    expect(lookAt(poles()).findings).not.toContain('poles-differ');
  });
});
