import { chooseStepS, type NightRun, type NightStretch, runNight } from './night.ts';
import type { SupplyTree } from './tree.ts';

/** The inputs that a run time is unsure of. */
export type DoubtCause = 'capacity' | 'resistance' | 'light current';

/** How far each input is off, in units of its spread: −1 … 1 holds 95 in 100. */
export interface Deviation {
  /** In units of its spread: −1 to 1 holds 95 in 100. */
  readonly capacity: number;
  /** In units of its spread: −1 to 1 holds 95 in 100. */
  readonly resistance: number;
  /** Of what lights draw, in units of its spread. */
  readonly load: number;
}

/** Makes the evening for one set of deviations. */
export type NightMaker = (deviation: Deviation) => {
  readonly tree: SupplyTree;
  /** Stretch by stretch. */
  readonly course: readonly NightStretch[];
};

/** How long a pack lasts, likely and with caution, and what the doubt comes from. */
export interface RunsFor {
  /** With everything typical. */
  readonly likelyH: number;
  /** Nineteen of twenty last longer. */
  readonly cautiousH: number;
  /** Why it ends. */
  readonly end: NightRun['end'];
  /** What most of the doubt comes from. */
  readonly chiefCause: DoubtCause;
  /** Loss of time by each cause alone, with the input at its unlucky end. */
  readonly losses: Readonly<Record<DoubtCause, number>>;
  /** Out of the pack, likely. */
  readonly drawnMah: number;
  /** The deviations of the cautious night, and the step that both were run with: for drawing the same nights. */
  readonly cautious: Deviation;
  /** How finely it was played. */
  readonly stepS: number;
}

const none: Deviation = { capacity: 0, resistance: 0, load: 0 };
/** Steps of a night that is only compared, against those of one that is told. */
const COARSE = 4;

/**
 * Likely and cautious run time. Each doubtful input is put to its unlucky end alone; then all are moved together, each
 * by its part of the doubt, to the likeliest of the bad nights that lie one spread off. That night is the cautious one.
 * Sampling (see `sampleNight`) agrees with it.
 */
export function estimateRunsFor(make: NightMaker): RunsFor {
  const usual = make(none);
  const stepS = chooseStepS(usual.tree, usual.course);
  const run = (deviation: Deviation, everyS = stepS): NightRun => {
    const { tree, course } = make(deviation);
    return runNight(tree, course, { stepS: everyS, keepSamples: false });
  };
  const likely = run(none);
  // How the doubts compare needs no fine steps; each is held against a night in steps as coarse.
  const coarse = Number.isFinite(likely.hours) ? run(none, COARSE * stepS).hours : likely.hours;
  const loss = (deviation: Partial<Deviation>): number =>
    Number.isFinite(coarse) ? Math.max(0, coarse - run({ ...none, ...deviation }, COARSE * stepS).hours) : 0;
  const losses = {
    capacity: loss({ capacity: -1 }),
    resistance: loss({ resistance: 1 }),
    'light current': loss({ load: 1 }),
  };
  const chiefCause = (Object.keys(losses) as DoubtCause[]).reduce((most, cause) =>
    losses[cause] > losses[most] ? cause : most,
  );
  const whole = Math.max(1e-9, Math.hypot(losses.capacity, losses.resistance, losses['light current']));
  const cautious = {
    capacity: -losses.capacity / whole,
    resistance: losses.resistance / whole,
    load: losses['light current'] / whole,
  };
  return {
    likelyH: likely.hours,
    cautiousH: Math.min(likely.hours, run(cautious).hours),
    end: likely.end,
    chiefCause,
    losses,
    drawnMah: likely.drawnMah,
    cautious,
    stepS,
  };
}

/** A small seeded generator (mulberry32): the same plan gives the same nights. */
export function createRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Normal deviate (Box–Muller), scaled so that 95 in 100 lie in −1 … 1, and cut at one and a half. */
function deviate(random: () => number): number {
  const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return Math.min(1.5, Math.max(-1.5, normal / 1.96));
}

/** Hours of one sampled night; call it with the same generator again and again. */
export function sampleNight(make: NightMaker, random: () => number, stepS: number): number {
  const { tree, course } = make({ capacity: deviate(random), resistance: deviate(random), load: deviate(random) });
  return runNight(tree, course, { stepS, keepSamples: false }).hours;
}
