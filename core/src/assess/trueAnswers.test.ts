import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, ledsOf, moodOf, soundDesign, soundSimple, tapeOf } from '../../tests/designs.ts';
import { type Assessment, assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { exportProgram, exportWireCsv } from '../exports/index.ts';
import { figuresOf } from '../figures/index.ts';
import { checkDesign } from '../findings/index.ts';
import { tuneCapacity } from '../logbook/index.ts';
import type { OwnPart } from '../parts/index.ts';
import { createPlan, type Design, type Item, type Mood } from '../plan/index.ts';
import { answerSum, answerToJson, findSum } from '../sums/index.ts';
import { usualPrinter } from '../units/index.ts';

/** A light of the maker’s own by its two points: forward voltage at 1 mA and at 20 mA. */
const lightPart = (name: string, at1mA: number, at20mA: number, like = 'led-5mm-white'): OwnPart =>
  ({
    kind: 'led',
    like,
    id: `own-${name}`,
    name,
    price: 0.2,
    body: '5 mm',
    colour: '#ffffff',
    forwardAt1mAV: at1mA,
    forwardAt20mAV: at20mA,
    forwardSpreadV: 0.15,
    seriesOhm: 2,
    ratedCurrentA: 0.02,
    bareDiameterMm: 5.8,
    sleeveWallMm: 0.45,
    lengthMm: 8.6,
    wireDiameterMm: 0.5,
    intensityMcd: 1000,
  }) as OwnPart;

const at = { xMm: 0, yMm: 0 };
const places = [{ id: 'a', at, hollowId: null }];
const cell = (change: Partial<Extract<Item, { kind: 'pack' }>> = {}): Item =>
  itemOf('pack', { id: 'pack', part: 'pack-lithium-round-2600', fuseA: 1, housing: 'hard case', ...change });
const lamp = (change: Partial<Extract<Item, { kind: 'light' }>> = {}): Item =>
  itemOf('light', { id: 'lamp', part: 'led-5mm-white', wantedCurrentA: 0.01, places, ...change });
const board = (part: string, change: Partial<Extract<Item, { kind: 'board' }>> = {}): Item =>
  itemOf('board', { id: 'board', part, ...change });
const lit: Mood = moodOf({ brightness: 1, moves: { lamp: { kind: 'steady', colour: '#ffffff', level: 1 } } });
const inMood = (list: readonly Mood[] = [lit]): Design['moods'] => ({
  list: [...list],
  startId: list[0]?.id ?? null,
  cues: [],
  course: [],
  cueUses: [],
});
const rulesOf = (design: Design): string[] => checkDesign(design, assess(design)).map((finding) => finding.id);
const openRules = (design: Design): string[] =>
  checkDesign(design, assess(design)).flatMap((finding) => (finding.gravity === 'mind' ? [] : [finding.id]));
const milliamps = ({ driven }: Assessment, id = 'lamp'): number =>
  (driven.find((each) => each.itemId === id)?.corners.currentA ?? 0) * 1000;
/** Milliamperes of a light at a voltage of its rail. */
const atVolts = ({ driven }: Assessment, volts: number): number => (driven[0]?.atRail(volts) ?? 0) * 1000;

describe('which way round a light on a pin is', () => {
  const onPin = (way: 'pin high' | 'pin low', change: object = {}) =>
    circuitOf(
      [
        lamp({ part: 'led-5mm-amber', switchedBy: { way, board: null }, ...change }),
        board('controller-radio-3v3'),
        cell(),
        itemOf('converter', { id: 'boost', part: 'boost-5v-1a5', feed: 'pack' }),
      ],
      { moods: inMood() },
    );
  const tellsOf = (design: Design) => {
    const assessment = assess(design);
    const run = assessment.runs.find((each) => each.id.startsWith('light:lamp'));
    const cores = run?.cores.map((core) => core.meaning) ?? [];
    const files = exportProgram(createPlan({ id: crypto.randomUUID(), name: 'P', design }), assessment, {});
    const inverted = /UG_CHANNEL_LOW \{ 1 \}/.test(Object.values(files).join('\n'));
    return { cores, inverted, csv: exportWireCsv(assessment, usualPrinter), assessment };
  };
  it('lit high: channel and minus on every sheet, and a program that gives a high pin', () => {
    const { cores, inverted, csv } = tellsOf(onPin('pin high'));
    expect(cores).toEqual(['channel lamp', 'minus']);
    expect(csv).toContain('channel lamp');
    expect(csv).not.toMatch(/lamp[^\n]*rail plus/);
    expect(inverted).toBe(false);
  });
  it('lit low: rail plus and channel, and a program that is told so', () => {
    const { cores, inverted } = tellsOf(onPin('pin low'));
    expect(cores).toEqual(['rail plus', 'channel lamp']);
    expect(inverted).toBe(true);
  });
  it('lit low on a rail above the chip: what is left unlit is told', () => {
    const rule = checkDesign(onPin('pin low'), assess(onPin('pin low'))).find((each) => each.id.startsWith('unlit-'));
    const all = openRules(onPin('pin low'));
    expect(rule ?? all.find((id) => id.includes('lamp')), all.join(' ')).toBeDefined();
  });
});

describe('what a pin really gives', () => {
  it('a bare chip on three fresh cells: 120 Ω on red is 17.8 mA, not 7', () => {
    const design = circuitOf(
      [
        lamp({ part: 'own-red', resistorOhm: 120, switchedBy: { way: 'pin high', board: null } }),
        board('controller-tiny-3v'),
        itemOf('pack', { id: 'pack', part: 'pack-three-aa-alkaline' }),
      ],
      { moods: inMood(), ownParts: [lightPart('red', 1.8, 2)] },
    );
    // Fresh: 4.8 V less 2.0 V of the light over 120 Ω and 35 Ω of the pin: 18.1 mA; the light’s curve makes it 17.9.
    const fresh = atVolts(assess(design), 4.8);
    expect(fresh).toBeGreaterThan(17.2);
    expect(fresh).toBeLessThan(18.4);
    // What is promised for the pin is held against it: 15 mA.
    expect(openRules(design)).toContain('pin-load:lamp');
  });
  it('a 5 V board straight on a lithium cell: 270 Ω on white is 3 mA at 3.69 V and 1 mA at 3 V', () => {
    const design = circuitOf(
      [
        lamp({ part: 'own-white', resistorOhm: 270, switchedBy: { way: 'pin high', board: null } }),
        board('controller-large-5v'),
        cell(),
      ],
      { moods: inMood(), ownParts: [lightPart('white', 2.65, 3.05)] },
    );
    const assessment = assess(design);
    // 3.69 − 2.80 V over 270 + 25 Ω is 3.0 mA; 3.00 − 2.66 V over the same is 1.1 mA.
    expect(atVolts(assessment, 3.69)).toBeGreaterThan(2.6);
    expect(atVolts(assessment, 3.69)).toBeLessThan(3.4);
    expect(atVolts(assessment, 3)).toBeGreaterThan(0.8);
    expect(atVolts(assessment, 3)).toBeLessThan(1.4);
  });
});

describe('a sensor and a remote', () => {
  const sensed = (kind: 'light sensor' | 'remote') =>
    assess(
      circuitOf([
        board('controller-radio-3v3'),
        itemOf(kind, { id: 'eye', at: { xMm: 90, yMm: 0 } }),
        cell(),
        itemOf('converter', { id: 'boost', part: 'boost-5v-1a5', feed: 'pack' }),
      ]),
    );
  it('hang on the chip’s own supply, with the minus that each needs, and the fixed resistor is bought', () => {
    const sensor = sensed('light sensor');
    const cores = (of: Assessment): string[] =>
      of.runs.find((run) => run.id === 'control:eye')?.cores.map((core) => core.meaning) ?? [];
    expect(cores(sensor).some((name) => /rail plus/.test(name))).toBe(false);
    expect(
      cores(sensor).some((name) => /3\.3 V|chip|logic/.test(name)),
      cores(sensor).join(),
    ).toBe(true);
    expect(cores(sensed('remote'))).toContain('minus');
    expect(
      sensor.shopping.some((line) => /esistor/.test(usualPrinter.message(line.name)) && /eye/.test(line.forWhat)),
    ).toBe(true);
  });
});

describe('what is not decided is not nought', () => {
  it('one 10 mA light on a 150 mAh cell runs 15 h, whatever switches it', () => {
    // A driver’s constant 10 mA would be 15.0 h; behind a resistor the current falls with the cell, so a little longer.
    const flame = lightPart('flame', 1.6, 1.8);
    for (const switchedBy of [{ way: 'always on' as const }, { way: 'hand switch' as const, by: 'key' }]) {
      const design = circuitOf(
        [
          lamp({ part: 'own-flame', switchedBy }),
          cell({ part: 'pack-lithium-pouch-150' }),
          itemOf('switch', { id: 'key', feed: 'pack' }),
        ],
        { ownParts: [flame] },
      );
      const hours = assess(design).runsFor?.likelyH ?? 0;
      expect(hours).toBeGreaterThan(13.5);
      expect(hours).toBeLessThan(17);
    }
  });
  it('without a controller, an unknown part or no route there is no figure, and it says what it needs', () => {
    const unknown = circuitOf([lamp({ part: 'gone' }), cell()]);
    expect(figuresOf(assess(unknown)).peakA).toMatchObject({
      likely: null,
      needs: [expect.stringMatching(/lamp/), 'something that draws'],
    });
    expect(figuresOf(assess(unknown)).runsForH.likely).toBeNull();
    const routeless = circuitOf([itemOf('pixel tape', { id: 'tape' }), cell()]);
    expect(figuresOf(assess(routeless)).peakA.likely).toBeNull();
    expect(assess(routeless).lightCount).toBe(0);
    expect(assess(routeless).runs.filter((run) => run.lengthMm !== null && run.id.includes('tape'))).toEqual([]);
  });
});

describe('the ceiling and the night', () => {
  const tapeOnCell = (brightness: number): Design =>
    soundDesign({
      tapes: [tapeOf({ lengthMm: 700 })],
      power: { ...soundSimple.power, fuseA: 3 },
      moods: { ...soundDesign().moods, list: [moodOf({ brightness })] },
    });
  it('the ceiling is the same for every brightness that the mood is set to', () => {
    const [first] = assess(tapeOnCell(0.5)).ceilings;
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1, noNaN: true }), (brightness) => {
        const [ceiling] = assess(tapeOnCell(brightness)).ceilings;
        expect(ceiling?.brightness).toBeCloseTo(first?.brightness ?? 0, 9);
      }),
      { numRuns: 25, seed: 3 },
    );
  });
  it('where nothing of a mood is left, one cause is told once, and the hours are those of the lit piece', () => {
    const straight = soundDesign({ power: { ...soundSimple.power, converter: null } });
    const findings = checkDesign(straight, assess(straight));
    const told = findings.filter((each) => /^(nothing-lit|rail-low|ceiling)/.test(each.id) && each.gravity === 'stop');
    expect(told).toHaveLength(1);
  });
  it('what a sign covers is not drawn besides', () => {
    const sign = { id: 's', name: 'Low', controlId: 'k', moves: lit.moves };
    const base = (signs: object[]) =>
      circuitOf([lamp(), board('controller-large-5v'), itemOf('button', { id: 'k' }), cell()], {
        moods: { ...inMood(), signs } as Design['moods'],
      });
    // The sign lights what the mood lights: together no more than one of them.
    expect(assess(base([sign])).peakA).toBeCloseTo(assess(base([])).peakA, 9);
  });
  it('four D cells at 5.7 mA last about 2,400 h', () => {
    const design = circuitOf([
      itemOf('load', {
        id: 'any',
        part: 'load-any',
        usualA: { likely: 0.0057, spread: 0, origin: 'measured' },
        mostA: { likely: 0.0057, spread: 0, origin: 'measured' },
        startA: { likely: 0.0057, spread: 0, origin: 'measured' },
      }),
      itemOf('pack', { id: 'pack', part: 'pack-four-d-alkaline' }),
    ]);
    const hours = assess(design).runsFor?.likelyH ?? 0;
    // 14 to 16 Ah over 5.7 mA.
    expect(hours).toBeGreaterThan(2000);
    expect(hours).toBeLessThan(2900);
  });
});

