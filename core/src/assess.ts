import {
  budgetMood,
  budgetSigns,
  hungriestOf,
  limitBudgets,
  type MoodBudget,
  peakWithSigns,
  type SignBudget,
  weightsOf,
} from './assess/budget.ts';
import { type Build, buildOf } from './assess/build.ts';
import { type Consumer, fullOf } from './assess/consumers.ts';
import { type CopiesInStep, judgeCopies } from './assess/copies.ts';
import { type CoreEnds, nameCoreEnds } from './assess/coreEnds.ts';
import { type CourseStretch, layOutCourse, meanOfCourse } from './assess/course.ts';
import { type LineOfData, listDataLines } from './assess/dataLines.ts';
import { fitAll, type PlacedFit } from './assess/fits.ts';
import { listFreePorts } from './assess/freePorts.ts';
import { guardSupply, type LaidGuard, type SupplyGuard } from './assess/guards.ts';
import type { GuideAssessment } from './assess/guides.ts';
import { keepFew } from './assess/keepFew.ts';
import { limitOf } from './assess/limit.ts';
import { findNeeds, type Need } from './assess/needs.ts';
import { type BoardPins, planPins } from './assess/pins.ts';
import { listFades, type TapeFade } from './assess/plainFeeds.ts';
import { type BoardAssessment, drives, listPrograms } from './assess/programs.ts';
import { type Sensing, thresholdsById } from './assess/sensing.ts';
import { type ShoppingLine, totalCost } from './assess/shopping.ts';
import { listStandBy, type StandBy } from './assess/standBy.ts';
import {
  assessSupply,
  createNightMaker,
  type MoodCeiling,
  type SuppliesInput,
  type SupplyAssessment,
  type SupplySearch,
} from './assess/supplies.ts';
import { type ChainVoltage, solveChain } from './assess/tapeVoltage.ts';
import { deviate, type LaidTree } from './assess/trees.ts';
import { reckonWarmth, type Warmth } from './assess/warm.ts';
import { figureRails, loadWires, type RailFigures } from './assess/wiring.ts';
import { countLights, type PlacedGroup, type PlacedTape } from './items/index.ts';
import type { MovableGroup } from './lights/index.ts';
import { compileShow, type Show, type ShowLimit } from './motion/index.ts';
import type {
  Board,
  Driven,
  JoinedNet,
  LoadDrive,
  PortRef,
  Rails,
  RunDraft,
  Switched,
  WireRun,
} from './network/index.ts';
import { boardOf } from './network/index.ts';
import { type Library, withOwnParts } from './parts/index.ts';
import type { Design } from './plan/index.ts';
import type { LoadedLink, NightMaker, RunsFor } from './power/index.ts';

export type { MoodBudget, SignBudget, SignOverMood } from './assess/budget.ts';
export { type Consumer, fullOf } from './assess/consumers.ts';
export type { CopiesInStep } from './assess/copies.ts';
export type { CoreEnds } from './assess/coreEnds.ts';
export type { CourseStretch } from './assess/course.ts';
export type { LineOfData } from './assess/dataLines.ts';
export type { PlacedFit } from './assess/fits.ts';
export type { GuideAssessment } from './assess/guides.ts';
export { converterKPerW } from './assess/heatSources.ts';
export { budgetLoop, type LoopBudget } from './assess/loop.ts';
export type { Need } from './assess/needs.ts';
export { type BoardPins, whyDimmed } from './assess/pins.ts';
export { EVEN_SHARE, type TapeFade } from './assess/plainFeeds.ts';
export type { BoardAssessment } from './assess/programs.ts';
export type { Sensing } from './assess/sensing.ts';
export type { ShoppingLine } from './assess/shopping.ts';
export { eveningWithSpares, type StandBy } from './assess/standBy.ts';
export type { MoodCeiling, SupplyAssessment } from './assess/supplies.ts';
export type { ChainVoltage } from './assess/tapeVoltage.ts';
export { bearsInsideC, hollowOf, type WarmBox, type WarmPart, type Warmth } from './assess/warm.ts';

export type { RailFigures } from './assess/wiring.ts';

