import type { PlacedTape } from '../items/index.ts';
import type { Show } from '../motion/index.ts';
import type { Rail, WireRun } from '../network/index.ts';
import {
  addDraws,
  type BrightnessDraw,
  type CeilingOverDischarge,
  type Draws,
  drawAtBrightness,
  estimateRunsFor,
  findCeilingOverDischarge,
  findReserve,
  type LinkLimit,
  type LoadedLink,
  loadLinks,
  type NightMaker,
  type NightStretch,
  type Operation,
  operate,
  type RunsFor,
  type SupplyTree,
  scaleDraws,
} from '../power/index.ts';
import { wireCarriesA } from '../wires/index.ts';
import type { MoodBudget } from './budget.ts';
import { sharesOfLine } from './chainLadder.ts';
import { type Consumer, fullOf } from './consumers.ts';
import type { CourseStretch } from './course.ts';
import { type Drawn, darkDraws, heightShares, lightDraws, startDraws } from './draws.ts';
import { keepFew } from './keepFew.ts';
import type { LaidTree } from './trees.ts';

/** The ceiling of one mood beside what it is set to. */
export interface MoodCeiling extends CeilingOverDischarge {
  readonly moodId: string;
  readonly name: string;
  /** As the mood is set, 0 to 1. */
  readonly setTo: number;
}

/** Everything that is reckoned about one source and all that it feeds. */
export interface SupplyAssessment {
  readonly rail: Rail;
  /** What it feeds, as the solver has it. */
  readonly tree: SupplyTree;
  /** The tree with its names. */
  readonly laid: LaidTree;
  /** The charge down to which moods must hold. */
  readonly reserve: number;
  /** With every programmed light dark. */
  readonly dark: Draws;
  /** At the height of the most hungry mood, with that charge left. */
  readonly peak: Draws;
  /** At the height of the evening, with the reserve left. */
  readonly atPeak: Operation;
  /** The same with a full pack. */
  readonly atFull: Operation;
  /** The most that the source gives at the height, over all of its charge: infinite where it collapses. */
  readonly mostA: number;
  /** In the moment in which everything starts, with the reserve left; null where that is no more than the height. */
  readonly atStart: Operation | null;
  /** The height of each mood, as it is set. */
  readonly moodPeaks: ReadonlyMap<string, Draws>;
  /** In it, of each group of the show, the share of its full light. */
  readonly moodShares: ReadonlyMap<string, readonly number[]>;
  /** Every link at its worst between full and the reserve. */
  readonly links: readonly LoadedLink[];
  /** The fullest of them; null where there is none. */
  readonly weakest: LoadedLink | null;
  readonly ceilings: readonly MoodCeiling[];
  /** Null while it is not known what is lit, and when. */
  readonly runsFor: RunsFor | null;
}

/** What is found of one supply by searching, which takes longest: plain data, in the order of the moods. */
export interface SupplySearch {
  /** Share of the charge down to which moods must hold. */
  readonly reserve: number;
  /** In the order of the moods. */
  readonly ceilings: readonly CeilingOverDischarge[];
  /** Null while it is not known what is lit, and when. */
  readonly runsFor: RunsFor | null;
}

/** What the supplies are reckoned from. */
export interface SuppliesInput {
  readonly show: Show;
  readonly consumers: readonly Consumer[];
  /** The same consumers. */
  readonly byId: ReadonlyMap<string, Consumer>;
  /** As far as the limiter leaves them. */
  readonly budgets: readonly MoodBudget[];
  /** Empty while it is not known what is lit, and when. */
  readonly course: readonly CourseStretch[];
  /** Tapes by their data lines. */
  readonly chains: readonly (readonly PlacedTape[])[];
  readonly runs: readonly WireRun[];
  /** Number of the node it draws at; −1 where it is not in that tree. */
  readonly nodeOfConsumer: (laid: LaidTree, consumer: Consumer) => number;
}

const drawnFor = (input: SuppliesInput, laid: LaidTree, factor: number): Drawn => ({
  tree: laid.tree,
  consumers: input.consumers,
  nodeOf: (consumer) => input.nodeOfConsumer(laid, consumer),
  factor,
});