describe('what must be found', () => {
  const alone = (items: readonly Item[], change: Partial<Design> = {}) => openRules(circuitOf(items, change));
  it('a 5 V tape on a 12 V rail', () => {
    const route = [at, { xMm: 300, yMm: 0 }];
    expect(alone([itemOf('pixel tape', { id: 'tape', route }), cell({ part: 'pack-three-lithium-round' })])).toContain(
      'over-voltage:tape',
    );
  });
  it('a resistor a thousand times off, and one where the light’s own drop was forgotten', () => {
    const on = (resistorOhm: number) =>
      alone([lamp({ part: 'led-5mm-red', resistorOhm, switchedBy: { way: 'always on' } }), cell()]);
    expect(on(180_000).some((id) => id.includes('resistor') && id.endsWith('lamp'))).toBe(true);
    // 3.7 V over 10 mA: 370 Ω, where (3.7 − 1.9 V) over 10 mA are 180.
    expect(on(390).some((id) => id.includes('resistor') && id.endsWith('lamp'))).toBe(true);
    expect(on(180).some((id) => id.includes('resistor') && id.endsWith('lamp'))).toBe(false);
  });
  it('12 Ah typed for a 3.4 Ah cell', () => {
    const capacityMah = { likely: 12_000, spread: 600, origin: 'guess' as const };
    expect(alone([lamp(), cell({ part: 'pack-lithium-round-3400', capacityMah })])).toContain('capacity-much:pack');
  });
  it('a bare lithium pack charged in place in the rain', () => {
    const wet = { piece: { ...circuitOf([]).piece, setting: 'rain' as const } };
    expect(alone([lamp(), cell({ housing: 'none', charging: 'in place, switched off' })], wet)).toContain(
      'charge-wet:pack',
    );
  });
  it('swapped readings of a light sensor', () => {
    const eye = itemOf('light sensor', { id: 'eye', darkOhm: 2400, lightOhm: 180_000 });
    expect(alone([board('controller-large-5v'), eye, cell()]).some((id) => /swapped/.test(id))).toBe(true);
  });
  it('a fuse for two coin cells that never blows: they give 0.2 A into a short', () => {
    const rules = alone([lamp(), itemOf('pack', { id: 'pack', part: 'pack-two-coin-2032', fuseA: 0.25 })]);
    expect(rules).toContain('fuse-never:pack');
    expect(alone([lamp(), itemOf('pack', { id: 'pack', part: 'pack-two-coin-2032' })])).not.toContain('no-fuse:pack');
  });
  it('no caution about lithium on alkaline cells', () => {
    const cautions = rulesOf(circuitOf([lamp(), itemOf('pack', { id: 'pack', part: 'pack-three-aa-alkaline' })]));
    expect(cautions.filter((id) => /lithium|cell-care/.test(id))).toEqual([]);
  });
  it('a charge sense that can never act, below empty or above full', () => {
    const sense = (lowV: number) =>
      alone([
        board('controller-large-5v'),
        itemOf('charge sense', { id: 'sense', lowV }),
        cell(),
        itemOf('converter', { id: 'boost', feed: 'pack' }),
      ]).filter((id) => id.endsWith('sense'));
    expect(sense(2.5)).not.toEqual([]);
    expect(sense(4.5)).not.toEqual([]);
    expect(sense(3.4)).toEqual([]);
  });
  it('a ring of 24 lights on 5 channels: the seam', () => {
    const ring = Array.from({ length: 24 }, (_, i) => ({
      id: `p${i}`,
      at: { xMm: 100 + 50 * Math.cos((i * Math.PI) / 12), yMm: 100 + 50 * Math.sin((i * Math.PI) / 12) },
      hollowId: null,
    }));
    expect(openRules(soundDesign({ tapes: [], leds: [ledsOf({ channels: 5, places: ring })] }))).toContain('seam:leds');
  });
  it('findings do not hide each other: a mood above its ceiling leaves the minute that it runs in sight', () => {
    const design = soundDesign({
      tapes: [tapeOf({ lengthMm: 900 })],
      moods: { ...soundDesign().moods, list: [moodOf({ brightness: 0.9 })] },
      power: { ...soundSimple.power, fuseA: 10 },
      piece: { ...soundSimple.piece, hoursWanted: 8 },
    });
    const rules = openRules(design);
    expect(rules).toContain('runs-short');
    expect(rules).toContain('fuse-large:pack');
  });
});