/** What one plan comes to: the result of the one pipeline. Plain data, derived from the design alone. */
export interface Assessment {
  readonly library: Library;
  /** Lights where they sit, group by group, in the order of the plan. */
  readonly placed: readonly PlacedGroup[];
  /** Every light by itself, pixels too. */
  readonly lightCount: number;
  /** Each light or tape against the hollow that it goes into. */
  readonly fits: readonly PlacedFit[];
  /** What turns current to heat, and the boxes that it warms. */
  readonly warm: Warmth;
  /** All that moods could move: what a board drives, and what one would drive as soon as a mood moved it. */
  readonly movables: readonly MovableGroup[];
  /** All that moods move, as the preview runs it: every board in step. */
  readonly show: Show;
  /** Light guides, with what comes out of their ends. */
  readonly guides: readonly GuideAssessment[];
  readonly rails: Rails;
  readonly boards: readonly Board[];
  /** How every channel is switched, by the id of its item. */
  readonly switched: ReadonlyMap<string, readonly Switched[]>;
  /** What is switched with what stands before it: resistor, transistor, currents. */
  readonly driven: readonly Driven[];
  /** Loads that a program runs, with what stands before each. */
  readonly loads: readonly LoadDrive[];
  /** What each board’s pins do. */
  readonly pins: readonly BoardPins[];
  /** One for each board. */
  readonly programs: readonly BoardAssessment[];
  readonly dataLines: readonly LineOfData[];
  /** Sensors with their thresholds. */
  readonly sensing: readonly Sensing[];
  /** Null for a single piece. */
  readonly copiesInStep: CopiesInStep | null;
  readonly consumers: readonly Consumer[];
  readonly moods: readonly MoodBudget[];
  /** The mood with the highest peak; undefined while there is none. */
  readonly hungriest: MoodBudget | undefined;
  readonly signs: readonly SignBudget[];
  readonly course: readonly CourseStretch[];
  /** The height of the most hungry mood, under the hungriest sign, and the mean over the evening. */
  readonly peakA: number;
  /** Over the evening, in the mean. */
  readonly usualA: number;
  /** With everything at full at once: what no mood asks for, and a fault might. */
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
  /** Every pack while the piece waits, on the way, and exchanged during the evening. */
  readonly standBy: readonly StandBy[];
  /** Of each mood the lowest of all supplies. */
  readonly ceilings: readonly MoodCeiling[];
  /** The supply that ends first. */
  readonly runsFor: RunsFor | null;
  readonly railFigures: readonly RailFigures[];
  /** How far each plain tape fades along its way with all of it lit. */
  readonly fades: readonly TapeFade[];
  /** Each data line’s voltages, from its feed outward. */
  readonly chains: readonly ChainVoltage[];
  /** What is joined with what, by a wire or at one place. */
  readonly joins: readonly RunDraft[];
  readonly nets: readonly JoinedNet[];
  /** What each core is soldered to, by the id of its run or join. */
  readonly coreEnds: ReadonlyMap<string, readonly CoreEnds[]>;
  /** Ports that are left free on purpose. */
  readonly freePorts: readonly PortRef[];
  readonly runs: readonly WireRun[];
  readonly shopping: readonly ShoppingLine[];
  /** By usual prices, in the maker’s money. */
  readonly costPerCopy: number;
}

/**
 * What is found by searching, which is most of the work of an assessment: how far down moods must hold, their ceilings,
 * what the limiter is set to, how long it runs. Plain data, so that it can be found in a worker and given to `assess`.
 */
export interface Searches {
  /** What its limiter keeps to, by the id of each source on which a program lights anything. */
  readonly guards: ReadonlyMap<string, SupplyGuard>;
  /** By the id of each source. */
  readonly supplies: ReadonlyMap<string, SupplySearch>;
}

/** The steps of the pipeline up to the wires, kept together for whoever makes nights of it again. */
interface Reckoned {
  readonly assessment: Assessment;
  readonly input: SuppliesInput;
  readonly guards: ReadonlyMap<string, SupplyGuard>;
}

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
 * @param searched what was found of this very design before; null searches here
 */
export const assess = (
  design: Design,
  library: Library = withOwnParts(design.ownParts),
  searched: Searches | null = null,
): Assessment => reckon(design, library, searched).assessment;

/** An assessment, and apart what was found by searching. */
export function assessAndTell(design: Design): { readonly assessment: Assessment; readonly searches: Searches } {
  const { assessment, guards } = reckon(design, withOwnParts(design.ownParts));
  const supplies = new Map(
    assessment.supplies.map(({ rail, reserve, ceilings, runsFor }): [string, SupplySearch] => [
      rail.id,
      { reserve, ceilings, runsFor },
    ]),
  );
  return { assessment, searches: { guards, supplies } };
}

