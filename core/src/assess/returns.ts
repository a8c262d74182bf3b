import { type Netlist, solveNetlist } from '../circuit/index.ts';
import { Joined, type PortRef, portKey, type RunDraft, type WireRun, wireCoreOhm } from '../network/index.ts';
import type { SharedReturns } from '../power/index.ts';

/** Where the current of a node of a tree comes back. */
export interface NodeReturn {
  /** Number of the node before it; −1 for the source. */
  readonly parent: number;
  /** What its own minus lead resists: that much is in the node already. */
  readonly backOhm: number;
  /** Minus before it and behind it: two places at a converter, one at all else. */
  readonly into: PortRef;
  readonly from: PortRef;
}

interface MinusCore {
  readonly a: string;
  readonly b: string;
  readonly ohm: number;
}

/** Minus cores between places, those without resistance taken for one place. */
function minusCores(joins: readonly RunDraft[], runs: readonly WireRun[], places: Joined): MinusCore[] {
  const runOf = new Map(runs.map((run) => [run.id, run]));
  const cores = joins.flatMap((draft) =>
    draft.cores.flatMap(({ net, from, to }): MinusCore[] =>
      net.role === 'minus' ? [{ a: portKey(from), b: portKey(to), ohm: wireCoreOhm(runOf.get(draft.id)) }] : [],
    ),
  );
  for (const { a, b, ohm } of cores) if (ohm === 0) places.join(a, b);
  return cores.map(({ a, b, ohm }) => ({ a: places.find(a), b: places.find(b), ohm })).filter(({ a, b }) => a !== b);
}

/** Whether two ways lead anywhere. */
function hasLoop(cores: readonly MinusCore[]): boolean {
  const met = new Joined();
  return cores.some(({ a, b }) => {
    const isLoop = met.find(a) === met.find(b);
    met.join(a, b);
    return isLoop;
  });
}

/** Potentials of all places for one ampere that comes back at one of them and leaves by the island's ground. */
function potentials(cores: readonly MinusCore[], at: string, ground: string): ReadonlyMap<string, number> {
  const name = (place: string): string => (place === ground ? '0' : place);
  const netlist: Netlist = [
    ...cores.map(({ a, b, ohm }, i) => ({ kind: 'resistor' as const, name: `core ${i}`, a: name(a), b: name(b), ohm })),
    { kind: 'current', name: 'one ampere', from: '0', to: name(at), amps: 1 },
  ];
  const solved = at === ground ? null : solveNetlist(netlist);
  return solved?.ok ? solved.voltageV : new Map();
}

/**
 * How the ways back of a tree share their currents where several lie side by side; null where they do not, so that each
 * node's own resistance tells all.
 */
export function shareReturns(
  nodes: readonly NodeReturn[],
  joins: readonly RunDraft[],
  runs: readonly WireRun[],
): SharedReturns | null {
  const places = new Joined();
  const cores = minusCores(joins, runs, places);
  if (!hasLoop(cores)) return null;
  const islands = new Joined();
  for (const { a, b } of cores) islands.join(a, b);
  const placeOf = (port: PortRef): string => places.find(portKey(port));
  const ground = new Map<string, string>();
  for (const { from } of nodes) {
    const island = islands.find(placeOf(from));
    if (!ground.has(island)) ground.set(island, placeOf(from));
  }
  const known = new Map<string, ReadonlyMap<string, number>>();
  const potentialsOf = (at: string): ReadonlyMap<string, number> => {
    const island = islands.find(at);
    const own = cores.filter(({ a }) => islands.find(a) === island);
    const found = known.get(at) ?? potentials(own, at, ground.get(island) ?? at);
    known.set(at, found);
    return found;
  };
  const lostBefore = (i: number, at: PortRef): number => {
    const node = nodes[i];
    const before = node && nodes[node.parent];
    if (!node || !before) return 0;
    const [here, there] = [placeOf(node.into), placeOf(before.from)];
    if (islands.find(here) !== islands.find(there)) return 0;
    const volts = potentialsOf(placeOf(at));
    return (volts.get(here) ?? 0) - (volts.get(there) ?? 0);
  };
  const table = (of: (i: number, j: number) => number): Float64Array[] =>
    nodes.map((_, i) => Float64Array.from(nodes, (_other, j) => of(i, j)));
  return {
    intoOhm: table((i, j) => lostBefore(i, nodes[j]?.into ?? NOWHERE) - (i === j ? (nodes[i]?.backOhm ?? 0) : 0)),
    fromOhm: table((i, j) => lostBefore(i, nodes[j]?.from ?? NOWHERE)),
  };
}

const NOWHERE: PortRef = { item: '', port: '' };
