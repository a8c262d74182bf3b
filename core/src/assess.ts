import {
  budgetMood,
  budgetSigns,
  type CourseStretch,
  layOutCourse,
  limitBudgets,
  type MoodBudget,
  meanOfCourse,
  peakWithSigns,
  restOf,
  type SignBudget,
  weightsOf,
} from './assess/budget.ts';
import { type Consumer, listConsumers } from './assess/consumers.ts';
import { type CopiesInStep, judgeCopies } from './assess/copies.ts';
import { railOfSwitched, type Switching, switchAll } from './assess/drive.ts';
import { fitAll, type PlacedFit } from './assess/fits.ts';
import { budgetLoop, type LoopBudget } from './assess/loop.ts';
import { findNeeds, type Need } from './assess/needs.ts';
import { type BoardPins, planPins } from './assess/pins.ts';
import { designSensing, type Sensing, tellShow } from './assess/sensing.ts';
import { listShopping, type ShoppingLine, totalCost } from './assess/shopping.ts';
import {
  assessSupply,
  createNightMaker,
  type MoodCeiling,
  type SuppliesInput,
  type SupplyAssessment,
} from './assess/supplies.ts';
import { type ChainVoltage, solveChain } from './assess/tapeVoltage.ts';
import { deviate, hubKey, type LaidTree } from './assess/trees.ts';
import { layWires } from './assess/wiring.ts';
import { type DataLine, timeDataLine } from './drive/index.ts';
import { itemsOf } from './items/index.ts';
import {
  countLights,
  listMovables,
  type MovableGroup,
  orderChains,
  type PlacedGroup,
  type PlacedTape,
  placeLights,
} from './lights/index.ts';
import { compileShow, type Show, type ShowLimit } from './motion/index.ts';
import {
  type Board,
  boardOf,
  type Driven,
  isProgrammed,
  type JoinedNet,
  layRails,
  listBoards,
  type RailRange,
  type Rails,
  type Switched,
  type WireRun,
} from './network/index.ts';
import { type Library, withOwnParts } from './parts/index.ts';
import { controlsOf, type Design, type Item } from './plan/index.ts';
import type { LoadedLink, NightMaker, RunsFor } from './power/index.ts';

export type { CourseStretch, MoodBudget, SignBudget, SignOverMood } from './assess/budget.ts';
export type { Consumer } from './assess/consumers.ts';
export type { CopiesInStep } from './assess/copies.ts';
export type { PlacedFit } from './assess/fits.ts';
export type { LoopBudget } from './assess/loop.ts';
export type { Need } from './assess/needs.ts';
export { type BoardPins, whyDimmed } from './assess/pins.ts';
export type { Sensing } from './assess/sensing.ts';
export type { ShoppingLine } from './assess/shopping.ts';
export type { MoodCeiling, SupplyAssessment } from './assess/supplies.ts';
export type { ChainVoltage } from './assess/tapeVoltage.ts';

/** One data line: the board that sends it, and its timing. */
export interface LineOfData {
  readonly tapeId: string;
  readonly board: Board | null;
  readonly line: DataLine;
}

/** One board with its program's part of the show. */
export interface BoardAssessment {
  readonly board: Board;
  /** What this board moves and hears; its frame is its own. */
  readonly show: Show;
  readonly limit: ShowLimit;
  readonly loop: LoopBudget;
}

/** What flows on one rail, in all. */
export interface RailFigures {
  readonly id: string;
  readonly name: string;
  readonly range: RailRange | null;
  readonly peakA: number;
  readonly usualA: number;
  readonly restA: number;
  /** What what gives it is good for; null where that is not known. */
  readonly limitA: number | null;
}

