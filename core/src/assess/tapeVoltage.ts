import { type Ladder, solveLadder, tabulate } from '../circuit/index.ts';
import type { PlacedTape } from '../items/index.ts';
import { feedsOfChain, runOhm, type WireRun } from '../network/index.ts';
import type { RailLaw } from '../power/index.ts';
import type { MoodBudget } from './budget.ts';
import { type ChainCopper, copperOfChain } from './chainLadder.ts';
import type { Consumer } from './consumers.ts';
import { keepFew } from './keepFew.ts';

/** One data line's tapes as a single ladder. */
export interface ChainVoltage {
  /** Of the line, in the order of the data. */
  readonly tapeIds: readonly string[];
  /** The rail that feeds it. */
  readonly railId: string | null;
  /** Of the rail that feeds it, half spent. */
  readonly railV: number;
  /** At the height of the most hungry mood. */
  readonly peakA: number;
  /** What its pixels would take then if nothing were lost on the way. */
  readonly askedA: number;
  /** Voltage at each pixel in data order when the most hungry mood is at its height. */
  readonly voltageV: readonly number[];
  /** At the pixel that gets least. */
  readonly leastV: number;
  /** Below this its pixels fade. */
  readonly wantsV: number;
  /** Share of their brightness that the far pixels lose by the drop. */
  readonly lostAtEnd: number;
}

/** What a chain of tapes is known by. */
export interface ChainOfTapes {
  /** In the order of the data. */
  readonly chain: readonly PlacedTape[];
  readonly runs: readonly WireRun[];
  readonly consumers: ReadonlyMap<string, Consumer>;
}

/** A chain of tapes as a ladder, with the real leads and jumpers, at any voltage and however far it is lit. */
function ladderOf({ chain, runs, consumers }: ChainOfTapes): {
  readonly at: (railV: number, shares: readonly number[]) => Ladder;
  readonly copper: ChainCopper;
} {
  const runOf = new Map(runs.map((run) => [run.id, run]));
  const copper = copperOfChain(
    chain,
    runs,
    feedsOfChain(chain).map((feed) => ({ ...feed, leadOhm: runOhm(runOf.get(feed.runId)) })),
  );
  const { halfOhm, tapeAt, lightAt, feeds } = copper;
  const own = chain.map(({ id, cut, lit }) => {
    const consumer = consumers.get(id);
    return { lit, restA: (consumer?.restA ?? 0) / cut.lights, fullA: (consumer?.fullA ?? 0) / Math.max(1, lit) };
  });
  const steadyA = Float64Array.from(tapeAt, (t) => own[t]?.restA ?? 0);
  const fullAboveV = Math.max(...chain.map((tape) => tape.part.leastVoltageV));
  const at = (railV: number, shares: readonly number[]): Ladder => ({
    supplyV: railV,
    plusOhm: halfOhm,
    minusOhm: halfOhm,
    steadyA,
    loadA: Float64Array.from(tapeAt, (t, node) => {
      const tape = own[t];
      return tape && (lightAt[node] ?? 0) < tape.lit ? tape.fullA * (shares[t] ?? 0) : 0;
    }),
    feeds,
    fullAboveV,
  });
  return { at, copper };
}

/** Distributions of light whose currents are kept: an evening has a few, and goes through them again and again. */
const KEPT_LAWS = 8;

/**
 * What the pixels of a chain draw beside their rest: in full down to the voltage at which they fade, in proportion below
 * it, each at the voltage that is left where it sits.
 */
export function lawOfChain(line: ChainOfTapes): RailLaw {
  const ladder = ladderOf(line).at;
  const { fullAboveV } = ladder(0, []);
  const own = line.chain.map(({ id }) => line.consumers.get(id));
  const fullA = own.map((consumer) => consumer?.fullA ?? 0);
  const restA = own.reduce((total, consumer) => total + (consumer?.restA ?? 0), 0);
  // As long as nothing fades what is lost is a sum: of what the rest takes, and of each tape at full. Where several feeds
  // let different places lose most, the sum of the most is more than any one of them loses.
  const lostV = (shares: readonly number[]): number => {
    const { voltageV } = solveLadder({ ...ladder(0, shares), fullAboveV: Number.NEGATIVE_INFINITY });
    return -voltageV.reduce((least, volts) => Math.min(least, volts), 0);
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

const sumOf = (amps: ArrayLike<number> = []): number => Array.from(amps).reduce((sum, each) => sum + each, 0);

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
  const { at, copper } = keptLadder(chain, runs, consumers);
  const ladder = at(railV, shares);
  const solved = solveLadder(ladder);
  // Where no light sits nothing is asked of the voltage.
  const voltageV = [...solved.voltageV].filter((_, node) => copper.tapeAt[node] !== -1);
  const leastV = voltageV.reduce((least, volts) => Math.min(least, volts), railV);
  return {
    tapeIds: chain.map((tape) => tape.id),
    railId,
    railV,
    peakA: solved.totalA,
    askedA: sumOf(ladder.loadA) + sumOf(ladder.steadyA),
    voltageV,
    leastV,
    wantsV: ladder.fullAboveV,
    lostAtEnd: leastV >= ladder.fullAboveV ? 0 : 1 - leastV / ladder.fullAboveV,
  };
}
