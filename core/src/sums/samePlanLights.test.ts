import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type AskedOfPlan,
  answerOf,
  askAndPut,
  askOutOf,
  between,
  figureOf,
  itemOf,
  toldBy,
  toldOf,
} from '../../tests/askedAndPut.ts';
import { assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import type { ItemOf } from '../items/index.ts';
import { listStringOptions, type Scan, type StringOption } from '../network/index.ts';
import { builtInLibrary, findPart, leds, packs, pixelTapes, stateFigure, transistors } from '../parts/index.ts';
import { type Design, emptyDesign } from '../plan/index.ts';
import type { Answer } from './answer.ts';
import { askOfField } from './ofFields.ts';
import { freshItem } from './piece.ts';

/** A load that a transistor of a kind switches below, on a board and a bench supply of 5 V. */
function loadOn(boardId: string, part: string, loadA: number): Design {
  const at = { xMm: 1, yMm: 1 };
  const stated = stateFigure(loadA, 'measured');
  return {
    ...emptyDesign,
    items: [
      freshItem('outside supply', { id: 's', name: 'Supply', at, part: 'supply-bench', volts: 5 }),
      freshItem('board', { id: 'b', name: 'Board', at, part: boardId }),
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
}

type Told = AskedOfPlan['inPlan'];

/** The strings of the answer are those of the plan. Sixty lights make whole strings of some numbers only; the sum asks of any. */
function expectRows(answer: Answer, options: readonly StringOption[]): void {
  const table = answer.results.find(({ key }) => key === 'strings');
  if (table?.form !== 'table') throw new Error('no table');
  for (const option of options.filter((each) => each.inSeries <= 12)) {
    const row = table.rows.find(([count]) => count === option.inSeries);
    const expected = [option.resistorOhm, option.freshA, option.usualA, option.spentA, option.lightShare];
    for (const [i, value] of expected.entries())
      expect(Math.abs(Number(row?.[i + 1]) / value - 1), `${option.inSeries} ${i}`).toBeLessThan(1e-3);
  }
  const steady = options.findLast(({ isSteady }) => isSteady);
  if (steady && steady.inSeries <= 12)
    expect(figureOf(answer, 'bestCount') ?? 0).toBeGreaterThanOrEqual(steady.inSeries);
}

const at = { xMm: 0, yMm: 0 };

/** Sixty lights on a pack, so many in a string. */
function strungOn(part: string, pack: string, wantedCurrentA: number, inSeries: number) {
  const light = freshItem('light', {
    id: 'l',
    name: 'Lights',
    at,
    part,
    feed: 'p',
    switchedBy: { way: 'always on' },
    wantedCurrentA,
    ...(inSeries > 1 ? { inSeries } : {}),
    places: Array.from({ length: 60 }, (_, i) => ({ id: `${i}`, at, hollowId: null })),
  });
  const design: Design = {
    ...emptyDesign,
    items: [freshItem('pack', { id: 'p', name: 'Pack', at, part: pack }), light],
  };
  return { light, design };
}

/** A grid of lights on 5 V that a board scans, or a part of its own. */
function gridOn(
  board: string,
  light: Partial<ItemOf<'light'>>,
  rows: number,
  columns: number,
  by: { readonly part: true } | { readonly columnsBy: 'pin' | 'transistor' | null },
) {
  const grid = freshItem('light', {
    id: 'grid',
    name: 'the grid',
    at,
    feed: 's',
    ...light,
    switchedBy:
      'part' in by
        ? { way: 'scan driver', by: 'd', rows }
        : { way: 'scanned grid', board: 'b', rows, part: null, columnsBy: by.columnsBy },
    places: Array.from({ length: rows * columns }, (_, i) => ({ id: `${i}`, at, hollowId: null })),
  });
  const items = [
    freshItem('outside supply', { id: 's', name: 'Supply', at, part: 'supply-bench', volts: 5 }),
    freshItem('board', { id: 'b', name: 'Board', at, part: board, feed: 's' }),
    freshItem('scan driver', { id: 'd', name: 'Scanner', at, feed: 's' }),
    grid,
  ];
  return { grid, design: { ...emptyDesign, items } };
}

const single = leds.filter(({ dice, insideOhm, body }) => !dice && insideOhm === undefined && body !== 'power star');

/** What is told of a grid is the same, but at the very edge of being seen. */
function expectGlow(scan: Scan, inPlan: Told, bySum: Told): void {
  const of = (findings: Told) =>
    findings.map(({ rule, gravity, limit }) => JSON.stringify([rule, gravity, limit])).sort();
  const glows = (findings: Told) => findings.find(({ rule }) => rule === 'scan-glow')?.actual?.value;
  // A network of three by three against one light by itself: the same but for what the others take away.
  const [plain, summed] = [glows(inPlan), glows(bySum)];
  if (plain && summed && !scan.driver) expect(Math.abs(summed / plain - 1)).toBeLessThan(0.15);
  const isClear = scan.glowA > 1.3e-5 || scan.glowA < 0.7e-5;
  if (isClear) expect(of(bySum)).toEqual(of(inPlan));
}

describe('a sum about lights and a plan of the same thing say the same', () => {
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
          pack: fc.constantFrom('none', 'none', ...packs.slice(0, 40).map(({ id }) => id.replace('pack-', ''))),
          supplySpread: between(0, 0.2),
          sinksBy: fc.option(between(0, 0.4)),
          risesBy: fc.option(between(0, 0.4)),
          forwardSpreadV: between(0, 0.3),
          ratedA: fc.option(between(0.005, 0.15)),
          resistorOhm: fc.option(between(1, 2000)),
          ratingW: fc.constantFrom(0.125, 0.25, 1),
        }),
        ({ pack, supplyV, supplySpread, sinksBy, risesBy, ...others }) => {
          const volts = {
            supplyV,
            supplySpread,
            sinksToV: sinksBy === null ? null : supplyV * (1 - sinksBy),
            risesToV: risesBy === null ? null : supplyV * (1 + risesBy),
          };
          const given = { pack, ...others, ...(pack === 'none' ? volts : {}) };
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
        const answer = answerOf('transistor-switch', {
          loadA,
          pinV: 5,
          pinLimitA: board.pinLimitA,
          baseEmitterV: transistor.gateV,
          collectorA: transistor.currentLimitA,
        });
        const design = loadOn(board.id, part, loadA);
        const assessment = assess(design);
        const resistorOhm = figureOf(answer, 'resistorOhm');
        if (resistorOhm !== null) expect(assessment.loads[0]?.transistor?.gateOhm).toBe(resistorOhm);
        // How warm the load itself gets is no question of its transistor.
        const toLoad = toldOf(design, assessment, ['l'])
          .filter((id) => id !== 'hot-touch' && id !== 'too-hot')
          .map((id) => (id === 'load-switch' ? 'switch-load' : id))
          .sort();
        expect(toLoad).toEqual(toldBy(answer));
      }),
      { seed: 15, numRuns: 120 },
    );
  });

  it('a field-effect transistor that its pin does not turn full on', () => {
    const parts = transistors.filter(({ type, side }) => type === 'field-effect' && side === 'low');
    const boards = ['controller-large-5v', 'controller-dual-3v3'] as const;
    const told = new Set<string>();
    for (const part of parts)
      for (const boardId of boards) {
        const design = loadOn(boardId, part.id, 0.3);
        const assessment = assess(design);
        const gateV = assessment.loads[0]?.transistor?.driven.leastV ?? Number.NaN;
        const answer = answerOf('mosfet-switch', { loadA: 0.3, gateV, onOhm: part.onOhm, promisedAtV: part.gateV });
        const [ofSum] = answer.findings.filter(({ id }) => id === 'gate-low');
        const [ofPlan] = checkDesign(design, assessment).filter(({ rule }) => rule === 'gate-low');
        expect(ofSum?.gravity).toBe(ofPlan?.gravity);
        expect(ofSum?.mend).toEqual(ofPlan?.mend);
        told.add(`${part.gateV} V at ${gateV} V: ${ofPlan ? 'half on' : 'full on'}`);
      }
    expect([...told].sort()).toEqual([
      '10 V at 3.135 V: half on',
      '10 V at 4.95 V: half on',
      '3 V at 3.135 V: full on',
      '3 V at 4.95 V: full on',
      '4.5 V at 3.135 V: half on',
      '4.5 V at 4.95 V: full on',
    ]);
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

  it('a tape along its way, out of its plan: at every feed, each with its lead', () => {
    const tapes = pixelTapes.filter(({ form }) => form === undefined);
    const met = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...tapes),
        between(0.3, 6),
        fc.array(between(0.2, 0.95), { maxLength: 3 }),
        between(20, 2000),
        (part, metres, shares, apartMm) => {
          const y = 0;
          const design: Design = {
            ...emptyDesign,
            items: [
              freshItem('outside supply', {
                id: 's',
                name: 'Supply',
                at: { xMm: -apartMm, yMm: y },
                part: 'supply-bench',
                volts: part.ratedVoltageV,
              }),
              freshItem('board', {
                id: 'b',
                name: 'Board',
                at: { xMm: -apartMm, yMm: y },
                part: 'controller-large-5v',
              }),
              freshItem('pixel tape', {
                id: 't',
                name: 'Tape',
                at: { xMm: 0, yMm: y },
                part: part.id,
                lengthMm: metres * 1000,
                feedsAt: shares.map((share) => Math.floor(share * metres * part.perMetre)),
                route: [
                  { xMm: 0, yMm: y },
                  { xMm: metres * 1000, yMm: y },
                ],
              }),
            ],
          };
          const assessment = assess(design);
          const [chain] = assessment.chains;
          const asked = askOfField('feedsAt', { design, assessment, item: itemOf(design, 'pixel tape') });
          if (!asked || !chain) throw new Error('an even tape can be asked');
          const answer = answerOf(asked.sum.name, asked.given);
          // A pixel at rest takes its milliampere however low it is; the sum lets all of it fade.
          expect(figureOf(answer, 'leastV')).toBeCloseTo(chain.leastV, chain.leastV >= chain.wantsV ? 6 : 0);
          const told = checkDesign(design, assessment).find(({ rule }) => rule === 'tape-low');
          const inSum = answer.findings.find(({ id }) => id === 'tape-low');
          expect(inSum?.gravity).toBe(told?.gravity);
          expect(inSum?.mend).toEqual(told?.mend);
          met.add(told ? 'low' : 'enough');
        },
      ),
      { seed: 23, numRuns: 60 },
    );
    expect(met.size).toBe(2);
  });

  it('how many in series on a pack: every string, which of them stays steady, and what is told of one that fades', () => {
    const seen = new Set<boolean>();
    fc.assert(
      fc.property(
        fc.constantFrom(...single),
        fc.constantFrom(...packs.filter(({ chemistry }) => chemistry !== 'lithium coin')),
        // In tenths of a milliampere: at the very edge between two standard values the last digit of a fit decides.
        fc.integer({ min: 10, max: 150 }).map((tenths) => tenths / 10_000),
        fc.integer({ min: 1, max: 6 }),
        (part, packPart, wantedCurrentA, inSeries) => {
          const { light, design } = strungOn(part.id, packPart.id, wantedCurrentA, inSeries);
          const assessment = assess(design);
          const [driven] = assessment.driven;
          if (!driven) throw new Error('nothing is driven');
          const asked = askOfField('inSeries', { item: light, design, assessment });
          // A pack that does not light one of them is told of by both.
          const options = listStringOptions(driven, light);
          if (!asked || options.length === 0) return;
          const answer = answerOf(asked.sum.name, asked.given);
          expectRows(answer, options);
          const own = driven.resistor === null ? undefined : options.find((each) => each.inSeries === inSeries);
          if (!own) return;
          const rules = checkDesign(design, assessment).map(({ rule }) => rule);
          const isTold = rules.includes('string-fades') || rules.includes('head-room');
          expect(rules.includes('string-fades') && own.isSteady).toBe(false);
          expect(isTold || own.isSteady).toBe(true);
          seen.add(own.isSteady);
        },
      ),
      { seed: 40, numRuns: 120 },
    );
    expect(seen.size).toBe(2);
  });

  it('a scanned grid: its turns and currents, what glows in the dark, and what a light bears', () => {
    const told = new Set<string>();
    const rules = ['scan-glow', 'scan-flicker', 'scan-still', 'over-rating'];
    fc.assert(
      fc.property(
        fc.constantFrom(...single),
        fc.constantFrom('controller-large-5v', 'controller-radio-3v3', 'controller-small-5v'),
        fc.integer({ min: 2, max: 40 }),
        fc.integer({ min: 2, max: 6 }),
        fc.integer({ min: 10, max: 400 }).map((tenths) => tenths / 10_000),
        fc.constantFrom(null, 'pin', 'transistor'),
        fc.boolean(),
        fc.boolean(),
        fc.constantFrom(null, null, 10),
        (part, boardPart, rows, columns, wantedCurrentA, columnsBy, diodes, isByPart, resistorOhm) => {
          const wished = { part: part.id, wantedCurrentA, resistorOhm, ...(diodes ? { diodes } : {}) };
          const by = isByPart ? ({ part: true } as const) : { columnsBy: columnsBy as 'pin' | 'transistor' | null };
          const { grid, design } = gridOn(boardPart, wished, rows, columns, by);
          const scan = assess(design).driven[0]?.scan;
          // No transistor that a pin turns on carries such a row: nothing is reckoned, and the plan says why.
          if (!scan) return;
          const { assessment, answer, inPlan, bySum } = askOutOf(design, grid, 'switchedBy.rows', rules);
          const [driven] = assessment.driven;
          expect(figureOf(answer, 'meanA')).toBeCloseTo(scan.meanA, 9);
          expect(figureOf(answer, 'rowSwitchA')).toBeCloseTo(driven?.channelA ?? -1, 9);
          expect(figureOf(answer, 'pins')).toBe(scan.layout.lines.length);
          expect(figureOf(answer, 'litOfTurn')).toBeCloseTo(scan.litOfTurn, 9);
          expectGlow(scan, inPlan, bySum);
          for (const { rule } of inPlan) told.add(rule);
        },
      ),
      { seed: 42, numRuns: 150 },
    );
    expect([...told].sort()).toEqual([...rules].sort());
  });
});
