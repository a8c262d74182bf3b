import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, askAndPut, askOutOf, between, figureOf, itemOf, toldBy } from '../../tests/askedAndPut.ts';
import { assess } from '../assess.ts';
import { checkDesign, fusesFor, leadOf } from '../findings/index.ts';
import { type Finding, openCircuitVoltageV, packResistanceOhm } from '../items/index.ts';
import { chargers, converters, outsideSupplies, packs, stateFigure } from '../parts/index.ts';
import { type Design, emptyDesign } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { askOfField, askOfRun } from './ofFields.ts';
import { freshItem } from './piece.ts';

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

describe('a sum about power and wires and a plan of the same thing say the same', () => {
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
            // Out of its row it is asked the same.
            expect(askOfRun(run, assessment)?.given).toEqual({
              currentA: run.peakA,
              lengthMm: run.lengthMm,
              gaugeAwg: run.gaugeAwg,
              supplyV: railV,
            });
            const [ofPlan] = told.filter(({ aboutId, rule }) => aboutId === run.id && rule === 'wire');
            const [ofSum] = sum.findings.filter(({ id }) => id === 'wire');
            expect(ofSum?.gravity).toBe(ofPlan?.gravity);
            expect(ofSum?.mend).toEqual(ofPlan?.mend);
          }
          const asked = askOfField('fuseA', { design, assessment, item: itemOf(design, 'pack') });
          const supply = assessment.supply;
          if (!asked || !supply) return;
          const sum = answerOf(asked.sum.name, asked.given);
          expect(figureOf(sum, 'fuseA')).toBe(fusesFor(leadOf(supply, assessment))?.bestA ?? null);
          const rules = ['fuse-large', 'fuse-never'];
          const toldOfFuse = told.filter(({ rule }) => rules.includes(rule)).map(({ rule }) => rule);
          expect(sum.findings.map(({ id }) => id).filter((id) => rules.includes(id))).toEqual(toldOfFuse);
          // Whatever is fitted where nothing is amiss guards the thinnest wire.
          const best = figureOf(sum, 'fuseA');
          for (const { limitA } of leadOf(supply, assessment).guarded)
            if (best !== null) expect(best).toBeLessThanOrEqual(limitA + 1e-9);
        },
      ),
      { seed: 19, numRuns: 120 },
    );
    for (const rule of ['wire', 'fuse-large', 'fuse-never', 'no-fuse']) expect(met, rule).toContain(rule);
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

  it('and a plan with a wire of 34 gauge says so, instead of a fuse to fit', () => {
    const design = packAndLoad({
      pack: 'pack-lithium-round-2600',
      loadA: 0.05,
      fuseA: null,
      gaugeAwg: 34,
      lengthMm: 200,
    });
    const [told] = checkDesign(design, assess(design)).filter(({ rule }) => rule === 'no-fuse');
    expect(told?.gravity).toBe('stop');
    expect(told && usualPrinter.message(told.mend)).toMatch(/^No fuse that is sold .*thicker wire/);
    expect(told?.fixes).toEqual([]);
  });

  it('the lead of a load bears the fuse before it: 28 gauge bears 0.8 A, so behind 2 A it is made thicker', () => {
    const said = { pack: 'pack-lithium-round-2600', loadA: 0.1, fuseA: 2, lengthMm: 200 };
    const lead = (design: Design) => assess(design).runs.find(({ to }) => to.itemId === 'l');
    const free = packAndLoad({ ...said, gaugeAwg: 28 });
    const inStock = { ...free, wires: { ...free.wires, gaugesInStock: [20, 22, 24, 26, 28, 30] } };
    expect(lead(inStock)?.carriesA).toBeGreaterThanOrEqual(2);
    const toldOfFuse = (design: Design) =>
      checkDesign(design, assess(design)).find(({ rule }) => rule === 'fuse-large');
    // Large for 0.1 A, but nothing burns before it.
    expect(toldOfFuse(inStock)?.gravity).toBe('mend');
    // The maker’s own gauge stays, and is told.
    const runs = [{ runId: lead(inStock)?.id ?? '', gaugeAwg: 28, lengthMm: null, colours: null }];
    const own = { ...inStock, wires: { ...inStock.wires, runs } };
    const told = toldOfFuse(own);
    expect(told?.gravity).toBe('stop');
    expect(told && usualPrinter.message(told.what)).toMatch(
      /^The fuse of 2.00 A guards too little: Lead of Load bears 800 mA$/,
    );
  });

  it('packs for an evening: how many, when each is changed, what each holds, and what carriers are asked about it', () => {
    const told = new Set<boolean>();
    fc.assert(
      fc.property(
        fc.constantFrom(...packs),
        between(0.02, 0.6),
        between(1, 30),
        fc.option(between(1000, 40_000), { nil: null }),
        (part, loadA, hoursWanted, capacityMah) => {
          const base = packAndLoad({ pack: part.id, loadA, fuseA: null, gaugeAwg: 20, lengthMm: 100 });
          const design = { ...base, piece: { ...base.piece, hoursWanted } };
          const withPack = (change: object): Design => ({
            ...design,
            items: design.items.map((item) => (item.kind === 'pack' ? { ...item, ...change } : item)),
          });
          const said = capacityMah === null ? {} : { capacityMah: stateFigure(capacityMah, 'measured') };
          const once = withPack(said);
          const count = assess(once).standBy[0]?.asked ?? 0;
          if (count === 0) return;
          // As many are brought as are asked for.
          const all = withPack({ ...said, spares: Math.min(20, count - 1) });
          const { assessment, answer, inPlan, bySum } = askOutOf(all, itemOf(all, 'pack'), 'spares', ['carry-energy']);
          const [stands] = assessment.standBy;
          expect(figureOf(answer, 'packs')).toBe(stands?.asked);
          expect(figureOf(answer, 'energyWh')).toBeCloseTo(stands?.energyWh ?? -1, 9);
          const changes = answer.results.find(({ key }) => key === 'swapH');
          if (count <= 21) expect(changes?.form === 'figures' && changes.values).toEqual(stands?.swapsH);
          expect(bySum).toEqual(inPlan);
          told.add(inPlan.length > 0);
        },
      ),
      { seed: 36, numRuns: 40 },
    );
    expect(told.size).toBe(2);
  });

  it('a converter on a pack with its reserve left: what it takes in, and where it can’t be given', () => {
    const told = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...packs),
        fc.constantFrom(...converters),
        between(0.005, 3),
        between(20, 800),
        (packPart, part, loadA, apartMm) => {
          const design: Design = {
            ...packAndLoad({ pack: packPart.id, loadA, fuseA: null, gaugeAwg: 24, lengthMm: 2 * apartMm }),
          };
          const converter = freshItem('converter', {
            id: 'c',
            name: 'The converter',
            at: { xMm: apartMm, yMm: 0 },
            part: part.id,
            feed: 'p',
          });
          const items = design.items.map((item) => (item.id === 'l' ? { ...item, feed: 'c' } : item));
          const rules = ['input-low', 'collapses', 'near-collapse'];
          const whole = { ...design, items: [...items, converter] };
          const { assessment, answer, inPlan, bySum } = askOutOf(whole, converter, 'part', rules);
          const now = assessment.supply?.atPeak.nodes.at(-1);
          if (now) {
            expect(figureOf(answer, 'inputA')).toBeCloseTo(now.inA, part.topology === 'linear' ? 1 : 4);
            expect(figureOf(answer, 'inputV')).toBeCloseTo(now.inV, part.topology === 'linear' ? 1 : 3);
          }
          const of = (findings: typeof inPlan) => findings.map(({ rule, gravity, why }) => [rule, gravity, why]);
          expect(of(bySum)).toEqual(of(inPlan));
          const all = checkDesign(whole, assessment);
          const isOver = all.some(({ id }) => id === 'link:converter input:c');
          const isHot = all.some(({ id }) => id === 'too-hot:converter:c');
          expect(toldBy(answer).includes('link')).toBe(isOver);
          // The plan knows of the heat near full too, where a linear one loses more.
          if (part.topology !== 'linear') expect(toldBy(answer).includes('too-hot')).toBe(isHot);
          for (const { rule } of inPlan) told.add(rule);
          if (isOver) told.add('link');
        },
      ),
      { seed: 39, numRuns: 200 },
    );
    expect([...told].sort()).toEqual(['collapses', 'input-low', 'link', 'near-collapse']);
  });

  it('a motor that starts beside a controller: what is left for that, and what the pack is good for', () => {
    const told = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...packs.filter(({ chemistry }) => chemistry !== 'lithium coin')),
        fc.constantFrom('controller-small-5v', 'controller-large-5v', 'controller-radio-3v3'),
        fc.integer({ min: 5, max: 300 }).map((hundredths) => hundredths / 100),
        (packPart, boardPart, startA) => {
          const design = packAndLoad({ pack: packPart.id, loadA: 0.02, fuseA: null, gaugeAwg: 20, lengthMm: 50 });
          const board = freshItem('board', {
            id: 'b',
            name: 'Board',
            at: { xMm: 9, yMm: 9 },
            part: boardPart,
            feed: 'p',
          });
          const items = design.items.map((item) =>
            item.kind === 'load'
              ? {
                  ...item,
                  feed: 'p',
                  switchedBy: { way: 'always on' } as const,
                  startA: stateFigure(startA, 'measured'),
                }
              : item,
          );
          const whole = { ...design, items: [...items, board] };
          const load = itemOf(whole, 'load');
          // What no pack can give at all is told of, and asks no sum.
          const { supply } = assess(whole);
          if (supply?.atStart?.collapses) {
            expect(checkDesign(whole, assess(whole)).map(({ rule }) => rule)).toContain('start');
            return;
          }
          const { answer, inPlan, bySum } = askOutOf(whole, load, 'startA', ['start']);
          const now = supply?.atStart ?? supply?.atPeak;
          expect(figureOf(answer, 'atStartV')).toBeCloseTo(now?.nodes[0]?.outV ?? -1, 9);
          const of = (findings: typeof inPlan) =>
            findings.map(({ rule, why, actual, limit }) => [
              rule,
              why,
              actual?.value.toPrecision(3),
              limit?.value.toPrecision(3),
            ]);
          expect(of(bySum)).toEqual(of(inPlan));
          for (const { actual } of inPlan) told.add(actual?.kind ?? 'none');
          if (inPlan.length === 0) told.add('nothing');
        },
      ),
      { seed: 41, numRuns: 200 },
    );
    expect([...told].sort()).toEqual(['currentA', 'nothing', 'voltageV']);
  });

  it('everything on a rail: at its height and on the mean, and what is more than its supply gives', () => {
    const told = new Set<string>();
    const some = fc.array(fc.tuple(fc.integer({ min: 1, max: 1500 }), fc.integer({ min: 0, max: 10 })), {
      minLength: 1,
      maxLength: 5,
    });
    fc.assert(
      fc.property(fc.constantFrom(...outsideSupplies), some, (part, loads) => {
        const at = { xMm: 0, yMm: 0 };
        // Milliamperes at its height, and tenths of the time.
        const said = loads.map(([height, tenths]) => [height / 1000, tenths / 10] as const);
        const items = said.map(([peakA, share], i) =>
          freshItem('load', {
            id: `l${i}`,
            name: `Load ${i}`,
            at,
            part: 'load-any',
            feed: 's',
            switchedBy: { way: 'always on' },
            restA: stateFigure(share === 1 ? peakA : 0, 'measured'),
            usualA: stateFigure(peakA * share, 'measured'),
            mostA: stateFigure(peakA, 'measured'),
            startA: stateFigure(peakA, 'measured'),
          }),
        );
        const supply = freshItem('outside supply', { id: 's', name: 'The supply of the rail', at, part: part.id });
        const design: Design = { ...emptyDesign, items: [supply, ...items] };
        const assessment = assess(design);
        const answer = answerOf('budget', { loads: said, limitA: part.limitA, railV: part.volts });
        expect(figureOf(answer, 'peakA')).toBeCloseTo(assessment.peakA, 9);
        expect(figureOf(answer, 'meanA')).toBeCloseTo(
          assessment.railFigures.find(({ id }) => id === 's')?.usualA ?? -1,
          9,
        );
        const essence = (findings: readonly Finding[]) =>
          findings
            .filter(({ rule }) => rule === 'link' || rule === 'start')
            .map(({ rule, gravity, what, why }) => [rule, gravity, ...[what, why].map(usualPrinter.message)]);
        const inPlan = essence(checkDesign(design, assessment));
        expect(essence(answer.findings)).toEqual(inPlan);
        told.add(inPlan.length > 0 ? 'told' : 'nothing');
      }),
      { seed: 46, numRuns: 80 },
    );
    expect(told.size).toBe(2);
  });
});
