import {
  budgetMood,
  budgetSigns,
  type Consumer,
  type CourseStretch,
  layOutCourse,
  limitBudgets,
  listConsumers,
  type MoodBudget,
  meanOfCourse,
  type SignBudget,
} from './assess/budget.ts';
import { type CopiesInStep, judgeCopies } from './assess/copies.ts';
import { fitAll, type PlacedFit } from './assess/fits.ts';
import { limitOf } from './assess/limit.ts';
import { budgetLoop, type LoopBudget } from './assess/loop.ts';
import { listPinDemands } from './assess/pins.ts';
import { designSensing, type Sensing, tellShow } from './assess/sensing.ts';
import { listShopping, type ShoppingLine, totalCost } from './assess/shopping.ts';
import { buildPath, findSupply, rangeOfRail, type SupplyParts } from './assess/supply.ts';
import { type ChainVoltage, solveChain } from './assess/tapeVoltage.ts';
import {
  assignPins,
  type DataLine,
  type DrivenLeds,
  driveLeds,
  type PinPlan,
  type RailRange,
  timeDataLine,
} from './drive/index.ts';
import { orderChains, type PlacedGroup, type PlacedTape, placeLights } from './lights/index.ts';
import { compileShow, type Show, type ShowLimit } from './motion/index.ts';
import { type ControllerPart, findPart, type Library, withOwnParts } from './parts/index.ts';
import type { Design } from './plan/index.ts';
import {
  type CeilingOverDischarge,
  chooseFuse,
  estimateRunsFor,
  findCeilingOverDischarge,
  type LinkLimit,
  type LoadedLink,
  loadLinks,
  type NightMaker,
  type Operation,
  operate,
  type PowerPath,
  RESERVE_CHARGE,
  type RunsFor,
} from './power/index.ts';
import { planRuns, type RunCurrents, type WireRun, wireCarriesA } from './wires/index.ts';

export type { Consumer, CourseStretch, MoodBudget, SignBudget } from './assess/budget.ts';
export type { CopiesInStep } from './assess/copies.ts';
export type { PlacedFit } from './assess/fits.ts';
export type { LoopBudget } from './assess/loop.ts';
export type { Sensing } from './assess/sensing.ts';
export type { ShoppingLine } from './assess/shopping.ts';
export type { ChainVoltage } from './assess/tapeVoltage.ts';

export interface MoodCeiling extends CeilingOverDischarge {
  readonly moodId: string;
  readonly name: string;
  readonly setTo: number;
}

/** Everything that is reckoned about a supply; absent until there is a pack. */
export interface SupplyAssessment {
  readonly parts: SupplyParts;
  readonly path: PowerPath;
  /** At the height of the most hungry mood, with a tenth of the charge left. */
  readonly atPeak: Operation;
  readonly links: readonly LoadedLink[];
  readonly weakest: LoadedLink | null;
  readonly ceilings: readonly MoodCeiling[];
  readonly runsFor: RunsFor | null;
}

/** What one plan comes to: the result of the one pipeline. Plain data, derived from the design alone. */
export interface Assessment {
  readonly placed: readonly PlacedGroup[];
  readonly lightCount: number;
  readonly fits: readonly PlacedFit[];
  readonly show: Show;
  readonly controller: ControllerPart | null;
  readonly rail: RailRange;
  readonly driven: readonly DrivenLeds[];
  readonly pinPlan: PinPlan | null;
  readonly dataLines: readonly { readonly tapeId: string; readonly line: DataLine }[];
  readonly sensing: readonly Sensing[];
  /** Null until there is a controller. */
  readonly loop: LoopBudget | null;
  /** Null for a single piece. */
  readonly copiesInStep: CopiesInStep | null;
  readonly consumers: readonly Consumer[];
  readonly moods: readonly MoodBudget[];
  readonly signs: readonly SignBudget[];
  readonly course: readonly CourseStretch[];
  /** On the rail: the height of the most hungry mood with the hungriest sign over it, and the mean over the evening. */
  readonly peakA: number;
  readonly usualA: number;
  readonly allWhiteA: number;
  /** For the limiter of the program and of the preview; it limits nothing until there is a pack. */
  readonly limit: ShowLimit;
  readonly supply: SupplyAssessment | null;
  readonly chains: readonly ChainVoltage[];
  readonly runs: readonly WireRun[];
  readonly shopping: readonly ShoppingLine[];
  readonly costPerCopy: number;
}

