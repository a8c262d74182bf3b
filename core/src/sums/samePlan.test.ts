import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess.ts';
import { checkDesign, fusesFor, guardedBy } from '../findings/index.ts';
import { openCircuitVoltageV, packResistanceOhm } from '../items/index.ts';
import { builtInLibrary, chargers, findPart, stateFigure } from '../parts/index.ts';
import { createPlan, type Design, emptyDesign } from '../plan/index.ts';
import { readPlan } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';
import { type Answer, answerSum, findSum } from './index.ts';
import { askOfField } from './ofFields.ts';
import { freshItem } from './piece.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** A sum asked, and the plan that it was put into: as the server would keep it. */
function askAndPut(name: string, given: Readonly<Record<string, unknown>>) {
  const sum = findSum(name);
  const answered = sum && answerSum(sum, given, usualPrinter);
  if (!sum || !answered?.ok || !sum.intoDesign) throw new Error(`${name}: ${JSON.stringify(answered)}`);
  let ids = 0;
  const design = sum.intoDesign(emptyDesign, answered.answer.values, () => `n${++ids}`);
  const read = readPlan(createPlan({ id: '0b0c1f5e-7a31-4c2e-9a55-3f6d1c2b7a00', name: 'Of a sum', design }));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return { answer: answered.answer, design: read.plan.design, assessment: assess(read.plan.design) };
}

const figureOf = ({ results }: Answer, key: string): number | null => {
  const found = results.find((each) => each.key === key);
  return found?.form === 'figure' ? found.value : null;
};

/** Rules that told of an item, without those that ask what a bare sum does not say. */
const toldOf = (design: Design, assessment: ReturnType<typeof assess>, about: readonly string[]): readonly string[] =>
  [
    ...new Set(
      checkDesign(design, assessment)
        .filter((each) => each.aboutId !== null && about.includes(each.aboutId))
        .map(({ rule }) => rule),
    ),
  ].sort();

/** What only a sum says of itself. */
const ofSums = ['assumed', 'printed-voltage', 'leg-rule', 'has-one-inside', 'double-resistor'];
const toldBy = ({ findings }: Answer): readonly string[] =>
  [...new Set(findings.map(({ id }) => id))].filter((id) => !ofSums.includes(id) && !id.startsWith('unusual')).sort();

const itemOf = (design: Design, kind: string) => {
  const found = design.items.find((item) => item.kind === kind);
  if (!found) throw new Error(`no ${kind}`);
  return found;
};

function answerOf(name: string, given: Readonly<Record<string, unknown>>): Answer {
  const sum = findSum(name);
  const answered = sum && answerSum(sum, given, usualPrinter);
  if (!answered?.ok) throw new Error(`${name}: ${JSON.stringify(answered)}`);
  return answered.answer;
}

/** A pack and one load, a hand’s breadth to an arm’s length apart, with one gauge for all runs. */
function packAndLoad(said: {
  readonly pack: string;
  readonly loadA: number;
  readonly fuseA: number | null;
  readonly gaugeAwg: number;
  readonly lengthMm: number;
}): Design {
  const stated = stateFigure(said.loadA, 'measured');
  return {
    ...emptyDesign,
    wires: { ...emptyDesign.wires, gaugesInStock: [said.gaugeAwg] },
    items: [
      freshItem('pack', { id: 'p', name: 'Pack', at: { xMm: 0, yMm: 0 }, part: said.pack, fuseA: said.fuseA }),
      freshItem('load', {
        id: 'l',
        name: 'Load',
        at: { xMm: said.lengthMm, yMm: 0 },
        part: 'load-any',
        restA: stateFigure(0, 'measured'),
        usualA: stated,
        mostA: stated,
        startA: stated,
      }),
    ],
  };
}

const packAtRestV = (assessment: ReturnType<typeof assess>): number => {
  const nominalV = assessment.supply?.rail.range?.nominalV;
  if (nominalV === undefined) throw new Error('no pack');
  return nominalV;
};

