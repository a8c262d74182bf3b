import { assess } from '@glimmer/core/assess';
import type { ScanLine } from '@glimmer/core/items';
import type { Move } from '@glimmer/core/moves';
import { scanLineId } from '@glimmer/core/network';
import type { Design, Item } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { circuitOf, gridOf, itemOf, moodOf, planOf } from '../../core/tests/designs.ts';
import { decodeLine } from './chip.ts';
import { buildCore, type LineChange, lineOfDemand, runCore } from './coreChip.ts';
import { driftingPiece, expectPreviewOnLine, previewOf } from './driftingPiece.ts';
import { writeProgram } from './program.ts';

const supply = itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 });
const board = itemOf('board', {
  id: 'board',
  name: 'Board',
  at: { xMm: 10, yMm: 10 },
  part: 'controller-dual-3v3',
  feed: 'supply',
});
/** So slow that nothing changes while it is watched: from light to dark along the lights, and back. */
const slow: Move = {
  kind: 'drift',
  colour: '#ffffff',
  second: '#000000',
  level: 1,
  periodS: 600,
  wave: 12,
  along: 'route',
};
const rowsOf = (count: number, rows: number): Item =>
  gridOf(count, rows, {
    feed: null,
    wantedCurrentA: 0.003,
    switchedBy: { way: 'scanned grid', board: null, rows, part: null, columnsBy: null },
  });
const showing = (grid: Item): Design => ({
  ...circuitOf([supply, board, grid]),
  moods: {
    list: [moodOf({ brightness: 1, moves: { grid: slow } })],
    startId: 'mood',
    cues: [],
    course: [],
    cueUses: [],
  },
});

/** From then on the program has its lines. */
const BEGUN_NS = 1e6;

type Level = LineChange['level'] | undefined;

/** A design built for the 32-bit chip and run there until its light has come up, with what is known of its grid. */
function onCore(design: Design, milliseconds: number) {
  const assessed = assess(design);
  const driven = assessed.driven.find((each) => each.scan !== null);
  const scan = driven?.scan;
  if (!driven || !scan) throw new Error('nothing is scanned');
  const folder = writeProgram(planOf(design));
  const sizes = buildCore(folder);
  const run = runCore(folder, milliseconds);
  const lineOf = (line: ScanLine): number => lineOfDemand(assessed, scanLineId(driven.itemId, line));
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
  const moments = run.changes.map(({ atNs, line, level }, i) => {
    levels.set(line, level);
    const now = lights.flatMap((own, light) =>
      own.length === 2 && own.every(({ line: at, side, at: pin }) => isOn(at, side, levels.get(pin))) ? [light] : [],
    );
    return { fromNs: atNs, toNs: run.changes[i + 1]?.atNs ?? milliseconds * 1e6, lit: now };
  });
  return { assessed, driven, scan, sizes, run, moments, lineOf, milliseconds };
}
type OnCore = ReturnType<typeof onCore>;

/** As bright as its byte says, within so many 255ths: what is cut off at either end of what is watched. */
const WITHIN = 0.7;
function expectLights({ assessed, scan, moments, milliseconds }: OnCore, pictures: number): void {
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
    expect(Math.abs(found - byte), `light ${light + 1}: ${found} for ${byte}`).toBeLessThan(WITHIN);
  });
}

/** What is built never takes more than was reckoned, and not much less. */
function expectReckoned({ assessed, scan, sizes, run }: OnCore): void {
  const [program] = assessed.programs;
  const { loop, board: of } = program ?? {};
  expect(sizes.flashBytes).toBeLessThanOrEqual(loop?.programBytes ?? 0);
  expect(sizes.flashBytes).toBeGreaterThan((loop?.programBytes ?? 0) * 0.5);
  expect(sizes.dataBytes).toBeLessThanOrEqual((loop?.memoryBytes ?? 0) - (of?.part.stackBytes ?? 0));
  expect(run.turnShare).toBeLessThanOrEqual(scan.ofChip);
  expect(run.turnShare).toBeGreaterThan(scan.ofChip * 0.5);
}

/** While something of the grid is lit, after the program has begun. */
const litMoments = ({ moments }: OnCore) => moments.filter(({ fromNs }) => fromNs > BEGUN_NS);

describe('a grid of 8 by 8 on the pins of the 32-bit board', () => {
  const on = onCore(showing(rowsOf(64, 8)), 640);

  it('lights each as its byte says', () => {
    expectLights(on, 12);
  });
  it('takes its rows in turn, dark in between, and no line is ever let go', () => {
    for (const { lit } of litMoments(on))
      expect(new Set(lit.map((light) => Math.floor(light / 8))).size).toBeLessThan(2);
    expect(litMoments(on).some(({ lit }) => lit.length === 0)).toBe(true);
    const lines = on.scan.layout.lines.map(on.lineOf);
    // Before the program has begun they are.
    const letGo = on.run.changes.filter(
      ({ atNs, line, level }) => atNs > BEGUN_NS && lines.includes(line) && level === 'let go',
    );
    expect(letGo).toEqual([]);
  });
  it('takes no more room and time than were reckoned', () => {
    expectReckoned(on);
  });
});

it.each([
  ['3 rows of 3, borne by their pins', 9, 3],
  ['12 rows of 5', 60, 12],
  ['one row of 10', 10, 1],
] as const)('%s: each light as its byte says, in the room that was reckoned', (_name, count, rows) => {
  const on = onCore(showing(rowsOf(count, rows)), 640);
  expectLights(on, 8);
  expectReckoned(on);
});

describe('lights between pins that they share, on the 32-bit board', () => {
  const shared = gridOf(12, 3, {
    feed: null,
    wantedCurrentA: 0.003,
    switchedBy: { way: 'shared pins', board: null },
  });
  const on = onCore(showing(shared), 640);

  it('lights each as its byte says, one at a time, in the room that was reckoned', () => {
    expectLights(on, 10);
    for (const { lit } of litMoments(on)) expect(lit.length).toBeLessThan(2);
    expectReckoned(on);
  });
  it('holds two pins at most; the others are let go', () => {
    const lines = on.scan.layout.lines.map(on.lineOf);
    const levels = new Map<number, Level>();
    for (const { atNs, line, level } of on.run.changes) {
      if (!lines.includes(line)) continue;
      levels.set(line, level);
      if (atNs > BEGUN_NS) expect([...levels.values()].filter((each) => each !== 'let go').length).toBeLessThan(3);
    }
  });
});

it('a grid beside pixels: each frame goes out whole, and the grid is dark meanwhile', () => {
  const piece = driftingPiece('controller-dual-3v3');
  const grid = rowsOf(9, 3);
  const list = piece.moods.list.map((mood) => ({ ...mood, moves: { ...mood.moves, grid: slow } }));
  const on = onCore({ ...piece, items: [...piece.items, grid], moods: { ...piece.moods, list } }, 600);
  const frames = decodeLine(on.run.edges.get(lineOfDemand(on.assessed, 'data:tape')) ?? []);
  expectPreviewOnLine(frames, previewOf(on.assessed));
  const bitNs = 1250;
  for (const { atMs, bytes } of frames.slice(0, -1)) {
    const [fromNs, toNs] = [atMs * 1e6, atMs * 1e6 + bytes.length * 8 * bitNs];
    const litThen = on.moments.filter((each) => each.lit.length > 0 && each.fromNs < toNs && each.toNs > fromNs);
    expect(litThen).toEqual([]);
  }
  expect(litMoments(on).some(({ lit }) => lit.length > 0)).toBe(true);
});