/** What a mood draws from a tree: dark, and what full brightness adds at its height. */
function drawOfMood(input: SuppliesInput, drawn: Drawn, budget: MoodBudget): BrightnessDraw {
  const shares = heightShares(budget, input.show, input.byId, drawn.nodeOf);
  return {
    dark: addDraws(darkDraws(drawn, 'peak'), lightDraws(drawn, input.show, switchedOnly(input.show, shares))),
    light: lightDraws(drawn, input.show, dimmedOnly(input.show, shares)),
  };
}

/** Shares of what is on or off, which no brightness changes. */
const switchedOnly = ({ groups }: Show, shares: readonly number[]): readonly number[] =>
  shares.map((share, g) => (groups[g]?.switches ? share : 0));

const dimmedOnly = ({ groups }: Show, shares: readonly number[]): readonly number[] =>
  shares.map((share, g) => (groups[g]?.switches ? 0 : share));

/** The same with a sign over it: what the sign lights does not dim with the mood, what it leaves does. */
function drawsUnderSigns(input: SuppliesInput, drawn: Drawn, budget: MoodBudget): BrightnessDraw[] {
  const { show } = input;
  const heights = heightShares(budget, show, input.byId, drawn.nodeOf);
  return budget.underSigns.map(({ signId, shares }) => {
    const sign = show.signs.find((each) => each.id === signId);
    const touched = new Set(sign?.layers.flatMap((layer) => groupsOf(show, layer.set)) ?? []);
    const ofSign = shares.map((share, g) => (touched.has(g) ? share : 0));
    const left = heights.map((share, g) => (touched.has(g) ? 0 : share));
    return {
      dark: addDraws(
        darkDraws(drawn, 'peak'),
        lightDraws(drawn, show, ofSign),
        lightDraws(drawn, show, switchedOnly(show, left)),
      ),
      light: lightDraws(drawn, show, dimmedOnly(show, left)),
    };
  });
}

/** Groups that a set takes lights of. */
function groupsOf(show: Show, setIndex: number): number[] {
  const set = show.sets[setIndex];
  if (!set) return [];
  if (!set.offsets) return setIndex < show.groups.length ? [setIndex] : [];
  const { offsets } = set;
  return show.groups.flatMap((group, g) => {
    const end = group.offset + group.points * group.bytesPerPoint;
    return offsets.some((offset) => offset >= group.offset && offset < end) ? [g] : [];
  });
}

/** Tape links of one mood: what each feed of a data line carries, as part of what is drawn at its node. */
function linkTapes(input: SuppliesInput, drawn: Drawn, budget: MoodBudget | undefined): LinkLimit[] {
  const { chains, byId, runs, show } = input;
  const dark = darkDraws(drawn, 'peak');
  const runOf = new Map(runs.map((run) => [run.id, run]));
  const groupOf = (consumer: Consumer): number => show.groups.findIndex((group) => group.id === consumer.id);
  const heightOf = (consumer: Consumer): number =>
    fullOf(consumer, 'peak') * (budget ? (budget.load.groups[groupOf(consumer)]?.peak ?? 0) : 1);
  const isSwitched = (consumer: Consumer): boolean => show.groups[groupOf(consumer)]?.switches === true;
  // What no brightness changes is there beside the lights, as what is drawn in the dark is.
  const lightOf = (consumer: Consumer): number => (isSwitched(consumer) ? 0 : heightOf(consumer));
  return chains.flatMap((chain): LinkLimit[] => {
    const [first] = chain;
    const own = chain.flatMap((tape) => byId.get(tape.id) ?? []);
    const node = own[0] ? drawn.nodeOf(own[0]) : -1;
    if (!first || node < 0) return [];
    const here = input.consumers.filter((consumer) => drawn.nodeOf(consumer) === node);
    const switchedA = here.filter(isSwitched).reduce((sum, consumer) => sum + heightOf(consumer), 0);
    const darkA = (dark[node]?.steadyA ?? 0) + switchedA;
    const nodeLightA = here.reduce((sum, consumer) => sum + lightOf(consumer), 0);
    const partOf = (shares: readonly number[]): Pick<LinkLimit, 'node' | 'side' | 'share' | 'offsetA'> => {
      const of = (amps: (consumer: Consumer) => number): number =>
        own.reduce((sum, consumer, t) => sum + amps(consumer) * (shares[t] ?? 1), 0);
      // Tapes of a chain that move as one do not all peak at once: the chain never carries more than the whole.
      const share = nodeLightA <= 0 ? 0 : Math.min(1, of(lightOf) / nodeLightA);
      return { node, side: 'own', share, offsetA: of(({ restA }) => restA) - darkA * share };
    };
    const { ofRun, inRails } = sharesOfLine(chain, runs);
    return inRails.flatMap(({ feed, shares }): LinkLimit[] => {
      const run = runOf.get(feed.runId);
      const fed = chain.find(({ id }) => id === feed.tapeId);
      if (!run || !fed) return [];
      const place = feed.light === 0 ? fed.name : run.to.name;
      return [
        {
          id: 'wire',
          name: `The feed of ${place}`,
          limitA: wireCarriesA(run.gaugeAwg),
          ...partOf(ofRun.get(feed.runId) ?? []),
        },
        { id: 'tape', itemId: fed.id, name: `The rails of ${place}`, limitA: fed.part.feedLimitA, ...partOf(shares) },
      ];
    });
  });
}

