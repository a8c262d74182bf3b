import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../tests/anyDesign.ts';
import { anyWholeDesign } from '../../tests/wholeDesign.ts';
import { type Assessment, assess, type SupplyAssessment } from '../assess.ts';
import { type Element, type Netlist, type NetlistSolution, nodesOf, solveNetlist } from '../circuit/index.ts';
import { exportNetlist, usualCondition } from '../exports/index.ts';
import { checkDesign } from '../findings/index.ts';
import { itemsOf, waysOf } from '../items/index.ts';
import { Joined, unlitOverPin } from '../network/index.ts';
import { createPlan, type Design, type Plan } from '../plan/index.ts';
import { readPlanText } from '../plan/reading.ts';
import { type Operation, operate } from '../power/index.ts';
import { type Condition, drawNetwork, type ExactNetwork } from './index.ts';

const demoFolder = new URL('../../../demo/', import.meta.url).pathname;
const demos = readdirSync(demoFolder).map((name): [string, Plan] => {
  const read = readPlanText(readFileSync(join(demoFolder, name), 'utf8'));
  if (!read.ok) throw new Error(name);
  return [name.replace('.glimmer.json', ''), read.plan];
});
const folder = mkdtempSync(join(tmpdir(), 'glimmer-netlist-'));
const planOf = (design: Design): Plan =>
  createPlan({ id: '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a02', name: 'Any', design });

/** At its height half full, dark and full, nearly empty with the first switch open. */
function conditionsOf(design: Design, assessment: Assessment): Condition[] {
  const { moodId } = usualCondition(assessment);
  const [first] = itemsOf(design, 'switch');
  return [
    { charge: 0.5, moodId, openIds: [] },
    { charge: 1, moodId: null, openIds: [] },
    { charge: 0.1, moodId, openIds: first ? [first.id] : [] },
  ];
}

/** What the general simulator makes of the text as it stands: null = it finds no operating point, or the text says so. */
function simulate(text: string): ReadonlyMap<string, number> | null {
  const file = join(folder, 'network.cir');
  writeFileSync(file, text);
  const { stdout } = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' });
  const volts = new Map([...stdout.matchAll(/^v\((n\d+)\) = (\S+)/gm)].map(([, node = '', v]) => [node, Number(v)]));
  return volts.size === 0 || /^no solution/m.test(stdout) ? null : volts;
}

/** Nodes that differ by more than a thousandth and a millivolt; nets without a way to a source have no voltage. */
/** Less than this is what a meter takes by itself. */
const NOTHING_A = 1e-9;

/**
 * Places between dark lights of a string: wires between lights through which next to nothing flows. What voltage they
 * have hangs on the last picoampere, of which each program has its own opinion.
 */
function betweenDarkLights({ netlist }: ExactNetwork, currentA: ReadonlyMap<string, number>): ReadonlySet<string> {
  const wires = new Joined();
  for (const element of netlist) if (element.kind === 'resistor') wires.join(element.a, element.b);
  const isDark = (element: Element): boolean =>
    element.kind === 'diode' && Math.abs(currentA.get(element.name) ?? 1) < NOTHING_A;
  const others = new Set(
    netlist.flatMap((element) =>
      element.kind === 'resistor' || isDark(element) ? [] : nodesOf(element).map((node) => wires.find(node)),
    ),
  );
  others.add(wires.find('0'));
  return new Set(nodesOfAll(netlist).filter((node) => !others.has(wires.find(node))));
}

const nodesOfAll = (netlist: Netlist): string[] => netlist.flatMap((element) => [...nodesOf(element)]);

const differing = (network: ExactNetwork, ours: Solved, theirs: ReadonlyMap<string, number>) => {
  const dark = betweenDarkLights(network, ours.currentA);
  return network.nodes.flatMap(({ id, isFed, net }) => {
    const [a = 0, b = Number.NaN] = [ours.voltageV.get(id), theirs.get(id)];
    return id === '0' || !isFed || dark.has(id) || Math.abs(a - b) <= Math.max(1e-3, 1e-3 * Math.abs(a))
      ? []
      : [`${id} ${net?.name}: ${a} V here, ${b} V there`];
  });
};