/** What one plan comes to: the result of the one pipeline. Plain data, derived from the design alone. */
export interface Assessment {
  readonly library: Library;
  readonly placed: readonly PlacedGroup[];
  readonly lightCount: number;
  readonly fits: readonly PlacedFit[];
  /** All that moods could move: what a board drives, and what one would drive as soon as a mood moved it. */
  readonly movables: readonly MovableGroup[];
  /** All that moods move, as the preview runs it: every board in step. */
  readonly show: Show;
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly switched: ReadonlyMap<string, readonly Switched[]>;
  readonly driven: readonly Driven[];
  readonly pins: readonly BoardPins[];
  readonly programs: readonly BoardAssessment[];
  readonly dataLines: readonly LineOfData[];
  readonly sensing: readonly Sensing[];
  /** Null for a single piece. */
  readonly copiesInStep: CopiesInStep | null;
  readonly consumers: readonly Consumer[];
  readonly moods: readonly MoodBudget[];
  readonly signs: readonly SignBudget[];
  readonly course: readonly CourseStretch[];
  /** The height of the most hungry mood, under the hungriest sign, and the mean over the evening. */
  readonly peakA: number;
  readonly usualA: number;
  readonly allWhiteA: number;
  /** With every programmed light dark. */
  readonly restA: number;
  /** What has to be decided before the figures are whole. */
  readonly needs: readonly Need[];
  /** For the limiter of the program and of the preview; it limits nothing until there is a pack. */
  readonly limit: ShowLimit;
  /** Every source with what it feeds. */
  readonly supplies: readonly SupplyAssessment[];
  /** The one that the main rail hangs on, or the first there is. */
  readonly supply: SupplyAssessment | null;
  /** The link that gives way first, of all supplies. */
  readonly weakest: LoadedLink | null;
  /** Of each mood the lowest of all supplies. */
  readonly ceilings: readonly MoodCeiling[];
  /** The supply that ends first. */
  readonly runsFor: RunsFor | null;
  readonly railFigures: readonly RailFigures[];
  readonly chains: readonly ChainVoltage[];
  /** What is joined with what, by a wire or at one place. */
  readonly nets: readonly JoinedNet[];
  readonly runs: readonly WireRun[];
  readonly shopping: readonly ShoppingLine[];
  readonly costPerCopy: number;
}

/** The steps of the pipeline up to the wires, kept together for whoever makes nights of it again. */
interface Reckoned {
  readonly assessment: Assessment;
  readonly input: SuppliesInput;
}

const mostHungry = (budgets: readonly MoodBudget[]): MoodBudget | undefined =>
  budgets.reduce<MoodBudget | undefined>((most, each) => (!most || each.peakA > most.peakA ? each : most), undefined);

/** Evenings of each pack of an assessed design; for the night run and its sampling. */
export function prepareNights(
  design: Design,
  library: Library = withOwnParts(design.ownParts),
): ReadonlyMap<string, NightMaker> {
  const { assessment, input } = reckon(design, library);
  if (assessment.course.length === 0) return new Map();
  return new Map(
    assessment.supplies.flatMap((supply): [string, NightMaker][] => {
      if (supply.tree.source.kind !== 'pack') return [];
      const again = (deviation: { capacity: number; resistance: number }): LaidTree =>
        deviate(supply.laid, supply.rail, design.piece.ambientC, deviation);
      return [[supply.rail.id, createNightMaker(input, again)]];
    }),
  );
}

/**
 * The one pipeline: places the lights, lays the rails, sizes the channels, runs the moods for their currents, feeds them
 * through wires, converters and packs, and solves the voltages. What can't be decided yet is null, or named in `needs`.
 * Findings are drawn from the result by `checkDesign`.
 */
export const assess = (design: Design, library: Library = withOwnParts(design.ownParts)): Assessment =>
  reckon(design, library).assessment;

function listChains(design: Design, placed: readonly PlacedGroup[]): PlacedTape[][] {
  const tapesById = new Map(placed.flatMap((group) => (group.kind === 'tape' ? [[group.id, group] as const] : [])));
  return orderChains(itemsOf(design, 'pixel tape'))
    .map((chain) => chain.flatMap((tape) => tapesById.get(tape.id) ?? []))
    .filter((chain) => chain.some((tape) => tape.cut.lights > 0));
}

/** Whether a mood may move it: a board drives it, or would. */
function couldMove(item: Item, switching: Switching, boards: readonly Board[]): boolean {
  const channels = switching.switched.get(item.id);
  return isMoved(item, switching) || (boards.length > 0 && (channels ?? []).some(({ said }) => said.way === 'auto'));
}

/** What a program drives, or will once there is a board: the rest is lit by its supply, whatever the moods say. */
function isMoved(item: Item, switching: Switching): boolean {
  const channels = switching.switched.get(item.id);
  if (!channels) return item.kind === 'pixel tape';
  return channels.some(({ way }) => isProgrammed(way) || way.id === 'undecided');
}

