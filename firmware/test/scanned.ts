import { type Assessment, assess } from '@glimmer/core/assess';
import type { ScanLine } from '@glimmer/core/items';
import type { Move } from '@glimmer/core/moves';
import { scanLineId } from '@glimmer/core/network';
import type { Design, Item } from '@glimmer/core/plan';
import { expect } from 'vitest';
import { circuitOf, gridOf, itemOf, moodOf, planOf } from '../../core/tests/designs.ts';
import { decodeLine, type Edge } from './chip.ts';
import { expectPreviewOnLine, previewOf } from './driftingPiece.ts';
import { writeProgram } from './program.ts';

/** So slow that nothing changes while it is watched: from light to dark along the lights, and back. */
export const slow: Move = {
  kind: 'drift',
  colour: '#ffffff',
  second: '#000000',
  level: 1,
  periodS: 600,
  wave: 12,
  along: 'route',
};
/** So many lights in rows, at a current that any board’s pins bear. */
export const rowsOf = (count: number, rows: number): Item =>
  gridOf(count, rows, {
    feed: null,
    wantedCurrentA: 0.003,
    switchedBy: { way: 'scanned grid', board: null, rows, part: null, columnsBy: null },
  });
/** So many lights between pins that they share. */
export const sharedOf = (count: number): Item =>
  gridOf(count, 3, { feed: null, wantedCurrentA: 0.003, switchedBy: { way: 'shared pins', board: null } });
/** A grid on a board at 5 V, in one mood that hardly moves. */
export const showing = (part: string, grid: Item): Design => ({
  ...circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'board', name: 'Board', at: { xMm: 10, yMm: 10 }, part, feed: 'supply' }),
    grid,
  ]),
  moods: {
    list: [moodOf({ brightness: 1, moves: { grid: slow } })],
    startId: 'mood',
    cues: [],
    course: [],
    cueUses: [],
  },
});

/** What a line of a chip is from a moment on: driven, or let go. */
export interface LineChange {
  readonly atNs: number;
  readonly line: number;
  readonly level: 'high' | 'low' | 'let go';
}

/** A chip that a program is built for and run on. */
interface Chip<Run> {
  readonly build: (folder: string) => { readonly flashBytes: number; readonly dataBytes: number };
  readonly run: (folder: string, milliseconds: number) => Run;
  /** Line of the chip that a demand is led to. */
  readonly lineOf: (assessed: Assessment, demandId: string) => number;
}
interface ScanRun {
  /** Of all lines, in the order of time. */
  readonly changes: readonly LineChange[];
  /** Share of the run that went into interrupts. */
  readonly turnShare: number;
}

/** What a line of it may be. */
type Level = LineChange['level'] | undefined;

/** From then on the program has its lines. */
export const BEGUN_NS = 1e6;

/** A design built for a chip and run there until its light has come up, with what is known of its grid. */
export function watchScan<Run extends ScanRun>(chip: Chip<Run>, design: Design, milliseconds: number) {
  const assessed = assess(design);
  const driven = assessed.driven.find((each) => each.scan !== null);
  const scan = driven?.scan;
  if (!driven || !scan) throw new Error('nothing is scanned');
  const folder = writeProgram(planOf(design));
  const sizes = chip.build(folder);
  const run = chip.run(folder, milliseconds);
  const lineOf = (line: ScanLine): number => chip.lineOf(assessed, scanLineId(driven.itemId, line));
  // A transistor above takes a row that is low, one with a helper a row that is high; a column at a pin is lit while low.
  const lit = {
    row: driven.transistor && !driven.transistor.helper ? 'low' : 'high',
    column: scan.columnSwitch ? 'high' : 'low',
  } as const;
  const isOn = ({ kind }: ScanLine, side: string, level: Level): boolean =>
    level === (kind === 'shared pin' ? (side === 'plus' ? 'high' : 'low') : lit[kind]);
  const ends = scan.layout.lines.flatMap((line) => line.joins.map((join) => ({ ...join, line, at: lineOf(line) })));
  const lights = Array.from({ length: driven.lightsOnChannel[0] ?? 0 }, (_, light) =>
    ends.filter((end) => end.light === light),
  );
  const levels = new Map<number, Level>();
  /** Which lights are lit from when to when. */
  const all = run.changes.map(({ atNs, line, level }, i) => {
    levels.set(line, level);
    const now = lights.flatMap((own, light) =>
      own.length === 2 && own.every(({ line: at, side, at: pin }) => isOn(at, side, levels.get(pin))) ? [light] : [],
    );
    return { fromNs: atNs, toNs: run.changes[i + 1]?.atNs ?? milliseconds * 1e6, lit: now };
  });
  // Lines that change at once make states between them that last no time.
  const moments = all.filter(({ fromNs, toNs }) => toNs > fromNs);
  return { assessed, driven, scan, sizes, run, moments, lineOf, milliseconds };
}
/** What was found. */
export type Watched = ReturnType<typeof watchScan>;

