import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf, planOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { listProgramParts } from '../exports/programPart.ts';
import { checkDesign } from '../findings/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { readPlan } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';
import { inCommonLeg } from './index.ts';

type Light = Extract<Item, { kind: 'light' }>;
interface Asked {
  readonly part?: string;
  readonly switchedBy?: Light['switchedBy'];
  readonly lights?: number;
  readonly board?: boolean;
  readonly colour?: string;
  readonly wiring?: Light['wiring'];
}

/** Many-coloured lights on 5 V, on a board of 5 V or without one. */
const lamp = ({ part = 'led-5mm-three-colours-plus', lights = 2, board = true, colour, ...change }: Asked): Design => {
  const base = circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
    ...(board
      ? [itemOf('board', { id: 'board', name: 'Board', at: { xMm: 10, yMm: 0 }, part: 'controller-large-5v' })]
      : []),
    itemOf('light', {
      id: 'lamp',
      name: 'Lamp',
      part,
      places: Array.from({ length: lights }, (_, i) => ({
        id: `p${i}`,
        at: { xMm: 40 * (i + 1), yMm: 0 },
        hollowId: null,
      })),
      ...change,
    }),
  ]);
  const list = colour ? [moodOf({ brightness: 1, moves: { lamp: { kind: 'steady', colour, level: 1 } } })] : [];
  return { ...base, moods: { ...base.moods, list, startId: list[0]?.id ?? null } };
};
const idsOf = (design: Design): string[] => checkDesign(design, assess(design)).map(({ id }) => id);

