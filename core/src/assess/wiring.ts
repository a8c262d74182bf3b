import { type Item, kindOf, type PlacedGroup, type PlacedTape, type RailRange } from '../items/index.ts';
import type { Show } from '../motion/index.ts';
import {
  type Board,
  boardOf,
  draftRuns,
  extraFeeds,
  feedsOfChain,
  finishRuns,
  isWire,
  type JoinedNet,
  joinNets,
  loadRun,
  minusAtHub,
  type PortRef,
  type Rail,
  type Rails,
  type RunDraft,
  runOhm,
  type Switched,
  type WireRun,
} from '../network/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { addDraws, type Draws, operate } from '../power/index.ts';
import type { MoodBudget } from './budget.ts';
import { sharesOfLine } from './chainLadder.ts';
import { type Consumer, fullOf } from './consumers.ts';
import type { ControlDraw } from './controlDraws.ts';
import type { CourseStretch } from './course.ts';
import { drawnFrom } from './drawnFrom.ts';
import { type Drawn, darkDraws, lightDraws } from './draws.ts';
import type { Switching } from './drive.ts';
import { sharesOfPlain } from './plainFeeds.ts';
import { type LineShare, loadOfRun, mostOfRail } from './runLoads.ts';
import type { SupplyAssessment } from './supplies.ts';
import { type Begins, type Hub, type LaidTree, layTree, nodeAtHub } from './trees.ts';

/** What the wires follow from: what is there and how it is switched, whatever the moods are set to. */
export interface WiresInput {
  readonly design: Pick<Design, 'items' | 'piece' | 'wires'>;
  readonly library: Library;
  readonly placed: readonly PlacedGroup[];
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly switching: Switching;
  readonly consumers: readonly Consumer[];
  readonly controlDraws: readonly ControlDraw[];
  readonly byId: ReadonlyMap<string, Consumer>;
  /** All that moods move. */
  readonly movables: readonly { readonly id: string }[];
  /** Tapes by their data lines. */
  readonly chains: readonly (readonly PlacedTape[])[];
}

/** The wires of a plan as they are built, and the trees that follow from them. */
export interface Wires {
  /** All that is joined, by a wire or at one place. */
  readonly joins: readonly RunDraft[];
  readonly nets: readonly JoinedNet[];
  /** With lengths and gauges; what flows in them is not known yet. */
  readonly sized: readonly WireRun[];
  /** By the id of each source. */
  readonly treeOf: ReadonlyMap<string, LaidTree>;
  /** Number of the node a consumer draws at; −1 where it is not in that tree. */
  readonly nodeOf: (laid: LaidTree, consumer: Consumer) => number;
  /** What is drawn from a tree, by what. */
  readonly drawnIn: (laid: LaidTree) => Drawn;
  /** What everything at full takes in at each rail; null where it collapses. */
  readonly fullInto: (railId: string) => number | null;
}

/** Where what a consumer draws begins: at a board, a gate, an output of a box, or right at what feeds it. */
function beginningOf(input: WiresInput, consumerId: string): Begins {
  const { boards, placed, switching, controlDraws } = input;
  const at = (hubId: string | null): Begins => ({ hubId, outlet: null });
  if (boards.some((board) => board.id === consumerId)) return at(consumerId);
  const heard = controlDraws.find(({ id }) => id === consumerId);
  if (heard) return at(heard.boardId);
  const group = placed.find((each) => each.id === consumerId);
  if (group?.shape === 'pixels') {
    const root = input.chains.find((chain) => chain.some((tape) => tape.id === consumerId))?.[0];
    return at(boardOf(boards, (root ?? group).tape.board)?.id ?? null);
  }
  const [first] = switching.switched.get(consumerId) ?? [];
  if (!first) return at(consumerId);
  if (first.way.hub === 'board') return at(first.board?.id ?? null);
  return first.way.hub === 'by'
    ? { hubId: first.by?.id ?? null, outlet: outletsOf(switching.switched.get(consumerId) ?? []).join('+') }
    : at(null);
}

/** The outlets of its hub on which something hangs: a box has several, and a tape a colour on each. */
const outletsOf = (channels: readonly Switched[]): readonly number[] =>
  [...new Set(channels.map(({ said }) => ('output' in said ? said.output : 1)))].sort((a, b) => a - b);

