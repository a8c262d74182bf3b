import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { type Assessment, assess, type SupplyAssessment } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { solveNetlist } from '../circuit/index.ts';
import { itemsOf } from '../items/index.ts';
import type { Plan } from '../plan/index.ts';
import { readPlanText } from '../plan/reading.ts';
import { operate } from '../power/index.ts';
import { type Condition, drawNetwork } from './index.ts';

const demoFolder = new URL('../../../demo/', import.meta.url).pathname;
const demos = readdirSync(demoFolder).map((name): [string, Plan] => {
  const read = readPlanText(readFileSync(join(demoFolder, name), 'utf8'));
  if (!read.ok) throw new Error(name);
  return [name.replace('.glimmer.json', ''), read.plan];
});

/** How full a pack is at the bench, by its cards. */
const BENCH_CHARGE = 0.8;

/** The exact network of a plan in a condition: volts between two ports, and what flows out of each source. */
function solve(plan: Plan, assessment: Assessment, condition: Condition) {
  const network = drawNetwork(plan.design, assessment, condition);
  const solved = solveNetlist(network.netlist);
  if (!solved.ok) throw new Error(`${plan.name}: ${solved.reason}`);
  const voltsAt = (item: string, port: string): number => {
    const node = network.nodes.find(({ ports }) => ports.some((each) => each.item === item && each.port === port));
    return node === undefined ? Number.NaN : node.id === '0' ? 0 : (solved.voltageV.get(node.id) ?? Number.NaN);
  };
  return {
    between: (item: string, plus: string, minus: string) => voltsAt(item, plus) - voltsAt(item, minus),
    gives: ({ rail }: SupplyAssessment) => -(solved.currentA.get(`${rail.id}: open voltage`) ?? 0),
  };
}

describe('what a bench card says to expect', () => {
  it.each(demos)('%s: with all lights dark it is what the exact network draws', (_name, plan) => {
    const assessment = assess(plan.design);
    const steps = listSteps(plan.design, assessment).filter(({ id }) => id.startsWith('rest-current'));
    for (const supply of assessment.supplies) {
      const own = supply === assessment.supplies[0] ? 'rest-current' : `rest-current:${supply.rail.id}`;
      const step = steps.find(({ id }) => id === own);
      if (!step?.expect) continue;
      const drawnA = solve(plan, assessment, { charge: BENCH_CHARGE, moodId: null, openIds: [] }).gives(supply);
      // A card’s band is wider than the exact and the reduced way differ: the reading is in its middle.
      expect(drawnA).toBeGreaterThan(step.expect.low);
      expect(drawnA).toBeLessThan(step.expect.high);
      expect(Math.abs(drawnA / step.expect.likely - 1)).toBeLessThan(0.01);
    }
  });

  it.each(demos)('%s: with a switch open nothing flows behind it', (_name, plan) => {
    const assessment = assess(plan.design);
    for (const { id } of itemsOf(plan.design, 'switch')) {
      const step = listSteps(plan.design, assessment).find((each) => each.id === `open:${id}`);
      if (!step?.expect) continue;
      const network = drawNetwork(plan.design, assessment, { charge: BENCH_CHARGE, moodId: null, openIds: [id] });
      const solved = solveNetlist(network.netlist);
      if (!solved.ok) throw new Error(solved.reason);
      for (const [name, amps] of solved.currentA)
        if (name.startsWith(`${id}:`)) expect(Math.abs(amps)).toBeLessThanOrEqual(step.expect.high);
    }
  });

  it.each(demos)('%s: each mood at its height is what the exact network draws', (_name, plan) => {
    const assessment = assess(plan.design);
    const steps = listSteps(plan.design, assessment);
    let compared = 0;
    for (const mood of assessment.moods)
      for (const supply of assessment.supplies) {
        const isFirst = supply === assessment.supplies[0];
        const step = steps.find(
          ({ id }) => id === (isFirst ? `mood:${mood.moodId}` : `mood:${mood.moodId}:${supply.rail.id}`),
        );
        // What the program cuts back is not lit as it is set.
        if (!step?.expect || mood.limited) continue;
        const drawnA = solve(plan, assessment, { charge: BENCH_CHARGE, moodId: mood.moodId, openIds: [] }).gives(
          supply,
        );
        expect(Math.abs(drawnA / step.expect.likely - 1)).toBeLessThan(0.01);
        compared += 1;
      }
    expect(compared + Number(assessment.moods.every(({ limited }) => limited !== null)) > 0 || steps.length > 0).toBe(
      true,
    );
  });
});

describe('the volts that the trees give', () => {
  /** Where a rail arrives: at what gives it, or at the board that it feeds. */
  const placesOf = (assessment: Assessment, supply: SupplyAssessment) => [
    ...assessment.rails.list
      .filter(({ sourceId, ports }) => sourceId === supply.rail.id && ports.minus !== null)
      .map((rail) => ({ key: rail.id, item: rail.id, plus: rail.ports.plus, minus: rail.ports.minus ?? '' })),
    ...assessment.boards.map(({ id, railId }) => ({
      key: `${id} on ${railId}`,
      item: id,
      plus: 'plus in',
      minus: 'minus',
    })),
  ];

  /** Each rail and board that both know in a condition: by the trees, and exactly. */
  function compare(plan: Plan, assessment: Assessment, condition: Condition): [string, number, number][] {
    const exact = solve(plan, assessment, condition);
    const { moodId, charge } = condition;
    return assessment.supplies.flatMap((supply) => {
      const draws = moodId === null ? supply.dark : (supply.moodPeaks.get(moodId) ?? supply.dark);
      const reduced = operate(supply.tree, charge, draws);
      return placesOf(assessment, supply).flatMap(({ key, item, plus, minus }): [string, number, number][] => {
        const state = reduced.nodes[supply.laid.nodeOf.get(key) ?? -1];
        const volts = exact.between(item, plus, minus);
        return state && !Number.isNaN(volts) ? [[key, state.outV, volts]] : [];
      });
    });
  }

  it.each(demos)(
    '%s: at each rail and each board they are those of the exact network, within a millivolt',
    (_name, plan) => {
      const assessment = assess(plan.design);
      const moods = [null, ...assessment.moods.map((mood) => mood.moodId)];
      const conditions = [1, 0.8, 0.5].flatMap((charge) =>
        moods.map((moodId): Condition => ({ charge, moodId, openIds: [] })),
      );
      const compared = conditions.flatMap((condition) => compare(plan, assessment, condition));
      expect(compared.length).toBeGreaterThan(0);
      for (const [key, reducedV, exactV] of compared)
        expect(Math.abs(reducedV - exactV), `${key}: ${reducedV} V, exactly ${exactV} V`).toBeLessThan(1e-3);
    },
  );
});
