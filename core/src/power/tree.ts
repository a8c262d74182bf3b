import { efficiencyAtLoad, shiftEfficiency } from '../circuit/index.ts';
import {
  efficiencyLaw,
  openCircuitVoltageV,
  type PackModel,
  packResistanceOhm,
  solveConstantPower,
} from '../items/index.ts';
import type { ConverterPart } from '../parts/index.ts';
import { type Draws, drawAt } from './draws.ts';

/** What a tree of rails hangs on: a pack that runs down, or an outside supply that does not. */
export type Source =
  | { readonly kind: 'pack'; readonly pack: PackModel }
  | { readonly kind: 'steady'; readonly volts: number; readonly ohm: number };

/** A rail of a tree: of the source itself, behind a switch, or made by a converter. */
export interface SupplyNode {
  readonly id: string;
  readonly name: string;
  /** Its place in the list of the node that feeds it; −1 for the source’s own. */
  readonly parent: number;
  /** Contacts and lead in front of it, out and back. */
  readonly ohm: number;
  /** Lost in a diode before it, whatever flows. */
  readonly dropV?: number;
  /** Null where it only passes on. */
  readonly converter: ConverterPart | null;
  /** A board on this rail resets below this; 0 = none hangs on it. */
  readonly brownOutV: number;
}

/** A link between cell and light that carries only so much. */
export interface LinkLimit {
  readonly id: 'cell' | 'plug' | 'switch' | 'fuse' | 'converter input' | 'converter output' | 'wire' | 'tape';
  readonly name: string;
  /** The tape whose rails it is; for any other it follows from its node. */
  readonly itemId?: string;
  /** For good. */
  readonly limitA: number;
  /** The node whose current it sees: what goes in, what comes out in all, or what is drawn right from it. */
  readonly node: number;
  /** Which current counts: into the node, out of it, or its own part. */
  readonly side: 'in' | 'out' | 'own';
  /** Of that current it may see only a part: `offset + share · current`. */
  readonly share: number;
  /** Added to that part. */
  readonly offsetA: number;
}

/** All rails that one source feeds: parents stand before what they feed. */
export interface SupplyTree {
  readonly source: Source;
  /** A parent stands before its children. */
  readonly nodes: readonly SupplyNode[];
  /** The rail that most hangs on: where voltages are told of. */
  readonly main: number;
  /** What may give way. */
  readonly links: readonly LinkLimit[];
  /** Null where each way back is beside the way out, so that the nodes' own resistances tell all. */
  readonly returns: SharedReturns | null;
}

/**
 * Ways back that several rails share, side by side: what is lost in minus before node `i`, instead of in a minus lead of
 * its own, is `Σ intoOhm[i][j] · (current into j) + Σ fromOhm[i][j] · (drawn right at j − current out of j)`, in volts.
 */
export interface SharedReturns {
  /** Of what flows into each node, by every other. */
  readonly intoOhm: readonly Float64Array[];
  /** Of what flows out of it. */
  readonly fromOhm: readonly Float64Array[];
}

/** One rail in operation. */
export interface NodeState {
  /** Before its converter. */
  readonly inV: number;
  /** Before its converter. */
  readonly inA: number;
  /** Behind it. */
  readonly outV: number;
  /** Behind it. */
  readonly outA: number;
  /** Drawn right from it, not by what it feeds. */
  readonly ownA: number;
}

/** What a tree does under one load at one state of charge. */
export interface Operation {
  /** Nothing resets, drops out or collapses. */
  readonly ok: boolean;
  /** A converter has less before it than it works from; a board less than it needs. */
  readonly dropsOut: boolean;
  /** A board is below its brown-out. */
  readonly resets: boolean;
  /** No current serves: the source gives way. */
  readonly collapses: boolean;
  /** Infinite where it collapses. */
  readonly packA: number;
  /** At the source’s own output, its contacts and lead behind it. */
  readonly packV: number;
  /** On the rail that most hangs on. */
  readonly railV: number;
  /** Heat in all converters. */
  readonly lossW: number;
  /** In the order of the tree. */
  readonly nodes: readonly NodeState[];
}

/** What the sweeps write into while a tree is solved, by node. */
interface Sheet {
  readonly inV: Float64Array;
  readonly inA: Float64Array;
  readonly outV: Float64Array;
  readonly outA: Float64Array;
  readonly ownA: Float64Array;
  /** How much more goes in for a little more voltage before it; 0 for what a converter takes. */
  readonly slopeS: Float64Array;
  /** Lost in shared ways back before it. */
  readonly backV: Float64Array;
}