/** The hubs that have a lead of their own, or share something that resists. */
function listHubs(input: WiresInput, runs: readonly WireRun[]): Hub[] {
  const { design, library, rails } = input;
  const minusOf = (item: Item, railId: string): PortRef => minusAtHub(rails, item, railId);
  return design.items.flatMap((item): Hub[] => {
    const own = rails.feedOf(item);
    const isGiver = rails.byId.has(item.id);
    const lead = runs.find((run) => run.id === `lead:${item.id}`);
    const back = runs.find((run) => run.id === `return:${item.id}`);
    const { throughOhm, role } = kindOf(item.kind);
    const outletOhm = throughOhm?.(item, library) ?? 0;
    const hung = [...input.switching.switched.values()].filter(([first]) => first?.by?.id === item.id).map(outletsOf);
    const ohmOf = new Map(hung.map((outlets) => [outlets.join('+'), outletOhm / outlets.length]));
    const through = { outlets: outletOhm > 0 ? [...ohmOf].map(([key, ohm]) => ({ key, ohm })) : [] };
    const first: Hub[] =
      own !== null &&
      !isGiver &&
      role !== 'load' &&
      role !== 'charges' &&
      !('route' in item) &&
      !('places' in item) &&
      (lead || outletOhm > 0)
        ? [{ item, railId: own, run: lead, ...through, backOhm: runOhm(back), minus: minusOf(item, own) }]
        : [];
    const others = rails.list.flatMap((rail): Hub[] => {
      const run = runs.find((each) => each.id === `rail:${rail.id}:${item.id}`);
      return run ? [{ item, railId: rail.id, run, ...through, backOhm: 0, minus: minusOf(item, rail.id) }] : [];
    });
    // Beside a switch in the plus lead its lights have a minus of their own, which nothing further on goes by.
    const beside: Hub[] =
      rails.byId.get(item.id)?.ports.minus === null && back
        ? [
            {
              item,
              railId: item.id,
              run: undefined,
              outlets: [],
              backOhm: runOhm(back),
              minus: minusOf(item, item.id),
            },
          ]
        : [];
    return [...first, ...others, ...beside];
  });
}

/** Everything at full, whatever the moods are set to: what the build has to bear. */
function fullDraws({ movables }: WiresInput, drawn: Drawn): Draws {
  return addDraws(
    darkDraws(drawn, 'peak'),
    lightDraws(
      drawn,
      { groups: movables },
      movables.map(() => 1),
    ),
  );
}

/** Highest current of each consumer over all moods as they are set; at full while there are none. */
function peakByConsumer(
  consumers: readonly Consumer[],
  budgets: readonly MoodBudget[],
  show: Show,
): ReadonlyMap<string, number> {
  return new Map(
    consumers.map((consumer) => {
      const baseA = consumer.restA + consumer.steadyPeakA;
      const g = show.groups.findIndex((group) => group.id === consumer.id);
      if (g < 0) return [consumer.id, baseA];
      if (budgets.length === 0) return [consumer.id, baseA + fullOf(consumer, 'peak')];
      const shares = budgets.flatMap((budget) => [
        (budget.load.groups[g]?.peak ?? 0) * (show.groups[g]?.switches ? 1 : budget.brightness),
        ...budget.underSigns.map((sign) => sign.shares[g] ?? 0),
      ]);
      return [consumer.id, baseA + fullOf(consumer, 'peak') * Math.max(0, ...shares)];
    }),
  );
}

