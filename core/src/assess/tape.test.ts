import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { checkDesign } from '../findings/index.ts';
import { applyEdits, changeItem, type Design, type PlanPoint } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';

const straight: readonly PlanPoint[] = [
  { xMm: 0, yMm: 0 },
  { xMm: 1000, yMm: 0 },
];

/** One tape of 60 a metre along a route, all white and full, on a bench supply of 5 V by way of a board at its start. */
const lineOf = (change: object = {}, route: readonly PlanPoint[] = straight): Design => ({
  ...circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: -40, yMm: 0 }, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'board', at: { xMm: -20, yMm: 0 }, part: 'controller-large-5v' }),
    itemOf('pixel tape', { id: 'tape', name: 'Tape', part: 'pixel-tape-60', route: [...route], ...change }),
  ]),
  moods: {
    list: [moodOf({ id: 'white', brightness: 1, moves: { tape: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
    startId: 'white',
    cues: [],
    course: [],
    cueUses: [],
  },
});
const chainOf = (design: Design) => {
  const [chain] = assess(design).chains;
  if (!chain) throw new Error('no line');
  return chain;
};
const placedOf = (design: Design) => {
  const group = assess(design).placed.find(({ id }) => id === 'tape');
  if (group?.shape !== 'pixels') throw new Error('no tape');
  return group;
};

describe('a tape that is cut at its corners', () => {
  const corner: readonly PlanPoint[] = [
    { xMm: 0, yMm: 0 },
    { xMm: 210, yMm: 0 },
    { xMm: 210, yMm: 125 },
    { xMm: 400, yMm: 125 },
  ];
  const cut = lineOf({ cutAtCorners: true }, corner);

  it('has in each leg as many lights as go on it: 210, 125 and 190 mm at 16.67 mm are 12, 7 and 11', () => {
    const { pieces, cut: all, places } = placedOf(cut);
    expect(pieces).toEqual([12, 7, 11]);
    expect(all.lights).toBe(30);
    // 525 mm of route, 500 mm lit.
    expect(all.gapMm).toBeCloseTo(25, 9);
    // The first light of the second leg sits half a pitch down from the corner.
    expect(places[12]).toEqual({ xMm: 210, yMm: 1000 / 120 });
    // Uncut it would be 31.
    expect(placedOf(lineOf({}, corner)).pieces).toEqual([31]);
  });
  it('is joined by a jumper of three cores at each corner, from pad to pad, of which its bench tells', () => {
    const assessment = assess(cut);
    const jumper = assessment.runs.find(({ id }) => id === 'row:tape:1');
    expect(jumper?.joins.map(({ from, to }) => `${from.port} > ${to.port}`)).toEqual([
      'plus, piece 1 out > plus, piece 2 in',
      'minus, piece 1 out > minus, piece 2 in',
      'data, piece 1 out > data, piece 2 in',
    ]);
    const step = listSteps(cut, assessment).find(({ id }) => id === 'cut:tape');
    expect(usualPrinter.message(step?.todo ?? '')).toContain(
      '3 pieces at their marks, in this order: 12, 7, 11 lights',
    );
  });
  it('loses what its jumpers take: with 60 mm of 30 gauge at each corner the end has so much less', () => {
    const wired = (gaugeAwg: number): number =>
      chainOf({
        ...cut,
        wires: {
          ...cut.wires,
          runs: [1, 2].map((k) => ({ runId: `row:tape:${k}`, lengthMm: 60, gaugeAwg, colours: null })),
        },
      }).leastV;
    // 30 gauge has 0.339 Ω a metre, 20 gauge 0.0333: both ways 2 · 60 mm. Behind the corners lie 18 and 11 lights of 36.8 mA.
    const lost = 0.12 * (0.3386 - 0.0333) * 0.0368 * (18 + 11);
    expect(wired(20) - wired(30)).toBeCloseTo(lost, 3);
  });
  it('laid round the corners in one piece it is asked about, and cut by a click; rows and shapes are not', () => {
    const design = lineOf({}, corner);
    const found = checkDesign(design, assess(design)).find(({ id }) => id === 'corner:tape');
    expect(found?.gravity).toBe('mind');
    const mended = applyEdits(design, found?.fixes[0]?.edits ?? []);
    expect(placedOf(mended).pieces).toHaveLength(3);
    const grid = lineOf({ grid: { columns: 4, rows: 4, snakes: true } }, corner);
    for (const other of [mended, lineOf(), grid])
      expect(checkDesign(other, assess(other)).filter(({ id }) => id.startsWith('corner:'))).toEqual([]);
  });
});

describe('a tape that is fed at several places', () => {
  it('fed at both ends loses at its middle a quarter of what it lost at its end', () => {
    // Leads of no length: the board sits at the start, and the far lead is made as thick as nothing.
    const at = (feedsAt: number[] | undefined): number[] => [
      ...chainOf({
        ...lineOf({ feedsAt }),
        wires: {
          ...lineOf().wires,
          runs: ['feed:tape', 'feed:tape:61'].map((runId) => ({ runId, lengthMm: 1, gaugeAwg: 10, colours: null })),
        },
      }).voltageV,
    ];
    const [one, both] = [at(undefined), at([61])];
    const [first = 0, least = 0] = [one[0], Math.min(...both)];
    expect(both.indexOf(least)).toBeGreaterThan(28);
    expect(both.indexOf(least)).toBeLessThan(32);
    // An even load lowers the far end by I·R/2, and between two feeds the middle by I·R/8.
    expect((first - least) / (first - (one[59] ?? 0))).toBeCloseTo(0.25, 1);
  });
  it('each feed has its run, its gauge and its share; together they bring what the tape takes', () => {
    const assessment = assess(lineOf({ feedsAt: [31, 61] }));
    const feeds = assessment.runs.filter(({ id }) => id.startsWith('feed:tape'));
    expect(feeds.map(({ name }) => name)).toEqual([
      'Feed of Tape',
      'Feed of Tape, before light 31',
      'Feed of Tape, end',
    ]);
    const total = feeds.reduce((sum, { peakA }) => sum + (peakA ?? 0), 0);
    // 60 lights of three dice of 12 mA and 0.8 mA.
    expect(total).toBeCloseTo(60 * 0.0368, 6);
    expect(feeds[1]?.joins.map(({ to }) => to.port)).toEqual(['plus before light 31', 'minus before light 31']);
  });
  it('any feeds and any jumpers: pixel by pixel what the exact network says, within a thousandth', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 2, max: 70 }), { maxLength: 3 }),
        fc.boolean(),
        fc.integer({ min: 1, max: 60 }),
        fc.array(fc.record({ xMm: fc.integer({ min: 0, max: 500 }), yMm: fc.integer({ min: 0, max: 300 }) }), {
          minLength: 2,
          maxLength: 4,
        }),
        (feedsAt, cutAtCorners, litFirst, route) => {
          const design = lineOf({ feedsAt, cutAtCorners, litFirst }, route);
          const assessment = assess(design);
          const [chain] = assessment.chains;
          if (!chain) return;
          const solved = solveNetlist(
            drawNetwork(design, assessment, { charge: 0.5, moodId: 'white', openIds: [] }).netlist,
          );
          if (!solved.ok) throw new Error(solved.reason);
          // What is lost from the first light to each that is lit, by the power and the current of the exact one.
          const exactV = Array.from({ length: Math.min(litFirst, chain.voltageV.length) }, (_, i) => {
            const name = `tape: light ${i + 1}`;
            return (solved.powerW.get(name) ?? 0) / (solved.currentA.get(name) ?? 1);
          });
          exactV.forEach((volts, i) => {
            const [here, there] = [(chain.voltageV[0] ?? 0) - (chain.voltageV[i] ?? 0), (exactV[0] ?? 0) - volts];
            expect(Math.abs(here - there), `light ${i + 1}`).toBeLessThan(1e-3);
          });
          // Each wire of the line carries what the exact one does; what its dark lights rest at is shared out among the lit.
          const restA = litFirst < chain.voltageV.length ? 0.0008 * chain.voltageV.length : 0;
          for (const { id, peakA } of assessment.runs.filter(({ id }) => /^(feed|row):tape/.test(id)))
            expect(Math.abs(Math.abs(solved.currentA.get(`${id}, core 1`) ?? 0) - (peakA ?? 0)), id).toBeLessThan(
              restA + 1e-3,
            );
        },
      ),
      { numRuns: 40, seed: 5 },
    );
  });
  it('a jumper in the middle of a line that is fed at both ends carries a quarter of a tape, either way, not all of it', () => {
    const both = lineOf();
    const tail = {
      id: 'tail',
      name: 'Tail',
      part: 'pixel-tape-60',
      after: 'tape',
      feedsAt: [61],
      route: [...straight],
    };
    const design: Design = {
      ...both,
      items: [...both.items, itemOf('pixel tape', tail)],
      wires: {
        ...both.wires,
        runs: ['feed:tape', 'jumper:tail', 'feed:tail:61'].map((runId) => ({
          runId,
          lengthMm: 1,
          gaugeAwg: 10,
          colours: null,
        })),
      },
    };
    const { runs } = assess(design);
    const jumperA = runs.find(({ id }) => id === 'jumper:tail')?.peakA ?? 0;
    // A load at x of the whole length takes x of itself from the far end: the near half, at 1/4 on the mean, a quarter.
    expect(jumperA / (60 * 0.0368)).toBeCloseTo(0.25, 1);
  });
  it('where its far pixels fade the fewest feeds that are enough are found, and are enough', () => {
    const long: readonly PlanPoint[] = [
      { xMm: 0, yMm: 0 },
      { xMm: 4000, yMm: 0 },
    ];
    const design = lineOf({ part: 'pixel-tape-30' }, long);
    const low = checkDesign(design, assess(design)).find(({ id }) => id === 'tape-low');
    const fix = low?.fixes[0];
    const mended = applyEdits(design, fix?.edits ?? []);
    const { leastV, wantsV } = chainOf(mended);
    expect(leastV).toBeGreaterThanOrEqual(wantsV);
    // One fewer is not enough.
    const [item] = mended.items.flatMap((each) => (each.kind === 'pixel tape' ? [each] : []));
    const fewer = item?.feedsAt?.slice(1);
    const less = applyEdits(mended, changeItem(mended, 'tape', { feedsAt: fewer?.length ? fewer : undefined }));
    expect(chainOf(less).leastV).toBeLessThan(wantsV);
    // The bench measures at the light that gets least, wherever that is.
    const steps = listSteps(mended, assess(mended)).find(({ id }) => id === 'far-end:tape');
    const index = chainOf(mended).voltageV.indexOf(leastV);
    expect(steps?.title).toBe(
      index === 119 ? 'Voltage at the far end of Tape' : `Voltage at light ${index + 1} of Tape, which gets least`,
    );
  });
});