/** Compares one plan with the simulator in all three conditions. */
function compare(plan: Plan, assessment: Assessment): void {
  for (const condition of conditionsOf(plan.design, assessment)) {
    const network = drawNetwork(plan.design, assessment, condition);
    const ours = solveNetlist(network.netlist);
    const theirs = simulate(exportNetlist(plan, assessment, condition));
    // Of what holds no piece at all a simulator says nothing.
    if (network.nodes.length < 2 || network.netlist.length === 0) continue;
    expect(theirs !== null, ours.ok ? 'there is a solution' : ours.reason).toBe(ours.ok);
    if (ours.ok && theirs) expect(differing(network, ours, theirs)).toEqual([]);
  }
}

describe('the netlist of a plan in a general circuit simulator', () => {
  it.each(demos)('%s: every net within a thousandth', (_name, plan) => compare(plan, assess(plan.design)));
  it('fifty plans of any kind, in three conditions each, floating nets left out', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const assessment = assess(design);
        compare(planOf(design), assessment);
      }),
      { numRuns: 50, seed: 8, endOnFailure: true },
    );
  }, 240_000);
});

type Solved = Extract<NetlistSolution, { ok: true }>;

/** Current out of a source. */
const givenA = (solution: Solved, sourceId: string): number =>
  -(solution.currentA.get(`${sourceId}: open voltage`) ?? 0);

/** Plans of which a stop says that they can't be built so: what the tree makes of them matters to nobody. */
const isOdd = (design: Design, assessment: Assessment): boolean =>
  design.items.some((item) => waysOf(item).some((way) => way.way === 'box' && way.output > 3)) ||
  // A chip that is fed backwards through its pins, or whose pin feeds a motor.
  checkDesign(design, assessment).some(({ id }) => id.startsWith('clamp:') || id.startsWith('glows-unlit:')) ||
  design.items.some((item) => item.kind === 'load' && item.switchedBy.way.startsWith('pin'));

/** Whether a switching converter has less before it than it works from. */
const isStarved = ({ tree }: SupplyAssessment, { nodes }: Operation): boolean =>
  tree.nodes.some(
    ({ converter }, i) =>
      converter !== null && converter.topology !== 'linear' && (nodes[i]?.inV ?? 0) < converter.inputLeastV,
  );

/** A light between two rails keeps what is left between them; the trees know it at their usual voltages only. */
const leftBetweenRails = ({ driven, rails }: Assessment): number =>
  driven.reduce((sum, each) => {
    if (each.board === null || each.board.railId === each.railId) return sum;
    const boardV = rails.byId.get(each.board.railId ?? '')?.range?.leastV ?? 0;
    const lights = each.lightsOnChannel.reduce((all, count) => all + count, 0);
    return sum + lights * (unlitOverPin(each, each.feed.mostV, boardV)?.drivenHighA ?? 0);
  }, 0);

function compareReduced(design: Design, assessment: Assessment): void {
  for (const { charge, moodId } of conditionsOf(design, assessment)) {
    const network = drawNetwork(design, assessment, { charge, moodId, openIds: [] });
    const exact = solveNetlist(network.netlist);
    for (const supply of assessment.supplies) {
      const draws = moodId === null ? supply.dark : (supply.moodPeaks.get(moodId) ?? supply.dark);
      const reduced = operate(supply.tree, charge, draws);
      const holds = !reduced.collapses && !isStarved(supply, reduced);
      if (assessment.supplies.length === 1) expect(holds).toBe(exact.ok);
      if (!exact.ok || !holds) continue;
      const exactA = givenA(exact, supply.rail.id);
      const most = 0.001 * Math.abs(exactA) + leftBetweenRails(assessment) + 1e-6;
      expect(Math.abs(reduced.packA - exactA), `${reduced.packA} A for ${exactA} A`).toBeLessThan(most);
    }
  }
}

describe('the network by trees and ladders, held to the exact one', () => {
  it.each(demos)('%s: what each source gives, within a thousandth', (_name, plan) =>
    compareReduced(plan.design, assess(plan.design)),
  );
  it('plans of any kind that can be built', () => {
    fc.assert(
      fc.property(anyWholeDesign, (design) => {
        const assessment = assess(design);
        if (assessment.needs.length === 0 && !isOdd(design, assessment)) compareReduced(design, assessment);
      }),
      { numRuns: 150, seed: 12, endOnFailure: true },
    );
  }, 240_000);
});