/** Tape links of one mood: what each data line's feed carries, as part of the rail current of that mood. */
function linkTapes(
  chains: readonly (readonly PlacedTape[])[],
  budget: MoodBudget,
  consumers: readonly Consumer[],
  runs: readonly WireRun[],
): LinkLimit[] {
  const { restA, dynamicPeakA } = budget.draw;
  return chains.flatMap((chain): LinkLimit[] => {
    const ids = new Set(chain.map((tape) => tape.id));
    const own = consumers.filter((consumer) => ids.has(consumer.id));
    const chainRestA = own.reduce((sum, consumer) => sum + consumer.restA, 0);
    const chainPeakA = own.reduce(
      (sum, consumer) =>
        sum + consumer.fullA * (budget.groups.find((group) => group.groupId === consumer.id)?.load.peak ?? 0),
      0,
    );
    // Tapes of a chain that move as one do not all peak at once: the chain never carries more than the whole.
    const share = dynamicPeakA === 0 ? 0 : Math.min(1, chainPeakA / dynamicPeakA);
    const first = chain[0];
    const run = runs.find((each) => each.id === `feed:${first?.id}`);
    if (!first || !run) return [];
    const common = { carries: 'rail', share, offsetA: chainRestA - restA * share } as const;
    return [
      { id: 'wire', name: `The feed of ${first.name}`, limitA: wireCarriesA(run.gaugeAwg), ...common },
      { id: 'tape', name: `The rails of ${first.name}`, limitA: first.part.feedLimitA, ...common },
    ];
  });
}

/** Highest current of each group over all moods as they are set; at full light while there are no moods. */
function peakByGroup(
  consumers: readonly Consumer[],
  budgets: readonly MoodBudget[],
  signs: readonly SignBudget[],
): Map<string, number> {
  const signA = (id: string): number =>
    Math.max(0, ...signs.map((sign) => sign.groups.find((group) => group.groupId === id)?.peakA ?? 0));
  return new Map(
    consumers.map((consumer) => [
      consumer.id,
      budgets.length === 0
        ? consumer.restA + consumer.fullA
        : Math.min(
            consumer.restA + consumer.fullA,
            signA(consumer.id) +
              Math.max(
                ...budgets.map(
                  (budget) => budget.groups.find((group) => group.groupId === consumer.id)?.peakA ?? consumer.restA,
                ),
              ),
          ),
    ]),
  );
}

function assessSupply(options: {
  readonly design: Design;
  readonly library: Library;
  readonly parts: SupplyParts;
  readonly path: PowerPath;
  readonly brownOutV: number;
  readonly budgets: readonly MoodBudget[];
  readonly consumers: readonly Consumer[];
  readonly course: readonly CourseStretch[];
  readonly peakA: number;
  readonly runs: readonly WireRun[];
  readonly chains: readonly (readonly PlacedTape[])[];
}): SupplyAssessment {
  const { design, library, parts, path, brownOutV, budgets, consumers, course, peakA, runs, chains } = options;
  const packLead = runs.find((run) => run.id === 'pack');
  const withTapes = (budget: MoodBudget): PowerPath => ({
    ...path,
    links: [...path.links, ...linkTapes(chains, budget, consumers, runs)],
  });
  const hungriest = budgets.reduce<MoodBudget | undefined>(
    (most, each) => (!most || each.peakA > most.peakA ? each : most),
    undefined,
  );
  const atPeak = operate(path, RESERVE_CHARGE, peakA);
  const links = loadLinks(hungriest ? withTapes(hungriest) : path, atPeak, peakA);
  return {
    parts,
    path,
    atPeak,
    links,
    weakest: links.reduce<LoadedLink | null>((most, each) => (!most || each.fill > most.fill ? each : most), null),
    ceilings: budgets.map((budget) => ({
      moodId: budget.moodId,
      name: budget.name,
      setTo: budget.brightness,
      ...findCeilingOverDischarge(withTapes(budget), budget.draw),
    })),
    runsFor:
      course.length === 0
        ? null
        : estimateRunsFor(createNightMaker({ design, library, parts, brownOutV, course, consumers, packLead })),
  };
}

