import { type Message, say, volts } from '../units/index.ts';
/** Something that draws from a rail: at its height, on the mean of the evening, and when all is dark or off. */
export interface TreeLoad {
  readonly name: string;
  /** By its name. */
  readonly rail: string;
  /** At its height. */
  readonly peakA: number;
  /** Over time. */
  readonly meanA: number;
  /** Dark. */
  readonly restA: number;
  /** Current in the first moment, where it is more than the peak: a motor's start, a reservoir that fills. */
  readonly startA?: number;
}

/** A rail: straight from a pack, or through a converter from another rail. */
export interface TreeRail {
  readonly name: string;
  /** Held. */
  readonly volts: number;
  /** The rail it is made from; null = this one is a pack. */
  readonly from: string | null;
  /** Of what makes it, 0 to 1. */
  readonly efficiency: number;
  /** What it can give, and what it draws by itself. */
  readonly limitA: number;
  /** Taken by what makes it, with nothing drawn. */
  readonly idleA: number;
  /** Rails whose minus is joined carry the same name here. */
  readonly minus: string;
}

/** A signal from a part on one rail to a part on another: data, a gate, a reading. */
export interface TreeSignal {
  readonly name: string;
  /** Of who sends it. */
  readonly fromRail: string;
  /** Of who hears it. */
  readonly toRail: string;
  /** Level it carries, and what the receiving pin bears. */
  readonly volts: number;
  /** Most at the pin that hears it. */
  readonly bearsV: number;
}

/** One rail of a tree, at rest, on the mean, at its height and at the start. */
export interface RailState {
  readonly name: string;
  /** Out of it, at the height. */
  readonly peakA: number;
  /** Out of it, over time. */
  readonly meanA: number;
  /** Out of it, dark. */
  readonly restA: number;
  /** Out of it, in the first moment. */
  readonly startA: number;
  /** In what makes it. */
  readonly lossMeanW: number;
  /** Of its limit, at the height; above 1 it is over. */
  readonly fill: number;
}

/** All rails of a tree, from the pack outward, and what does not fit together. */
export interface TreeState {
  readonly rails: readonly RailState[];
  /** What does not fit together. */
  readonly flaws: readonly Message[];
  /** Mean power out of all packs, into all loads, and lost on the way. */
  readonly inW: number;
  /** To all loads. */
  readonly outW: number;
  /** In all that makes rails. */
  readonly lossW: number;
}

type Draw = 'peakA' | 'meanA' | 'restA' | 'startA';

const drawOf = (load: TreeLoad, which: Draw): number =>
  which === 'startA' ? Math.max(load.peakA, load.startA ?? 0) : load[which];

/** Current on a rail: its own loads, its own idle draw, and what the rails made from it take in. */
function railCurrent(rails: readonly TreeRail[], loads: readonly TreeLoad[], rail: TreeRail, which: Draw): number {
  const own = loads.filter((load) => load.rail === rail.name);
  const made = rails.filter((each) => each.from === rail.name);
  return (
    own.reduce((sum, load) => sum + drawOf(load, which), 0) +
    made.reduce(
      (sum, each) =>
        sum + (railCurrent(rails, loads, each, which) * each.volts) / (each.efficiency * rail.volts) + each.idleA,
      0,
    )
  );
}

function findFlaws(rails: readonly TreeRail[], signals: readonly TreeSignal[]): Message[] {
  const rail = (name: string): TreeRail | undefined => rails.find((each) => each.name === name);
  return signals.flatMap((signal) => {
    const [from, to] = [rail(signal.fromRail), rail(signal.toRail)];
    return [
      ...(from && to && from.minus !== to.minus
        ? [`${signal.name}: ${from.name} and ${to.name} share a signal but not their minus; join them`]
        : []),
      ...(signal.volts > signal.bearsV
        ? [say`${signal.name}: ${volts(signal.volts)} meets a pin that bears ${volts(signal.bearsV)}`]
        : []),
    ];
  });
}

/**
 * Several packs and rails in one piece: the current of every rail at its height, on the mean, dark and at the start; what
 * is lost in the converters; and the signals that cross between supplies without a common minus or above what a pin bears.
 * @throws if a rail names one that is not there, or is made from itself
 */
export function solveSupplyTree(tree: {
  readonly rails: readonly TreeRail[];
  readonly loads: readonly TreeLoad[];
  readonly signals: readonly TreeSignal[];
}): TreeState {
  const { rails, loads, signals } = tree;
  for (const each of rails) assertRooted(rails, each);
  for (const load of loads)
    if (!rails.some((each) => each.name === load.rail))
      throw new Error(`${load.name} hangs on ${load.rail}, which is no rail; name one of ${namesOf(rails)}`);
  const states = rails.map((each): RailState => {
    const currents = {
      peakA: railCurrent(rails, loads, each, 'peakA'),
      meanA: railCurrent(rails, loads, each, 'meanA'),
      restA: railCurrent(rails, loads, each, 'restA'),
      startA: railCurrent(rails, loads, each, 'startA'),
    };
    const source = rails.find((other) => other.name === each.from);
    const outW = currents.meanA * each.volts;
    return {
      name: each.name,
      ...currents,
      lossMeanW: source ? outW / each.efficiency - outW + each.idleA * source.volts : 0,
      fill: currents.peakA / each.limitA,
    };
  });
  const inW = rails.reduce((sum, each, i) => sum + (each.from === null ? each.volts * (states[i]?.meanA ?? 0) : 0), 0);
  const outW = loads.reduce(
    (sum, load) => sum + load.meanA * (rails.find((each) => each.name === load.rail)?.volts ?? 0),
    0,
  );
  return {
    rails: states,
    flaws: findFlaws(rails, signals),
    inW,
    outW,
    lossW: states.reduce((sum, state) => sum + state.lossMeanW, 0),
  };
}

const namesOf = (rails: readonly TreeRail[]): string => rails.map(({ name }) => name).join(', ');

function assertRooted(rails: readonly TreeRail[], rail: TreeRail): void {
  let at: TreeRail | undefined = rail;
  for (let steps = 0; at?.from != null; steps += 1) {
    const next: TreeRail | undefined = rails.find((each) => each.name === at?.from);
    if (!next) throw new Error(`${at.name} is made from ${at.from}, which is no rail; name one of ${namesOf(rails)}`);
    if (steps > rails.length)
      throw new Error(`${rail.name} is made from itself; make it from the pack, or from a rail that is`);
    at = next;
  }
}