/** Of several loads the one that takes most out of this very source, whatever others take; undefined where there is none. */
function hardest(tree: SupplyTree, charge: number, loads: readonly Draws[]): Draws | undefined {
  if (loads.length < 2) return loads[0];
  const taken = loads.map((draws) => operate(tree, charge, draws).packA);
  return loads[taken.indexOf(Math.max(...taken))];
}

/** Height and mean of a stretch of the evening, as far as the limiter leaves them. */
function stretchDraws(input: SuppliesInput, drawn: Drawn, stretch: CourseStretch): NightStretch {
  const { show } = input;
  const meanDark = darkDraws(drawn, 'mean');
  const means = stretch.parts.flatMap(({ budget, share, meanLeft }) => {
    const shares = budget.load.groups.map((group) => group.mean);
    return [
      scaleDraws(lightDraws(drawn, show, dimmedOnly(show, shares), 'mean'), share * budget.brightness * meanLeft),
      scaleDraws(lightDraws(drawn, show, switchedOnly(show, shares), 'mean'), share),
    ];
  });
  const peaks = stretch.parts.map(({ budget, peakLeft }) =>
    drawAtBrightness(drawOfMood(input, drawn, budget), budget.brightness * peakLeft),
  );
  return {
    moodId: stretch.moodId ?? '',
    minutes: stretch.minutes,
    mean: addDraws(meanDark, ...means),
    peak: hardest(drawn.tree, 1, peaks) ?? darkDraws(drawn, 'peak'),
  };
}

/** Makes evenings of one source for any set of deviations: for the quick estimate and for sampling in a worker. */
export function createNightMaker(
  input: SuppliesInput,
  layAgain: (deviation: { capacity: number; resistance: number }) => LaidTree,
): NightMaker {
  // What is drawn hangs on how far off the lights are, not on the pack.
  const courses = new Map<number, readonly NightStretch[]>();
  return (deviation) => {
    const laid = layAgain(deviation);
    const { load } = deviation;
    const course =
      courses.get(load) ?? input.course.map((stretch) => stretchDraws(input, drawnFor(input, laid, load), stretch));
    courses.set(load, course);
    return { tree: laid.tree, course };
  };
}

/** All that a ceiling depends on besides its tree and what follows its rails. */
const numbersOf = (cases: readonly BrightnessDraw[], links: readonly LinkLimit[]): readonly number[] => [
  ...cases.flatMap(({ dark, light }) =>
    [...dark, ...light].flatMap(({ steadyA, shaped }) => [
      steadyA,
      shaped.length,
      ...shaped.flatMap(({ shares }) => shares),
    ]),
  ),
  ...links.flatMap(({ limitA, node, share, offsetA }) => [limitA, node, share, offsetA]),
];

