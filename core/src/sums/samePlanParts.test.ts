import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, askAndPut, askOutOf, between, figureOf } from '../../tests/askedAndPut.ts';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import type { Finding, Item } from '../items/index.ts';
import { controllers, converters, guides, leds, packs, pixelTapes, switches } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';

const at = { xMm: 50, yMm: 50 };
const supply = itemOf('outside supply', { id: 'supply', name: 'Supply', at, part: 'supply-bench', volts: 5 });

/** An item on that supply, and the sum of one of its fields. */
const askedOf = (item: Item, field: string, rules: readonly string[], others: readonly Item[] = []) =>
  askOutOf(circuitOf([supply, item, ...others]), item, field, rules);

// A strip that is cut to length and has its pixels in one row.
const tapes = pixelTapes.filter(({ form }) => form === undefined);
const readers = controllers.filter(({ converterBits }) => converterBits > 0);
const stars = leds.filter(({ body }) => body === 'power star');
const [boost] = converters.filter(({ topology, outputV }) => topology === 'boost' && outputV === 5);
const magnetic = switches.filter(({ magnetic: by }) => by !== undefined);

describe('a sum about one part and a plan of the same part say the same', () => {
  it('a magnet behind a wall: from where it closes, and whether that is enough', () => {
    const told = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...magnetic),
        between(2, 20),
        between(1, 10),
        between(100, 1400),
        between(0.5, 40),
        (part, diameterMm, thicknessMm, remanenceMt, wallMm) => {
          const item = itemOf('switch', {
            id: 'switch',
            at,
            part: part.id,
            feed: 'supply',
            magnet: { diameterMm, thicknessMm, remanenceMt, wallMm, litWhen: 'near' },
          });
          const { answer, inPlan, bySum } = askedOf(item, 'magnet.wallMm', ['magnet-weak']);
          expect(bySum).toEqual(inPlan);
          if (inPlan[0]) expect(inPlan[0].actual?.value).toBe(figureOf(answer, 'pullInMm'));
          told.add(inPlan[0]?.gravity ?? 'nothing');
        },
      ),
      { seed: 31, numRuns: 120 },
    );
    // Too weak, barely strong enough, and strong enough: all three were seen.
    expect([...told].sort()).toEqual(['mend', 'nothing', 'stop']);
  });

  it('a tape behind a sheet: its ripple, and the depth that evens it', () => {
    let shows = 0;
    fc.assert(
      fc.property(fc.constantFrom(...tapes), between(1, 60), between(300, 900), (part, diffuserMm, lengthMm) => {
        const item = itemOf('pixel tape', {
          id: 'tape',
          part: part.id,
          feed: 'supply',
          lengthMm,
          route: [at, { xMm: 50 + lengthMm, yMm: 50 }],
          diffuserMm,
        });
        const { answer, inPlan, bySum } = askedOf(item, 'diffuserMm', ['dots']);
        expect(bySum).toEqual(inPlan);
        if (inPlan[0]) {
          expect(inPlan[0].actual?.value).toBe(figureOf(answer, 'ripple'));
          shows += 1;
        }
      }),
      { seed: 32, numRuns: 60 },
    );
    expect(shows).toBeGreaterThan(5);
  });

  it('a power star on its heatsink: what it comes to for good and when it goes off, and when that is too much', () => {
    const told = new Set<boolean>();
    fc.assert(
      fc.property(
        fc.constantFrom(...stars),
        between(0.1, 0.9),
        between(2, 260),
        fc.option(between(5, 3600), { nil: undefined }),
        (part, wantedCurrentA, sinkKPerW, litS) => {
          const item = itemOf('light', {
            id: 'star',
            part: part.id,
            wantedCurrentA,
            sinkKPerW,
            ...(litS === undefined ? {} : { litS }),
            switchedBy: { way: 'always on' },
            feed: 'supply',
            places: [{ id: 'a', at, hollowId: null }],
          });
          const { assessment, answer, inPlan, bySum } = askedOf(item, 'sinkKPerW', ['too-hot']);
          const warm = assessment.warm.parts.find(({ itemId, what }) => itemId === 'star' && what === 'light');
          if (!warm) throw new Error('nothing is warm');
          expect(figureOf(answer, 'insideC')).toBeCloseTo(warm.forGood.insideC, 6);
          expect(figureOf(answer, 'heatW')).toBeCloseTo(warm.heatW, 6);
          // The plan tells of its resistor by the same rule.
          const isTooHot = warm.after.insideC > warm.limitC;
          expect(bySum.length > 0).toBe(isTooHot);
          if (isTooHot) expect(inPlan.length).toBeGreaterThan(0);
          told.add(isTooHot);
        },
      ),
      { seed: 33, numRuns: 80 },
    );
    expect(told.size).toBe(2);
  });

  it('a light sensor on its divider: its codes and thresholds, on every controller, and readings that are exchanged', () => {
    const told = new Set<boolean>();
    fc.assert(
      fc.property(
        fc.constantFrom(...readers),
        between(500, 500_000),
        between(200, 300_000),
        (part, darkOhm, lightOhm) => {
          const board = itemOf('board', { id: 'board', at, part: part.id, feed: 'supply' });
          const item = itemOf('light sensor', { id: 'eye', at, board: 'board', darkOhm, lightOhm });
          const { assessment, answer, inPlan, bySum } = askedOf(item, 'darkOhm', ['sensor-swapped'], [board]);
          const sensing = assessment.sensing.find(({ control }) => control.id === 'eye');
          if (sensing?.kind !== 'light') throw new Error('nothing is sensed');
          for (const key of ['fixedOhm', 'darkCode', 'lightCode'] as const)
            expect(figureOf(answer, key), key).toBeCloseTo(sensing.design[key], 6);
          if (inPlan.length === 0)
            for (const key of ['darkBelow', 'lightAbove'] as const)
              expect(figureOf(answer, key), key).toBe(sensing.design[key]);
          expect(bySum).toEqual(inPlan);
          told.add(inPlan.length > 0);
        },
      ),
      { seed: 34, numRuns: 150 },
    );
    expect(told.size).toBe(2);
  });

  it('a pack that a program watches: codes, and alarms that can never come', () => {
    const told = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...readers),
        fc.constantFrom(...packs.filter(({ chemistry }) => chemistry === 'lithium-ion')),
        between(0.6, 1.05),
        fc.constantFrom('pack', 'lead', 'lift'),
        (part, packPart, share, feed) => {
          const pack = itemOf('pack', { id: 'pack', name: 'Pack', at, part: packPart.id });
          const lead = itemOf('switch', { id: 'lead', name: 'Switch', at, feed: 'pack' });
          const lift = itemOf('converter', { id: 'lift', name: 'Lift', at, feed: 'lead', part: boost?.id ?? '' });
          const board = itemOf('board', { id: 'board', name: 'Board', at, part: part.id, feed });
          const lowV = 4.2 * packPart.cellsInSeries * share;
          const item = itemOf('charge sense', { id: 'sense', name: 'Sense', at, board: 'board', of: 'pack', lowV });
          const { assessment, answer, inPlan, bySum } = askOutOf(
            circuitOf([pack, lead, lift, board, item]),
            item,
            'lowV',
            ['sense-own-rail', 'sense-never', 'sense-sinks'],
          );
          const [sensing] = assessment.sensing;
          if (sensing?.kind !== 'charge') throw new Error('nothing is sensed');
          expect(figureOf(answer, 'alarmCode')).toBe(sensing.design.lowBelow);
          expect(figureOf(answer, 'fullCode')).toBe(sensing.design.fullCode);
          expect(figureOf(answer, 'drainA')).toBeCloseTo(sensing.design.standingA, 12);
          expect(bySum).toEqual(inPlan);
          for (const { rule } of inPlan.length > 0 ? inPlan : [{ rule: 'nothing' }]) told.add(rule);
        },
      ),
      { seed: 35, numRuns: 200 },
    );
    expect([...told].sort()).toEqual(['nothing', 'sense-never', 'sense-own-rail', 'sense-sinks']);
  });

  it('fibres before a light: their mouth, the gap that lights all of it, and one that does not', () => {
    const told = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...guides),
        fc.constantFrom('bundle', 'each'),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 4 }),
        between(0, 30),
        fc.option(between(0.3, 12), { nil: undefined }),
        fc.boolean(),
        (part, gather, holes, perEnd, gapMm, dieMm, filled) => {
          const pixel = itemOf('pixel tape', {
            id: 'pixel',
            part: 'pixel-single-1',
            feed: 'supply',
            route: [{ xMm: 200, yMm: 150 }],
          });
          const item = itemOf('guide', {
            id: 'guides',
            name: 'The fibres',
            at,
            part: part.id,
            gather,
            perEnd,
            gapMm,
            ...(dieMm === undefined ? {} : { dieMm }),
            filled,
            lights: [{ groupId: 'pixel', light: 1 }],
            ends: Array.from({ length: holes }, (_, i) => ({
              id: `e${i}`,
              at: { xMm: 20 + 4 * i, yMm: 40 },
              hollowId: null,
            })),
          });
          const rules = ['guide-near', 'guide-far'];
          const { assessment, answer, inPlan, bySum } = askedOf(item, 'gapMm', rules, [pixel]);
          const [guide] = assessment.guides;
          expect(figureOf(answer, 'diameterMm')).toBeCloseTo(guide?.guided?.mouthMm ?? -1, 9);
          expect(figureOf(answer, 'boreMm')).toBeCloseTo(guide?.boreMm ?? -1, 9);
          expect(figureOf(answer, 'gapMm')).toBeCloseTo(guide?.guided?.neededGapMm ?? -1, 9);
          expect(figureOf(answer, 'entersCone')).toBeCloseTo(guide?.guided?.kept.entersCone ?? -1, 9);
          expect(bySum).toEqual(inPlan);
          told.add(inPlan[0]?.rule ?? 'nothing');
        },
      ),
      { seed: 38, numRuns: 100 },
    );
    expect([...told].sort()).toEqual(['guide-far', 'guide-near', 'nothing']);
  });

  it('what goes into a bore, a channel or a box: the same verdict, said the same way', () => {
    const told = new Set<string>();
    const rules = ['fit', 'box'];
    const inPlan = (design: Design) => checkDesign(design, assess(design)).filter(({ rule }) => rules.includes(rule));
    const essence = (findings: readonly Finding[]) =>
      findings
        .filter(({ rule }) => rules.includes(rule))
        .map(({ rule, gravity, what, why, mend }) => [rule, gravity, ...[what, why, mend].map(usualPrinter.message)]);
    const hollowAt = { id: 'h', at };
    fc.assert(
      fc.property(
        fc.constantFrom(...leds.filter(({ body }) => body !== 'power star')),
        fc.constantFrom(...tapes),
        fc.constantFrom(...packs.filter(({ sizeMm }) => sizeMm.length === 3)),
        fc.boolean(),
        between(0.8, 1.4),
        between(0.8, 1.6),
        (led, tape, pack, sleeved, wider, deeper) => {
          const lamp = itemOf('light', {
            id: 'l',
            name: 'The light',
            part: led.id,
            sleeved,
            feed: 'supply',
            places: [{ id: 'a', at, hollowId: 'h' }],
          });
          const bore = [led.bareDiameterMm * wider, led.lengthMm * deeper] as const;
          const strip = itemOf('pixel tape', {
            id: 't',
            name: 'The tape',
            part: tape.id,
            feed: 'supply',
            hollowId: 'h',
          });
          const laid = { ...strip, route: [at, { xMm: 250, yMm: 50 }] } as Item;
          const channel = [tape.widthMm * wider, tape.heightMm * deeper] as const;
          const cells = itemOf('pack', { id: 'p', name: 'The part', at, part: pack.id, boxId: 'h' });
          const [long = 1, wide = 1, high = 1] = pack.sizeMm;
          const box = [long * wider, wide * deeper, high * deeper] as const;
          const cases = [
            {
              design: circuitOf([supply, lamp], {
                hollows: [{ ...hollowAt, name: 'the bore', kind: 'bore', diameterMm: bore[0], depthMm: bore[1] }],
              }),
              asked: {
                shape: 'bore',
                part: [led.bareDiameterMm, led.lengthMm],
                hollow: bore,
                sleeveMm: sleeved ? led.sleeveWallMm : 0,
                wires: 2,
                wireMm: led.wireDiameterMm,
              },
            },
            {
              design: circuitOf([supply, laid], {
                hollows: [
                  {
                    ...hollowAt,
                    name: 'the channel',
                    kind: 'channel',
                    widthMm: channel[0],
                    depthMm: channel[1],
                    points: [],
                  },
                ] as unknown as Design['hollows'],
              }),
              asked: { shape: 'channel', part: [tape.widthMm, tape.heightMm], hollow: channel },
            },
            {
              design: circuitOf([cells], {
                hollows: [
                  { ...hollowAt, name: 'the box', kind: 'box', widthMm: box[0], heightMm: box[1], depthMm: box[2] },
                ],
              }),
              asked: { shape: 'box', part: [long, wide, high], hollow: box },
            },
          ];
          for (const { design, asked } of cases) {
            const plan = essence(inPlan(design));
            expect(essence(answerOf('fit', asked).findings), asked.shape).toEqual(plan);
            told.add(`${asked.shape} ${plan.length > 0 ? 'told' : 'fits'}`);
          }
        },
      ),
      { seed: 45, numRuns: 80 },
    );
    expect(told.size).toBe(6);
  });

  it('lights round a ring by turns on channels: what the sum puts into a plan is told of the same seam', () => {
    const told = new Set<boolean>();
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 60 }), fc.integer({ min: 1, max: 8 }), (count, channels) => {
        const { answer, design } = askAndPut('ring-marks', { radiusMm: 62, count, channels });
        const seams = (findings: readonly Finding[]) =>
          findings
            .filter(({ rule }) => rule === 'seam')
            .map(({ gravity, why, mend, actual, limit }) => [gravity, why, usualPrinter.message(mend), actual, limit]);
        const inPlan = seams(checkDesign(design, assess(design)));
        expect(seams(answer.findings)).toEqual(inPlan);
        told.add(inPlan.length > 0);
      }),
      { seed: 47, numRuns: 60 },
    );
    expect(told.size).toBe(2);
    // 24 on 5: 24 = 4 · 5 + 4, so the fifth channel has no light before the first comes again.
    const row = answerOf('ring-marks', { radiusMm: 62, count: 24, channels: 5 }).results.find(
      ({ key }) => key === 'seam',
    );
    expect(row?.form === 'text' && row.value).toBe('channel 5');
  });
});
