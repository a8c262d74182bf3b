import { type Ladder, solveLadder, tabulate } from '../circuit/index.ts';
import { type PlacedTape, railsOhm } from '../items/index.ts';
import { rowRunId, runOhm, type WireRun } from '../network/index.ts';
import type { RailLaw } from '../power/index.ts';
import type { MoodBudget } from './budget.ts';
import type { Consumer } from './consumers.ts';
import { keepFew } from './keepFew.ts';

/** One data line's tapes as a single ladder, fed at its start. */
export interface ChainVoltage {
  /** Of the line, in the order of the data. */
  readonly tapeIds: readonly string[];
  /** The rail that feeds it. */
  readonly railId: string | null;
  /** Of the rail that feeds it, half spent. */
  readonly railV: number;
  /** At the height of the most hungry mood. */
  readonly peakA: number;
  /** Voltage at each pixel in data order when the most hungry mood is at its height. */
  readonly voltageV: readonly number[];
  /** At the pixel that gets least. */
  readonly leastV: number;
  /** Below this its pixels fade. */
  readonly wantsV: number;
  /** Share of their brightness that the far pixels lose by the drop. */
  readonly lostAtEnd: number;
}

/** What lies between a light and the next beside the tape itself: at the end of a row of a grid, the wires to the next row. */
function rowJumperOhm({ tape }: PlacedTape, light: number, runs: readonly WireRun[]): number {
  if (!tape.grid || (light + 1) % tape.grid.columns !== 0) return 0;
  const id = rowRunId(tape.id, Math.trunc(light / tape.grid.columns));
  return runOhm(runs.find((run) => run.id === id));
}

/** What a chain of tapes is known by. */
export interface ChainOfTapes {
  /** In the order of the data. */
  readonly chain: readonly PlacedTape[];
  readonly runs: readonly WireRun[];
  readonly consumers: ReadonlyMap<string, Consumer>;
}

/** A chain of tapes as a ladder, with the real lead and jumpers in front, at any voltage and however far it is lit. */
function ladderOf({ chain, runs, consumers }: ChainOfTapes): (railV: number, shares: readonly number[]) => Ladder {
  const stepOhm: number[] = [];
  for (const tape of chain) {
    const pitchOhm = railsOhm(tape.part, 1);
    // The jumper begins behind the last pixel’s own stretch.
    const last = stepOhm.length - 1;
    if (last >= 0) stepOhm[last] = (stepOhm[last] ?? 0) + runOhm(runs.find((run) => run.id === `jumper:${tape.id}`));
    for (let i = 0; i < tape.cut.lights; i += 1) stepOhm.push(pitchOhm + rowJumperOhm(tape, i, runs));
  }
  const lead = runs.find((run) => run.id === `feed:${chain[0]?.id}`);
  // What is known is the loop, out and back: half of it lies in each rail.
  const halves = stepOhm.map((ohm) => ohm / 2);
  const perPixel = (of: (consumer: Consumer | undefined, tape: number) => number): Float64Array => {
    const amps = new Float64Array(stepOhm.length);
    let at = 0;
    for (const [t, { id, cut }] of chain.entries()) {
      amps.fill(of(consumers.get(id), t) / cut.lights, at, at + cut.lights);
      at += cut.lights;
    }
    return amps;
  };
  const steadyA = perPixel((consumer) => consumer?.restA ?? 0);
  const fullAboveV = Math.max(...chain.map((tape) => tape.part.leastVoltageV));
  return (railV, shares) => ({
    supplyV: railV,
    plusOhm: halves,
    minusOhm: halves,
    steadyA,
    loadA: perPixel((consumer, t) => (consumer?.fullA ?? 0) * (shares[t] ?? 0)),
    feeds: [{ at: 0, rail: 'both', leadOhm: runOhm(lead) / 2 }],
    fullAboveV,
  });
}

/** Distributions of light whose currents are kept: an evening has a few, and goes through them again and again. */
const KEPT_LAWS = 8;

/**
 * What the pixels of a chain draw beside their rest: in full down to the voltage at which they fade, in proportion below
 * it, each at the voltage that is left where it sits.
 */
export function lawOfChain(line: ChainOfTapes): RailLaw {
  const ladder = ladderOf(line);
  const { fullAboveV } = ladder(0, []);
  const own = line.chain.map(({ id }) => line.consumers.get(id));
  const fullA = own.map((consumer) => consumer?.fullA ?? 0);
  const restA = own.reduce((total, consumer) => total + (consumer?.restA ?? 0), 0);
  // As long as nothing fades what is lost to the far end is a sum: of what the rest takes, and of each tape at full.
  const lostV = (shares: readonly number[]): number => {
    const { voltageV } = solveLadder({ ...ladder(0, shares), fullAboveV: Number.NEGATIVE_INFINITY });
    return -(voltageV[voltageV.length - 1] ?? 0);
  };
  const restV = lostV([]);
  const fullV = line.chain.map((_, t) => lostV(line.chain.map((_tape, i) => (i === t ? 1 : 0))) - restV);
  const fading = keepFew(
    (shares: readonly number[]) => tabulate((railV) => solveLadder(ladder(railV, shares)).totalA - restA),
    KEPT_LAWS,
  );
  return (railV, shares) => {
    let [askedA, dropV] = [0, restV];
    for (let t = 0; t < fullA.length; t += 1) {
      const share = shares[t] ?? 0;
      askedA += (fullA[t] ?? 0) * share;
      dropV += (fullV[t] ?? 0) * share;
    }
    return railV - dropV >= fullAboveV ? askedA : Math.max(0, fading(shares)(railV));
  };
}

/** While what is built stays the same, so does the ladder. */
const keptLadder = keepFew(
  (chain: ChainOfTapes['chain'], runs: ChainOfTapes['runs'], consumers: ChainOfTapes['consumers']) =>
    ladderOf({ chain, runs, consumers }),
);

/** Solves a chain of tapes at a mood's peak. */
export function solveChain(
  options: ChainOfTapes & {
    /** The mood whose height is looked at; undefined looks at everything at full. */
    readonly budget: MoodBudget | undefined;
    /** Null where nothing feeds it. */
    readonly railId: string | null;
    /** Volts of that rail, half spent. */
    readonly railV: number;
  },
): ChainVoltage {
  const { chain, runs, consumers, budget, railId, railV } = options;
  const shares = chain.map(({ id }) => {
    const load = budget?.groups.find((group) => group.groupId === id)?.load;
    return load && budget ? load.peak * budget.brightness : 1;
  });
  const ladder = keptLadder(chain, runs, consumers)(railV, shares);
  const solved = solveLadder(ladder);
  const voltageV = [...solved.voltageV];
  const leastV = voltageV.reduce((least, volts) => Math.min(least, volts), railV);
  return {
    tapeIds: chain.map((tape) => tape.id),
    railId,
    railV,
    peakA: solved.totalA,
    voltageV,
    leastV,
    wantsV: ladder.fullAboveV,
    lostAtEnd: leastV >= ladder.fullAboveV ? 0 : 1 - leastV / ladder.fullAboveV,
  };
}
