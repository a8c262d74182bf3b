import { defineFormula } from '../units/index.ts';

/** Length, width and height, in millimetres, in any order. */
export type Size3 = readonly [number, number, number];

/** How a box sits in a box: the turn with the most clearance on its tightest side. */
export interface BoxFit {
  /** In one of its six positions. */
  readonly fits: boolean;
  /** The part's sizes as they lie along the hollow's three sides. */
  readonly turned: Size3;
  /** Left over along each side of the hollow, both ends together; negative where it is too big. */
  readonly clearanceMm: Size3;
  /** Left on the tightest side. */
  readonly tightestMm: number;
}

/** Tries the six square turns of a part in a hollow. A slanted one is not counted on: it seldom comes out again. */
export function fitBox(part: Size3, hollow: Size3): BoxFit {
  const orders: readonly Size3[] = [
    [0, 1, 2],
    [0, 2, 1],
    [1, 0, 2],
    [1, 2, 0],
    [2, 0, 1],
    [2, 1, 0],
  ];
  const tries = orders.map((order): BoxFit => {
    const turned: Size3 = [part[order[0]] ?? 0, part[order[1]] ?? 0, part[order[2]] ?? 0];
    const clearanceMm: Size3 = [hollow[0] - turned[0], hollow[1] - turned[1], hollow[2] - turned[2]];
    const tightestMm = Math.min(...clearanceMm);
    return { fits: tightestMm >= -1e-9, turned, clearanceMm, tightestMm };
  });
  return tries.reduce((best, each) => (each.tightestMm > best.tightestMm + 1e-12 ? each : best));
}

/** Least radius that a tape takes flat in a channel, laid in chords. @example chords of 42 mm with 0.8 mm of play: 276 mm */
export const chordBend = defineFormula({
  name: 'Least radius of a channel for tape laid in straight chords',
  gives: { meaning: 'radius', kind: 'lengthMm' },
  symbols: {
    L: { meaning: 'length of a chord, from joint to joint', kind: 'lengthMm' },
    s: { meaning: 'play across, channel less tape', kind: 'lengthMm' },
  },
  form: '{R} = {L}² / (8 · {s})',
  source: 'height of a flat arc over its chord; tape bends only out of its plane',
  reckon: ({ L, s }) => (L * L) / (8 * s),
});

/** What shares one hollow, against its volume: parts never fill it all (`allowance` of it can be used). */
export function fillOfHollow(
  parts: readonly Size3[],
  hollow: Size3,
  allowance = 0.7,
): { readonly fill: number; readonly fits: boolean } {
  const volume = (size: Size3): number => size[0] * size[1] * size[2];
  const fill = parts.reduce((sum, part) => sum + volume(part), 0) / volume(hollow);
  return { fill, fits: fill <= allowance && parts.every((part) => fitBox(part, hollow).fits) };
}