interface Solver {
  readonly tree: SupplyTree;
  readonly draws: Draws;
  readonly children: readonly (readonly number[])[];
  readonly sheet: Sheet;
}

const MOST_PASSES = 60;
const SETTLED_V = 1e-9;
const SETTLED_BACK_V = 1e-7;

/** What hangs on a rail of a given voltage: fills the sheet below it. False where something there collapses. */
function load(solver: Solver, i: number, outV: number): boolean {
  const { draws, children, sheet, tree } = solver;
  let amps = drawAt(draws[i], outV);
  sheet.ownA[i] = amps;
  for (const child of children[i] ?? []) {
    if (!solve(solver, child, outV - (sheet.backV[child] ?? 0), tree.nodes[child]?.ohm ?? 0)) return false;
    amps += sheet.inA[child] ?? 0;
  }
  sheet.outV[i] = outV;
  sheet.outA[i] = amps;
  return true;
}

/** A converter that keeps its output: what it takes in for what its rail gives. */
function solveSwitching(solver: Solver, i: number, part: ConverterPart, openV: number, ohm: number): boolean {
  const { sheet } = solver;
  if (!load(solver, i, part.outputV)) return false;
  const outA = sheet.outA[i] ?? 0;
  // Efficiency depends on the input voltage, which depends on the current: a few passes settle it.
  const law = efficiencyLaw(part);
  const atLoad = efficiencyAtLoad(law, outA);
  let inV = openV;
  for (let pass = 0; pass < MOST_PASSES; pass += 1) {
    const watts = (part.outputV * outA) / shiftEfficiency(law, atLoad, inV) + part.idleA * inV;
    const inA = solveConstantPower(openV, ohm, watts);
    if (inA === null) return false;
    const nextV = openV - inA * ohm;
    const moved = Math.abs(nextV - inV);
    inV = nextV;
    sheet.inA[i] = inA;
    sheet.inV[i] = inV;
    if (moved < SETTLED_V) break;
  }
  return true;
}

/** A linear regulator passes its current on; below its drop-out the rail follows the input down. */
function solveLinear(solver: Solver, i: number, part: ConverterPart, openV: number, ohm: number): boolean {
  const { sheet } = solver;
  const dropOutV = part.inputLeastV - part.outputV;
  let inV = openV;
  for (let pass = 0; pass < MOST_PASSES; pass += 1) {
    if (inV <= 0 || !load(solver, i, Math.max(0, Math.min(part.outputV, inV - dropOutV)))) return false;
    const inA = (sheet.outA[i] ?? 0) + part.idleA;
    const nextV = openV - inA * ohm;
    const moved = Math.abs(nextV - inV);
    // Half steps: a load that falls with the rail would swing otherwise.
    inV = pass < 3 ? nextV : (inV + nextV) / 2;
    sheet.inA[i] = inA;
    sheet.inV[i] = openV - inA * ohm;
    if (moved < SETTLED_V) break;
  }
  // Nothing is left for what still asks for its amperes.
  return (sheet.inV[i] ?? 0) > 0 && ((sheet.outV[i] ?? 0) > 0 || (sheet.outA[i] ?? 0) <= 0);
}

const STEP_V = 1e-4;

/** A mere stretch of the way to one other: its resistance is added to what is in front of that. */
function solveStretch(solver: Solver, i: number, only: number, openV: number, ohm: number): boolean {
  const { sheet, tree } = solver;
  if (!solve(solver, only, openV - (sheet.backV[only] ?? 0), ohm + (tree.nodes[only]?.ohm ?? 0))) return false;
  const amps = sheet.inA[only] ?? 0;
  sheet.inV[i] = openV - amps * ohm;
  sheet.outV[i] = sheet.inV[i] ?? 0;
  sheet.inA[i] = amps;
  sheet.outA[i] = amps;
  sheet.ownA[i] = 0;
  sheet.slopeS[i] = sheet.slopeS[only] ?? 0;
  return true;
}

/** How much more is drawn for a little more voltage. */
const slopeAt = (own: Draws[number] | undefined, volts: number, ownA: number): number =>
  own && own.shaped.length > 0 ? Math.max(0, (drawAt(own, volts + STEP_V) - ownA) / STEP_V) : 0;

