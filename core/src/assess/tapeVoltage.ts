import { type Ladder, solveLadder } from '../circuit/index.ts';
import { type PlacedTape, railsOhm } from '../items/index.ts';
import { rowRunId, runOhm, type WireRun } from '../network/index.ts';
import type { MoodBudget } from './budget.ts';
import type { Consumer } from './consumers.ts';

/** One data line's tapes as a single ladder, fed at its start. */
export interface ChainVoltage {
  readonly tapeIds: readonly string[];
  /** The rail that feeds it. */
  readonly railId: string | null;
  readonly railV: number;
  readonly peakA: number;
  /** Voltage at each pixel in data order when the most hungry mood is at its height. */
  readonly voltageV: readonly number[];
  readonly leastV: number;
  /** Below this its pixels fade. */
  readonly wantsV: number;
  /** Share of their brightness that the far pixels lose by the drop. */
  readonly lostAtEnd: number;
}

/** What lies between a light and the next beside the tape itself: at the end of a row of a grid, the wires to the next row. */
export function rowJumperOhm({ tape }: PlacedTape, light: number, runs: readonly WireRun[]): number {
  if (!tape.grid || (light + 1) % tape.grid.columns !== 0) return 0;
  const id = rowRunId(tape.id, Math.trunc(light / tape.grid.columns));
  return runOhm(runs.find((run) => run.id === id));
}

/** A chain of tapes as a ladder, with the real lead and jumpers in front; `shareOf` says how brightly each is lit. */
function ladderOf(options: {
  readonly chain: readonly PlacedTape[];
  readonly runs: readonly WireRun[];
  readonly consumers: ReadonlyMap<string, Consumer>;
  readonly shareOf: (tapeId: string) => number;
  readonly railV: number;
}): Ladder {
  const { chain, runs, consumers, shareOf, railV } = options;
  const loadA: number[] = [];
  const stepOhm: number[] = [];
  for (const tape of chain) {
    const consumer = consumers.get(tape.id);
    const each =
      tape.cut.lights === 0
        ? 0
        : ((consumer?.restA ?? 0) + (consumer?.fullA ?? 0) * shareOf(tape.id)) / tape.cut.lights;
    const pitchOhm = railsOhm(tape.part, 1);
    if (loadA.length > 0)
      stepOhm[loadA.length - 1] = pitchOhm + runOhm(runs.find((run) => run.id === `jumper:${tape.id}`));
    for (let i = 0; i < tape.cut.lights; i += 1) {
      loadA.push(each);
      stepOhm.push(pitchOhm + rowJumperOhm(tape, i, runs));
    }
  }
  const lead = runs.find((run) => run.id === `feed:${chain[0]?.id}`);
  const halves = stepOhm.map((ohm) => ohm / 2);
  return {
    supplyV: railV,
    // What is known is the loop, out and back: half of it lies in each rail.
    plusOhm: halves,
    minusOhm: halves,
    loadA,
    feeds: [{ at: 0, rail: 'both', leadOhm: runOhm(lead) / 2 }],
    fullAboveV: Math.max(...chain.map((tape) => tape.part.leastVoltageV)),
  };
}

/** Solves a chain of tapes at a mood's peak. */
export function solveChain(options: {
  readonly chain: readonly PlacedTape[];
  readonly runs: readonly WireRun[];
  readonly consumers: ReadonlyMap<string, Consumer>;
  readonly budget: MoodBudget | undefined;
  readonly railId: string | null;
  readonly railV: number;
}): ChainVoltage {
  const { chain, budget, railId, railV } = options;
  const ladder = ladderOf({
    ...options,
    shareOf: (tapeId) => {
      const load = budget?.groups.find((group) => group.groupId === tapeId)?.load;
      return load && budget ? load.peak * budget.brightness : 1;
    },
  });
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