describe('two tapes behind one', () => {
  it('are stopped: one output to two inputs; each fix leaves one behind each', () => {
    const line = lineOf();
    const behind = (id: string): Design['items'][number] =>
      itemOf('pixel tape', { id, name: id, part: 'pixel-tape-60', after: 'tape', route: [...straight] });
    const design: Design = { ...line, items: [...line.items, behind('one'), behind('two'), behind('three')] };
    const forks = (at: Design) => checkDesign(at, assess(at)).filter(({ rule }) => rule === 'data-forks');
    expect(forks(design).map(({ id }) => id)).toEqual(['data-forks:two', 'data-forks:three']);
    // Mended one after the other, by either way: no output leads to two.
    for (const way of [0, 1]) {
      let at = design;
      for (let found = forks(at); found[0]; found = forks(at)) at = applyEdits(at, found[0].fixes[way]?.edits ?? []);
      const outs = assess(at).nets.flatMap(({ ports }) => ports.filter(({ port }) => port === 'data out'));
      expect(new Set(outs.map(({ item }) => item)).size).toBe(outs.length);
      expect(assess(at).chains.flatMap(({ tapeIds }) => tapeIds)).toHaveLength(4);
    }
  });
});

describe('a tape of which only the first lights are used', () => {
  it('draws for those alone, the rest is dark: 20 · 3 · 12 mA and 60 · 0.8 mA; its frame is as short', () => {
    const { consumers, dataLines, show } = assess(lineOf({ litFirst: 20 }));
    const tape = consumers.find(({ id }) => id === 'tape');
    expect(tape?.fullA).toBeCloseTo(20 * 3 * 0.012, 9);
    expect(tape?.restA).toBeCloseTo(60 * 0.0008, 9);
    expect(dataLines[0]?.line).toMatchObject({ pixels: 20, memoryBytes: 60 });
    expect(show.frameBytes).toBe(60);
  });
  it('in the middle of a line its dark lights are sent too, so that the next tape is told its own', () => {
    const line = lineOf({ litFirst: 20 });
    const design: Design = {
      ...line,
      items: [
        ...line.items,
        itemOf('pixel tape', {
          id: 'tail',
          name: 'Tail',
          part: 'pixel-tape-60',
          after: 'tape',
          lengthMm: 100,
          route: [...straight],
        }),
      ],
    };
    const { show, dataLines } = assess(design);
    expect(show.groups.map(({ points, offset }) => [points, offset])).toEqual([
      [20, 0],
      [6, 180],
    ]);
    expect(dataLines[0]?.line.pixels).toBe(66);
  });
});

