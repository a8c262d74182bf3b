import type { PlacedGroup, PlacedTape } from '../lights/index.ts';
import type { Show, ShowLimit } from '../motion/index.ts';
import {
  type Board,
  boardOf,
  draftRuns,
  finishRuns,
  isWire,
  type JoinedNet,
  joinNets,
  type Rails,
  type RunDraft,
  type RunLoad,
  runOhm,
  type Switched,
  type WireRun,
} from '../network/index.ts';
import { findPart, type Library } from '../parts/index.ts';
import type { Design, Item } from '../plan/index.ts';
import { addDraws, type Draws, findReserve, fuseBand, operate } from '../power/index.ts';
import type { CourseStretch, MoodBudget } from './budget.ts';
import type { Consumer } from './consumers.ts';
import { type Drawn, darkDraws, lightDraws } from './draws.ts';
import type { Switching } from './drive.ts';
import { limitOf } from './limit.ts';
import type { SupplyAssessment } from './supplies.ts';
import { type Hub, hubKey, type LaidTree, layTree } from './trees.ts';

interface WiresInput {
  readonly design: Design;
  readonly library: Library;
  readonly placed: readonly PlacedGroup[];
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly switching: Switching;
  readonly consumers: readonly Consumer[];
  readonly byId: ReadonlyMap<string, Consumer>;
  readonly budgets: readonly MoodBudget[];
  readonly show: Show;
  readonly chains: readonly (readonly PlacedTape[])[];
}

/** The wires of a plan, and the trees that follow from them. */
export interface Wires {
  readonly runs: readonly WireRun[];
  readonly nets: readonly JoinedNet[];
  readonly layTreeOf: (sourceId: string) => LaidTree | null;
  readonly nodeOfConsumer: (laid: LaidTree, consumer: Consumer) => number;
  readonly limitFor: (laid: LaidTree | null, guarded: Consumer | null, show: Show) => ShowLimit;
  readonly railFigures: (
    supplies: readonly SupplyAssessment[],
    budgets: readonly MoodBudget[],
    course: readonly CourseStretch[],
  ) => readonly {
    readonly id: string;
    readonly name: string;
    readonly range: { readonly leastV: number; readonly nominalV: number; readonly mostV: number } | null;
    readonly peakA: number;
    readonly usualA: number;
    readonly restA: number;
    readonly limitA: number | null;
  }[];
}

/** The item at which what a consumer draws begins: a board, a gate, a box; null = right at what feeds it. */
function hubOf(input: WiresInput, consumerId: string): string | null {
  const { boards, placed, switching } = input;
  if (boards.some((board) => board.id === consumerId)) return consumerId;
  const group = placed.find((each) => each.id === consumerId);
  if (group?.kind === 'tape') {
    const root = input.chains.find((chain) => chain.some((tape) => tape.id === consumerId))?.[0];
    return boardOf(boards, (root ?? group).tape.board)?.id ?? null;
  }
  const [first] = switching.switched.get(consumerId) ?? [];
  if (!first) return consumerId;
  return hubOfSwitched(first);
}

const hubOfSwitched = (switched: Switched): string | null =>
  switched.way.hub === 'board'
    ? (switched.board?.id ?? null)
    : switched.way.hub === 'by'
      ? (switched.by?.id ?? null)
      : null;

/** Resistance of what all lights of a gate or a box share. */
function sharedOhm(item: Item, library: Library): number {
  if (item.kind === 'light gate') return findPart(library, 'transistor', item.part)?.onOhm ?? 0;
  return item.kind === 'box' ? (findPart(library, 'box', item.part)?.onOhm ?? 0) : 0;
}

/** The hubs that have a lead of their own, or share something that resists. */
function listHubs(input: WiresInput, runs: readonly WireRun[]): Hub[] {
  const { design, library, rails } = input;
  return design.items.flatMap((item): Hub[] => {
    const own = rails.feedOf(item);
    const isGiver = rails.byId.has(item.id);
    const lead = runs.find((run) => run.id === `lead:${item.id}`);
    const back = runs.find((run) => run.id === `return:${item.id}`);
    const ohm = sharedOhm(item, library);
    const first: Hub[] =
      own !== null && !isGiver && item.kind !== 'load' && !('route' in item) && !('places' in item) && (lead || ohm > 0)
        ? [{ item, railId: own, run: lead, ohm: ohm + runOhm(back) }]
        : [];
    const others = rails.list.flatMap((rail): Hub[] => {
      const run = runs.find((each) => each.id === `rail:${rail.id}:${item.id}`);
      return run ? [{ item, railId: rail.id, run, ohm }] : [];
    });
    return [...first, ...others];
  });
}

