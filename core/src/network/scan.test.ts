import { describe, expect, it } from 'vitest';
import { circuitOf, gridOf, itemOf, moodOf } from '../../tests/designs.ts';
import { type Assessment, assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { type Element, type LedCurve, shiftCurve, solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { checkDesign } from '../findings/index.ts';
import { layOutScan, pairOf, pinsToShare } from '../items/index.ts';
import { leds } from '../parts/index.ts';
import { applyEdits, changeItem, type Design, type Item } from '../plan/index.ts';
import { glowByColour, type Scan } from './index.ts';

type Light = Extract<Item, { kind: 'light' }>;
const inRows = (rows: number, change: object = {}): Light['switchedBy'] => ({
  way: 'scanned grid',
  board: null,
  rows,
  part: null,
  columnsBy: null,
  ...change,
});
const supply = (volts: number): Item =>
  itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts });
const board = (part = 'controller-large-5v', feed = 'supply'): Item =>
  itemOf('board', { id: 'board', name: 'Board', at: { xMm: 10, yMm: 10 }, part, feed });
const scanner = (change: object = {}): Item =>
  itemOf('scan driver', { id: 'scanner', name: 'Scanner', at: { xMm: 20, yMm: 10 }, feed: 'supply', ...change });
/** All at full, on 5 V. */
const lit = (grid: Item, others: readonly Item[] = [], parts: readonly Item[] = [supply(5), board()]): Design => ({
  ...circuitOf([...parts, ...others, grid]),
  moods: {
    list: [moodOf({ brightness: 1, moves: { grid: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
    startId: 'mood',
    cues: [],
    course: [],
    cueUses: [],
  },
});
const on = (count: number, rows: number, switchedBy: Light['switchedBy'], change: Partial<Light> = {}): Item =>
  gridOf(count, rows, { feed: null, switchedBy, ...change });
const scanOf = ({ driven }: Assessment): Scan & { readonly mostA: number } => {
  const [first] = driven;
  if (!first?.scan) throw new Error('nothing takes turns');
  return { ...first.scan, mostA: first.corners.mostA };
};
const idsOf = (design: Design): string[] => checkDesign(design, assess(design)).map(({ id }) => id);
const ledCurveOf = (assessment: Assessment): LedCurve =>
  assessment.driven[0]?.loop.curve ?? { nVtV: 1, saturationA: 1, seriesOhm: 0 };

describe('who takes which turn', () => {
  it('64 lights in 8 rows: 8 turns of 8 on 16 lines, each light on one row and one column of its own', () => {
    const layout = layOutScan(64, inRows(8));
    expect([layout?.turns, layout?.atOnce, layout?.lines.length]).toEqual([8, 8, 16]);
    const pairs = Array.from({ length: 64 }, (_, light) =>
      (layout?.lines ?? [])
        .filter(({ joins }) => joins.some((join) => join.light === light))
        .map(({ id }) => id)
        .join(),
    );
    expect(new Set(pairs).size).toBe(64);
    expect(pairs[0]).toBe('r1,c1');
    expect(pairs[63]).toBe('r8,c8');
    // The second light lies beside the first, on the next column.
    expect(pairs[1]).toBe('r1,c2');
  });
  it('a last row may be short; more rows than lights are as many as there are', () => {
    expect(layOutScan(10, inRows(3))?.lines.map(({ joins }) => joins.length)).toEqual([4, 4, 2, 3, 3, 2, 2]);
    expect(layOutScan(3, inRows(9))?.turns).toBe(3);
    expect(layOutScan(0, inRows(3))).toBeNull();
  });
  it.each([
    [1, 2],
    [2, 2],
    [3, 3],
    [6, 3],
    [7, 4],
    [12, 4],
    [13, 5],
    [20, 5],
  ])('%i lights share %i pins, each between a pair of its own', (lights, pins) => {
    expect(pinsToShare(lights)).toBe(pins);
    const pairs = Array.from({ length: lights }, (_, light) => pairOf(light, pins));
    expect(new Set(pairs.map(({ gives, takes }) => `${gives} ${takes}`)).size).toBe(lights);
    for (const { gives, takes } of pairs) {
      expect(gives).not.toBe(takes);
      expect(Math.max(gives, takes)).toBeLessThan(pins);
    }
  });
});

describe('its figures, by hand', () => {
  it('8 by 8 on a driver at 40 mA: 16 lines, 5 mA in the mean, 320 mA in a row', () => {
    const design = lit(on(64, 8, { way: 'scan driver', by: 'scanner', rows: 8 }, { wantedCurrentA: 0.04 }), [
      scanner(),
    ]);
    const assessment = assess(design);
    const { layout, meanA } = scanOf(assessment);
    expect(layout.lines).toHaveLength(16);
    expect(meanA).toBeCloseTo(0.005, 9);
    expect(assessment.driven[0]?.channelA).toBeCloseTo(0.32, 9);
    // Whatever the row, eight lights are lit at any time.
    expect(assessment.consumers.find(({ id }) => id === 'grid')?.fullA).toBeCloseTo(0.32, 9);
  });

  it('one row at one moment, as a circuit of its own, draws what was reckoned', () => {
    const assessment = assess(lit(on(64, 8, inRows(8))));
    const [driven] = assessment.driven;
    const curve = ledCurveOf(assessment);
    const { onOhm = 0, onDropV = 0 } = driven?.transistor?.part ?? {};
    const row: Element[] = [
      { kind: 'voltage', name: 'rail', plus: 'rail', minus: '0', volts: 5 },
      { kind: 'resistor', name: 'row', a: 'rail', b: 'within', ohm: onOhm },
      { kind: 'voltage', name: 'drop', plus: 'within', minus: 'row', volts: onDropV },
      ...Array.from({ length: 8 }, (_, c): Element[] => [
        { kind: 'diode', name: `light ${c}`, anode: 'row', cathode: `k${c}`, curve },
        // The resistor of the column, and the pin that takes it: 25 Ω.
        { kind: 'resistor', name: `column ${c}`, a: `k${c}`, b: '0', ohm: (driven?.resistor?.resistorOhm ?? 0) + 25 },
      ]).flat(),
    ];
    const solved = solveNetlist(row);
    expect(solved.ok && -(solved.currentA.get('rail') ?? 0)).toBeCloseTo(driven?.channelA ?? 0, 6);
    // 5 V less 0.1 V in the transistor, 25 Ω · 12 mA in the pin and what the light drops, over 12 mA.
    const dropV = curve.nVtV * Math.log1p(0.012 / curve.saturationA) + 0.012 * curve.seriesOhm;
    expect(driven?.resistor?.exactOhm).toBeCloseTo((5 - onDropV - 8 * 0.012 * onOhm - 0.3 - dropV) / 0.012, 3);
  });

  it('between shared pins a resistor at each: two of them, and two pins, stand in every path', () => {
    const assessment = assess(lit(on(12, 3, { way: 'shared pins', board: null })));
    const [driven] = assessment.driven;
    const curve = ledCurveOf(assessment);
    const ohm = driven?.resistor?.resistorOhm ?? 0;
    const solved = solveNetlist([
      { kind: 'voltage', name: 'chip', plus: 'chip', minus: '0', volts: 5 },
      { kind: 'resistor', name: 'both', a: 'chip', b: 'a', ohm: 2 * (ohm + 25) },
      { kind: 'diode', name: 'light', anode: 'a', cathode: '0', curve },
    ]);
    expect(solved.ok && solved.currentA.get('light')).toBeCloseTo(driven?.corners.currentA ?? 0, 6);
    // One at a time: all twelve at full take what one does.
    expect(driven?.totalA).toBeCloseTo((driven?.corners.currentA ?? 0) * (driven?.scan?.litOfTurn ?? 0), 9);
  });

  it('the eight-bit board: 8 turns of 255 · 7 + 40 half microseconds, 137 pictures a second', () => {
    const { picturesPerS, litOfTurn, unitTicks } = scanOf(assess(lit(on(64, 8, inRows(8)))));
    expect(unitTicks).toBe(7);
    expect(picturesPerS).toBeCloseTo(2e6 / 1825 / 8, 6);
    expect(litOfTurn).toBeCloseTo(1785 / 1825, 9);
  });

  it('the exact network, every wire in it, takes the same from the supply within a thousandth', () => {
    const cases: readonly Design[] = [
      lit(on(64, 8, inRows(8))),
      lit(on(9, 3, inRows(3), { wantedCurrentA: 0.005 })),
      lit(on(15, 4, inRows(4), { diodes: true })),
      lit(on(12, 3, { way: 'shared pins', board: null })),
      lit(on(20, 4, { way: 'scan driver', by: 'scanner', rows: 4 }), [scanner()]),
    ];
    for (const near of cases) {
      // Far from the board and in thin wire, so that it counts.
      const grid = near.items.find(({ id }) => id === 'grid') as Light;
      const far = applyEdits(
        near,
        changeItem(near, 'grid', {
          places: grid.places.map((place, i) => ({ ...place, at: { xMm: 2500 + 31 * i, yMm: 2100 } })),
        }),
      );
      const design = { ...far, wires: { ...far.wires, gaugesInStock: [34] } };
      const assessment = assess(design);
      const solved = solveNetlist(drawNetwork(design, assessment, { charge: 1, moodId: 'mood', openIds: [] }).netlist);
      const exactA = solved.ok ? -(solved.currentA.get('supply: open voltage') ?? 0) : Number.NaN;
      expect(Math.abs(exactA / (assessment.supplies[0]?.atPeak.packA ?? 0) - 1)).toBeLessThan(1e-3);
    }
  });
});

describe('followed literally', () => {
  it('every light lies between its row and, behind a resistor, its column; each line ends at a pin of its own', () => {
    const design = lit(on(12, 3, inRows(3), { diodes: true }));
    const { nets, pins, coreEnds, runs } = assess(design);
    const netOf = (item: string, port: string): string =>
      nets.find((net) => net.ports.some((each) => each.item === item && each.port === port))?.id ?? '';
    for (let light = 0; light < 12; light += 1) {
      const [row, column] = [Math.floor(light / 4) + 1, (light % 4) + 1];
      expect(netOf('grid', `plus ${light + 1}`)).toBe(netOf(`channel:grid:r${row}`, 'out'));
      expect(netOf('grid', `minus ${light + 1}`)).toBe(netOf(`diode:grid:g${light + 1}`, 'anode'));
      expect(netOf(`diode:grid:g${light + 1}`, 'cathode')).toBe(netOf(`resistor:grid:c${column}`, 'b'));
      expect(netOf(`resistor:grid:c${column}`, 'a')).toBe(netOf(`channel:grid:c${column}`, 'out'));
    }
    const given = pins[0]?.plan.given.map(({ pin }) => pin.name) ?? [];
    expect(new Set(given).size).toBe(7);
    // The sheet names the pin at which each wire begins.
    for (const run of runs.filter(({ id }) => id.startsWith('line:grid:r')))
      expect(JSON.stringify(coreEnds.get(run.id))).toMatch(/transistor of Grid, row \d, on pin \d+ of Board/);
    for (const run of runs.filter(({ id }) => id.startsWith('line:grid:c')))
      expect(JSON.stringify(coreEnds.get(run.id))).toMatch(/of Grid, column \d/);
  });

  it('the bench expects of the wire of a row the mean that a meter shows', () => {
    const design = lit(on(64, 8, inRows(8)));
    const assessment = assess(design);
    const steps = listSteps(design, assessment);
    const reading = steps.find(({ id }) => id === 'channel:grid:1')?.expect;
    const row = (assessment.driven[0]?.channelA ?? 0) * (1785 / 1825);
    expect(reading?.likely).toBeCloseTo(row / 8, 9);
    const order = ['join-rows:grid', 'join-columns:grid', 'probe-lines:grid', 'solder:line:grid:r1'];
    const at = order.map((id) => steps.findIndex((step) => step.id === id));
    expect(at).toEqual([...at].sort((a, b) => a - b));
    expect(Math.min(...at)).toBeGreaterThan(0);
  });

  it('is bought: a resistor a column, a transistor with its two resistors a row, a diode a light', () => {
    const { shopping } = assess(lit(on(12, 3, inRows(3, { part: 'transistor-pnp-small' }), { diodes: true })));
    const count = (what: string): number =>
      shopping.filter(({ forWhat }) => forWhat.includes(what)).reduce((sum, { quantity }) => sum + quantity, 0);
    expect(count('behind each light')).toBe(12);
    expect(count('Grid, rows')).toBe(9);
    expect(
      shopping.find(({ forWhat, name }) => forWhat === 'Grid' && JSON.stringify(name).includes('Resistor'))?.quantity,
    ).toBe(4);
  });
});

describe('what glows that should be dark', () => {
  const ofEach = leds.filter(({ body, dice }) => body === '5 mm' && dice === undefined);
  const at = (volts: number, colour: string): number =>
    glowByColour(volts, ofEach).find(({ name }) => name.includes(colour))?.currentA ?? Number.NaN;

  it('1.65 V: amber carries 0.093 mA and is seen, white nothing; 1.45 V: amber 0.002 mA', () => {
    expect(at(1.65, 'amber') * 1000).toBeCloseTo(0.093, 2);
    expect(at(1.65, ', white')).toBeLessThan(1e-9);
    expect(at(1.45, 'amber') * 1000).toBeCloseTo(0.002, 3);
    const seen = glowByColour(1.65, ofEach)
      .filter(({ isSeen }) => isSeen)
      .map(({ name }) => name);
    expect(seen.some((name) => name.includes('red'))).toBe(true);
    expect(seen.some((name) => /blue|green|white/.test(name))).toBe(false);
  });

  const low = [supply(5), board('controller-radio-3v3')];
  it('rows at 5 V, columns at rest on a chip of 3.3 V: reckoned as a circuit, told, and cured in three ways', () => {
    const pinned = on(9, 3, inRows(3, { columnsBy: 'pin' }), { feed: 'supply', wantedCurrentA: 0.005 });
    const design = lit(pinned, [], low);
    const assessment = assess(design);
    const { acrossOffV, glowA } = scanOf(assessment);
    const rail = assessment.rails.byId.get('supply')?.range?.mostV ?? 0;
    expect(acrossOffV).toBeCloseTo(rail - 3.3, 9);
    const [driven] = assessment.driven;
    const solved = solveNetlist([
      { kind: 'voltage', name: 'rail', plus: 'rail', minus: '0', volts: rail },
      { kind: 'voltage', name: 'chip', plus: 'chip', minus: '0', volts: 3.3 },
      {
        kind: 'diode',
        name: 'dark',
        anode: 'rail',
        cathode: 'k',
        curve: shiftCurve(ledCurveOf(assessment), -(driven?.forwardV.spread ?? 0)),
      },
      { kind: 'resistor', name: 'column', a: 'k', b: 'chip', ohm: driven?.loop.ohm ?? 0 },
    ]);
    expect(solved.ok && solved.currentA.get('dark')).toBeCloseTo(glowA, 7);
    const found = checkDesign(design, assessment).find(({ id }) => id === 'scan-glow:grid');
    expect(found?.fixes).toHaveLength(2);
    for (const fix of found?.fixes ?? []) expect(idsOf(applyEdits(design, fix.edits))).not.toContain('scan-glow:grid');
    // Left to itself the plan takes transistors, which let go; white lights, which stay dark, keep the pins.
    const free = (part: string) =>
      assess(lit(on(9, 3, inRows(3), { feed: 'supply', part, wantedCurrentA: 0.004 }), [], low));
    expect(scanOf(free('led-5mm-amber')).columnSwitch).not.toBeNull();
    expect(scanOf(free('led-5mm-white')).columnSwitch).toBeNull();
  });

  it('a driver that holds its columns too far below its supply, and the mend', () => {
    const design = lit(on(16, 4, { way: 'scan driver', by: 'scanner', rows: 4 }), [scanner({ idleBelowV: 1.65 })]);
    const found = checkDesign(design, assess(design)).find(({ id }) => id === 'scan-glow:grid');
    expect(found?.fixes.length).toBe(2);
    for (const fix of found?.fixes ?? []) expect(idsOf(applyEdits(design, fix.edits))).not.toContain('scan-glow:grid');
    expect(idsOf(lit(on(16, 4, { way: 'scan driver', by: 'scanner', rows: 4 }), [scanner()]))).not.toContain(
      'scan-glow:grid',
    );
  });

  it('between shared pins, with the others let go: no light but the one carries anything', () => {
    const assessment = assess(lit(on(12, 3, { way: 'shared pins', board: null })));
    const curve = ledCurveOf(assessment);
    const ohm = (assessment.driven[0]?.resistor?.resistorOhm ?? 0) + 25;
    const solved = solveNetlist([
      { kind: 'voltage', name: 'chip', plus: 'chip', minus: '0', volts: 5 },
      { kind: 'resistor', name: 'gives', a: 'chip', b: 'p0', ohm },
      { kind: 'resistor', name: 'takes', a: 'p1', b: '0', ohm },
      ...Array.from({ length: 12 }, (_, light): Element => {
        const { gives, takes } = pairOf(light, 4);
        return { kind: 'diode', name: `light ${light}`, anode: `p${gives}`, cathode: `p${takes}`, curve };
      }),
    ]);
    if (!solved.ok) throw new Error('it has a solution');
    expect(solved.currentA.get('light 0')).toBeCloseTo(assessment.driven[0]?.corners.currentA ?? 0, 6);
    for (let light = 1; light < 12; light += 1) expect(solved.currentA.get(`light ${light}`)).toBeLessThan(1e-6);
  });
});

describe('what is told', () => {
  const grid = on(64, 8, inRows(8));
  it('nothing of a sound grid', () => {
    expect(idsOf(lit(grid)).filter((id) => !id.startsWith('caution'))).toEqual([]);
  });
  it.each([
    ['scan-rows:grid', lit(on(5, 1, inRows(9)))],
    ['scan-still:grid', lit(on(16, 4, inRows(4), { wantedCurrentA: 0.05 }))],
    ['scan-flicker:grid', lit(on(42, 6, { way: 'shared pins', board: null }))],
    ['scan-lines:grid', lit(on(100, 10, { way: 'scan driver', by: 'scanner', rows: 10 }), [scanner()])],
    [
      'scan-drop-out:grid',
      lit(
        on(16, 4, { way: 'scan driver', by: 'scanner', rows: 4 }, { part: 'led-5mm-white', wantedCurrentA: 0.03 }),
        [scanner()],
        [supply(3.3), board('controller-radio-3v3')],
      ),
    ],
    ['common-leg:grid', lit(on(9, 3, inRows(3), { part: 'led-5mm-three-colours-plus' }))],
    ['pin-load:grid', lit(on(16, 4, inRows(4, { columnsBy: 'pin' }), { wantedCurrentA: 0.03 }))],
    ['no-pins:board', lit(on(100, 10, inRows(10)))],
    ['over-rating:grid', lit(on(16, 4, inRows(4), { resistorOhm: 1 }))],
  ] as const)('%s', (id, design) => {
    expect(idsOf(design)).toContain(id);
  });
  it('each mend of those clears it', () => {
    for (const [id, design] of [
      ['scan-rows:grid', lit(on(5, 1, inRows(9)))],
      ['pin-load:grid', lit(on(16, 4, inRows(4, { columnsBy: 'pin' }), { wantedCurrentA: 0.03 }))],
      ['over-rating:grid', lit(on(16, 4, inRows(4), { resistorOhm: 1 }))],
    ] as const) {
      const found = checkDesign(design, assess(design)).find((each) => each.id === id);
      expect(found?.fixes.length, id).toBeGreaterThan(0);
      for (const fix of found?.fixes ?? []) expect(idsOf(applyEdits(design, fix.edits))).not.toContain(id);
    }
  });
  it('two grids of one program, and of one driver', () => {
    const second = { ...on(9, 3, inRows(3)), id: 'other', name: 'Other' } as Item;
    expect(idsOf(lit(on(9, 3, inRows(3)), [second]))).toContain('scan-clash:grid');
    const by = { way: 'scan driver', by: 'scanner', rows: 3 } as const;
    const told = { ...on(9, 3, by), id: 'other', name: 'Other' } as Item;
    expect(idsOf(lit(on(9, 3, by), [scanner(), told]))).toContain('scan-clash:grid');
  });
  it('pixels on the board that scans hold it up', () => {
    const tape = itemOf('pixel tape', {
      id: 'tape',
      name: 'Tape',
      part: 'pixel-tape-60',
      feed: 'supply',
      route: [
        { xMm: 0, yMm: 200 },
        { xMm: 2000, yMm: 200 },
      ],
    });
    expect(idsOf(lit(on(9, 3, inRows(3)), [tape]))).toContain('scan-stall:grid');
  });
  it('pins that lose their dimming to the scan dim nothing', () => {
    const dimmed = ['a', 'b', 'c', 'd', 'e'].map((id) =>
      itemOf('light', {
        id,
        name: id,
        part: 'led-5mm-red',
        places: [{ id: 'x', at: { xMm: 5, yMm: 5 }, hollowId: null }],
      }),
    );
    const design = lit(on(9, 3, inRows(3), { wantedCurrentA: 0.005 }), dimmed);
    const moving = {
      ...design,
      moods: {
        ...design.moods,
        list: design.moods.list.map((mood) => ({
          ...mood,
          moves: {
            ...mood.moves,
            ...Object.fromEntries(
              dimmed.map(({ id }) => [id, { kind: 'steady' as const, colour: '#ffffff', level: 0.5 }]),
            ),
          },
        })),
      },
    };
    // The eight-bit board dims on six pins; two of them stand on the clock that takes the turns: five can't be dimmed.
    expect(assess(moving).pins[0]?.plan.ok).toBe(false);
    const alone = { ...moving, items: moving.items.filter(({ id }) => id !== 'grid') };
    expect(assess(alone).pins[0]?.plan.ok).toBe(true);
  });
});