describe('a spare pixel before the first', () => {
  it('behind a diode it takes 3.3 V logic where the tape itself would not', () => {
    const on3v3 = (change: object): string[] => {
      const design = lineOf(change);
      const other = applyEdits(design, changeItem(design, 'board', { part: 'controller-radio-3v3' }));
      return checkDesign(other, assess(other)).map(({ id }) => id);
    };
    // 0.7 · 5 V = 3.5 V; behind 0.6 V of a diode 3.08 V; a plain spare pixel wants what the tape does.
    expect(on3v3({})).toContain('data-level:tape');
    expect(on3v3({ spareFirst: 'plain' })).toContain('data-level:tape');
    expect(on3v3({ spareFirst: 'behind a diode' })).not.toContain('data-level:tape');
  });
  it('is wired, bought and sent: dark, before the tape', () => {
    const { joins, shopping, show, dataLines, consumers, coreEnds } = assess(lineOf({ spareFirst: 'behind a diode' }));
    const legs = joins.find(({ id }) => id === 'legs:spare:tape');
    expect(legs?.cores.map(({ to }) => `${to.item} ${to.port}`)).toEqual([
      'diode:tape anode',
      'spare:tape plus',
      'spare:tape minus',
      'spare:tape data in',
    ]);
    const data = (coreEnds.get('feed:tape') ?? []).map(({ from, to }) => `${from} > ${to}`);
    expect(data[2]).toBe('spare pixel of Tape, data out > Tape data in');
    expect(shopping.map(({ name }) => name)).toContain('Diode, silicon, 1 A');
    expect(show.groups[0]).toMatchObject({ offset: 3, points: 60 });
    expect(dataLines[0]?.line.pixels).toBe(61);
    expect(consumers.find(({ id }) => id === 'tape')?.restA).toBeCloseTo(61 * 0.0008, 9);
  });
  it('is soldered in by the sheet, with every other small part that is bought for the line', () => {
    const design = lineOf({
      spareFirst: 'behind a diode',
      levelShifter: true,
      dataResistorOhm: 330,
      reservoirUf: 1000,
    });
    const assessment = assess(design);
    const at = listSteps(design, assessment).findIndex(({ id }) => id === 'parts:tape');
    const steps = listSteps(design, assessment).map(({ todo }) => usualPrinter.message(todo));
    const pin = usualPrinter.message(assessment.coreEnds.get('legs:spare:tape')?.[3]?.from ?? '');
    expect(pin).toMatch(/^pin \S+ of /);
    const sheet = steps[at] ?? '';
    for (const part of [
      'Level shifter',
      '330 Ω',
      'diode before the spare pixel of Tape, ringed end to spare pixel of Tape, plus',
      `${pin} to spare pixel of Tape, data in`,
      '1000 µF',
    ])
      expect(sheet).toContain(part);
    // Before the wire that begins at its data out.
    expect(at).toBeLessThan(listSteps(design, assessment).findIndex(({ id }) => id === 'solder:feed:tape'));
    // Nothing to say where nothing is fitted.
    const bare = lineOf({ dataResistorOhm: null, reservoirUf: null });
    expect(listSteps(bare, assess(bare)).map(({ id }) => id)).not.toContain('parts:tape');
  });
});

describe('pixels in threes for 12 V', () => {
  const threes = (volts: number): Design => {
    const design = lineOf({ part: 'pixel-tape-12v-60' });
    return {
      ...design,
      items: design.items.map((item) => (item.kind === 'outside supply' ? { ...item, volts } : item)),
    };
  };
  it('20 pixels on a metre draw 20 · 3 · 14 mA: 60 lights for the current of 20', () => {
    const { consumers, placed } = assess(threes(12));
    expect(placed[0] && 'cut' in placed[0] ? placed[0].cut.lights : 0).toBe(20);
    expect(consumers.find(({ id }) => id === 'tape')?.fullA).toBeCloseTo(20 * 3 * 0.014, 9);
  });
  it('read their data against the chip’s own 5 V, not against 12 V: 3.3 V is too little, 5 V is enough', () => {
    const ids = (part: string): string[] => {
      const design = threes(12);
      const other = applyEdits(design, changeItem(design, 'board', { part }));
      return checkDesign(other, assess(other)).map(({ id }) => id);
    };
    expect(ids('controller-large-5v')).not.toContain('data-level:tape');
    expect(ids('controller-radio-3v3')).toContain('data-level:tape');
  });
});
