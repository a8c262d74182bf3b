import { LEAST_OHM } from './devices.ts';
/** Where a tape is fed: both rails at one place, or one rail alone (a ring closed the other way round). */
export interface LadderFeed {
  /** Place along the ladder, from 0. */
  readonly at: number;
  /** Which of its rails it holds. */
  readonly rail: 'both' | 'plus' | 'minus';
  /** Resistance of the lead of each rail that is fed. */
  readonly leadOhm: number;
}

/** A tape as two rails of copper with a load between them at each pixel, and one or more feeds. */
export interface Ladder {
  /** At the far end of each feed’s lead. */
  readonly supplyV: number;
  /** Resistance of each rail from load i to load i + 1. */
  readonly plusOhm: ArrayLike<number>;
  /** Of the minus rail, step by step. */
  readonly minusOhm: ArrayLike<number>;
  /** What each load draws at its full voltage. */
  readonly loadA: ArrayLike<number>;
  /** At least one. */
  readonly feeds: readonly LadderFeed[];
  /** Drawn besides by each, whatever its voltage. */
  readonly steadyA?: ArrayLike<number>;
  /** Loads draw in full above this and fall evenly below it; 0 = the same current at any voltage. */
  readonly fullAboveV: number;
  /** Loads draw nothing below this; 0 without it. */
  readonly endsAtV?: number;
}

/** The voltages of a ladder from its feed outward, in volts, and what its feeds give, in amperes. */
export interface LadderSolution {
  /** Between the rails, at each load. */
  readonly voltageV: Float64Array;
  /** Current out of each feed's plus lead, in the order of the feeds; 0 for a feed of minus alone. */
  readonly feedA: readonly number[];
  /** Of all feeds. */
  readonly totalA: number;
}

/** Holds an unfed rail in place without carrying anything that counts. */
const LEAK_S = 1e-12;

/** Node equations of two rails: symmetric 2 × 2 blocks on the diagonal, diagonal blocks beside them. */
interface Equations {
  readonly plusPlus: Float64Array;
  readonly plusMinus: Float64Array;
  readonly minusMinus: Float64Array;
  readonly plusNext: Float64Array;
  readonly minusNext: Float64Array;
  readonly plusRight: Float64Array;
  readonly minusRight: Float64Array;
  readonly plusV: Float64Array;
  readonly minusV: Float64Array;
}

function createEquations(loads: number): Equations {
  const make = (): Float64Array => new Float64Array(loads);
  return {
    plusPlus: make(),
    plusMinus: make(),
    minusMinus: make(),
    plusNext: make(),
    minusNext: make(),
    plusRight: make(),
    minusRight: make(),
    plusV: make(),
    minusV: make(),
  };
}

/** Adds to an element of an array that is known to be there. */
function add(array: Float64Array, index: number, value: number): void {
  array[index] = (array[index] ?? 0) + value;
}

/** A load between the rails: a current above its knee, below it a conductance down to where its current ends. */
function addLoad(ladder: Ladder, eq: Equations, i: number): void {
  const load = ladder.loadA[i] ?? 0;
  const steady = ladder.steadyA?.[i] ?? 0;
  add(eq.plusRight, i, -steady);
  add(eq.minusRight, i, steady);
  const volts = (eq.plusV[i] ?? 0) - (eq.minusV[i] ?? 0);
  if (volts >= ladder.fullAboveV) {
    add(eq.plusRight, i, -load);
    add(eq.minusRight, i, load);
    return;
  }
  const endsAtV = ladder.endsAtV ?? 0;
  if (endsAtV > 0 && volts <= endsAtV) return;
  const siemens = load / (ladder.fullAboveV - endsAtV);
  add(eq.plusRight, i, siemens * endsAtV);
  add(eq.minusRight, i, -siemens * endsAtV);
  add(eq.plusPlus, i, siemens);
  add(eq.minusMinus, i, siemens);
  add(eq.plusMinus, i, -siemens);
}

/** The copper from load i to the next, in both rails. */
function addRails(ladder: Ladder, eq: Equations, i: number): void {
  const plus = 1 / Math.max(LEAST_OHM, ladder.plusOhm[i] ?? 0);
  const minus = 1 / Math.max(LEAST_OHM, ladder.minusOhm[i] ?? 0);
  add(eq.plusPlus, i, plus);
  add(eq.plusPlus, i + 1, plus);
  add(eq.minusMinus, i, minus);
  add(eq.minusMinus, i + 1, minus);
  eq.plusNext[i] = -plus;
  eq.minusNext[i] = -minus;
}

