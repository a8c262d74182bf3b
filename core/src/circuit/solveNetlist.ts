import { type Branch, branchOf, type Holding, heldAt, inputAt, isHolding } from './branches.ts';
import { LEAST_OHM, stampOf } from './devices.ts';
import { type Element, type Netlist, nodesOf } from './netlist.ts';
import { SparseSystem } from './sparse.ts';

/** The operating point, or why there is none. */
export type NetlistSolution =
  | {
      readonly ok: true;
      /** By node; `0` is 0 V. */
      readonly voltageV: ReadonlyMap<string, number>;
      /** Into the first terminal of each element (into `plus` of a source: a pack that gives current has less than 0). */
      readonly currentA: ReadonlyMap<string, number>;
      /** Taken by each element; what gives power has less than 0. */
      readonly powerW: ReadonlyMap<string, number>;
      /** Largest sum of currents left over at any node. */
      readonly residualA: number;
      /** How many times the equations were solved. */
      readonly passes: number;
    }
  | { readonly ok: false; readonly kind: 'collapse' | 'no convergence'; readonly reason: string };

type Device = Exclude<Element, Holding>;

interface Circuit {
  readonly nodes: ReadonlyMap<string, number>;
  readonly holding: readonly { readonly element: Holding; readonly branch: Branch }[];
  readonly devices: readonly Device[];
  readonly size: number;
  /** What may be left over at a node: where next to nothing resists, the last digit of a voltage is a current already. */
  readonly toleranceA: number;
}

/** How far the circuit is switched on: sources, power loads, and a leak from each node that helps a hard start. */
interface Stage {
  readonly sourceShare: number;
  readonly powerShare: number;
  readonly leakS: number;
}

const FULL: Stage = { sourceShare: 1, powerShare: 1, leakS: 1e-12 };
const TOLERANCE_A = 1e-10;
/** Of some ten volts. */
const LAST_DIGIT_V = 1e-14;
const MOST_PASSES = 80;
/** From a solution nearby it is found soon, or the step was too large. */
const FOLLOW_PASSES = 20;

function prepare(netlist: Netlist): Circuit {
  const names = [...new Set(netlist.flatMap(nodesOf))].filter((node) => node !== '0');
  const holding = netlist.filter(isHolding).map((element) => ({ element, branch: branchOf(element) }));
  const devices = netlist.filter((element): element is Device => !isHolding(element));
  return {
    nodes: new Map(names.map((node, i) => [node, i])),
    holding,
    devices,
    size: names.length + holding.length,
    toleranceA: Math.max(
      TOLERANCE_A,
      ...devices.map((device) => (device.kind === 'resistor' ? LAST_DIGIT_V / Math.max(LEAST_OHM, device.ohm) : 0)),
    ),
  };
}

/** Left-over currents (and source voltages) at `x`, and where `slope` is given their derivatives. */
function evaluate(circuit: Circuit, x: Float64Array, stage: Stage, slope: SparseSystem | null): Float64Array {
  const { nodes, holding, devices, size } = circuit;
  const left = new Float64Array(size);
  const at = (node: string): number => nodes.get(node) ?? -1;
  const volts = (node: string): number => x[at(node)] ?? 0;
  slope?.clear();
  for (let i = 0; i < nodes.size; i += 1) {
    left[i] = stage.leakS * (x[i] ?? 0);
    slope?.add(i, i, stage.leakS);
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
        if (column >= 0) slope.add(row, column, stamp.slopeS[i]?.[j] ?? 0);
      });
    });
  }
  const add = (row: number, column: number, value: number): void => {
    if (row >= 0 && column >= 0) slope?.add(row, column, value);
  };
  holding.forEach(({ element, branch }, k) => {
    const row = nodes.size + k;
    const input = branch.input && { plus: at(branch.input.plus), minus: at(branch.input.minus) };
    const inputV = branch.input ? volts(branch.input.plus) - volts(branch.input.minus) : 0;
    const held = heldAt(element, inputV);
    left[row] = volts(branch.plus) - volts(branch.minus) - held.volts * stage.sourceShare;
    const taken = inputAt(element, -(x[row] ?? 0), inputV, stage.powerShare);
    for (const [node, inNode, sign] of [
      [at(branch.plus), input?.plus ?? -1, 1],
      [at(branch.minus), input?.minus ?? -1, -1],
    ] as const) {
      if (node >= 0) left[node] = (left[node] ?? 0) + sign * (x[row] ?? 0);
      add(row, node, sign);
      add(node, row, sign);
      add(row, inNode, -sign * held.slope * stage.sourceShare);
      if (inNode < 0) continue;
      left[inNode] = (left[inNode] ?? 0) + sign * taken.amps;
      // A source's own unknown counts into its plus: what it gives is the other way round.
      add(inNode, row, -sign * taken.byOutput);
      add(inNode, input?.plus ?? -1, sign * taken.byInput);
      add(inNode, input?.minus ?? -1, -sign * taken.byInput);
    }
  });
  return left;
}

const largest = (values: Float64Array): number => values.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
const norm = (values: Float64Array): number => Math.sqrt(values.reduce((sum, value) => sum + value * value, 0));