/** The most that what feeds a rail can give: the least of what stands between its source and it. */
function mostOfRail(input: WiresInput, railId: string, isWithFuse: boolean): number {
  const { rails, library } = input;
  let most = Number.POSITIVE_INFINITY;
  let rail = rails.byId.get(railId);
  // Amperes are told of on this side of a converter: further back they are others.
  for (; rail; rail = rail.fromId === null ? undefined : rails.byId.get(rail.fromId)) {
    const { gives } = rail;
    if (gives.kind === 'converter') return Math.min(most, gives.part?.outputLimitA ?? most);
    if (gives.kind === 'switch') {
      most = Math.min(most, findPart(library, 'switch', gives.item.part)?.limitA ?? most);
      continue;
    }
    const limitA = gives.kind === 'pack' ? gives.part?.steadyLimitA : gives.part?.limitA;
    const plug = findPart(library, 'plug', gives.item.plug);
    most = Math.min(most, limitA ?? most, plug?.contactLimitA ?? most);
    if (isWithFuse && gives.item.fuseA !== null) most = Math.min(most, gives.item.fuseA);
  }
  return most;
}

/** Everything at full, whatever the moods are set to: what the build has to bear. */
function fullDraws(input: WiresInput, drawn: Drawn): Draws {
  return addDraws(
    darkDraws(drawn, 'peak'),
    lightDraws(
      drawn,
      input.show,
      input.show.groups.map(() => 1),
    ),
  );
}

/** Highest current of each consumer over all moods as they are set; at full while there are none. */
function peakByConsumer(input: WiresInput): ReadonlyMap<string, number> {
  const { consumers, budgets, show } = input;
  return new Map(
    consumers.map((consumer) => {
      const baseA = consumer.restA + consumer.steadyPeakA;
      const g = show.groups.findIndex((group) => group.id === consumer.id);
      if (g < 0) return [consumer.id, baseA];
      if (budgets.length === 0) return [consumer.id, baseA + consumer.fullA];
      const shares = budgets.flatMap((budget) => [
        (budget.load.groups[g]?.peak ?? 0) * budget.brightness,
        ...budget.underSigns.map((sign) => sign.shares[g] ?? 0),
      ]);
      return [consumer.id, baseA + consumer.fullA * Math.max(0, ...shares)];
    }),
  );
}

/** Lays the wires: what each must bear follows from the build alone, what flows in it from the moods. */
export function layWires(input: WiresInput): Wires {
  const { design, library, placed, rails, boards, switching, consumers, byId } = input;
  const joins = draftRuns({ design, placed, rails, boards, switched: switching.switched });
  const drafts = joins.filter(isWire);
  const hubIds = new Map(consumers.map((consumer) => [consumer.id, hubOf(input, consumer.id)]));
  const nodeOfConsumer = (laid: LaidTree, consumer: Consumer): number => {
    if (consumer.railId === null) return -1;
    const hubId = hubIds.get(consumer.id) ?? null;
    return (
      (hubId === null ? undefined : laid.nodeOf.get(hubKey(hubId, consumer.railId))) ??
      laid.nodeOf.get(consumer.railId) ??
      -1
    );
  };
  const drawnIn = (laid: LaidTree): Drawn => ({
    tree: laid.tree,
    consumers,
    nodeOf: (consumer) => nodeOfConsumer(laid, consumer),
    factor: 0,
  });
  const treeWith =
    (runs: readonly WireRun[]) =>
    (sourceId: string): LaidTree | null =>
      layTree({
        design,
        library,
        rails,
        sourceId,
        boards,
        hubs: listHubs(input, runs),
        runs,
      });

  // First without wires, whose gauges are to be found: what everything at full would take in at each node.
  const bare = new Map(
    rails.list.filter((rail) => rail.fromId === null).map((rail) => [rail.id, treeWith([])(rail.id)]),
  );
  const fullInto = nodeCurrents(rails, bare, (laid) => ({ draws: fullDraws(input, drawnIn(laid)) }));
  const peaks = peakByConsumer(input);
  const loadOf = (run: RunDraft): RunLoad => loadOfRun(input, run, { fullInto, peaks, peakInto: () => null });
  const first = finishRuns(design, drafts, loadOf);
  // Then with them: what the moods as they are set make flow.
  const wired = new Map(
    rails.list.filter((rail) => rail.fromId === null).map((rail) => [rail.id, treeWith(first)(rail.id)]),
  );
  const peakInto = nodeCurrents(rails, wired, (laid) => ({ draws: peakDraws(input, drawnIn(laid), peaks) }));
  const runs = finishRuns(design, drafts, (run) => loadOfRun(input, run, { fullInto, peaks, peakInto }));
  return {
    nets: joinNets(joins),
    runs,
    layTreeOf: treeWith(runs),
    nodeOfConsumer,
    limitFor: (laid, guarded, show) => {
      if (!laid || !guarded) return limitOf(null, show, byId);
      const drawn = drawnIn(laid);
      const dark = darkDraws(drawn, 'peak');
      return limitOf(
        {
          tree: laid.tree,
          node: nodeOfConsumer(laid, guarded),
          dark,
          reserve: findReserve(laid.tree, darkDraws(drawn, 'mean')),
          nodeOf: drawn.nodeOf,
        },
        show,
        byId,
      );
    },
    railFigures: (supplies, _budgets, course) =>
      rails.list.map((rail) => {
        const supply = supplies.find((each) => each.rail.id === rail.sourceId);
        const node = supply?.laid.nodeOf.get(rail.id) ?? -1;
        const most =
          supply && node >= 0 ? Math.max(...[supply.atPeak, supply.atFull].map((at) => at.nodes[node]?.outA ?? 0)) : 0;
        const ownPeakA = sumOn(rail.id, rails, consumers, (each) => peaks.get(each.id) ?? 0);
        const restA = sumOn(rail.id, rails, consumers, (each) => each.restA);
        return {
          id: rail.id,
          name: rail.name,
          range: rail.range,
          peakA: node >= 0 ? most : ownPeakA,
          usualA: ownPeakA <= 0 || course.length === 0 ? restA : usualOn(rail.id, rails, consumers, course),
          restA,
          limitA: Number.isFinite(mostOfRail(input, rail.id, true)) ? mostOfRail(input, rail.id, true) : null,
        };
      }),
  };
}