/** What hangs below a rail: that which takes amperes, with its slope, and the watts of what keeps its own output. */
function sumBelow(
  solver: Solver,
  below: readonly number[],
  volts: number,
): { readonly amps: number; readonly slopeS: number; readonly watts: number } {
  let [amps, slopeS, watts] = [0, 0, 0];
  for (const child of below) {
    const inA = solver.sheet.inA[child] ?? 0;
    const converter = solver.tree.nodes[child]?.converter;
    if (converter && converter.topology !== 'linear') watts += inA * volts;
    else {
      amps += inA;
      slopeS += converter ? 0 : (solver.sheet.slopeS[child] ?? 0);
    }
  }
  return { amps, slopeS, watts };
}

/** Newton’s steps are few where they lead anywhere. */
const NEWTON_PASSES = 20;

/** A rail behind a resistance: its voltage, where what hangs on it draws partly amperes, partly watts, partly by its slope. */
function solvePassing(solver: Solver, i: number, openV: number, ohm: number): boolean {
  const { draws, children } = solver;
  const own = draws[i];
  const below = children[i] ?? [];
  const [only] = below;
  const isBare = own === undefined || (own.steadyA === 0 && own.shaped.length === 0);
  if (only !== undefined && below.length === 1 && isBare) return solveStretch(solver, i, only, openV, ohm);
  if (isBare && below.length === 0) return solveIdle(solver, i, openV);
  const volts =
    stepToRail(solver, i, openV, ohm) ?? (followsBelow(solver, i) ? bracketRail(solver, i, openV, ohm) : null);
  if (volts === null || volts <= 0 || !load(solver, i, volts)) return false;
  const { sheet } = solver;
  sheet.inV[i] = volts;
  sheet.inA[i] = sheet.outA[i] ?? 0;
  const slopeS = slopeAt(own, volts, sheet.ownA[i] ?? 0) + sumBelow(solver, below, volts).slopeS;
  sheet.slopeS[i] = slopeS / (1 + ohm * slopeS);
  return true;
}

/** Nothing is drawn: it has what is before it. */
function solveIdle({ sheet }: Solver, i: number, openV: number): boolean {
  sheet.inV[i] = openV;
  sheet.outV[i] = openV;
  for (const amps of [sheet.inA, sheet.outA, sheet.ownA, sheet.slopeS]) amps[i] = 0;
  return true;
}

/** Newton’s steps from the open voltage down; null where they lead nowhere. */
function stepToRail(solver: Solver, i: number, openV: number, ohm: number): number | null {
  const { sheet, draws, children } = solver;
  let volts = openV;
  if (ohm === 0) return volts;
  for (let pass = 0; pass < NEWTON_PASSES; pass += 1) {
    if (volts <= 0 || !load(solver, i, volts)) return null;
    const ownA = sheet.ownA[i] ?? 0;
    const below = sumBelow(solver, children[i] ?? [], volts);
    const slopeS = slopeAt(draws[i], volts, ownA) + below.slopeS;
    const steadyA = ownA - slopeS * volts + below.amps;
    // V = E − R·(I + g·V + P/V), on the stable side.
    const [a, b] = [1 + ohm * slopeS, openV - ohm * steadyA];
    const root = b * b - 4 * a * ohm * below.watts;
    if (root < 0 || b <= 0) return null;
    const next = (b + Math.sqrt(root)) / (2 * a);
    const moved = Math.abs(next - volts);
    volts = next;
    if (moved < SETTLED_V) return volts;
  }
  return null;
}

/** Whether anything from a rail on draws less where the voltage is less. */
const followsBelow = (solver: Solver, i: number): boolean =>
  (solver.draws[i]?.shaped.length ?? 0) > 0 || (solver.children[i] ?? []).some((child) => followsBelow(solver, child));

const HALVINGS = 6;

/** The rail’s voltage between one that its loads leave and one that they don’t; null where they leave none. */
function bracketRail(solver: Solver, i: number, openV: number, ohm: number): number | null {
  const leftAt = (volts: number): number =>
    load(solver, i, volts) ? openV - ohm * (solver.sheet.outA[i] ?? 0) - volts : Number.NEGATIVE_INFINITY;
  let low = openV;
  for (let halving = 0; halving < HALVINGS && leftAt(low) < 0; halving += 1) low /= 2;
  if (leftAt(low) < 0) return null;
  let high = Math.min(openV, low * 2);
  while (high - low > SETTLED_V) {
    const middle = (low + high) / 2;
    if (leftAt(middle) < 0) high = middle;
    else low = middle;
  }
  return low;
}

