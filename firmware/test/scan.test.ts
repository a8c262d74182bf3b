import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess } from '@glimmer/core/assess';
import { fingerprint } from '@glimmer/core/exports';
import type { ScanLine } from '@glimmer/core/items';
import { cyclesAtWorst, cyclesToScan, memoryOfShow, paintNow, programOfShow, startPlayer } from '@glimmer/core/motion';
import type { Move } from '@glimmer/core/moves';
import { scanDataId, scanLineId, scanWires } from '@glimmer/core/network';
import { applyEdits, changeItem, type Design, type Item } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import { describe, expect, it } from 'vitest';
import { circuitOf, gridOf, itemOf, moodOf, planOf } from '../../core/tests/designs.ts';
import { buildChip, type ChipRun, runChip, type Wired } from './chip.ts';
import { writeProgram } from './program.ts';
import { levelOf, type PortState } from './watching.ts';

const CLOCK_HZ = 16e6;
const board = (feed: string): Item =>
  itemOf('board', { id: 'board', name: 'Board', at: { xMm: 10, yMm: 10 }, part: 'controller-large-5v', feed });
const supply = (volts: number): Item =>
  itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts });
const showing = (items: readonly Item[], move: Move): Design => ({
  ...circuitOf(items),
  moods: {
    list: [moodOf({ brightness: 1, moves: { grid: move } })],
    startId: 'mood',
    cues: [],
    course: [],
    cueUses: [],
  },
});
/** So slow that nothing changes while it is watched: full at one light, and less and less behind it. */
const slow: Move = { kind: 'sweep', colour: '#ffffff', level: 1, periodS: 600, tail: 60, along: 'route' };
const cells: Move = {
  kind: 'cells',
  colour: '#ffffff',
  birth: [3],
  survival: [2, 3],
  wraps: true,
  melts: false,
  stepS: 0.6,
  generations: 60,
  share: 0.4,
  seed: 77,
  level: 0.7,
};

const rowsOf = (count: number, rows: number, change: object = {}): Item =>
  gridOf(count, rows, {
    switchedBy: { way: 'scanned grid', board: null, rows, part: null, columnsBy: null },
    ...change,
  });
const onFive = (grid: Item, move: Move, ...others: readonly Item[]): Design =>
  showing([supply(5), board('supply'), ...others, { ...grid, feed: null } as Item], move);
const driver = itemOf('scan driver', { id: 'driver', name: 'Scanner', at: { xMm: 20, yMm: 20 }, feed: 'supply' });