/** A mood’s ceiling does not depend on how bright it is set: while one is moved the others need not be sought again. */
const keptCeiling = keepFew(
  (
    _laid: LaidTree,
    _consumers: readonly Consumer[],
    _reserve: number,
    _numbers: readonly number[],
    find: () => CeilingOverDischarge,
  ) => find(),
  40,
  4,
);
const keptReserve = keepFew((_laid: LaidTree, _consumers: readonly Consumer[], find: () => number) => find(), 12, 2);

const ceilingOf = (
  laid: LaidTree,
  consumers: readonly Consumer[],
  tree: SupplyTree,
  reserve: number,
  cases: readonly BrightnessDraw[],
): CeilingOverDischarge =>
  keptCeiling(laid, consumers, reserve, numbersOf(cases, tree.links), () =>
    findCeilingOverDischarge(tree, cases, reserve),
  );

/**
 * Reckons one source: its links at the height, its ceilings, its night.
 * @param searched what was found of this very supply before; undefined searches here
 */
export function assessSupply(
  input: SuppliesInput,
  { rail, tree: laid }: { readonly rail: Rail; readonly tree: LaidTree },
  layAgain: (deviation: { capacity: number; resistance: number }) => LaidTree,
  searched?: SupplySearch,
): SupplyAssessment {
  const { budgets, course, show } = input;
  const drawn = drawnFor(input, laid, 0);
  const dark = darkDraws(drawn, 'mean');
  const reserve = searched?.reserve ?? keptReserve(laid, input.consumers, () => findReserve(laid.tree, dark));
  const moodPeaks = new Map(
    budgets.map((budget) => [budget.moodId, drawAtBrightness(drawOfMood(input, drawn, budget), budget.brightness)]),
  );
  const signed = budgets.flatMap((budget) =>
    drawsUnderSigns(input, drawn, budget).map((each) => drawAtBrightness(each, budget.brightness)),
  );
  const plain = hardest(laid.tree, reserve, [...moodPeaks.values()]);
  const most = budgets.find(({ moodId }) => moodPeaks.get(moodId) === plain);
  const peak =
    hardest(laid.tree, reserve, [...(plain ? [plain] : []), ...signed]) ??
    addDraws(
      darkDraws(drawn, 'peak'),
      lightDraws(
        drawn,
        show,
        show.groups.map(() => 1),
      ),
    );
  const atPeak = operate(laid.tree, reserve, peak);
  const withTapes = (budget: MoodBudget | undefined): SupplyTree => ({
    ...laid.tree,
    links: [...laid.tree.links, ...linkTapes(input, drawn, budget)],
  });
  // A converter takes more from a tired pack, lights that follow their rail from a fresh one: each link at its worst.
  const atFull = operate(laid.tree, 1, peak);
  const fresh = loadLinks(withTapes(most), atFull);
  const links = loadLinks(withTapes(most), atPeak).map((link, i) => {
    const other = fresh[i];
    return other && other.loadA > link.loadA ? other : link;
  });
  // What starts, starts late in the evening too.
  const start = operate(laid.tree, reserve, startDraws(drawn));
  return {
    rail,
    tree: laid.tree,
    laid,
    reserve,
    dark,
    peak,
    atPeak,
    atFull,
    mostA: Math.max(atPeak.packA, atFull.packA),
    atStart: start.packA > atPeak.packA * 1.001 ? start : null,
    moodPeaks,
    moodShares: new Map(
      budgets.map((budget) => [
        budget.moodId,
        heightShares(budget, show, input.byId, drawn.nodeOf).map((share, g) =>
          show.groups[g]?.switches ? share : share * budget.brightness,
        ),
      ]),
    ),
    links,
    weakest: links.reduce<LoadedLink | null>((worst, each) => (!worst || each.fill > worst.fill ? each : worst), null),
    ceilings: budgets.map((budget, i) => ({
      ...(searched?.ceilings[i] ??
        ceilingOf(laid, input.consumers, withTapes(budget), reserve, [
          drawOfMood(input, drawn, budget),
          ...drawsUnderSigns(input, drawn, budget),
        ])),
      moodId: budget.moodId,
      name: budget.name,
      setTo: budget.brightness,
    })),
    runsFor: searched
      ? searched.runsFor
      : course.length === 0 || laid.tree.source.kind !== 'pack'
        ? null
        : estimateRunsFor(createNightMaker(input, layAgain)),
  };
}
