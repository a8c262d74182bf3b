import { LuDecomposition, Matrix } from 'ml-matrix';
import { stampOf } from './devices.ts';
import { type Element, type Netlist, nodesOf } from './netlist.ts';

/** The operating point, or why there is none. */
export type NetlistSolution =
  | {
      readonly ok: true;
      /** By node; `0` is 0 V. */
      readonly voltageV: ReadonlyMap<string, number>;
      /** Into the first terminal of each element (into `plus` of a source: a pack that gives current has less than 0). */
      readonly currentA: ReadonlyMap<string, number>;
      /** Largest sum of currents left over at any node. */
      readonly residualA: number;
      readonly passes: number;
    }
  | { readonly ok: false; readonly kind: 'collapse' | 'no convergence'; readonly reason: string };

type VoltageSource = Extract<Element, { kind: 'voltage' }>;
type Device = Exclude<Element, VoltageSource>;

interface Circuit {
  readonly nodes: ReadonlyMap<string, number>;
  readonly sources: readonly VoltageSource[];
  readonly devices: readonly Device[];
  readonly size: number;
}

/** How far the circuit is switched on: sources, power loads, and a leak from each node that helps a hard start. */
interface Stage {
  readonly sourceShare: number;
  readonly powerShare: number;
  readonly leakS: number;
}

const FULL: Stage = { sourceShare: 1, powerShare: 1, leakS: 1e-12 };
const TOLERANCE_A = 1e-10;
const MOST_PASSES = 80;

function prepare(netlist: Netlist): Circuit {
  const names = [...new Set(netlist.flatMap(nodesOf))].filter((node) => node !== '0');
  const sources = netlist.filter((element) => element.kind === 'voltage');
  const devices = netlist.filter((element) => element.kind !== 'voltage');
  return {
    nodes: new Map(names.map((node, i) => [node, i])),
    sources,
    devices,
    size: names.length + sources.length,
  };
}

/** Left-over currents (and source voltages) at `x`, and where `slope` is given their derivatives. */
function evaluate(circuit: Circuit, x: Float64Array, stage: Stage, slope: Matrix | null): Float64Array {
  const { nodes, sources, devices, size } = circuit;
  const left = new Float64Array(size);
  const at = (node: string): number => nodes.get(node) ?? -1;
  const volts = (node: string): number => x[at(node)] ?? 0;
  slope?.mul(0);
  for (let i = 0; i < nodes.size; i += 1) {
    left[i] = stage.leakS * (x[i] ?? 0);
    slope?.set(i, i, stage.leakS);
  }
  for (const device of devices) {
    const stamp = stampOf(device, volts, stage.powerShare);
    stamp.terminals.forEach((node, i) => {
      const row = at(node);
      if (row < 0) return;
      left[row] = (left[row] ?? 0) + (stamp.currentA[i] ?? 0);
      if (!slope) return;
      stamp.terminals.forEach((other, j) => {
        const column = at(other);
        if (column >= 0) slope.set(row, column, slope.get(row, column) + (stamp.slopeS[i]?.[j] ?? 0));
      });
    });
  }
  sources.forEach((source, k) => {
    const row = nodes.size + k;
    left[row] = volts(source.plus) - volts(source.minus) - source.volts * stage.sourceShare;
    for (const [node, sign] of [
      [source.plus, 1],
      [source.minus, -1],
    ] as const) {
      const column = at(node);
      if (column < 0) continue;
      left[column] = (left[column] ?? 0) + sign * (x[row] ?? 0);
      slope?.set(row, column, slope.get(row, column) + sign);
      slope?.set(column, row, slope.get(column, row) + sign);
    }
  });
  return left;
}

const largest = (values: Float64Array): number => values.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
const norm = (values: Float64Array): number => Math.sqrt(values.reduce((sum, value) => sum + value * value, 0));

/** Newton's method with steps halved while they make it worse; null where it does not settle. */
function newton(circuit: Circuit, start: Float64Array, stage: Stage): { x: Float64Array; passes: number } | null {
  const slope = new Matrix(circuit.size, circuit.size);
  let x = start;
  let left = evaluate(circuit, x, stage, slope);
  let stalls = 0;
  for (let pass = 1; pass <= MOST_PASSES; pass += 1) {
    const lu = new LuDecomposition(slope);
    if (lu.isSingular()) return null;
    const step = lu.solve(Matrix.columnVector(left)).getColumn(0);
    if (step.some((value) => !Number.isFinite(value))) return null;
    // No node moves by more than a few volts at once: past that a slope says nothing about what comes.
    const reach = step.slice(0, circuit.nodes.size).reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    let share = Math.min(1, 20 / Math.max(reach, 1e-30));
    const before = norm(left);
    let next = x;
    let improves = false;
    for (let halving = 0; halving < 12 && !improves; halving += 1, share /= 2) {
      next = x.map((value, i) => value - share * (step[i] ?? 0));
      improves = norm(evaluate(circuit, next, stage, null)) <= before * (1 - share / 1e4);
    }
    // One step may get worse before it gets better; step after step of it leads nowhere.
    stalls = improves ? 0 : stalls + 1;
    if (stalls > 3 && largest(left) > TOLERANCE_A) return null;
    x = next;
    left = evaluate(circuit, x, stage, slope);
    if (largest(left) < TOLERANCE_A && reach * share < 1e-7) return { x, passes: pass };
    if (largest(left) < TOLERANCE_A / 1e3) return { x, passes: pass };
  }
  return null;
}