/** Lays the wires: what each must bear follows from the build alone. */
export function layWires(input: WiresInput): Wires {
  const { design, library, placed, rails, boards, switching, consumers } = input;
  const columnsOn = (itemId: string): boolean =>
    switching.driven.some((each) => each.itemId === itemId && each.scan !== null && each.scan.columnSwitch !== null);
  const joins = draftRuns({ design, library, placed, rails, boards, switched: switching.switched, columnsOn });
  const beginnings = new Map(consumers.map((consumer) => [consumer.id, beginningOf(input, consumer.id)]));
  const known = new WeakMap<LaidTree['nodeOf'], Map<string, number>>();
  const nodeOf = (laid: LaidTree, { id, railId }: Consumer): number => {
    const nodes = known.get(laid.nodeOf) ?? new Map<string, number>();
    known.set(laid.nodeOf, nodes);
    const node = nodes.get(id) ?? nodeAtHub(laid, beginnings.get(id) ?? { hubId: null, outlet: null }, railId);
    nodes.set(id, node);
    return node;
  };
  const drawnIn = (laid: LaidTree): Drawn => ({
    tree: laid.tree,
    consumers,
    nodeOf: (consumer) => nodeOf(laid, consumer),
    factor: 0,
  });
  const treesWith = (runs: readonly WireRun[]): ReadonlyMap<string, LaidTree> =>
    new Map(
      rails.list.flatMap((rail): [string, LaidTree][] => {
        if (rail.fromId !== null) return [];
        const hubs = listHubs(input, runs);
        const tree = layTree({ design, library, rails, sourceId: rail.id, boards, hubs, runs, joins });
        return tree ? [[rail.id, tree]] : [];
      }),
    );
  // First without wires, whose gauges are to be found: what everything at full would take in at each node.
  const fullInto = nodeCurrents(rails, treesWith([]), (laid) => fullDraws(input, drawnIn(laid)));
  const finish = (lineShare: LineShare): readonly WireRun[] =>
    finishRuns(design, joins.filter(isWire), (run) =>
      loadOfRun(input, run, { fullInto, peaks: new Map(), peakInto: () => null, lineShare }),
    );
  // Feeds share a tape by their leads, and those follow from what each carries: first as if the leads were nothing.
  const ideal = lineShareOf(input, []);
  const drafted = finish(ideal);
  const real = lineShareOf(input, drafted);
  const isFedAgain =
    input.chains.some((chain) => feedsOfChain(chain).length > 1) ||
    placed.some((group) => group.shape === 'units' && extraFeeds(group).length > 0);
  const sized = isFedAgain ? finish(greater(ideal, real)) : drafted;
  return { joins, nets: joinNets(joins), sized, treeOf: treesWith(sized), nodeOf, drawnIn, fullInto };
}

/** The wires with what the moods, as they are set, make flow in them. */
export interface LoadedWires {
  /** With what flows in them. */
  readonly runs: readonly WireRun[];
  /** Highest current of each consumer. */
  readonly peaks: ReadonlyMap<string, number>;
}

/** Works out what flows in the wires. */
export function loadWires(
  input: WiresInput,
  wires: Wires,
  { budgets, show }: { readonly budgets: readonly MoodBudget[]; readonly show: Show },
): LoadedWires {
  const peaks = peakByConsumer(input.consumers, budgets, show);
  const peakInto = nodeCurrents(input.rails, wires.treeOf, (laid) => peakDraws(input, wires.drawnIn(laid), peaks));
  const known = { fullInto: wires.fullInto, peaks, peakInto, lineShare: lineShareOf(input, wires.sized) };
  const drafts = new Map(wires.joins.map((draft) => [draft.id, draft]));
  // A wire is as thick as it was sized: what it loses makes less flow, and that must not make it thinner again.
  const runs = wires.sized.map((run) => {
    const draft = drafts.get(run.id);
    return draft ? loadRun(run, loadOfRun(input, draft, known).peakA) : run;
  });
  return { runs, peaks };
}

/** Of what hangs on a rail itself, the sum of a figure. */
const sumOn =
  (consumers: readonly Consumer[], of: (consumer: Consumer) => number) =>
  (railId: string): number =>
    consumers.filter((each) => each.railId === railId).reduce((sum, each) => sum + of(each), 0);

/** What flows on each rail, in all, by its own amperes. */
export function figureRails(
  input: WiresInput,
  peaks: ReadonlyMap<string, number>,
  supplies: readonly SupplyAssessment[],
  course: readonly CourseStretch[],
): readonly RailFigures[] {
  const { rails, consumers } = input;
  return rails.list.map((rail): RailFigures => {
    const supply = supplies.find((each) => each.rail.id === rail.sourceId);
    const node = supply?.laid.nodeOf.get(rail.id) ?? -1;
    const most =
      supply && node >= 0 ? Math.max(...[supply.atPeak, supply.atFull].map((at) => at.nodes[node]?.outA ?? 0)) : 0;
    const ownPeakA = drawnFrom(
      rail,
      rails,
      sumOn(consumers, (each) => peaks.get(each.id) ?? 0),
    );
    const restA = drawnFrom(
      rail,
      rails,
      sumOn(consumers, (each) => each.restA),
    );
    const limitA = mostOfRail(input, rail.id, true);
    return {
      id: rail.id,
      name: rail.name,
      range: rail.range,
      peakA: node >= 0 ? most : ownPeakA,
      usualA: ownPeakA <= 0 || course.length === 0 ? restA : usualOn(rail, rails, consumers, course),
      restA,
      limitA: Number.isFinite(limitA) ? limitA : null,
    };
  });
}

