import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { exportShoppingCsv, exportWireCsv } from '../exports/index.ts';
import { checkDesign } from '../findings/index.ts';
import { firstRail, paintFrame } from '../motion/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';

const at = (xMm: number) => ({ xMm, yMm: 20 });
const steady = { kind: 'steady', colour: '#ffffff', level: 1 } as const;

const supply = itemOf('outside supply', { id: 'supply', name: 'Supply', at: at(10), part: 'supply-bench', volts: 5 });
const board = itemOf('board', { id: 'board', name: 'Board', at: at(30), part: 'controller-large-5v', feed: 'supply' });
const motor = (change: object = {}): Item =>
  itemOf('load', { id: 'wheel', name: 'Wheel', at: at(60), part: 'load-motor-6v', feed: 'supply', ...change });
const sound = (change: object = {}): Item =>
  itemOf('load', { id: 'horn', name: 'Horn', at: at(60), part: 'load-sound-3w', feed: 'supply', ...change });

const sail = (load: Item, brightness = 0.4): Design =>
  circuitOf([supply, board, load], {
    moods: {
      list: [
        moodOf({ id: 'rest', name: 'Rest', moves: {} }),
        moodOf({ id: 'sail', name: 'Sail', brightness, moves: { [load.id]: steady } }),
      ],
      startId: 'rest',
      cues: [],
      course: [
        { id: 'a', moodId: 'rest', minutes: 30 },
        { id: 'b', moodId: 'sail', minutes: 30 },
      ],
      cueUses: [],
    },
  });

describe('a load that a mood starts', () => {
  it('hangs on a transistor as soon as a mood moves it, and is always fed else', () => {
    const moved = assess(sail(motor()));
    expect(moved.switched.get('wheel')?.[0]?.way.id).toBe('transistor below');
    expect(moved.loads[0]?.transistor?.part.currentLimitA).toBeGreaterThan(0.75);
    const still = assess({ ...sail(motor()), moods: { list: [], startId: null, cues: [], course: [], cueUses: [] } });
    expect(still.switched.get('wheel')?.[0]?.way.id).toBe('always on');
    expect(still.loads).toEqual([]);
  });

  it('asks more of a pin than it gives through a bipolar transistor of the maker’s own: told once, with the way out', () => {
    // It runs with 0.2 A at most: (5 − 0.8) · 10 / 0.2 = 210, so 180 Ω, and 4.2 V / 180 Ω = 23.3 mA of a pin of 20.
    const weak = sail(
      motor({ switchedBy: { way: 'transistor below', board: 'board', part: 'transistor-npn-medium' } }),
    );
    const assessment = assess(weak);
    expect(assessment.loads[0]?.transistor?.gateOhm).toBe(180);
    const [told, ...more] = checkDesign(weak, assessment).filter(({ rule }) => rule === 'pin-load');
    expect(more).toEqual([]);
    expect(told?.actual?.value).toBeCloseTo(0.02333, 5);
    const mended = applyEdits(weak, told?.fixes[0]?.edits ?? []);
    expect(checkDesign(mended, assess(mended)).map(({ rule }) => rule)).not.toContain('pin-load');
  });

  it('adds what is usual over time and what it starts with at the height, whatever the brightness', () => {
    for (const brightness of [0.1, 1]) {
      const { moods, consumers, peakA, usualA } = assess(sail(motor(), brightness));
      const boardA = consumers.find(({ id }) => id === 'board')?.restA ?? 0;
      const [rest, sailing] = moods;
      // The gear motor: 0.12 A usual, 0.75 A in its first moment; behind its transistor nothing at rest. The gate of the
      // transistor takes 50 µA.
      expect(rest?.meanA).toBeCloseTo(boardA, 4);
      expect(sailing?.meanA).toBeCloseTo(boardA + 0.12, 3);
      expect(sailing?.peakA).toBeCloseTo(boardA + 0.75, 3);
      expect(peakA).toBeCloseTo(boardA + 0.75, 3);
      // Half of the evening.
      expect(usualA).toBeCloseTo(boardA + 0.06, 3);
    }
  });

  it('is on or off in the frame, neither dimmed by the mood nor by the limiter', () => {
    const { show, limit } = assess(sail(motor(), 0.1));
    const frame = new Uint8Array(show.frameBytes);
    paintFrame(show, 1, 0, frame);
    expect([...frame]).toEqual([255]);
    paintFrame(show, 0, 0, frame);
    expect([...frame]).toEqual([0]);
    // Counted by the limiter with what it starts with.
    expect((firstRail(limit).microAPerByte[0] ?? 0) / 1e6).toBeCloseTo(0.75, 3);
  });

  it('the whole circuit gives it as much, and nothing at rest', () => {
    const design = sail(motor());
    const assessment = assess(design);
    const givenA = (moodId: string) => {
      const { netlist } = drawNetwork(design, assessment, { charge: 1, moodId, openIds: [] });
      const solution = solveNetlist(netlist);
      return solution.ok ? -(solution.currentA.get('supply: open voltage') ?? 0) : Number.NaN;
    };
    const boardA = assessment.consumers.find(({ id }) => id === 'board')?.restA ?? 0;
    expect(givenA('rest')).toBeCloseTo(boardA, 4);
    expect(givenA('sail')).toBeCloseTo(assessment.supplies[0]?.atPeak.packA ?? 0, 4);
  });

  it('reaches pins, wires, shopping and bench: a transistor, its diode, the current it runs with', () => {
    const design = sail(motor());
    const assessment = assess(design);
    const [pins] = assessment.pins;
    expect(pins?.plan.ok && pins.plan.given.map(({ demand }) => [demand.id, demand.needs])).toEqual([
      ['channel:wheel:1', 'out'],
    ]);
    expect(exportWireCsv(assessment, usualPrinter)).toMatch(/Lead of Wheel/);
    expect(exportShoppingCsv(assessment, 1, usualPrinter)).toMatch(/Diode, fast, 3 A.*Wheel, across it/);
    const step = listSteps(design, assessment).find(({ id }) => id === 'run:wheel');
    expect(step?.expect?.likely).toBeCloseTo(0.12, 6);
    const ends = assessment.coreEnds.get('lead:wheel')?.map(({ from }) => usualPrinter.message(from));
    expect(ends?.some((end) => /^transistor of Wheel, on pin \d+ of Board$/.test(end))).toBe(true);
  });

  it('a sound module is always fed and started at an input of its own, by a low pin', () => {
    const design = sail(sound());
    const assessment = assess(design);
    expect(assessment.switched.get('horn')?.[0]?.way.words).toBe('a pin at its own input, started low');
    const [rest, sailing] = assessment.moods;
    // It idles at 20 mA, plays at 0.15 A, and 0.7 A in its loudest moment.
    expect((sailing?.meanA ?? 0) - (rest?.meanA ?? 0)).toBeCloseTo(0.13, 6);
    expect((sailing?.peakA ?? 0) - (rest?.meanA ?? 0)).toBeCloseTo(0.68, 6);
    const lead = assessment.runs.find(({ id }) => id === 'lead:horn');
    expect(lead?.joins.map(({ to }) => to.port)).toEqual(['plus', 'minus', 'input']);
    expect(checkDesign(design, assessment).filter(({ gravity }) => gravity === 'stop')).toEqual([]);
  });

  it('on a pin that should feed it is a stop, with a transistor by a click; too strong for its transistor too', () => {
    const onPin = sail(motor({ switchedBy: { way: 'pin high', board: 'board' } }));
    const found = checkDesign(onPin, assess(onPin)).find(({ rule }) => rule === 'load-way');
    expect([found?.gravity, found?.fixes[0]?.label]).toEqual(['stop', 'A transistor below']);
    const weak = sail(motor({ switchedBy: { way: 'transistor below', board: 'board', part: 'transistor-npn-small' } }));
    expect(checkDesign(weak, assess(weak)).find(({ rule }) => rule === 'load-switch')?.gravity).toBe('stop');
  });
});