function reckon(design: Design, library: Library): Reckoned {
  const placed = placeLights(design, library);
  const rails = layRails(design, library);
  const boards = listBoards(design, library, rails);
  const switching = switchAll(design, library, rails, boards, placed);
  const { switched, driven } = switching;
  const sensing = designSensing(design, rails, boards);
  const controls = controlsOf(design);
  const movables = listMovables(design, placed, library, (item) => isMoved(item, switching));
  const show = compileShow({ moods: design.moods, movables, controls, sensing: tellShow(sensing) });
  const consumers = listConsumers({
    design,
    library,
    rails,
    boards,
    placed,
    driven,
    loadRailOf: (itemId) => railOfSwitched(switching, itemId),
  });
  const byId = new Map(consumers.map((consumer) => [consumer.id, consumer]));
  const weights = weightsOf(driven);
  const restA = restOf(consumers);
  const signNames = show.signs.map((sign) => design.moods.signs?.find((each) => each.id === sign.id)?.name ?? sign.id);
  const asSet = design.moods.list.flatMap((mood, moodIndex) => {
    const shown = show.moods[moodIndex];
    return shown ? [budgetMood({ mood, shown, moodIndex, show, consumers: byId, restA, weights, signNames })] : [];
  });
  const chains = listChains(design, placed);
  const wiring = layWires({
    design,
    library,
    placed,
    rails,
    boards,
    switching,
    consumers,
    byId,
    budgets: asSet,
    show,
    chains,
  });
  const { nets, runs, layTreeOf, nodeOfConsumer } = wiring;
  const laid = rails.list
    .filter((rail) => rail.fromId === null)
    .flatMap((rail) => {
      const tree = layTreeOf(rail.id);
      return tree ? [{ rail, tree }] : [];
    });

  const guardedId = guardedRail(chains, byId, consumers, show);
  const guarded = laid.find(({ tree }) => guardedId !== null && nodeOfConsumer(tree, guardedId) >= 0) ?? null;
  const limit = wiring.limitFor(guarded?.tree ?? null, guardedId, show);
  const budgets = limitBudgets(asSet, show, limit);
  const allWhiteA = consumers.reduce((sum, each) => sum + each.restA + each.steadyPeakA + each.fullA, 0);
  const isLit = show.groups.length === 0 && consumers.some((each) => each.steadyA > 0);
  const course = layOutCourse(
    design,
    budgets,
    isLit ? { meanA: consumers.reduce((sum, each) => sum + each.restA + each.steadyA, 0), peakA: restA } : null,
  );
  const input: SuppliesInput = { show, consumers, byId, budgets, course, chains, runs, nodeOfConsumer };
  const supplies = laid.map(({ rail, tree }) =>
    assessSupply(input, rail, tree, (deviation) => deviate(tree, rail, design.piece.ambientC, deviation)),
  );
  const supply =
    supplies.find((each) => each.rail.id === (rails.mainId === null ? null : rails.byId.get(rails.mainId)?.sourceId)) ??
    supplies[0] ??
    null;
  const hungriest = mostHungry(budgets);
  const dataLines = chains.flatMap((chain): LineOfData[] => {
    const [first] = chain;
    return first
      ? [
          {
            tapeId: first.id,
            board: boardOf(boards, first.tape.board),
            line: timeDataLine(
              chain.reduce((sum, tape) => sum + tape.cut.lights, 0),
              first.part,
            ),
          },
        ]
      : [];
  });
  const shopping = listShopping({ design, library, placed, driven, runs, sensing });
  const usualA = course.length === 0 ? allWhiteA : meanOfCourse(course);
  const links = supplies.flatMap((each) => each.links);
  const assessment: Assessment = {
    library,
    placed,
    lightCount: placed.reduce((sum, group) => sum + countLights(group), 0),
    fits: fitAll(design, placed),
    movables: listMovables(design, placed, library, (item) => couldMove(item, switching, boards)),
    show,
    rails,
    boards,
    switched,
    driven,
    pins: planPins(design, boards, placed, driven),
    programs: boards.map((board) => {
      const isOwn = (id: string): boolean =>
        placed.some(
          (group) =>
            group.id === id && group.kind === 'tape' && boardOf(boards, rootTape(design, group).board)?.id === board.id,
        ) ||
        driven.some((each) => each.itemId === id && each.board?.id === board.id) ||
        itemsOf(design, 'signal').some((signal) => signal.id === id && signal.from === board.id);
      const own = compileShow({
        moods: boards.length > 1 ? onlyFor(design.moods, isOwn) : design.moods,
        movables: movables.filter((group) => boards.length === 1 || isOwn(group.id)),
        controls: controls.filter((control) => boardOf(boards, control.board)?.id === board.id),
        sensing: tellShow(sensing),
      });
      return {
        board,
        show: own,
        limit: boards.length === 1 ? limit : wiring.limitFor(guarded?.tree ?? null, guardedId, own),
        loop: budgetLoop(
          own,
          board.part,
          dataLines.filter((each) => each.board?.id === board.id).map(({ line }) => line.frameS),
        ),
      };
    }),
    dataLines,
    copiesInStep: judgeCopies(design, show),
    sensing,
    consumers,
    moods: budgets,
    signs: budgetSigns(design, show, byId, weights),
    course,
    peakA: budgets.length === 0 ? allWhiteA : Math.min(allWhiteA, Math.max(...budgets.map(peakWithSigns))),
    usualA,
    allWhiteA,
    restA: consumers.reduce((sum, each) => sum + each.restA, 0),
    needs: findNeeds({ design, library, placed, rails, boards, switched, driven, consumers, course }),
    limit,
    supplies,
    supply,
    weakest: links.reduce<LoadedLink | null>((worst, each) => (!worst || each.fill > worst.fill ? each : worst), null),
    ceilings: lowestCeilings(supplies),
    runsFor: supplies.reduce<RunsFor | null>(
      (least, { runsFor }) => (runsFor && (!least || runsFor.cautiousH < least.cautiousH) ? runsFor : least),
      null,
    ),
    railFigures: wiring.railFigures(supplies, budgets, course),
    chains: chains.map((chain) => {
      const [first] = chain;
      const railId = first ? rails.feedOf(first.tape) : null;
      const range = railId === null ? null : (rails.byId.get(railId)?.range ?? null);
      return solveChain({ chain, runs, consumers: byId, budget: hungriest, railId, railV: range?.nominalV ?? 0 });
    }),
    nets,
    runs,
    shopping,
    costPerCopy: totalCost(shopping),
  };
  return { assessment, input };
}