/** What is drawn from a rail and from all that is made of it, without what converters make of the amperes. */
function sumOn(
  railId: string,
  rails: Rails,
  consumers: readonly Consumer[],
  of: (consumer: Consumer) => number,
): number {
  const behind = (id: string | null): boolean => {
    for (let at = id; at !== null; at = rails.byId.get(at)?.fromId ?? null) if (at === railId) return true;
    return false;
  };
  return consumers.filter((each) => behind(each.railId)).reduce((sum, each) => sum + of(each), 0);
}

function usualOn(
  railId: string,
  rails: Rails,
  consumers: readonly Consumer[],
  course: readonly CourseStretch[],
): number {
  const minutes = course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  return course.reduce((sum, stretch) => {
    const own = sumOn(railId, rails, consumers, (each) => {
      const base = each.restA + each.steadyA;
      return stretch.parts.reduce((total, { budget, share, meanLeft }) => {
        const group = budget.groups.find((one) => one.groupId === each.id);
        return total + (group ? (group.meanA - base) * share * meanLeft : 0);
      }, base);
    });
    return sum + (own * stretch.minutes) / Math.max(1e-9, minutes);
  }, 0);
}

/** What goes into each node of all trees under one load, by the id of its rail; null where it collapses. */
function nodeCurrents(
  rails: Rails,
  trees: ReadonlyMap<string, LaidTree | null>,
  of: (laid: LaidTree) => { readonly draws: Draws },
): (railId: string) => number | null {
  const found = new Map<string, number | null>();
  for (const laid of trees.values()) {
    if (!laid) continue;
    const { draws } = of(laid);
    const operation = operate(laid.tree, 0.2, draws);
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

/** What one run must bear, and what flows in it. */
function loadOfRun(
  input: WiresInput,
  run: RunDraft,
  known: {
    readonly fullInto: (railId: string) => number | null;
    readonly peakInto: (railId: string) => number | null;
    readonly peaks: ReadonlyMap<string, number>;
  },
): RunLoad {
  const { rails, byId, switching } = input;
  const { carries } = run;
  if (carries === null) return { carryA: null, peakA: null, railV: 5 };
  const voltsOf = (railId: string | null): number =>
    (railId === null ? undefined : rails.byId.get(railId)?.range?.nominalV) ?? 5;
  if (carries.kind === 'node') {
    const from = rails.byId.get(carries.railId)?.fromId ?? null;
    const most = from === null ? Number.POSITIVE_INFINITY : mostOfRail(input, from, false);
    const fused = from === null ? Number.POSITIVE_INFINITY : mostOfRail(input, from, true);
    const asked = known.fullInto(carries.railId);
    // A fuse that the maker chose is what its lead must bear; else the one that would suit.
    const carryA = fused < most ? fused : Math.min(most, fuseBand.reckon({ I: asked ?? most }));
    return {
      carryA: Number.isFinite(carryA) ? carryA : (asked ?? 0),
      // What a fuse or the source itself lets through at most: a mood above its ceiling is told of there.
      peakA: Math.min(known.peakInto(carries.railId) ?? asked ?? fused, fused),
      railV: voltsOf(from),
    };
  }
  if (carries.kind === 'lights') {
    const driven = switching.driven.find((each) => each.itemId === carries.itemId);
    const peakA = (driven?.corners.brightestA ?? 0) * carries.lights;
    return { carryA: peakA, peakA, railV: voltsOf(driven?.railId ?? null) };
  }
  const own = carries.itemIds.flatMap((id) => byId.get(id) ?? []);
  const railId = own[0]?.railId ?? null;
  const fullA = own.reduce((sum, each) => sum + each.restA + each.steadyPeakA + each.fullA, 0) * carries.share;
  const peakA = own.reduce((sum, each) => sum + (known.peaks.get(each.id) ?? 0), 0) * carries.share;
  const most = railId === null ? Number.POSITIVE_INFINITY : mostOfRail(input, railId, true);
  return { carryA: Math.min(fullA, most), peakA, railV: voltsOf(railId) };
}
