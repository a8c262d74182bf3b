import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess } from '@glimmer/core/assess';
import { checkDesign } from '@glimmer/core/findings';
import type { Design, Item } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { circuitOf, gridOf, itemOf, moodOf, planOf } from '../../core/tests/designs.ts';
import { buildChip, type Edge, runChip } from './chip.ts';
import { buildCore, lineOfDemand, runCore } from './coreChip.ts';
import { writeProgram } from './program.ts';
import { runSmallChip } from './smallChip.ts';
import { levelOf } from './watching.ts';

const at = { xMm: 10, yMm: 10 };
/** A servo beside a light, on a controller: at work, or standing still. */
const withServo = (part: string, isAtWork: boolean, change: object = {}, ...others: readonly Item[]): Design => ({
  ...circuitOf([
    itemOf('outside supply', { id: 'supply', at, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'board', name: 'Board', at, part, feed: 'supply' }),
    itemOf('load', { id: 'servo', name: 'Jaw', at, part: 'load-servo-small', feed: 'supply', ...change }),
    ...others,
  ]),
  moods: {
    // Both are there, so that the program knows it; the one that it begins with says where it is.
    list: [
      moodOf({ id: 'still', name: 'Still', brightness: 0.5, moves: {} }),
      moodOf({
        id: 'open',
        name: 'Open',
        brightness: 0.5,
        moves: { servo: { kind: 'steady', colour: '#ffffff', level: 1 } },
      }),
    ],
    startId: isAtWork ? 'open' : 'still',
    cues: [],
    course: [],
    cueUses: [],
  },
});

/** Lengths of the pulses of a line, and the times from one to the next. */
function pulsesOf(edges: readonly Edge[]): { readonly us: readonly number[]; readonly apartMs: readonly number[] } {
  const whole = edges.flatMap((edge, i) => {
    const fall = edges[i + 1];
    return edge.high && fall ? [{ fromNs: edge.atNs, us: (fall.atNs - edge.atNs) / 1000 }] : [];
  });
  return {
    us: whole.map(({ us }) => us),
    apartMs: whole.slice(1).map(({ fromNs }, i) => (fromNs - (whole[i]?.fromNs ?? 0)) / 1e6),
  };
}

/** The servo’s line of a design on its chip. */
const chips: Readonly<
  Record<string, (design: Design) => { readonly edges: readonly Edge[]; readonly flashBytes: number }>
> = {
  'controller-small-5v': (design) => {
    const folder = writeProgram(planOf(design));
    const { flashBytes } = buildChip(folder);
    const pin = Number(
      assess(design).pins[0]?.plan.given.find(({ demand }) => demand.id === 'channel:servo:1')?.pin.name,
    );
    return { edges: runSmallChip(folder, 300).edges.get(pin - 1) ?? [], flashBytes };
  },
  'controller-large-5v': (design) => {
    const folder = writeProgram(planOf(design));
    const { flashBytes } = buildChip(folder);
    const pin = Number(
      assess(design).pins[0]?.plan.given.find(({ demand }) => demand.id === 'channel:servo:1')?.pin.name,
    );
    const { states } = runChip(folder, 300, { open: [], volts: [], watch: true });
    const levels = states.map((state) => ({ atNs: state.atCycle * 62.5, high: levelOf(pin + 1, state) === 'high' }));
    return { edges: levels.filter(({ high }, i) => high !== (levels[i - 1]?.high ?? false)), flashBytes };
  },
  'controller-dual-3v3': (design) => {
    const folder = writeProgram(planOf(design));
    const { flashBytes } = buildCore(folder);
    const { edges } = runCore(folder, 300);
    return { edges: edges.get(lineOfDemand(assess(design), 'channel:servo:1')) ?? [], flashBytes };
  },
};

describe.each(Object.keys(chips))('a servo on %s', (part) => {
  const run = (isAtWork: boolean, change: object = {}) => {
    const design = withServo(part, isAtWork, change);
    const found = chips[part]?.(design);
    if (!found) throw new Error(part);
    // Its first frames are those in which the program begins.
    return { design, ...found, ...pulsesOf(found.edges.filter(({ atNs }) => atNs > 60e6)) };
  };

  it.each([
    ['stands still: 1 ms', false, {}, 1000],
    ['is at work: 2 ms', true, {}, 2000],
    ['goes where the maker says', true, { restPulseS: 0.0006, workPulseS: 0.0014 }, 1400],
  ] as const)('%s, sixty times a second, within half a degree', (_, isAtWork, change, us) => {
    const { us: found, apartMs } = run(isAtWork, change);
    expect(found.length).toBeGreaterThan(12);
    // 1 ms is a quarter turn: 5.5 µs are half a degree.
    for (const each of found) expect(Math.abs(each - us)).toBeLessThan(5.5);
    // What is said on the serial line holds one up for some milliseconds; in the mean it is the pace of the loop.
    for (const each of apartMs) expect(Math.abs(each - 16)).toBeLessThan(4);
    const mean = apartMs.reduce((sum, each) => sum + each, 0) / apartMs.length;
    expect(Math.abs(mean - 16)).toBeLessThan(0.5);
  });

  it('takes what was reckoned of its loop and its program', () => {
    const { design, flashBytes } = run(true);
    const [program] = assess(design).programs;
    // Nothing else is sent: the longer of both pulses.
    expect(program?.loop.sendS).toBeCloseTo(0.002, 6);
    expect(flashBytes).toBeLessThanOrEqual(program?.loop.programBytes ?? 0);
  });
});

it('a servo on its own input is told of nothing; one in whose lead a transistor stands is', () => {
  const rulesOf = (change: object): string[] => {
    const design = withServo('controller-large-5v', true, change);
    return checkDesign(design, assess(design)).map(({ rule }) => rule);
  };
  expect(rulesOf({}).filter((rule) => rule.startsWith('load'))).toEqual([]);
  expect(rulesOf({ switchedBy: { way: 'transistor below', board: null, part: null } })).toContain('load-servo');
});

it('in its lead it is switched: no pulses are in the program, nor in what was reckoned of it', () => {
  const design = withServo('controller-large-5v', true, {
    switchedBy: { way: 'transistor below', board: null, part: null },
  });
  const [program] = assess(design).programs;
  expect(program?.show.groups.find(({ id }) => id === 'servo')?.pulses).toBeUndefined();
  expect(program?.loop.sendS).toBe(0);
  const folder = writeProgram(planOf(design));
  expect(readFileSync(join(folder, 'show.h'), 'utf8')).toContain('#define UG_LED_BY_PULSES 0');
});

it('too many pixels on its board, or a grid that it scans: a servo is told to tremble', () => {
  const rulesOf = (...others: readonly Item[]): string[] => {
    const design = withServo('controller-large-5v', true, {}, ...others);
    return checkDesign(design, assess(design)).map(({ rule }) => rule);
  };
  expect(rulesOf().filter((rule) => rule.startsWith('pulses'))).toEqual([]);
  // 480 pixels are 14.4 ms to send, and more to compute: a frame each 32 ms at best.
  const route = [
    { xMm: 0, yMm: 200 },
    { xMm: 8000, yMm: 200 },
  ];
  const tape = itemOf('pixel tape', { id: 'tape', name: 'Tape', part: 'pixel-tape-60', feed: 'supply', route });
  expect(rulesOf(tape)).toContain('pulses-few');
  const grid = gridOf(9, 3, {
    feed: null,
    wantedCurrentA: 0.003,
    switchedBy: { way: 'scanned grid', board: null, rows: 3, part: null, columnsBy: null },
  });
  expect(rulesOf(grid)).toContain('pulses-scanned');
});