describe('many-coloured lights', () => {
  it('each die has its own resistor, by its own drop', () => {
    const { driven, shopping } = assess(lamp({ board: false, switchedBy: { way: 'always on' } }));
    // Drops at 10 mA: red 1.90 V, green 2.90 V, blue 2.95 V. (5 − 1.90) / 10 mA = 310 Ω; 210 Ω; 205 Ω; next above in E12.
    expect(driven.map(({ die, resistor }) => [die, resistor?.resistorOhm])).toEqual([
      ['red', 330],
      ['green', 220],
      ['blue', 220],
    ]);
    const bought = shopping.map((line) => [usualPrinter.message(line.name), line.quantity]);
    expect(bought).toContainEqual(['Resistor 330 Ω, 250 mW', 2]);
    expect(bought).toContainEqual(['Resistor 220 Ω, 250 mW', 4]);
    expect(bought).toContainEqual(['Light, 5 mm, three colours, common plus', 2]);
  });

  it('the leg that they share decides the side: common plus is switched to minus, common minus from plus', () => {
    const wayOf = (part: string, lights: number) => [
      ...new Set(
        (assess(lamp({ part, lights, colour: '#ff8040' })).switched.get('lamp') ?? []).map(({ way }) => way.id),
      ),
    ];
    expect(wayOf('led-5mm-three-colours-plus', 1)).toEqual(['pin low']);
    expect(wayOf('led-5mm-three-colours-minus', 1)).toEqual(['pin high']);
    // Eight of them are more than a pin bears.
    expect(wayOf('led-5mm-three-colours-plus', 8)).toEqual(['transistor below']);
    expect(wayOf('led-5mm-three-colours-minus', 8)).toEqual(['transistor above']);
  });

  it('four cores lead to the first light and on to the next; unswitched two, and its resistors are joined there', () => {
    const { joins, coreEnds } = assess(lamp({ colour: '#ff8040' }));
    // What a maker reads beside each core: which resistor, at which leg, of which light.
    expect((coreEnds.get('light:lamp:p1') ?? []).map(({ to }) => usualPrinter.message(to))).toEqual([
      'Lamp common 2',
      '330 Ω at the red leg of Lamp 2',
      '220 Ω at the green leg of Lamp 2',
      '220 Ω at the blue leg of Lamp 2',
    ]);
    const of = (id: string) =>
      joins.find((join) => join.id === id)?.cores.map(({ net, to }) => [net.name, to.item, to.port]);
    expect(of('light:lamp:p0')).toEqual([
      [expect.stringMatching(/plus/), 'lamp', 'common 1'],
      ['channel Lamp red', 'resistor:lamp:p0:red', 'a'],
      ['channel Lamp green', 'resistor:lamp:p0:green', 'a'],
      ['channel Lamp blue', 'resistor:lamp:p0:blue', 'a'],
    ]);
    expect(of('light:lamp:p1')).toHaveLength(4);
    expect(joins.find(({ id }) => id === 'light:lamp:p1')?.cores[0]?.from).toEqual({ item: 'lamp', port: 'common 1' });
    const plain = assess(lamp({ board: false, switchedBy: { way: 'always on' } })).joins;
    expect(plain.find(({ id }) => id === 'light:lamp:p0')?.cores).toHaveLength(2);
    expect(plain.find(({ id }) => id.includes('bridge:light:lamp:p0'))?.cores.map(({ to }) => to.item)).toEqual([
      'resistor:lamp:p0:green',
      'resistor:lamp:p0:blue',
    ]);
  });

  it('the whole circuit, solved with each die, is what the quick way says, by every way of switching', () => {
    const ways: readonly Light['switchedBy'][] = [
      { way: 'always on' },
      { way: 'pin low', board: 'board' },
      { way: 'transistor below', board: 'board', part: null },
    ];
    for (const switchedBy of ways)
      for (const wiring of ['bus', 'pair'] as const) {
        const design = lamp({ switchedBy, wiring, lights: 1, colour: '#ffffff' });
        const assessment = assess(design);
        const network = drawNetwork(design, assessment, { charge: 1, moodId: 'mood', openIds: [] });
        const solved = solveNetlist(network.netlist);
        for (const { die, corners } of assessment.driven) {
          const litA = solved.ok ? (solved.currentA.get(`lamp: light 1, ${die}`) ?? 0) : 0;
          expect(Math.abs(litA / corners.currentA - 1), `${switchedBy.way} ${wiring} ${die}`).toBeLessThan(0.01);
        }
      }
  });

  it('moods mix its colours: a red mood draws what the red dice draw, and the program has three channels, lit low', () => {
    const design = lamp({ colour: '#ff0000', switchedBy: { way: 'transistor below', board: 'board', part: null } });
    const assessment = assess(design);
    const [red] = assessment.driven;
    const [mood] = assessment.moods;
    const restA = assessment.consumers.reduce((sum, each) => sum + each.restA + each.steadyPeakA, 0);
    expect((mood?.peakA ?? 0) - restA).toBeCloseTo((red?.totalA ?? 0) + (red?.holdA ?? 0), 3);
    const onPins = lamp({ colour: '#ff0000', lights: 1 });
    const [part] = listProgramParts(planOf(onPins), assess(onPins));
    expect(part?.channels.map(({ at, isLitLow }) => [at, isLitLow])).toEqual([
      [0, true],
      [1, true],
      [2, true],
    ]);
  });

  it('has a step to find its legs, one for each resistor, and one for each colour alone', () => {
    const design = lamp({ colour: '#ff8040' });
    const ids = listSteps(design, assess(design)).map(({ id }) => id);
    for (const die of ['red', 'green', 'blue']) {
      expect(ids).toContain(`drop:lamp:${die}`);
      expect(ids).toContain(`resistor:lamp:${die}`);
    }
    for (const channel of [1, 2, 3]) expect(ids).toContain(`channel:lamp:${channel}`);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('switched on the side of the leg that they share nothing is reckoned, and it is named and mended', () => {
    const design = lamp({ colour: '#ff8040', switchedBy: { way: 'pin high', board: 'board' } });
    const assessment = assess(design);
    expect(assessment.driven).toEqual([]);
    const found = checkDesign(design, assessment).find(({ id }) => id === 'common-leg:lamp');
    expect(found?.gravity).toBe('stop');
    const mended = applyEdits(design, found?.fixes[0]?.edits ?? []);
    expect(idsOf(mended)).not.toContain('common-leg:lamp');
    expect(assess(mended).driven).toHaveLength(3);
  });

  it('one resistor in the common leg leaves all to the red die', () => {
    const dice = assess(lamp({ board: false, switchedBy: { way: 'always on' } })).driven;
    const instead = inCommonLeg(dice);
    expect(instead?.resistorOhm).toBe(330);
    const [red = 0, green = 1, blue = 1] = instead?.togetherA ?? [];
    // Red holds the node at 1.9 V: green there passes 2.59 V − 1.9 V = 8 n·Vt less than a milliampere, so next to nothing.
    expect(red).toBeCloseTo(0.0094, 3);
    expect(green).toBeLessThan(1e-6);
    expect(blue).toBeLessThan(1e-6);
  });

  it('a set that mixes it with lights of one colour is a plan all the same: it is named, and the others are left out', () => {
    const base = lamp({ colour: '#ff8040' });
    const one = itemOf('light', {
      id: 'one',
      name: 'One',
      places: [{ id: 'q', at: { xMm: 0, yMm: 40 }, hollowId: null }],
    });
    const sets = [
      {
        id: 'set',
        name: 'Both',
        order: 'one after another' as const,
        of: ['lamp', 'one'].map((groupId) => ({ groupId, first: 1, last: 1, every: 1 })),
      },
    ];
    const steady = { kind: 'steady', colour: '#ffffff', level: 1 } as const;
    const list = [moodOf({ moves: { lamp: steady, one: steady } })];
    const design = { ...base, items: [...base.items, one], moods: { ...base.moods, list, sets } } as Design;
    expect(readPlan(planOf(design))).toMatchObject({ ok: true });
    const assessment = assess(design);
    const found = checkDesign(design, assessment).find(({ id }) => id === 'set-mixed:set');
    expect(usualPrinter.message(found?.what ?? '')).toMatch(/One is left out of it/);
    expect(assessment.show.sets.find(({ id }) => id === 'set')?.points).toBe(1);
    expect(idsOf(applyEdits(design, found?.fixes[0]?.edits ?? []))).not.toContain('set-mixed:set');
  });
});