/** As bright as its byte says, within so many 255ths. */
export function expectLights(
  { assessed, scan, moments, milliseconds }: Watched,
  pictures: number,
  within: number,
): void {
  const wanted = [...previewOf(assessed)(milliseconds - 20)];
  expect(new Set(wanted).size).toBeGreaterThan(3);
  const toNs = milliseconds * 1e6;
  const fromNs = toNs - (pictures * 1e9) / scan.picturesPerS;
  const fullNs = ((toNs - fromNs) / scan.layout.turns) * scan.litOfTurn;
  wanted.forEach((byte, light) => {
    const litNs = moments
      .filter(({ lit }) => lit.includes(light))
      .reduce((sum, each) => sum + Math.max(0, Math.min(toNs, each.toNs) - Math.max(fromNs, each.fromNs)), 0);
    const found = (litNs / fullNs) * 255;
    expect(Math.abs(found - byte), `light ${light + 1}: ${found} for ${byte}`).toBeLessThan(within);
  });
}

/** What is built never takes more than was reckoned, and not much less. */
export function expectReckoned({ assessed, scan, sizes, run }: Watched): void {
  const [program] = assessed.programs;
  const { loop, board: of } = program ?? {};
  expect(sizes.flashBytes).toBeLessThanOrEqual(loop?.programBytes ?? 0);
  expect(sizes.flashBytes).toBeGreaterThan((loop?.programBytes ?? 0) * 0.5);
  expect(sizes.dataBytes).toBeLessThanOrEqual((loop?.memoryBytes ?? 0) - (of?.part.stackBytes ?? 0));
  expect(run.turnShare).toBeLessThanOrEqual(scan.ofChip);
  expect(run.turnShare).toBeGreaterThan(scan.ofChip * 0.5);
}

/** While something of the grid is lit, after the program has begun. */
export const litMoments = ({ moments }: Watched) => moments.filter(({ fromNs }) => fromNs > BEGUN_NS);

/** Of pins that lights share, two are held at most: the others are let go. */
export function expectTwoHeld(on: Watched): void {
  const lines = on.scan.layout.lines.map(on.lineOf);
  const levels = new Map<number, Level>();
  for (const { atNs, line, level } of on.run.changes) {
    if (!lines.includes(line)) continue;
    levels.set(line, level);
    if (atNs > BEGUN_NS) expect([...levels.values()].filter((each) => each !== 'let go').length).toBeLessThan(3);
  }
}

/** Pixels beside a grid: each frame goes out whole, and nothing of the grid is lit meanwhile; but for that it is. */
export function expectDarkWhileSent(on: Watched, edges: readonly Edge[]): void {
  const frames = decodeLine(edges);
  expectPreviewOnLine(frames, previewOf(on.assessed));
  for (const { atMs, bytes } of frames.slice(0, -1)) {
    const [fromNs, toNs] = [atMs * 1e6, atMs * 1e6 + bytes.length * 8 * BIT_NS];
    const litThen = on.moments.filter((each) => each.lit.length > 0 && each.fromNs < toNs && each.toNs > fromNs);
    expect(litThen).toEqual([]);
  }
  expect(litMoments(on).some(({ lit }) => lit.length > 0)).toBe(true);
}
const BIT_NS = 1250;
