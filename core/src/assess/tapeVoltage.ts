import { solveLadder } from '../circuit/index.ts';
import type { PlacedTape } from '../lights/index.ts';
import { rowRunId, type WireRun, wireOhmPerMetre } from '../wires/index.ts';
import type { Consumer, MoodBudget } from './budget.ts';

/** One data line's tapes as a single ladder, fed at its start. */
export interface ChainVoltage {
  readonly tapeIds: readonly string[];
  readonly peakA: number;
  /** Voltage at each pixel in data order when the most hungry mood is at its height. */
  readonly voltageV: readonly number[];
  readonly leastV: number;
  /** Share of their brightness that the far pixels lose by the drop. */
  readonly lostAtEnd: number;
}

const runOhm = (run: WireRun | undefined): number =>
  run ? (2 * run.lengthMm * wireOhmPerMetre(run.gaugeAwg)) / 1000 : 0;

/** What lies between a light and the next beside the tape itself: at the end of a row of a grid, the wires to the next row. */
function rowJumperOhm({ tape }: PlacedTape, light: number, runs: readonly WireRun[]): number {
  if (!tape.grid || (light + 1) % tape.grid.columns !== 0) return 0;
  const id = rowRunId(tape.id, Math.trunc(light / tape.grid.columns));
  return runOhm(runs.find((run) => run.id === id));
}

/** Solves a chain of tapes at a mood's peak, with the real lead and jumpers in front. */
export function solveChain(options: {
  readonly chain: readonly PlacedTape[];
  readonly runs: readonly WireRun[];
  readonly consumers: readonly Consumer[];
  readonly budget: MoodBudget | undefined;
  readonly railV: number;
}): ChainVoltage {
  const { chain, runs, consumers, budget, railV } = options;
  const loadA: number[] = [];
  const stepOhm: number[] = [];
  const full = Math.max(...chain.map((tape) => tape.part.leastVoltageV));
  for (const tape of chain) {
    const consumer = consumers.find((each) => each.id === tape.id);
    const load = budget?.groups.find((group) => group.groupId === tape.id)?.load;
    const share = load && budget ? load.peak * budget.brightness : 1;
    const each =
      tape.cut.lights === 0 ? 0 : ((consumer?.restA ?? 0) + (consumer?.fullA ?? 0) * share) / tape.cut.lights;
    const pitchOhm = (tape.part.railOhmPerMetre / tape.part.perMetre) * tape.part.lightsPerJoint;
    if (loadA.length > 0)
      stepOhm[loadA.length - 1] = pitchOhm + runOhm(runs.find((run) => run.id === `jumper:${tape.id}`));
    for (let i = 0; i < tape.cut.lights; i += 1) {
      loadA.push(each);
      stepOhm.push(pitchOhm + rowJumperOhm(tape, i, runs));
    }
  }
  const lead = runs.find((run) => run.id === `feed:${chain[0]?.id}`);
  const halves = stepOhm.map((ohm) => ohm / 2);
  const solved = solveLadder({
    supplyV: railV,
    // What is known is the loop, out and back: half of it lies in each rail.
    plusOhm: halves,
    minusOhm: halves,
    loadA,
    feeds: [{ at: 0, rail: 'both', leadOhm: runOhm(lead) / 2 }],
    fullAboveV: full,
  });
  const voltageV = [...solved.voltageV];
  const leastV = voltageV.reduce((least, volts) => Math.min(least, volts), railV);
  return {
    tapeIds: chain.map((tape) => tape.id),
    peakA: solved.totalA,
    voltageV,
    leastV,
    lostAtEnd: leastV >= full ? 0 : 1 - leastV / full,
  };
}