describe('a load beside pixels at one board', () => {
  const stick = itemOf('pixel tape', {
    id: 'mast',
    name: 'Mast',
    part: 'pixel-stick-8',
    feed: 'supply',
    route: [{ xMm: 200, yMm: 20 }],
  });
  const both = (moves: object): Design =>
    circuitOf([supply, board, motor(), stick], {
      moods: {
        list: [moodOf({ id: 'sail', name: 'Sail', brightness: 1, moves: moves as never })],
        startId: 'sail',
        cues: [],
        course: [],
        cueUses: [],
      },
    });
  const feedA = (design: Design): number =>
    assess(design).supply?.links.find(({ name }) => name === 'The feed of Mast')?.loadA ?? Number.NaN;

  it('the start of the motor is no part of what the feed of the pixels carries', () => {
    const alone = feedA(both({ mast: steady }));
    // Eight pixels, three dice of 12 mA and 0.8 mA for each chip: 0.294 A.
    expect(alone).toBeCloseTo(8 * (3 * 0.012 + 0.0008), 2);
    expect(feedA(both({ mast: steady, wheel: steady }))).toBeCloseTo(alone, 5);
  });
});

describe('a load on a pack of its own', () => {
  it('the limiter guards the rail of the lights, not that of what is but on or off', () => {
    const lamp = itemOf('light', {
      id: 'lamp',
      name: 'Lamp',
      part: 'led-5mm-red',
      feed: 'supply',
      places: [{ id: 'a', at: at(120), hollowId: null }],
    });
    const cells = itemOf('pack', { id: 'cells', name: 'Cells', at: at(90), part: 'pack-three-aa-nimh' });
    const { limit, show } = assess(
      circuitOf([supply, board, cells, sound({ feed: 'cells' }), lamp], {
        moods: {
          list: [moodOf({ id: 'sail', name: 'Sail', brightness: 1, moves: { lamp: steady, horn: steady } })],
          startId: 'sail',
          cues: [],
          course: [],
          cueUses: [],
        },
      }),
    );
    const of = (id: string): number =>
      firstRail(limit).microAPerByte[show.groups.findIndex((group) => group.id === id)] ?? 0;
    expect(of('lamp')).toBeGreaterThan(0);
    expect(of('horn')).toBe(0);
  });
});