describe('a cork float with a pouch cell, a magnet switch and one lamp', () => {
  const float = circuitOf(
    [
      lamp({
        part: 'own-check',
        wantedCurrentA: 0.008,
        switchedBy: { way: 'hand switch', by: 'magnet' },
        resistorAt: 'switch',
      }),
      cell({ part: 'pack-lithium-pouch-150', at: { xMm: 0, yMm: 40 } }),
      itemOf('switch', { id: 'magnet', part: 'switch-magnet-0a5', feed: 'pack', at: { xMm: 0, yMm: 60 } }),
    ],
    { ownParts: [{ ...lightPart('check', 2.72, 3.1), ratedCurrentA: 0.015 } as OwnPart] },
  );
  it('takes 100 Ω: 82 Ω would be too much at the bright corner', () => {
    expect(assess(float).driven[0]?.resistor?.resistorOhm).toBe(100);
  });
  it('its current follows the cell, and is nought nowhere', () => {
    const assessment = assess(float);
    // By hand with 2.98 V at 11.8 mA, 2.92 V at 7.6 mA: (4.2 − 2.98) / 100 Ω and (3.7 − 2.92) / 100 Ω.
    expect(atVolts(assessment, 4.2)).toBeGreaterThan(11);
    expect(atVolts(assessment, 4.2)).toBeLessThan(12.6);
    expect(atVolts(assessment, 3.7)).toBeGreaterThan(7);
    expect(atVolts(assessment, 3.7)).toBeLessThan(8.3);
    expect(atVolts(assessment, 3)).toBeGreaterThan(1.5);
    expect(atVolts(assessment, 3)).toBeLessThan(3);
    expect(figuresOf(assessment).runsForH.likely ?? 0).toBeGreaterThan(10);
    expect(milliamps(assessment)).toBeGreaterThan(6);
  });
  it('has its nets, also where two things sit at one place and no wire runs between them', () => {
    const at = { xMm: 0, yMm: 40 };
    const together = assess({
      ...float,
      items: float.items.map((item) => ('at' in item ? { ...item, at } : item)) as Item[],
    });
    const plus = together.nets.find((net) => net.name === 'pack plus');
    expect(plus?.ports).toEqual([
      { item: 'pack', port: 'plus' },
      { item: 'magnet', port: 'a' },
    ]);
    expect(together.runs.map((run) => run.id)).not.toContain('lead:magnet');
  });
  it('has nets of every port, and a card of the bench for the lamp with the band of its cell', () => {
    const assessment = assess(float);
    // Pack to switch, switch to the resistor, resistor to lamp, and back.
    expect(assessment.nets).toHaveLength(4);
    const minus = assessment.nets.find((net) => net.name === 'minus');
    expect(minus?.ports.map(({ item }) => item).sort()).toEqual(['lamp', 'magnet', 'pack']);
    const card = listSteps(float, assessment).find((step) => step.id.startsWith('channel:lamp'));
    expect((card?.expect?.low ?? 0) * 1000).toBeLessThan(2.5);
    expect((card?.expect?.high ?? 0) * 1000).toBeGreaterThan(11.8);
  });
});