function addFeed(ladder: Ladder, eq: Equations, feed: LadderFeed): void {
  const lead = 1 / Math.max(LEAST_OHM, feed.leadOhm);
  if (feed.rail !== 'minus') {
    add(eq.plusPlus, feed.at, lead);
    add(eq.plusRight, feed.at, lead * ladder.supplyV);
  }
  if (feed.rail !== 'plus') add(eq.minusMinus, feed.at, lead);
}

function assemble(ladder: Ladder, eq: Equations): void {
  const { plusPlus, plusMinus, minusMinus, plusNext, minusNext, plusRight, minusRight } = eq;
  for (const array of [plusMinus, plusNext, minusNext, plusRight, minusRight]) array.fill(0);
  for (const array of [plusPlus, minusMinus]) array.fill(LEAK_S);
  for (let i = 0; i < plusPlus.length; i += 1) addLoad(ladder, eq, i);
  for (let i = 0; i + 1 < plusPlus.length; i += 1) addRails(ladder, eq, i);
  for (const feed of ladder.feeds) addFeed(ladder, eq, feed);
}

/** Takes row i − 1 out of row i. */
function takeOut(eq: Equations, i: number): void {
  const [a, b, d] = [eq.plusPlus[i - 1] ?? 1, eq.plusMinus[i - 1] ?? 0, eq.minusMinus[i - 1] ?? 1];
  const [p, m] = [eq.plusNext[i - 1] ?? 0, eq.minusNext[i - 1] ?? 0];
  const [r, s] = [eq.plusRight[i - 1] ?? 0, eq.minusRight[i - 1] ?? 0];
  const determinant = a * d - b * b;
  add(eq.plusPlus, i, (-p * p * d) / determinant);
  add(eq.plusMinus, i, (p * m * b) / determinant);
  add(eq.minusMinus, i, (-m * m * a) / determinant);
  add(eq.plusRight, i, (-p * (d * r - b * s)) / determinant);
  add(eq.minusRight, i, (-m * (a * s - b * r)) / determinant);
}

/** Puts row i + 1 back into row i, whose voltages it sets; returns how far the farther of them moved. */
function putBack(eq: Equations, i: number): number {
  const r = (eq.plusRight[i] ?? 0) - (eq.plusNext[i] ?? 0) * (eq.plusV[i + 1] ?? 0);
  const s = (eq.minusRight[i] ?? 0) - (eq.minusNext[i] ?? 0) * (eq.minusV[i + 1] ?? 0);
  const [a, b, d] = [eq.plusPlus[i] ?? 1, eq.plusMinus[i] ?? 0, eq.minusMinus[i] ?? 1];
  const determinant = a * d - b * b;
  const plus = (d * r - b * s) / determinant;
  const minus = (a * s - b * r) / determinant;
  const moved = Math.max(Math.abs(plus - (eq.plusV[i] ?? 0)), Math.abs(minus - (eq.minusV[i] ?? 0)));
  eq.plusV[i] = plus;
  eq.minusV[i] = minus;
  return moved;
}

/** Block elimination forwards, substitution back, in place; returns the greatest move of any voltage. */
function eliminate(eq: Equations): number {
  const n = eq.plusV.length;
  for (let i = 1; i < n; i += 1) takeOut(eq, i);
  let moved = 0;
  for (let i = n - 1; i >= 0; i -= 1) moved = Math.max(moved, putBack(eq, i));
  return moved;
}

const stepFull = (_ladder: Ladder, eq: Equations): number => eliminate(eq);

/** What a load has taken up by a voltage, as the area under its current: full above its knee, nothing below its end. */
function areaOf({ fullAboveV, endsAtV = 0 }: Ladder, loadA: number, volts: number): number {
  const overV = Math.max(0, volts - endsAtV);
  const fallV = fullAboveV - endsAtV;
  return overV <= fallV ? (loadA * overV * overV) / (2 * fallV) : loadA * (overV - fallV / 2);
}

/** What the voltages of a ladder make least: half the heat in its copper and the areas of its loads (Millar’s content). */
function contentOf(ladder: Ladder, plusV: Float64Array, minusV: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < plusV.length; i += 1) {
    const volts = (plusV[i] ?? 0) - (minusV[i] ?? 0);
    sum += areaOf(ladder, ladder.loadA[i] ?? 0, volts) + (ladder.steadyA?.[i] ?? 0) * volts;
    if (i + 1 === plusV.length) continue;
    sum += ((plusV[i] ?? 0) - (plusV[i + 1] ?? 0)) ** 2 / Math.max(LEAST_OHM, ladder.plusOhm[i] ?? 0) / 2;
    sum += ((minusV[i] ?? 0) - (minusV[i + 1] ?? 0)) ** 2 / Math.max(LEAST_OHM, ladder.minusOhm[i] ?? 0) / 2;
  }
  for (const { at, rail, leadOhm } of ladder.feeds) {
    const ohm = 2 * Math.max(LEAST_OHM, leadOhm);
    if (rail !== 'minus') sum += (ladder.supplyV - (plusV[at] ?? 0)) ** 2 / ohm;
    if (rail !== 'plus') sum += (minusV[at] ?? 0) ** 2 / ohm;
  }
  return sum;
}