function reckon(design: Design, library: Library, searched: Searches | null = null): Reckoned {
  const built = buildOf(design, library);
  const { placed, rails, boards, switching, sensing, controls, movables, consumers, byId, chains, wires } = built;
  const { switched, driven, loads } = switching;
  const show = compileShow({
    moods: design.moods,
    movables,
    controls,
    sensing: thresholdsById(sensing),
    isBeside: (groupId, control) => {
      const board = boardOf(boards, control.board);
      return boards.length < 2 || (board !== null && drives(built, board.id, groupId));
    },
  });
  const { budgets, weights, course, runs, peaks, guards, limit, input, supplies } = load(design, built, show, searched);
  const { joins, nets } = wires;
  const allWhiteA = consumers.reduce((sum, each) => sum + each.restA + each.steadyPeakA + fullOf(each, 'peak'), 0);
  const hungriest = hungriestOf(budgets);
  const dataLines = listDataLines(chains, boards);
  const pins = planPins(design, boards, placed, switching);
  const assessment: Assessment = {
    library,
    placed,
    lightCount: placed.reduce((sum, group) => sum + countLights(group), 0),
    fits: fitAll(design, placed),
    warm: reckonWarmth(design, {
      placed,
      driven,
      switched,
      boards,
      rails,
      supplies,
      consumers,
      loads,
      moods: budgets,
    }),
    movables: built.couldMove,
    show,
    guides: built.guides,
    rails,
    boards,
    switched,
    driven,
    loads,
    pins,
    programs: listPrograms(design, built, { dataLines, guards: [...guards.values()], whole: limit, peaks }),
    dataLines,
    copiesInStep: judgeCopies(design, show),
    sensing,
    consumers,
    moods: budgets,
    hungriest,
    signs: budgetSigns(design, show, byId, weights),
    course,
    peakA: budgets.length === 0 ? allWhiteA : Math.min(allWhiteA, Math.max(...budgets.map(peakWithSigns))),
    usualA: course.length === 0 ? allWhiteA : meanOfCourse(course),
    allWhiteA,
    restA: consumers.reduce((sum, each) => sum + each.restA, 0),
    needs: findNeeds({ design, library, placed, rails, boards, switched, driven, consumers, course }),
    limit,
    supplies,
    standBy: listStandBy(design.piece.hoursWanted, { library, rails, consumers, driven }, supplies),
    supply: mainSupply(supplies, rails),
    ...leastOf(supplies),
    railFigures: figureRails(built, peaks, supplies, course),
    fades: listFades(placed, driven, runs, rails),
    chains: chains.map((chain) => solveChainOf(chain, built, hungriest)),
    joins,
    nets,
    ...keptEnds(built, pinsGiven(pins), () => ({
      coreEnds: nameCoreEnds(joins, { design, driven, loads, pins, sensing }),
      freePorts: listFreePorts({ design, library, chains, pins, nets }),
    })),
    runs,
    shopping: built.shopping,
    costPerCopy: totalCost(built.shopping),
  };
  return { assessment, input, guards: new Map([...guards].map(([id, { nodeOf: _, ...found }]) => [id, found])) };
}

/** Runs the moods for their currents, as far as the limiter leaves them, and reckons every source with what it feeds. */
function load(design: Design, built: Build, show: Show, searched: Searches | null) {
  const { rails, consumers, byId, chains, wires, switching } = built;
  const weights = weightsOf(switching.driven);
  const asSet = budgetMoods(design, built, show, weights);
  const { runs, peaks } = loadWires(built, wires, { budgets: asSet, show });
  const laid = rails.list.flatMap((rail) => {
    const tree = wires.treeOf.get(rail.id);
    return tree ? [{ rail, tree }] : [];
  });

  const guards = guardSupplies(built, show, laid, searched?.guards ?? null);
  const limit = limitOf([...guards.values()], show, byId);
  const budgets = limitBudgets(asSet, show, limit);
  const course = layOutCourse(design, budgets, steadyOf(built, show));
  const input: SuppliesInput = {
    show,
    consumers,
    byId,
    budgets,
    course,
    chains,
    runs,
    nodeOfConsumer: wires.nodeOf,
  };
  const supplies = laid.map((each) =>
    assessSupply(
      input,
      each,
      (deviation) => deviate(each.tree, each.rail, design.piece.ambientC, deviation),
      searched?.supplies.get(each.rail.id),
    ),
  );
  return { budgets, weights, course, runs, peaks, guards, limit, input, supplies };
}

/** What every mood draws as it is set. */
function budgetMoods(design: Design, built: Build, show: Show, weights: ReturnType<typeof weightsOf>): MoodBudget[] {
  const { byId, restA } = built;
  const signNames = show.signs.map((sign) => design.moods.signs?.find((each) => each.id === sign.id)?.name ?? sign.id);
  return design.moods.list.flatMap((mood, moodIndex) => {
    const shown = show.moods[moodIndex];
    return shown ? [budgetMood({ mood, shown, moodIndex, show, consumers: byId, restA, weights, signNames })] : [];
  });
}