/** One node and all below it, from what stands before it. False where the voltage collapses. */
function solve(solver: Solver, i: number, openV: number, ohm: number): boolean {
  const { converter = null, dropV = 0 } = solver.tree.nodes[i] ?? {};
  if (!converter) return solvePassing(solver, i, Math.max(0, openV - dropV), ohm);
  return converter.topology === 'linear'
    ? solveLinear(solver, i, converter, openV, ohm)
    : solveSwitching(solver, i, converter, openV, ohm);
}

const childrenOf = new WeakMap<readonly SupplyNode[], readonly (readonly number[])[]>();

function listChildren(nodes: readonly SupplyNode[]): readonly (readonly number[])[] {
  const known = childrenOf.get(nodes);
  if (known) return known;
  const made = nodes.map((_, i) => nodes.flatMap((node, k) => (node.parent === i ? [k] : [])));
  childrenOf.set(nodes, made);
  return made;
}

/** Open voltage and resistance of a source at a state of charge. */
export const sourceAt = (source: Source, charge: number): { readonly openV: number; readonly ohm: number } =>
  source.kind === 'pack'
    ? { openV: openCircuitVoltageV(source.pack, charge), ohm: packResistanceOhm(source.pack, charge) }
    : { openV: source.volts, ohm: source.ohm };

const collapsed: Operation = {
  ok: false,
  dropsOut: true,
  resets: true,
  packA: Number.POSITIVE_INFINITY,
  packV: 0,
  railV: 0,
  lossW: 0,
  collapses: true,
  nodes: [],
};

/** Sheets to write into, by size: a night solves thousands of times, one after another. */
const sheets = new Map<number, Sheet>();

function sheetFor(count: number): Sheet {
  const known = sheets.get(count);
  if (known) return known;
  const make = (): Float64Array => new Float64Array(count);
  const made: Sheet = {
    inV: make(),
    inA: make(),
    outV: make(),
    outA: make(),
    ownA: make(),
    slopeS: make(),
    backV: make(),
  };
  sheets.set(count, made);
  return made;
}

/** What a solved sheet says of its nodes, each only when it is asked for. */
class Solved implements Operation {
  readonly collapses = false;
  readonly dropsOut: boolean;
  readonly resets: boolean;
  readonly packA: number;
  readonly packV: number;
  readonly railV: number;
  readonly lossW: number;
  /** Five figures a node. */
  private readonly kept: number[] = [];
  private told: readonly NodeState[] | null = null;

  constructor(tree: SupplyTree, { inV, inA, outV, outA, ownA }: Sheet) {
    const count = tree.nodes.length;
    let [dropsOut, resets, lossW] = [false, false, 0];
    for (let i = 0; i < count; i += 1) {
      const node = tree.nodes[i];
      const [vi, ai, vo, ao] = [inV[i] ?? 0, inA[i] ?? 0, outV[i] ?? 0, outA[i] ?? 0];
      this.kept.push(vi, ai, vo, ao, ownA[i] ?? 0);
      if (!node) continue;
      if (node.brownOutV > 0 && vo < node.brownOutV) resets = true;
      if (!node.converter) continue;
      if (vi < node.converter.inputLeastV) dropsOut = true;
      lossW += vi * ai - vo * ao;
    }
    this.dropsOut = dropsOut;
    this.resets = resets;
    this.lossW = lossW;
    this.packA = outA[0] ?? 0;
    this.packV = outV[0] ?? 0;
    this.railV = outV[tree.main] ?? 0;
  }

  get ok(): boolean {
    return !this.dropsOut && !this.resets;
  }

  get nodes(): readonly NodeState[] {
    this.told ??= Array.from({ length: this.kept.length / 5 }, (_, i): NodeState => {
      const { kept } = this;
      const of = (field: number): number => kept[5 * i + field] ?? 0;
      return { inV: of(0), inA: of(1), outV: of(2), outA: of(3), ownA: of(4) };
    });
    return this.told;
  }
}

/**
 * Solves a tree of rails: from what hangs on the leaves to the source, and the voltages back to the leaves, until none
 * moves by a nanovolt. Of two solutions it gives the stable one; where there is none, the voltage collapses.
 * @example 10.80 W behind 0.25 Ω holds on 3.4 V and collapses on 3.2 V
 */