/** What flows on one rail, in all. */
export interface RailFigures {
  readonly id: string;
  readonly name: string;
  /** Null while what feeds it is not known. */
  readonly range: RailRange | null;
  /** At the height of the evening. */
  readonly peakA: number;
  /** In the mean over the evening. */
  readonly usualA: number;
  /** With every programmed light dark. */
  readonly restA: number;
  /** What what gives it is good for; null where that is not known. */
  readonly limitA: number | null;
}

/** The mean over the evening of what is drawn from a rail, by its own amperes. */
function usualOn(rail: Rail, rails: Rails, consumers: readonly Consumer[], course: readonly CourseStretch[]): number {
  const minutes = course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  return course.reduce((sum, stretch) => {
    const meanOf = (each: Consumer): number => {
      const base = each.restA + each.steadyA;
      return stretch.parts.reduce((total, { budget, share, meanLeft }) => {
        const group = budget.groups.find((one) => one.groupId === each.id);
        return total + (group ? (group.meanA - base) * share * meanLeft : 0);
      }, base);
    };
    const drawnA = drawnFrom(rail, rails, sumOn(consumers, meanOf));
    return sum + (drawnA * stretch.minutes) / Math.max(1e-9, minutes);
  }, 0);
}

/** What goes into each node of all trees under one load, by the id of its rail; null where it collapses. */
function nodeCurrents(
  rails: Rails,
  trees: ReadonlyMap<string, LaidTree>,
  of: (laid: LaidTree) => Draws,
): (railId: string) => number | null {
  const found = new Map<string, number | null>();
  for (const laid of trees.values()) {
    const operation = operate(laid.tree, 0.2, of(laid));
    for (const rail of rails.list) {
      const node = laid.nodeOf.get(rail.id);
      if (node !== undefined) found.set(rail.id, operation.collapses ? null : (operation.nodes[node]?.inA ?? 0));
    }
  }
  return (railId) => found.get(railId) ?? null;
}

function peakDraws(input: WiresInput, drawn: Drawn, peaks: ReadonlyMap<string, number>): Draws {
  const amps = drawn.tree.nodes.map(() => 0);
  for (const consumer of input.consumers) {
    const node = drawn.nodeOf(consumer);
    if (node >= 0) amps[node] = (amps[node] ?? 0) + (peaks.get(consumer.id) ?? 0);
  }
  return amps.map((steadyA) => ({ steadyA, shaped: [] }));
}

/** How the wires of every line share what it takes, with leads as they are known. */
function lineShareOf({ chains, placed }: WiresInput, runs: readonly WireRun[]): LineShare {
  const plain = placed.flatMap((group) =>
    group.shape === 'units' && group.cut.lights > 0
      ? [...sharesOfPlain(group, runs)].map(([runId, share]): [string, ReadonlyMap<string, number>] => [
          runId,
          new Map([[group.id, share]]),
        ])
      : [],
  );
  const shares = new Map([
    ...plain,
    ...chains.flatMap((chain) =>
      [...sharesOfLine(chain, runs).ofRun].map(([runId, ofTape]): [string, ReadonlyMap<string, number>] => [
        runId,
        new Map(chain.map(({ id }, t) => [id, ofTape[t] ?? 0])),
      ]),
    ),
  ]);
  // A feed of other channels of the same tape brings its part at the same place.
  return (runId, tapeId) => (shares.get(runId) ?? shares.get(runId.replace(/:\d+$/, '')))?.get(tapeId) ?? 1;
}

/** The share that is greater, whichever way it goes. */
const greater =
  (one: LineShare, other: LineShare): LineShare =>
  (runId, tapeId) => {
    const [a, b] = [one(runId, tapeId), other(runId, tapeId)];
    return Math.abs(a) >= Math.abs(b) ? a : b;
  };