/** Makes evenings of a design for any set of deviations: for the quick estimate here and for sampling in a worker. */
function createNightMaker(options: {
  readonly design: Design;
  readonly library: Library;
  readonly parts: SupplyParts;
  readonly brownOutV: number;
  readonly course: readonly CourseStretch[];
  readonly consumers: readonly Consumer[];
  readonly packLead: WireRun | undefined;
}): NightMaker {
  const { design, library, parts, brownOutV, course, consumers, packLead } = options;
  const totalA = consumers.reduce((sum, consumer) => sum + consumer.restA + consumer.fullA, 0);
  const spread =
    totalA === 0
      ? 0
      : consumers.reduce((sum, consumer) => sum + (consumer.restA + consumer.fullA) * consumer.relativeSpread, 0) /
        totalA;
  return (deviation) => {
    const factor = 1 + deviation.load * spread;
    return {
      path: buildPath({ design, supply: parts, library, brownOutV, packLead, deviation }),
      course: course.map((stretch) => ({ ...stretch, meanA: stretch.meanA * factor, peakA: stretch.peakA * factor })),
    };
  };
}

/** Evenings of an assessed design; null until it has a pack and a mood. For the night run and its sampling. */
export function prepareNights(
  design: Design,
  assessment: Assessment,
  library: Library = withOwnParts(design.ownParts),
): NightMaker | null {
  const { supply, course, consumers, controller, runs } = assessment;
  if (!supply || course.length === 0) return null;
  return createNightMaker({
    design,
    library,
    parts: supply.parts,
    brownOutV: controller?.brownOutV ?? 0,
    course,
    consumers,
    packLead: runs.find((run) => run.id === 'pack'),
  });
}

/**
 * The one pipeline: places the lights, sizes the channels, runs the moods for their currents, feeds them through
 * wires, converter and pack, and solves the voltages. What can't be decided yet (no pack, no controller) is null.
 * Findings are drawn from the result by `checkDesign`.
 */