/** A step that is halved until the content falls: a load that ends bends both ways, and full steps could go round for ever. */
function stepDown(ladder: Ladder, eq: Equations): number {
  const [plus, minus] = [eq.plusV.slice(), eq.minusV.slice()];
  const before = contentOf(ladder, plus, minus);
  const moved = eliminate(eq);
  if (moved < 1e-9) return moved;
  const [plusStep, minusStep] = [
    eq.plusV.map((v, i) => v - (plus[i] ?? 0)),
    eq.minusV.map((v, i) => v - (minus[i] ?? 0)),
  ];
  for (let share = 1; share > 1e-6 && contentOf(ladder, eq.plusV, eq.minusV) >= before; share /= 2) {
    for (let i = 0; i < plus.length; i += 1) {
      eq.plusV[i] = (plus[i] ?? 0) + (plusStep[i] ?? 0) * (share / 2);
      eq.minusV[i] = (minus[i] ?? 0) + (minusStep[i] ?? 0) * (share / 2);
    }
  }
  return moved;
}

/** Fed at one place with nothing fading, each stretch carries the sum of what lies beyond it; null where that is not so. */
function sumFromOneFeed({
  feeds,
  loadA,
  steadyA,
  plusOhm,
  minusOhm,
  supplyV,
  fullAboveV,
}: Ladder): LadderSolution | null {
  const [feed, another] = feeds;
  if (!feed || another || feed.rail !== 'both') return null;
  const count = loadA.length;
  const voltageV = new Float64Array(count);
  const amps = (i: number): number => (loadA[i] ?? 0) + (steadyA?.[i] ?? 0);
  const stepOhm = (i: number): number => Math.max(LEAST_OHM, plusOhm[i] ?? 0) + Math.max(LEAST_OHM, minusOhm[i] ?? 0);
  let totalA = 0;
  for (let i = 0; i < count; i += 1) totalA += amps(i);
  const atFeedV = supplyV - 2 * Math.max(LEAST_OHM, feed.leadOhm) * totalA;
  let leastV = atFeedV;
  for (const [step, end] of [
    [1, count],
    [-1, -1],
  ] as const) {
    let beyondA = 0;
    for (let i = feed.at + step; i !== end; i += step) beyondA += amps(i);
    let volts = atFeedV;
    voltageV[feed.at] = volts;
    for (let i = feed.at + step; i !== end; i += step) {
      volts -= beyondA * stepOhm(step > 0 ? i - 1 : i);
      voltageV[i] = volts;
      beyondA -= amps(i);
    }
    leastV = Math.min(leastV, volts);
  }
  return leastV < fullAboveV ? null : { voltageV, feedA: [totalA], totalA };
}

/**
 * Voltage at every pixel and the current of every feed. Each pass takes time linear in the pixels (block elimination);
 * loads that fall off are conductances below their knee, and passes repeat until no voltage moves by a nanovolt.
 * @example five loads of 0.32 A over 3 m of 0.30 Ω/m (both rails), fed at one end: 0.864 V lost at the far one
 */
export function solveLadder(ladder: Ladder): LadderSolution {
  const plain = sumFromOneFeed(ladder);
  if (plain) return plain;
  const eq = createEquations(ladder.loadA.length);
  eq.plusV.fill(ladder.supplyV);
  const step = (ladder.endsAtV ?? 0) > 0 ? stepDown : stepFull;
  for (let pass = 0; pass < 80; pass += 1) {
    assemble(ladder, eq);
    if (step(ladder, eq) < 1e-9) break;
  }
  const feedA = ladder.feeds.map((feed) =>
    feed.rail === 'minus' ? 0 : (ladder.supplyV - (eq.plusV[feed.at] ?? 0)) / Math.max(LEAST_OHM, feed.leadOhm),
  );
  return {
    voltageV: eq.plusV.map((plus, i) => plus - (eq.minusV[i] ?? 0)),
    feedA,
    totalA: feedA.reduce((sum, amps) => sum + amps, 0),
  };
}