/** Newton's method with steps halved while they make it worse; null where it does not settle. */
function newton(
  circuit: Circuit,
  start: Float64Array,
  stage: Stage,
  mostPasses = MOST_PASSES,
): { x: Float64Array; passes: number } | null {
  const slope = new SparseSystem(circuit.size);
  let x = start;
  let left = evaluate(circuit, x, stage, slope);
  let stalls = 0;
  for (let pass = 1; pass <= mostPasses; pass += 1) {
    const step = slope.solve(left);
    if (!step || step.some((value) => !Number.isFinite(value))) return null;
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
    if (stalls > 3 && largest(left) > circuit.toleranceA) return null;
    x = next;
    left = evaluate(circuit, x, stage, slope);
    if (largest(left) < circuit.toleranceA && reach * share < 1e-7) return { x, passes: pass };
    if (largest(left) < circuit.toleranceA / 1e3) return { x, passes: pass };
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
  while (share < 1 && step > 1e-3) {
    const to = Math.min(1, share + step);
    const found = newton(circuit, x, stageAt(to), FOLLOW_PASSES);
    passes += found?.passes ?? FOLLOW_PASSES;
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
  const powers = netlist.filter((element) => element.kind === 'power load' || element.kind === 'converter');
  const stands = (x: Float64Array): boolean =>
    powers.every((load) => {
      const volts = (node: string): number => x[circuit.nodes.get(node) ?? -1] ?? 0;
      const [plus, minus] = load.kind === 'converter' ? [load.inPlus, load.inMinus] : [load.plus, load.minus];
      return volts(plus) - volts(minus) >= load.leastV;
    });
  let { x, passes } = begun;
  if (powers.length > 0) {
    const loaded = follow(circuit, x, (share) => ({ ...FULL, powerShare: share }), stands);
    passes += loaded.passes;
    if (loaded.share < 1) {
      const loads = powers.filter((load) => load.kind === 'power load');
      const asked = loads.reduce((sum, load) => sum + load.watts, 0);
      const names = powers.map((load) => load.name).join(', ');
      const share = powers.length > loads.length ? '' : `of ${asked.toPrecision(3)} W asked, `;
      const given =
        powers.length > loads.length
          ? `${(100 * loaded.share).toPrecision(3)} % of what is asked`
          : `${(asked * loaded.share).toPrecision(3)} W`;
      return {
        ok: false,
        kind: 'collapse',
        reason: `The voltage collapses: ${share}the supply can give ${given} before ${names} falls below its least voltage`,
      };
    }
    x = loaded.x;
  }
  const starved = findStarved(circuit, x);
  if (starved)
    return {
      ok: false,
      kind: 'collapse',
      reason: `The voltage collapses: ${starved} asks for more than what feeds it can give`,
    };
  const volts = (node: string): number => x[circuit.nodes.get(node) ?? -1] ?? 0;
  const left = evaluate(circuit, x, FULL, null).slice(0, circuit.nodes.size);
  const drawn = [
    ...circuit.devices.map((device) => {
      const { terminals, currentA } = stampOf(device, volts, 1);
      const first = isTransistor(device) ? 1 : 0;
      return {
        name: device.name,
        amps: currentA[first] ?? 0,
        watts: terminals.reduce((sum, node, i) => sum + volts(node) * (currentA[i] ?? 0), 0),
      };
    }),
    ...circuit.holding.map(({ element, branch }, k) => drawnBy(element, branch, x[circuit.nodes.size + k] ?? 0, volts)),
  ];
  return {
    ok: true,
    voltageV: new Map([['0', 0], ...[...circuit.nodes].map(([node, i]): [string, number] => [node, x[i] ?? 0])]),
    currentA: new Map(drawn.map(({ name, amps }) => [name, amps])),
    powerW: new Map(drawn.map(({ name, watts }) => [name, watts])),
    residualA: largest(left),
    passes,
  };
}

/** A load whose amperes the supply can't give: nothing would be left across it. */
const findStarved = (circuit: Circuit, x: Float64Array): string | null => {
  const volts = (node: string): number => x[circuit.nodes.get(node) ?? -1] ?? 0;
  const found = circuit.devices.find(
    (device) =>
      device.kind === 'current' && device.leastV !== undefined && volts(device.from) - volts(device.to) < device.leastV,
  );
  return found?.name ?? null;
};

const isTransistor = ({ kind }: Element): boolean =>
  kind === 'npn' || kind === 'pnp' || kind === 'nmos' || kind === 'pmos';

/** Into its first terminal, and the power of both sides. */
function drawnBy(
  element: Holding,
  branch: Branch,
  intoPlusA: number,
  volts: (node: string) => number,
): { readonly name: string; readonly amps: number; readonly watts: number } {
  const { name } = element;
  const acrossV = volts(branch.plus) - volts(branch.minus);
  if (!branch.input) return { name, amps: intoPlusA, watts: acrossV * intoPlusA };
  const inputV = volts(branch.input.plus) - volts(branch.input.minus);
  const { amps } = inputAt(element, -intoPlusA, inputV, 1);
  return { name, amps, watts: acrossV * intoPlusA + inputV * amps };
}