/** What is drawn all evening where no program moves anything; null where nothing is lit then. */
function steadyOf({ consumers, restA }: Build, show: Show): { readonly meanA: number; readonly peakA: number } | null {
  const isLit = show.groups.length === 0 && consumers.some((each) => each.steadyA > 0);
  return isLit ? { meanA: consumers.reduce((sum, each) => sum + each.restA + each.steadyA, 0), peakA: restA } : null;
}

/** The voltages along one chain of tapes, at the height of the most hungry mood. */
function solveChainOf(
  chain: readonly PlacedTape[],
  { rails, wires, byId }: Build,
  budget: MoodBudget | undefined,
): ChainVoltage {
  const [first] = chain;
  const railId = first ? rails.feedOf(first.tape) : null;
  const range = railId === null ? null : (rails.byId.get(railId)?.range ?? null);
  return solveChain({ chain, runs: wires.sized, consumers: byId, budget, railId, railV: range?.nominalV ?? 0 });
}

/** The one that the main rail hangs on, or the first there is. */
function mainSupply(supplies: readonly SupplyAssessment[], rails: Rails): SupplyAssessment | null {
  const sourceId = rails.mainId === null ? undefined : rails.byId.get(rails.mainId)?.sourceId;
  return supplies.find((each) => each.rail.id === sourceId) ?? supplies[0] ?? null;
}

/** Of all supplies: what gives way first, the lowest ceilings, and which ends first. */
const leastOf = (supplies: readonly SupplyAssessment[]): Pick<Assessment, 'weakest' | 'ceilings' | 'runsFor'> => ({
  weakest: supplies
    .flatMap((each) => each.links)
    .reduce<LoadedLink | null>((worst, each) => (!worst || each.fill > worst.fill ? each : worst), null),
  ceilings: lowestCeilings(supplies),
  runsFor: supplies.reduce<RunsFor | null>(
    (least, { runsFor }) => (runsFor && (!least || runsFor.cautiousH < least.cautiousH) ? runsFor : least),
    null,
  ),
});

/** Which pin each demand is given, and which are left: all that the ends of cores follow from besides the build. */
const pinsGiven = (pins: readonly BoardPins[]): readonly string[] =>
  pins.flatMap(({ board, plan }) =>
    plan.ok
      ? [
          ...plan.given.map(({ demand, pin }) => `${demand.id} ${pin.name}`),
          ...plan.free.map(({ name }) => name),
          board.id,
        ]
      : [board.id],
  );

/** While the build and its pins are the same, so are the names of the ends. */
const keptEnds = keepFew(
  (
    _built: Build,
    _pins: readonly string[],
    make: () => Pick<Assessment, 'coreEnds' | 'freePorts'>,
  ): Pick<Assessment, 'coreEnds' | 'freePorts'> => make(),
  4,
  2,
);

/** What the program’s limiter keeps to, by source: first the one on which the hungriest lights hang. */
function guardSupplies(
  { wires, chains, byId, consumers }: Build,
  show: Show,
  laid: readonly { readonly rail: { readonly id: string }; readonly tree: LaidTree }[],
  searched: ReadonlyMap<string, SupplyGuard> | null,
): ReadonlyMap<string, LaidGuard> {
  const hungriest = hungriestIn(chains, byId, consumers, show);
  const moved = consumers.filter(({ id }) => show.groups.some((group) => group.id === id));
  const guards = laid.flatMap(({ rail, tree }): [string, LaidGuard][] => {
    const isHere = (each: Consumer): boolean => wires.nodeOf(tree, each) >= 0;
    const first = hungriestIn(chains, byId, consumers.filter(isHere), show);
    const guard = guardSupply(wires, tree, first, moved.filter(isHere), searched?.get(rail.id) ?? null);
    return guard ? [[rail.id, guard]] : [];
  });
  const isMain = ([, { nodeOf }]: [string, LaidGuard]): boolean => hungriest !== null && nodeOf(hungriest) >= 0;
  return new Map([...guards.filter(isMain), ...guards.filter((each) => !isMain(each))]);
}

/** Whose rail the program's limiter tells of: the pixels, or what else moods make draw most. */
function hungriestIn(
  chains: readonly (readonly PlacedTape[])[],
  byId: ReadonlyMap<string, Consumer>,
  consumers: readonly Consumer[],
  show: Show,
): Consumer | null {
  const among = new Set(consumers);
  const pixels = chains
    .flatMap((chain) => chain.flatMap((tape) => byId.get(tape.id) ?? []))
    .filter((each) => among.has(each));
  const movedBy = (counts: (group: Show['groups'][number]) => boolean): Consumer[] =>
    consumers.filter((each) => show.groups.some((group) => group.id === each.id && counts(group)));
  const lights = movedBy((group) => !group.switches);
  const moved = pixels.length > 0 ? pixels : lights.length > 0 ? lights : movedBy(() => true);
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