describe('the exact solution', () => {
  const ofPlan = (design: Design) => {
    const assessment = assess(design);
    return conditionsOf(design, assessment).map((condition) => drawNetwork(design, assessment, condition));
  };
  it('balances: what sources give is what all else takes, and nothing else gives', () => {
    const balance = (network: ExactNetwork): void => {
      const solved = solveNetlist(network.netlist);
      if (!solved.ok) return;
      const givers = new Set(network.netlist.flatMap(({ kind, name }) => (kind === 'voltage' ? [name] : [])));
      const watts = [...solved.powerW];
      const moved = watts.reduce((sum, [, power]) => sum + Math.abs(power), 0);
      expect(Math.abs(watts.reduce((sum, [, power]) => sum + power, 0))).toBeLessThan(1e-6 * Math.max(0.1, moved));
      for (const [name, power] of watts) if (!givers.has(name)) expect(power, name).toBeGreaterThan(-1e-7);
    };
    for (const [, plan] of demos) ofPlan(plan.design).forEach(balance);
    fc.assert(
      fc.property(anyDesign, (design) => {
        // A chip that is fed backwards through its pins gives what it should take.
        if (!isOdd(design, assess(design))) ofPlan(design).forEach(balance);
      }),
      { numRuns: 20, seed: 3, endOnFailure: true },
    );
  }, 240_000);
  it('scales: resistances halved and lights doubled, twice the current flows at the same voltages', () => {
    for (const [name, plan] of demos) {
      const [network] = ofPlan(plan.design);
      if (!network) continue;
      const one = solveNetlist(network.netlist);
      const two = solveNetlist(
        network.netlist.map((element) => {
          switch (element.kind) {
            case 'resistor':
              return { ...element, ohm: element.ohm / 2 };
            case 'diode': {
              const { nVtV, saturationA, seriesOhm } = element.curve;
              return { ...element, curve: { nVtV, saturationA: 2 * saturationA, seriesOhm: seriesOhm / 2 } };
            }
            case 'current':
            case 'falling load':
              return { ...element, amps: 2 * element.amps };
            case 'converter':
              return { ...element, idleA: 2 * element.idleA, law: { ...element.law, fullA: 2 * element.law.fullA } };
            case 'regulator':
              return { ...element, idleA: 2 * element.idleA };
            default:
              return element;
          }
        }),
      );
      expect(one.ok, name).toBe(two.ok);
      if (!one.ok || !two.ok) continue;
      for (const { rail } of assess(plan.design).supplies)
        expect(givenA(two, rail.id) / givenA(one, rail.id)).toBeCloseTo(2, 6);
    }
  });
  it('the lamp of the mooring float by hand: 4.2 V, 100 Ω and 0.35 Ω of cell are about 11.8 mA', () => {
    const plan = demos.find(([name]) => name === 'mooring-float')?.[1];
    if (!plan) throw new Error('the mooring float');
    const [, full] = ofPlan(plan.design);
    const solved = full && solveNetlist(full.netlist);
    if (!solved?.ok) throw new Error('no operating point');
    const [source] = assess(plan.design).supplies;
    // (4.2 − 2.98) V / (100 + 0.4 + wire) Ω, with 2.98 V across the white light at 12 mA.
    expect(givenA(solved, source?.rail.id ?? '') * 1000).toBeGreaterThan(11);
    expect(givenA(solved, source?.rail.id ?? '') * 1000).toBeLessThan(12.6);
  });
  it('an open switch leaves nothing that flows, and says of what hangs behind it that it has no source', () => {
    const plan = demos.find(([name]) => name === 'mooring-float')?.[1];
    if (!plan) throw new Error('the mooring float');
    const [, , open] = ofPlan(plan.design);
    const solved = open && solveNetlist(open.netlist);
    if (!solved?.ok) throw new Error('no operating point');
    const [source] = assess(plan.design).supplies;
    expect(Math.abs(givenA(solved, source?.rail.id ?? ''))).toBeLessThan(1e-9);
    expect(open?.nodes.filter((node) => !node.isFed).map((node) => node.net?.name)).toEqual(
      expect.arrayContaining([expect.stringContaining('switched plus')]),
    );
  });
});