/** The first tape of the line that a tape hangs on. */
function rootTape(design: Design, tape: PlacedTape): PlacedTape['tape'] {
  const tapes = itemsOf(design, 'pixel tape');
  let at = tape.tape;
  for (let hops = 0; at.after !== null && hops <= tapes.length; hops += 1)
    at = tapes.find((each) => each.id === at.after) ?? { ...at, after: null };
  return at;
}

/** Moods as one board of several sees them: moves on what is its own. Sets that mix boards move what each has. */
function onlyFor(moods: Design['moods'], isOwn: (id: string) => boolean): Design['moods'] {
  const sets = (moods.sets ?? []).filter((set) => set.of.some((part) => isOwn(part.groupId)));
  const mine = (id: string): boolean => isOwn(id) || sets.some((set) => set.id === id);
  const pick = <T>(moves: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(moves).filter(([id]) => mine(id)));
  return {
    ...moods,
    list: moods.list.map((mood) => ({
      ...mood,
      moves: pick(mood.moves),
      ...(mood.tops ? { tops: mood.tops.filter((top) => mine(top.on)) } : {}),
    })),
    ...(moods.signs ? { signs: moods.signs.map((sign) => ({ ...sign, moves: pick(sign.moves) })) } : {}),
    sets,
  };
}

/** The consumer whose rail the program's limiter guards: the pixels, or what else moods make draw most. */
function guardedRail(
  chains: readonly (readonly PlacedTape[])[],
  byId: ReadonlyMap<string, Consumer>,
  consumers: readonly Consumer[],
  show: Show,
): Consumer | null {
  const pixels = chains.flatMap((chain) => chain.flatMap((tape) => byId.get(tape.id) ?? []));
  const moved =
    pixels.length > 0 ? pixels : consumers.filter((each) => show.groups.some((group) => group.id === each.id));
  return moved.reduce<Consumer | null>((most, each) => (!most || each.fullA > most.fullA ? each : most), null);
}

/** Of each mood, the ceiling of the supply that gives way first. */
function lowestCeilings(supplies: readonly SupplyAssessment[]): MoodCeiling[] {
  const [first, ...others] = supplies;
  return (first?.ceilings ?? []).map((ceiling, i) =>
    others.reduce((least, each) => {
      const other = each.ceilings[i];
      return other && other.brightness < least.brightness ? other : least;
    }, ceiling),
  );
}

/** The node of a tree at which something of a rail is drawn: behind the lead of its hub, where that has one. */
export const nodeAtHub = (laid: LaidTree, hubId: string | null, railId: string | null): number => {
  if (railId === null) return -1;
  return (hubId === null ? undefined : laid.nodeOf.get(hubKey(hubId, railId))) ?? laid.nodeOf.get(railId) ?? -1;
};