export function operate(tree: SupplyTree, charge: number, draws: Draws): Operation {
  const sheet = sheetFor(tree.nodes.length);
  const { openV, ohm } = sourceAt(tree.source, charge);
  const solver: Solver = { tree, draws, children: listChildren(tree.nodes), sheet };
  sheet.backV.fill(0);
  for (let pass = 0; pass < MOST_PASSES; pass += 1) {
    if (!solve(solver, 0, openV, ohm + (tree.nodes[0]?.ohm ?? 0))) return collapsed;
    // At the very edge of what a source can give a step may find no root any more: that is a collapse as well.
    if (Number.isNaN(sheet.outA[0])) return collapsed;
    if (!tree.returns || shareBack(tree.returns, sheet) < SETTLED_BACK_V) return new Solved(tree, sheet);
  }
  return collapsed;
}

/** What the currents of now lose in the ways back that they share; returns the greatest move of any such loss. */
function shareBack({ intoOhm, fromOhm }: SharedReturns, { inA, outA, ownA, backV }: Sheet): number {
  let moved = 0;
  for (let i = 0; i < intoOhm.length; i += 1) {
    const [into, from] = [intoOhm[i], fromOhm[i]];
    let volts = 0;
    for (let j = 0; j < intoOhm.length; j += 1)
      volts += (into?.[j] ?? 0) * (inA[j] ?? 0) + (from?.[j] ?? 0) * ((ownA[j] ?? 0) - (outA[j] ?? 0));
    moved = Math.max(moved, Math.abs(volts - (backV[i] ?? 0)));
    backV[i] = volts;
  }
  return moved;
}

/** A link with what it carries in one operation. */
export interface LoadedLink extends LinkLimit {
  /** That it carries. */
  readonly loadA: number;
  /** Of its limit; above 1 it gives way. */
  readonly fill: number;
}

const loadOf = (link: LinkLimit, operation: Operation): number => {
  if (operation.collapses) return Number.POSITIVE_INFINITY;
  const state = operation.nodes[link.node];
  const amps = link.side === 'in' ? state?.inA : link.side === 'out' ? state?.outA : state?.ownA;
  return link.offsetA + link.share * (amps ?? 0);
};

/** Every link with its load, in order from cell to light. */
export const loadLinks = (tree: SupplyTree, operation: Operation): LoadedLink[] =>
  tree.links.map((link) => {
    const loadA = loadOf(link, operation);
    return { ...link, loadA, fill: loadA / link.limitA };
  });

/** A rail straight from a pack must stay so far above the voltage at which a board on it resets. */
export const BROWN_OUT_MARGIN_V = 0.2;

/** What stops a load: a link over its limit, a collapse, or too low a voltage. */
export type Obstacle =
  | { readonly kind: 'link'; readonly link: LinkLimit }
  | { readonly kind: 'collapse' }
  | { readonly kind: 'trip'; readonly tripV: number }
  | { readonly kind: 'drop-out'; readonly node: SupplyNode }
  | { readonly kind: 'brown-out'; readonly node: SupplyNode };

const collapse: Obstacle = { kind: 'collapse' };

/** At which the protection of a pack lets go, where what is drawn pulls it lower; null where it holds. */
export const trippedV = (source: Source, { packV }: Operation): number | null =>
  source.kind === 'pack' && source.pack.tripV !== null && packV < source.pack.tripV ? source.pack.tripV : null;

/** What stops this load at this state of charge, or null if nothing does. `links: false` looks at the voltages alone. */
export function findObstacle(
  tree: SupplyTree,
  charge: number,
  draws: Draws,
  look: { readonly links: boolean } = { links: true },
): Obstacle | null {
  const operation = operate(tree, charge, draws);
  if (operation.collapses) return collapse;
  const tripV = trippedV(tree.source, operation);
  if (tripV !== null) return { kind: 'trip', tripV };
  if (look.links)
    for (const link of tree.links)
      if (loadOf(link, operation) > link.limitA * (1 + 1e-9)) return { kind: 'link', link };
  for (const [i, node] of tree.nodes.entries()) {
    const state = operation.nodes[i];
    if (!state) continue;
    if (node.converter && state.inV < node.converter.inputLeastV) return { kind: 'drop-out', node };
    const isKept = node.converter !== null && node.converter.topology !== 'linear';
    if (node.brownOutV > 0 && !isKept && state.outV < node.brownOutV + BROWN_OUT_MARGIN_V)
      return { kind: 'brown-out', node };
  }
  return null;
}