describe('what is printed on a cell', () => {
  const sum = findSum('led-resistor');
  const ask = (supplyV: number) => {
    if (!sum) throw new Error('the sum of the resistor');
    const answered = answerSum(sum, { supplyV, forwardV: 3.2, currentA: 0.02 }, usualPrinter);
    if (!answered.ok) throw new Error(JSON.stringify(answered.problems));
    return answerToJson(answered.answer, usualPrinter);
  };
  it('3.7 V for 3.2 V and 20 mA is 33 Ω, and 27 mA flow from a fresh cell: a stop', () => {
    const json = JSON.stringify(ask(3.7));
    // 4.2 V less about 3.26 V of the light at that current, over 33 Ω: 28 mA; its curve makes it 27.
    expect(json).toMatch(/"freshA":0\.027/);
    expect(json).toContain('printed-voltage');
    expect(json).toMatch(/Take 39\.0 Ω/);
  });
  it('5 V from a converter is 5 V', () => {
    expect(JSON.stringify(ask(5))).not.toContain('printed-voltage');
  });
  it('a season is told in days, a night in hours', () => {
    expect(usualPrinter.quantity('timeH', 2400)).toBe('100 days');
    expect(usualPrinter.quantity('timeH', 240)).toBe('240 h');
  });
});

describe('a run test that teaches the capacity', () => {
  const ofItsKind = { likely: 3400, spread: 200, origin: 'typical' as const };
  const test = (hours: number, predictedHours: number, predictedWithMah?: number) => ({
    id: 't',
    at: '2026-11-01T10:00:00Z',
    moodId: null,
    moodName: 'The evening’s course',
    brightness: 1,
    ambientC: 8,
    hours,
    predictedHours,
    ...(predictedWithMah === undefined ? {} : { predictedWithMah }),
    note: '',
  });
  it('is weighed against the capacity that its own prediction was made with, and leaves the prediction as it was', () => {
    // 8 h instead of 10 with 3400 mAh: 2720. A second test, predicted with those 2720 mAh, came true.
    const tests = [test(8, 10), test(8, 8, 2720)];
    expect(tuneCapacity(ofItsKind, tests)?.likely).toBe(2720);
    expect(tests[0]?.predictedHours).toBe(10);
  });
});