/** A design built for the chip and run there, with what is known of its grid. */
function onChip(design: Design, milliseconds: number, wired: Partial<Wired> = {}) {
  const assessed = assess(design);
  const folder = writeProgram(planOf(design));
  const sizes = buildChip(folder);
  const run = runChip(folder, milliseconds, { open: [], volts: [], watch: true, ...wired });
  const driven = assessed.driven.find((each) => each.scan !== null);
  const scan = driven?.scan;
  if (!driven || !scan) throw new Error('nothing is scanned');
  /** Line of the chip that a pin of the edge is led to. */
  const lineOf = (demandId: string): number =>
    Number(assessed.pins[0]?.plan.given.find((each) => each.demand.id === demandId)?.pin.name ?? '') + 1;
  const { show, limit } = assessed;
  const [out, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
  const previewAt = (nowMs: number): number[] => {
    paintNow({ show, state: startPlayer(show), nowMs, out, scratch, limit });
    return [...out];
  };
  return { assessed, driven, scan, sizes, run, lineOf, previewAt };
}
type OnChip = ReturnType<typeof onChip>;

/** The light levels that say lit: of a transistor above without a helper its pin is low, of a column at a pin too. */
interface Polarity {
  readonly row: 'high' | 'low';
  readonly column: 'high' | 'low';
}

/** Lights that are lit in a state of the ports. */
function litIn(on: OnChip, { row, column }: Polarity): (state: PortState) => number[] {
  const { scan, lineOf } = on;
  const lines = scan.layout.lines.map((line) => ({ line, at: lineOf(scanLineId(on.driven.itemId, line)) }));
  const lights = scan.layout.lines.flatMap(({ joins }) =>
    joins.flatMap(({ light, side }) => (side === 'plus' ? [light] : [])),
  );
  const find = (light: number, side: string) =>
    lines.find(({ line }) => line.joins.some((join) => join.light === light && join.side === side));
  const ends = lights.map((light) => ({ light, plus: find(light, 'plus'), minus: find(light, 'minus') }));
  const lit = (end: { readonly line: ScanLine; readonly at: number } | undefined, state: PortState): boolean =>
    end !== undefined &&
    levelOf(end.at, state) === (end.line.kind === 'row' ? row : end.line.kind === 'column' ? column : undefined);
  const isShared = scan.layout.lines.some(({ kind }) => kind === 'shared pin');
  return (state) =>
    ends.flatMap(({ light, plus, minus }) =>
      (
        isShared
          ? plus && minus && levelOf(plus.at, state) === 'high' && levelOf(minus.at, state) === 'low'
          : lit(plus, state) && lit(minus, state)
      )
        ? [light]
        : [],
    );
}

/** How long each light is lit in so many whole pictures, as bytes of light. */
function lightsOf(on: OnChip, polarity: Polarity, fromMs: number, pictures: number): number[] {
  const { run, scan } = on;
  const from = (CLOCK_HZ / 1000) * fromMs;
  const to = from + (pictures * CLOCK_HZ) / scan.picturesPerS;
  const lit = litIn(on, polarity);
  const cycles = on.previewAt(0).map(() => 0);
  run.states.forEach((state, i) => {
    const begin = Math.max(from, state.atCycle);
    const end = Math.min(to, run.states[i + 1]?.atCycle ?? to);
    if (end > begin) for (const light of lit(state)) cycles[light] = (cycles[light] ?? 0) + end - begin;
  });
  const full = ((to - from) / scan.layout.turns) * scan.litOfTurn;
  return cycles.map((each) => (each / full) * 255);
}

/** When the next whole picture begins: the first row is lit, and before it another one was. */
function nextPictureMs(on: OnChip, { row }: Polarity, fromMs: number): number {
  const rows = on.scan.layout.lines.filter(({ kind }) => kind === 'row');
  const at = rows.map((line) => on.lineOf(scanLineId(on.driven.itemId, line)));
  let last = -1;
  for (const state of on.run.states) {
    const lit = at.findIndex((line) => levelOf(line, state) === row);
    const begins = lit === 0 && last > 0;
    if (lit >= 0) last = lit;
    if (begins && state.atCycle >= (CLOCK_HZ / 1000) * fromMs) return state.atCycle / (CLOCK_HZ / 1000);
  }
  throw new Error('no picture begins any more');
}

/** A light is as bright as its byte says, within so many 255ths: what an interrupt of the clock may take. */
const WITHIN = 1.6;

function expectLights(found: readonly number[], wanted: readonly number[]): void {
  expect(found).toHaveLength(wanted.length);
  found.forEach((light, i) => {
    expect(Math.abs(light - (wanted[i] ?? 0)), `light ${i + 1}: ${light} for ${wanted[i]}`).toBeLessThan(WITHIN);
  });
}

/** From when on the program has begun: lines are let go before. */
const begun = ({ states }: ChipRun): readonly PortState[] => states.filter(({ atCycle }) => atCycle > CLOCK_HZ / 100);

describe('a grid of 8 by 8 on the pins of the eight-bit board', () => {
  const on = onChip(onFive(rowsOf(64, 8), slow), 780);
  const polarity = { row: 'low', column: 'low' } as const;

  it('lights each as its byte says', () => {
    expectLights(lightsOf(on, polarity, 700, 10), on.previewAt(740));
    expect(on.previewAt(740).filter((byte) => byte > 0).length).toBeGreaterThan(1);
  });
  it('takes its rows in turn: one at a time, dark in between, and nothing floats', () => {
    const lit = litIn(on, polarity);
    const { lines } = on.scan.layout;
    const rowOf = (light: number): number => Math.floor(light / 8);
    for (const state of begun(on.run)) {
      expect(new Set(lit(state).map(rowOf)).size).toBeLessThan(2);
      for (const line of lines)
        expect(levelOf(on.lineOf(scanLineId(on.driven.itemId, line)), state)).not.toBe('let go');
    }
  });
  it('gives as many pictures a second as were reckoned', () => {
    // The light that is full all the while is lit once in each picture.
    const lit = litIn(on, polarity);
    const full = on.previewAt(700).indexOf(255);
    expect([700, 740, 780].map((ms) => on.previewAt(ms)[full])).toEqual([255, 255, 255]);
    const states = begun(on.run).filter(({ atCycle }) => atCycle > CLOCK_HZ * 0.72);
    const begins = states.filter((state, i) => {
      const before = states[i - 1];
      return before && lit(state).includes(full) && !lit(before).includes(full);
    });
    const [first, last] = [begins[0]?.atCycle ?? 0, begins[begins.length - 1]?.atCycle ?? 0];
    expect(((begins.length - 1) * CLOCK_HZ) / (last - first) / on.scan.picturesPerS).toBeCloseTo(1, 3);
  });
});

it('a grid lives as the picture shows it: cells, generation by generation', () => {
  const on = onChip(onFive(rowsOf(64, 8), cells), 2400);
  const seen = [1.1, 1.7, 2.3].map((second) => {
    // Each generation lasts 0.6 s: looked at in the last third of it.
    const fromMs = second * 1000 - 60;
    const wanted = on.previewAt(fromMs + 10);
    expectLights(lightsOf(on, { row: 'low', column: 'low' }, fromMs, 5), wanted);
    return wanted.join();
  });
  expect(new Set(seen).size).toBe(3);
});

it('a row that the pins bear is lit while its pin is high', () => {
  const on = onChip(onFive(rowsOf(9, 3, { wantedCurrentA: 0.005 }), slow), 760);
  expect(on.driven.way.words).toBe('a scanned grid, rows and columns on pins');
  expectLights(lightsOf(on, { row: 'high', column: 'low' }, 700, 6), on.previewAt(720));
});

it('on 12 V each row goes by a helper, each column by a transistor: both lit while their pins are high', () => {
  const converter = itemOf('converter', { id: 'five', at: { xMm: 5, yMm: 5 }, part: 'buck-5v-3a', feed: 'supply' });
  const grid = { ...rowsOf(16, 4), feed: 'supply' } as Item;
  const on = onChip(showing([supply(12), converter, board('five'), grid], slow), 760);
  expect(on.driven.transistor?.helper).not.toBeNull();
  expect(on.scan.columnSwitch).not.toBeNull();
  expectLights(lightsOf(on, { row: 'high', column: 'high' }, 700, 6), on.previewAt(720));
});

describe('lights between pins that they share', () => {
  const on = onChip(onFive(gridOf(12, 3, { switchedBy: { way: 'shared pins', board: null } }), slow), 780);
  const none = { row: 'high', column: 'low' } as const;

  it('lights each as its byte says', () => {
    expectLights(lightsOf(on, none, 700, 8), on.previewAt(730));
  });
  it('lights one at a time, with the other pins let go', () => {
    const lit = litIn(on, none);
    const pins = on.scan.layout.lines.map((line) => on.lineOf(scanLineId(on.driven.itemId, line)));
    for (const state of begun(on.run)) {
      const driven = pins.filter((pin) => levelOf(pin, state) !== 'let go');
      expect(driven.length).toBeLessThan(3);
      expect(lit(state).length).toBeLessThan(2);
    }
  });
});

describe('a scan driver', () => {
  const on = onChip(
    onFive(gridOf(64, 8, { switchedBy: { way: 'scan driver', by: 'driver', rows: 8 } }), cells, driver),
    900,
  );

  it('is told every light, the highest bit first, as the picture shows it', () => {
    const [data = 0, clock = 0, latch = 0] = scanWires.map((what) => on.lineOf(scanDataId('driver', what)));
    const frames: { readonly atMs: number; readonly bytes: readonly number[] }[] = [];
    let bits: number[] = [];
    on.run.states.forEach((state, i) => {
      const before = on.run.states[i - 1];
      if (!before) return;
      const rises = (line: number): boolean => levelOf(line, state) === 'high' && levelOf(line, before) !== 'high';
      if (rises(clock)) bits.push(levelOf(data, state) === 'high' ? 1 : 0);
      if (!rises(latch)) return;
      const bytes = Array.from({ length: bits.length / 8 }, (_, b) =>
        bits.slice(b * 8, b * 8 + 8).reduce((byte, bit) => byte * 2 + bit, 0),
      );
      frames.push({ atMs: state.atCycle / (CLOCK_HZ / 1000), bytes });
      bits = [];
    });
    expect(frames.length).toBeGreaterThan(30);
    for (const { atMs, bytes } of frames) {
      const times = Array.from({ length: 40 }, (_, k) => Math.floor(atMs) - k + 1).filter((ms) => ms >= 0);
      expect(times.map((ms) => on.previewAt(ms).join())).toContain(bytes.join());
    }
  });
});

describe('what a scan takes of its controller', () => {
  it.each([
    ['8 by 8', rowsOf(64, 8)],
    ['4 rows of 8', rowsOf(32, 4)],
    ['12 rows of 5', rowsOf(60, 12)],
    ['12 between shared pins', gridOf(12, 3, { switchedBy: { way: 'shared pins', board: null } })],
    ['20 between shared pins', gridOf(20, 4, { switchedBy: { way: 'shared pins', board: null } })],
    ['64 on a driver', gridOf(64, 8, { switchedBy: { way: 'scan driver', by: 'driver', rows: 8 } })],
  ] as const)('%s: room, stack and time as they were reckoned, or a little less', (_name, grid) => {
    const { assessed, sizes, run, scan } = onChip(onFive(grid, slow, driver), 300);
    const { show, boards } = assessed;
    expect(programOfShow(show, true)).toBeGreaterThanOrEqual(sizes.flashBytes);
    expect(programOfShow(show, true)).toBeLessThan(sizes.flashBytes * 1.25);
    expect(memoryOfShow(show)).toBeGreaterThanOrEqual(sizes.dataBytes);
    expect(memoryOfShow(show)).toBeLessThan(sizes.dataBytes + 32);
    expect(run.stackBytes).toBeLessThanOrEqual(boards[0]?.part.stackBytes ?? 0);
    expect(run.turnShare).toBeLessThanOrEqual(scan.ofChip);
    expect(run.turnShare).toBeGreaterThan(scan.ofChip * 0.5 - 1e-9);
    const [handed = 0] = run.handCycles.slice(-1);
    expect(handed).toBeLessThanOrEqual(cyclesToScan(show));
  });
});

describe('the reliquary on the chip', () => {
  const read = readPlanText(readFileSync(join(import.meta.dirname, '../../demo/reef-reliquary.glimmer.json'), 'utf8'));
  if (!read.ok) throw new Error('the demo plan reads');
  const { design } = read.plan;
  const known = assess(design);
  const lineOf = (demandId: string): number =>
    Number(known.pins[0]?.plan.given.find((each) => each.demand.id === demandId)?.pin.name ?? '') + 1;
  // The lid is closed over its switch, which stands open; the pack is read behind 10 kΩ and 100 kΩ.
  const lid = lineOf('control:lid');
  const A0 = 14;
  const packAt = (volts: number): number[] => {
    const at = Array<number>(6).fill(0);
    at[lineOf('control:charge') - A0] = (volts * 100) / 110;
    return at;
  };
  const on = onChip(design, 1600, { open: [lid], volts: packAt(3.9) });
  const polarity = { row: 'low', column: 'low' } as const;

  it('has a pin for all, goes in with room for its stack, and says its mark and its mood', () => {
    const [program] = on.assessed.programs;
    const part = program?.board.part;
    expect(on.assessed.pins[0]?.plan.ok).toBe(true);
    expect(on.run.stackBytes).toBeLessThanOrEqual(part?.stackBytes ?? 0);
    expect(on.sizes.dataBytes + (part?.stackBytes ?? 0)).toBeLessThanOrEqual(part?.memoryBytes ?? 0);
    expect(on.sizes.flashBytes).toBeLessThanOrEqual(part?.programBytes ?? 0);
    expect(Math.abs(on.sizes.dataBytes + (part?.stackBytes ?? 0) - (program?.loop.memoryBytes ?? 0))).toBeLessThan(24);
    expect(on.run.said).toMatch(new RegExp(`^plan ${fingerprint(design)}\\nmood Night reef\\n`));
  });
  it('shows living cells with glints upon them as the picture does', () => {
    // Each light glides, and a frame is shown up to sixty milliseconds after the chip looked at its clock: every picture is
    // one of the preview, but for those in which one frame takes the place of another.
    const isShown = (fromMs: number): boolean => {
      const found = lightsOf(on, polarity, fromMs, 1);
      return Array.from({ length: 70 }, (_, i) => on.previewAt(fromMs + 5 - i)).some((wanted) =>
        wanted.every((light, i) => Math.abs(light - (found[i] ?? 0)) < WITHIN),
      );
    };
    const looks = Array.from({ length: 12 }, (_, i) => isShown(700 + 70 * i));
    expect(looks.filter(Boolean).length).toBeGreaterThan(6);
    // In a whole picture never is a light brighter than all that may be shown: half of one byte and half of the next would be.
    for (const fromMs of [900, 1100, 1250, 1400]) {
      const seen = Array.from({ length: 96 }, (_, i) => on.previewAt(fromMs + 20 - i));
      lightsOf(on, polarity, nextPictureMs(on, polarity, fromMs), 1).forEach((light, i) => {
        expect(light).toBeLessThan(Math.max(...seen.map((frame) => frame[i] ?? 0)) + 3);
      });
    }
  });
  it('goes to the offering while its lid is open, and winks when the pack is low', () => {
    expect(onChip(design, 400, { open: [], volts: packAt(3.96) }).run.said).toMatch(/mood Night reef\nmood Offering\n/);
    // Low for ten seconds is more than a simulation's patience: the same program with a settling time of a fifth of a second.
    const hasty = applyEdits(design, changeItem(design, 'charge', { settleS: 0.2 }));
    const winking = onChip(hasty, 900, { open: [lid], volts: packAt(3.3) });
    // While a wink is on, all are lit, those of dead cells too: in some picture, and in none while the pack is full.
    const winks = (chip: OnChip): boolean =>
      Array.from({ length: 40 }, (_, i) => lightsOf(chip, polarity, 500 + 10 * i, 1)).some(
        (lights) => Math.min(...lights) > 20,
      );
    expect(winks(winking)).toBe(true);
    expect(winks(on)).toBe(false);
  });
  it('its frames take no longer than was reckoned for the hardest', () => {
    expect(Math.max(...on.run.paintCycles)).toBeLessThanOrEqual(cyclesAtWorst(on.assessed.show) * 1.05);
  });
});