/** Follows the solution from one stage towards another in steps that shrink where it gets hard; stops where it breaks. */
function follow(
  circuit: Circuit,
  start: Float64Array,
  stageAt: (share: number) => Stage,
  accepts: (x: Float64Array) => boolean,
): { x: Float64Array; share: number; passes: number } {
  let [x, share, step, passes] = [start, 0, 0.25, 0];
  while (share < 1 && step > 1e-4) {
    const to = Math.min(1, share + step);
    const found = newton(circuit, x, stageAt(to));
    passes += found?.passes ?? MOST_PASSES;
    if (found && accepts(found.x)) {
      [x, share] = [found.x, to];
      step *= 2;
    } else step /= 3;
  }
  return { x, share, passes };
}

/** The operating point with no power load on: straight, then with a leak that is taken away, then by raising the sources. */
function start(circuit: Circuit): { x: Float64Array; passes: number } | null {
  const stage = { ...FULL, powerShare: 0 };
  const zero = new Float64Array(circuit.size);
  const straight = newton(circuit, zero, stage);
  if (straight) return straight;
  const leaky = newton(circuit, zero, { ...stage, leakS: 1e-3 });
  if (leaky) {
    const settled = follow(
      circuit,
      leaky.x,
      (share) => ({ ...stage, leakS: 10 ** (-3 - 9 * share) }),
      () => true,
    );
    if (settled.share === 1) return { x: settled.x, passes: settled.passes };
  }
  const raised = follow(
    circuit,
    zero,
    (share) => ({ ...stage, sourceShare: share }),
    () => true,
  );
  return raised.share === 1 ? { x: raised.x, passes: raised.passes } : null;
}

/**
 * The DC operating point of a circuit by modified nodal analysis. Power loads are switched on last and step by step
 * from the unloaded state, so that of two solutions the stable one is found; where the voltage falls below what such a
 * load needs before all of it is on, the circuit collapses and the share that it could bear is named.
 * @example 10.80 W behind 0.25 Ω holds on 3.4 V and collapses on 3.2 V, which can give 10.24 W at most
 */
export function solveNetlist(netlist: Netlist): NetlistSolution {
  const circuit = prepare(netlist);
  const begun = start(circuit);
  if (!begun)
    return {
      ok: false,
      kind: 'no convergence',
      reason: 'No operating point was found: look for sources that fight each other or a current with no way back',
    };
  const powers = netlist.filter((element) => element.kind === 'power load');
  const stands = (x: Float64Array): boolean =>
    powers.every((load) => {
      const volts = (node: string): number => x[circuit.nodes.get(node) ?? -1] ?? 0;
      return volts(load.plus) - volts(load.minus) >= load.leastV;
    });
  let { x, passes } = begun;
  if (powers.length > 0) {
    const loaded = follow(circuit, x, (share) => ({ ...FULL, powerShare: share }), stands);
    passes += loaded.passes;
    if (loaded.share < 1) {
      const asked = powers.reduce((sum, load) => sum + load.watts, 0);
      return {
        ok: false,
        kind: 'collapse',
        reason: `The voltage collapses: of ${asked.toPrecision(3)} W asked, the supply can give ${(asked * loaded.share).toPrecision(3)} W before ${powers.map((load) => load.name).join(', ')} falls below its least voltage`,
      };
    }
    x = loaded.x;
  }
  const volts = (node: string): number => x[circuit.nodes.get(node) ?? -1] ?? 0;
  const left = evaluate(circuit, x, FULL, null).slice(0, circuit.nodes.size);
  return {
    ok: true,
    voltageV: new Map([['0', 0], ...[...circuit.nodes].map(([node, i]): [string, number] => [node, x[i] ?? 0])]),
    currentA: new Map([
      ...circuit.devices.map((device): [string, number] => [
        device.name,
        stampOf(device, volts, 1).currentA[
          device.kind === 'npn' || device.kind === 'pnp' || device.kind === 'nmos' || device.kind === 'pmos' ? 1 : 0
        ] ?? 0,
      ]),
      ...circuit.sources.map((source, k): [string, number] => [source.name, x[circuit.nodes.size + k] ?? 0]),
    ]),
    residualA: largest(left),
    passes,
  };
}