export function assess(design: Design, library: Library = withOwnParts(design.ownParts)): Assessment {
  const placed = placeLights(design, library);
  const controller = findPart(library, 'controller', design.drive.controller) ?? null;
  const parts = findSupply(design, library);
  const rail = rangeOfRail(parts, design.piece.ambientC);
  const driven = controller
    ? placed.flatMap((group) =>
        group.kind === 'leds' && group.places.length > 0 ? [driveLeds(group, controller, rail)] : [],
      )
    : [];
  const drivenById = new Map(driven.map((leds) => [leds.groupId, leds]));
  const sensing = designSensing(design, controller, parts);
  const show = compileShow(design, placed, tellShow(sensing));
  const consumers = listConsumers(placed, drivenById, controller ?? undefined);
  const asSet = design.moods.list.flatMap((mood, i) => {
    const shown = show.moods[i];
    return shown ? [budgetMood({ mood, shown, show, consumers, driven: drivenById })] : [];
  });
  const allWhiteA = consumers.reduce((sum, consumer) => sum + consumer.restA + consumer.fullA, 0);
  const signs = budgetSigns(design, show, consumers, drivenById);
  const signPeakA = Math.max(0, ...signs.map((sign) => sign.peakA));
  const peakA =
    asSet.length === 0 ? allWhiteA : Math.min(allWhiteA, Math.max(...asSet.map((budget) => budget.peakA)) + signPeakA);
  const brownOutV = controller?.brownOutV ?? 0;

  const tapesById = new Map(placed.flatMap((group) => (group.kind === 'tape' ? [[group.id, group] as const] : [])));
  const chains = orderChains(design.tapes)
    .map((chain) => chain.flatMap((tape) => tapesById.get(tape.id) ?? []))
    .filter((chain) => chain.some((tape) => tape.cut.lights > 0));
  const firstPass = parts
    ? operate(buildPath({ design, supply: parts, library, brownOutV }), RESERVE_CHARGE, peakA)
    : null;
  const runs = planRuns(
    design,
    placed,
    findRunCurrents({
      chains,
      consumers,
      budgets: asSet,
      signs,
      driven,
      packPeakA: firstPass && Number.isFinite(firstPass.packA) ? firstPass.packA : peakA * 1.6,
      railV: rail.nominalV,
    }),
  );
  const packLead = runs.find((run) => run.id === 'pack');
  const path = parts ? buildPath({ design, supply: parts, library, brownOutV, packLead }) : null;
  const limit = limitOf(path, show, consumers);
  const budgets = limitBudgets(asSet, show, limit);
  const course = layOutCourse(design, budgets);
  const supply =
    parts && path
      ? assessSupply({ design, library, parts, path, brownOutV, budgets, consumers, course, peakA, runs, chains })
      : null;
  const hungriest = budgets.reduce<MoodBudget | undefined>(
    (most, each) => (!most || each.peakA > most.peakA ? each : most),
    undefined,
  );
  const dataLines = chains.flatMap((chain) =>
    chain[0]
      ? [
          {
            tapeId: chain[0].id,
            line: timeDataLine(
              chain.reduce((sum, tape) => sum + tape.cut.lights, 0),
              chain[0].part,
            ),
          },
        ]
      : [],
  );
  const shopping = listShopping({ design, library, placed, driven: drivenById, runs });
  return {
    placed,
    lightCount: placed.reduce(
      (sum, group) => sum + (group.kind === 'tape' ? group.cut.lights : group.places.length),
      0,
    ),
    fits: fitAll(design, placed),
    show,
    controller,
    rail,
    driven,
    pinPlan: controller ? assignPins(controller, listPinDemands(design, placed, driven), design.drive.pinLocks) : null,
    dataLines,
    copiesInStep: judgeCopies(design, show),
    loop: controller
      ? budgetLoop(
          show,
          controller,
          dataLines.map(({ line }) => line.frameS),
        )
      : null,
    sensing,
    consumers,
    moods: budgets,
    signs,
    course,
    peakA,
    usualA: course.length === 0 ? allWhiteA : meanOfCourse(course),
    allWhiteA,
    limit,
    supply,
    chains: chains.map((chain) => solveChain({ chain, runs, consumers, budget: hungriest, railV: rail.nominalV })),
    runs,
    shopping,
    costPerCopy: totalCost(shopping),
  };
}

function findRunCurrents(options: {
  readonly chains: readonly (readonly PlacedTape[])[];
  readonly consumers: readonly Consumer[];
  readonly budgets: readonly MoodBudget[];
  readonly signs: readonly SignBudget[];
  readonly driven: readonly DrivenLeds[];
  readonly packPeakA: number;
  readonly railV: number;
}): RunCurrents {
  const { chains, consumers, budgets, signs, driven, packPeakA, railV } = options;
  const peaks = peakByGroup(consumers, budgets, signs);
  // A feed or jumper carries its own tape and every tape behind it.
  const tapePeakA = new Map(
    chains.flatMap((chain) =>
      chain.map(
        (tape, i) => [tape.id, chain.slice(i).reduce((sum, next) => sum + (peaks.get(next.id) ?? 0), 0)] as const,
      ),
    ),
  );
  return {
    packPeakA,
    packFuseA: chooseFuse(packPeakA, Number.POSITIVE_INFINITY).bestA ?? packPeakA,
    tapePeakA,
    ledPeakA: new Map(driven.map((leds) => [leds.groupId, leds.resistor.brightestA])),
    railV,
  };
}