describe('a sum and a plan of the same thing say the same', () => {
  it('the resistor of lights: alone, in series, side by side, fitted or chosen', () => {
    fc.assert(
      fc.property(
        fc.record({
          supplyV: between(1.5, 24),
          forwardV: between(1.6, 3.6),
          currentA: between(0.001, 0.1),
          count: fc.integer({ min: 1, max: 5 }),
          lights: fc.integer({ min: 1, max: 4 }),
          sharing: fc.constantFrom('one resistor each', 'one shared resistor'),
          supplySpread: between(0, 0.2),
          forwardSpreadV: between(0, 0.3),
          ratedA: fc.option(between(0.005, 0.15)),
          resistorOhm: fc.option(between(1, 2000)),
          ratingW: fc.constantFrom(0.125, 0.25, 1),
        }),
        (given) => {
          const { answer, design, assessment } = askAndPut('led-resistor', given);
          const lights = itemOf(design, 'light');
          const driven = assessment.driven.find(({ itemId }) => itemId === lights.id);
          expect(toldBy(answer)).toEqual(toldOf(design, assessment, [lights.id]));
          if (figureOf(answer, 'resistorOhm') === null) return;
          expect(driven?.resistor?.resistorOhm).toBeCloseTo(figureOf(answer, 'resistorOhm') ?? 0, 6);
          for (const [key, value] of [
            ['likelyA', driven?.corners.currentA],
            ['brightestA', driven?.corners.brightestA],
            ['dimmestA', driven?.corners.dimmestA],
            ['worstHeatW', driven?.resistor?.heatW],
            ['headRoomV', driven?.resistor?.headRoomV],
          ] as const)
            expect(value, key).toBeCloseTo(figureOf(answer, key) ?? 0, 6);
        },
      ),
      { seed: 11, numRuns: 150 },
    );
  });

  it('lights between shared pins', () => {
    fc.assert(
      fc.property(
        fc.record({
          lights: fc.integer({ min: 2, max: 30 }),
          supplyV: between(2.7, 5.5),
          forwardV: between(1.6, 3.4),
          peakA: between(0.002, 0.03),
          supplySpread: between(0, 0.1),
          resistorOhm: fc.option(between(1, 1000)),
        }),
        (given) => {
          const { answer, design, assessment } = askAndPut('shared-pins', given);
          const lights = itemOf(design, 'light');
          const driven = assessment.driven.find(({ itemId }) => itemId === lights.id);
          expect(toldBy(answer)).toEqual(toldOf(design, assessment, [lights.id, itemOf(design, 'board').id]));
          expect(driven?.scan?.layout.lines.length).toBe(figureOf(answer, 'pins'));
          if (figureOf(answer, 'meanA') !== null)
            expect(driven?.scan?.meanA).toBeCloseTo(figureOf(answer, 'meanA') ?? 0, 9);
        },
      ),
      { seed: 12, numRuns: 80 },
    );
  });

  it('a light gate, with the transistor that it was asked with', () => {
    fc.assert(
      fc.property(
        fc.record({
          supplyV: between(2, 15),
          pullUpOhm: between(10_000, 1e6),
          microampsPerLux: between(1e-7, 1e-5),
          thresholdV: between(0.6, 2),
          fullOnV: between(2.2, 6),
          supplySpread: between(0, 0.2),
          darkLux: between(0.5, 20),
          brightLux: between(30, 1000),
        }),
        (given) => {
          const { answer, design, assessment } = askAndPut('light-gate', given);
          expect(toldBy(answer)).toEqual(toldOf(design, assessment, [itemOf(design, 'light gate').id]));
        },
      ),
      { seed: 13, numRuns: 80 },
    );
  });

  it('a bipolar transistor before a load: its base resistor, and a pin that is too weak for it', () => {
    const parts = ['transistor-npn-small', 'transistor-npn-medium', 'transistor-npn-darlington'] as const;
    fc.assert(
      fc.property(between(0.01, 2), fc.constantFrom(...parts), (loadA, part) => {
        const transistor = findPart(builtInLibrary, 'transistor', part);
        const board = findPart(builtInLibrary, 'controller', 'controller-large-5v');
        if (!transistor || !board) throw new Error('no such part');
        const sum = findSum('transistor-switch');
        const answered =
          sum &&
          answerSum(
            sum,
            {
              loadA,
              pinV: 5,
              pinLimitA: board.pinLimitA,
              baseEmitterV: transistor.gateV,
              collectorA: transistor.currentLimitA,
            },
            usualPrinter,
          );
        if (!answered?.ok) throw new Error(JSON.stringify(answered));
        const at = { xMm: 1, yMm: 1 };
        const stated = stateFigure(loadA, 'measured');
        const design: Design = {
          ...emptyDesign,
          items: [
            freshItem('outside supply', { id: 's', name: 'Supply', at, part: 'supply-bench', volts: 5 }),
            freshItem('board', { id: 'b', name: 'Board', at, part: board.id }),
            freshItem('load', {
              id: 'l',
              name: 'Load',
              at,
              part: 'load-any',
              switchedBy: { way: 'transistor below', board: 'b', part },
              restA: stateFigure(0, 'measured'),
              usualA: stated,
              mostA: stated,
              startA: stated,
            }),
          ],
        };
        const assessment = assess(design);
        const resistorOhm = figureOf(answered.answer, 'resistorOhm');
        if (resistorOhm !== null) expect(assessment.loads[0]?.transistor?.gateOhm).toBe(resistorOhm);
        // How warm the load itself gets is no question of its transistor.
        const toLoad = toldOf(design, assessment, ['l'])
          .filter((id) => id !== 'hot-touch' && id !== 'too-hot')
          .map((id) => (id === 'load-switch' ? 'switch-load' : id))
          .sort();
        expect(toLoad).toEqual(toldBy(answered.answer));
      }),
      { seed: 15, numRuns: 120 },
    );
  });

  it('a light, or a tape, on a battery: what runs how long, and what is amiss', () => {
    const packIds = ['lithium-round-2600', 'two-lithium-round', 'three-aa-alkaline', 'coin-2032'] as const;
    fc.assert(
      fc.property(
        fc.constantFrom(...packIds),
        fc.constantFrom('5mm-warm-white', '5mm-amber', '3mm-red'),
        between(0.001, 0.02),
        fc.integer({ min: 1, max: 6 }),
        (pack, light, currentA, lights) => {
          const { answer, design, assessment } = askAndPut('one-light', { pack, light, currentA, lights });
          const item = itemOf(design, 'light');
          const driven = assessment.driven.find(({ itemId }) => itemId === item.id);
          if (figureOf(answer, 'resistorOhm') !== null) {
            expect(driven?.resistor?.resistorOhm).toBe(figureOf(answer, 'resistorOhm'));
            // The leads of the plan lose a few millivolts.
            const likelyH = figureOf(answer, 'likelyH') ?? 0;
            expect(Math.abs((assessment.runsFor?.likelyH ?? 0) - likelyH)).toBeLessThan(0.02 * likelyH + 0.05);
          }
          const about = [item.id, itemOf(design, 'pack').id];
          // Nobody has said yet how long it is to run.
          for (const rule of toldOf(design, assessment, about))
            if (!rule.startsWith('caution') && rule !== 'runs-short') expect(toldBy(answer)).toContain(rule);
        },
      ),
      { seed: 16, numRuns: 30 },
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...packIds.slice(0, 2)),
        between(50, 3000),
        between(0.1, 1),
        (pack, lengthMm, brightness) => {
          const through = pack === 'two-lithium-round' ? 'buck-5v-3a' : 'boost-5v-1a5';
          const { answer, assessment } = askAndPut('tape-on-pack', { pack, lengthMm, brightness, through });
          expect(assessment.lightCount).toBe(figureOf(answer, 'lights'));
          expect(assessment.allWhiteA).toBeCloseTo(figureOf(answer, 'allWhiteA') ?? 0, 3);
          // Leads are as long as the items lie apart, so a little differs.
          const likelyH = figureOf(answer, 'likelyH') ?? 0;
          expect(Math.abs((assessment.runsFor?.likelyH ?? 0) - likelyH)).toBeLessThan(0.05 * likelyH + 0.05);
        },
      ),
      { seed: 17, numRuns: 15 },
    );
  });

  it('lights on a route, cells of a pack and a fuse, as the plan has them', () => {
    fc.assert(
      fc.property(between(60, 5000), fc.constantFrom(30, 60, 74, 100, 144), (routeMm, perMetre) => {
        const { answer, assessment } = askAndPut('tape-count', { routeMm, perMetre });
        expect(assessment.lightCount).toBe(figureOf(answer, 'lights'));
        const [placed] = assessment.placed;
        if (placed?.shape === 'pixels') expect(placed.cut.gapMm).toBeCloseTo(figureOf(answer, 'gapMm') ?? -1, 6);
      }),
      { seed: 18, numRuns: 60 },
    );
    for (const cell of ['lithium-round-2600', 'coin-2032', 'three-aa-alkaline', 'lithium-pouch-850']) {
      const { answer, assessment } = askAndPut('pack', { cell, ambientC: emptyDesign.piece.ambientC });
      const gives = assessment.supply?.rail.gives;
      if (gives?.form !== 'cells' || !gives.model) throw new Error(cell);
      expect(gives.model.capacityMah).toBeCloseTo(figureOf(answer, 'capacityMah') ?? 0, 6);
      expect(openCircuitVoltageV(gives.model, 1)).toBeCloseTo(figureOf(answer, 'fullV') ?? 0, 9);
      expect(packResistanceOhm(gives.model, 0.5)).toBeCloseTo(figureOf(answer, 'resistanceOhm') ?? 0, 9);
    }
  });

  it('how long a pack runs: the likely hours are those of the plan’s night', () => {
    fc.assert(
      fc.property(
        fc.record({
          capacityMah: between(200, 8000),
          loadA: between(0.02, 0.8),
          restA: between(0, 0.02),
          chemistry: fc.constantFrom('lithium-ion', 'alkaline', 'nickel-metal hydride'),
          series: fc.integer({ min: 1, max: 4 }),
          rateExponent: fc.option(between(1, 1.3)),
          leadOhm: fc.constant(0),
          // As in an empty plan.
          ambientC: fc.constant(emptyDesign.piece.ambientC),
        }),
        (given) => {
          const { answer, assessment } = askAndPut('runtime', given);
          const likelyH = figureOf(answer, 'likelyH') ?? 0;
          const planned = assessment.supply?.runsFor?.likelyH ?? 0;
          // The plan has leads of copper and steps of its own.
          expect(Math.abs(planned - likelyH)).toBeLessThan(0.02 * likelyH + 0.05);
        },
      ),
      { seed: 14, numRuns: 25 },
    );
  });

  it('the fuse of a pack, and every run of its wire: as they hang in a plan', () => {
    const packIds = [
      'pack-lithium-round-2600',
      'pack-two-lithium-round',
      'pack-three-aa-alkaline',
      'pack-coin-2032',
    ] as const;
    const met = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...packIds),
        between(0.01, 3),
        fc.option(fc.constantFrom(0.25, 0.5, 1, 2, 5, 10)),
        fc.constantFrom(20, 24, 28, 32, 34),
        between(50, 1500),
        (pack, loadA, fuseA, gaugeAwg, lengthMm) => {
          const design = packAndLoad({ pack, loadA, fuseA, gaugeAwg, lengthMm });
          const assessment = assess(design);
          const told = checkDesign(design, assessment);
          for (const { rule } of told) met.add(rule);
          for (const run of assessment.runs.filter(({ peakA }) => peakA !== null && peakA > 0)) {
            const railV = packAtRestV(assessment);
            const sum = answerOf('wire', {
              currentA: run.peakA,
              lengthMm: run.lengthMm,
              gaugeAwg: run.gaugeAwg,
              supplyV: railV,
            });
            expect(figureOf(sum, 'dropV')).toBeCloseTo(run.dropV, 9);
            expect(figureOf(sum, 'carriesA')).toBe(run.carriesA);
            const [ofPlan] = told.filter(({ aboutId, rule }) => aboutId === run.id && rule === 'wire');
            const [ofSum] = sum.findings.filter(({ id }) => id === 'wire');
            expect(ofSum?.gravity).toBe(ofPlan?.gravity);
            expect(ofSum?.mend).toEqual(ofPlan?.mend);
          }
          const asked = askOfField('fuseA', { design, assessment, item: itemOf(design, 'pack') });
          const supply = assessment.supply;
          if (!asked || !supply) return;
          const sum = answerOf(asked.sum.name, asked.given);
          expect(figureOf(sum, 'fuseA')).toBe(fusesFor(supply)?.bestA ?? null);
          const rules = ['fuse-large', 'fuse-never'];
          const toldOfFuse = told.filter(({ rule }) => rules.includes(rule)).map(({ rule }) => rule);
          expect(sum.findings.map(({ id }) => id).filter((id) => rules.includes(id))).toEqual(toldOfFuse);
          // Whatever is fitted where nothing is amiss guards the thinnest wire.
          const best = figureOf(sum, 'fuseA');
          for (const { limitA } of guardedBy(supply))
            if (best !== null) expect(best).toBeLessThanOrEqual(limitA + 1e-9);
        },
      ),
      { seed: 19, numRuns: 120 },
    );
    for (const rule of ['wire', 'fuse-large', 'fuse-never', 'no-fuse']) expect(met, rule).toContain(rule);
  });

  it('pixels that a controller can’t hold: the sum never says so where the plan holds them', () => {
    const met = new Set<string>();
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 900 }),
        fc.constantFrom('controller-large-5v', 'controller-small-5v'),
        (pixels, boardId) => {
          const board = findPart(builtInLibrary, 'controller', boardId);
          if (!board) throw new Error('no such part');
          const { answer, design } = askAndPut('tape-count', { routeMm: (pixels * 1000) / 60 + 5, perMetre: 60 });
          const count = figureOf(answer, 'lights') ?? 0;
          const at = { xMm: 1, yMm: 1 };
          const items = [
            freshItem('outside supply', { id: 's', name: 'Supply', at, part: 'supply-bench', volts: 5 }),
            freshItem('board', { id: 'b', name: 'Board', at, part: boardId }),
            ...design.items.map((item) => (item.kind === 'pixel tape' ? { ...item, board: 'b' } : item)),
          ];
          const whole = { ...design, items };
          const told = checkDesign(whole, assess(whole)).map(({ rule }) => rule);
          const sum = toldBy(
            answerOf('pixel-data', { pixels: count, memory: board.memoryBytes, supplyV: 5, logicV: 5 }),
          );
          if (sum.includes('memory-short')) expect(told).toContain('memory');
          if (told.includes('memory'))
            expect([...sum]).toEqual(expect.arrayContaining([expect.stringMatching(/^memory-/)]));
          for (const id of sum) met.add(id);
        },
      ),
      { seed: 20, numRuns: 25 },
    );
    expect(met).toContain('memory-short');
  });

  it('a charger that is too strong for its pack', () => {
    const packIds = ['pack-lithium-pouch-150', 'pack-lithium-pouch-400', 'pack-lithium-pouch-850'] as const;
    const told = new Set<boolean>();
    fc.assert(
      fc.property(
        fc.constantFrom(...packIds),
        fc.constantFrom(...chargers.filter((part) => part.chemistry === 'lithium-ion' && part.cellsInSeries === 1)),
        between(100, 1500),
        (packId, charger, capacityMah) => {
          const at = { xMm: 1, yMm: 1 };
          const design: Design = {
            ...emptyDesign,
            items: [
              freshItem('pack', {
                id: 'p',
                name: 'Pack',
                at,
                part: packId,
                capacityMah: stateFigure(capacityMah, 'measured'),
              }),
              freshItem('charger', { id: 'c', name: 'Charger', at, part: charger.id }),
            ],
          };
          const { findings } = answerOf('charge', { capacityMah, chargerA: charger.chargeA });
          const ofSum = findings.filter(({ id }) => id === 'charger-fast');
          const ofPlan = checkDesign(design, assess(design)).filter(({ rule }) => rule === 'charger-fast');
          expect(ofSum.map(({ gravity, why, mend }) => ({ gravity, why, mend }))).toEqual(
            ofPlan.map(({ gravity, why, mend }) => ({ gravity, why, mend })),
          );
          told.add(ofSum.length > 0);
        },
      ),
      { seed: 21, numRuns: 60 },
    );
    expect(told.size).toBe(2);
  });

  it('no fuse that is sold guards 34 gauge: it bears 0.12 A, and the smallest is of 0.25 A', () => {
    const answer = answerOf('fuse', { steadyA: 0.05, gaugeAwg: 34 });
    expect(figureOf(answer, 'fuseA')).toBeNull();
    expect(toldBy(answer)).toContain('no-fuse-fits');
    expect(figureOf(answerOf('fuse', { steadyA: 0.05, gaugeAwg: 30 }), 'fuseA')).toBe(0.25);
  });
});
