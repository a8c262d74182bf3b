import { countedCurrentA, type PackModel } from '../items/index.ts';
import { defineFormula } from '../units/index.ts';
import { addDraws, type Draws, drawAt, scaleDraws } from './draws.ts';
import { type Operation, operate, type SupplyTree, trippedV } from './tree.ts';

/** One stretch of the evening: what is drawn on the mean, and at its height. */
export interface NightStretch {
  readonly moodId: string;
  /** How long it lasts. */
  readonly minutes: number;
  /** Drawn over time: what empties the pack. */
  readonly mean: Draws;
  /** Drawn at its height: what resets a board. */
  readonly peak: Draws;
}

/** The pack at one moment of its night. */
export interface NightSample {
  /** From the start. */
  readonly atH: number;
  /** Under its load. */
  readonly packV: number;
  /** Pack voltage at the height of the mood. */
  readonly peakV: number;
  /** Of the main rail, under its load. */
  readonly railV: number;
  /** Out of the pack. */
  readonly packA: number;
  /** Share left, 0 to 1. */
  readonly charge: number;
  readonly moodId: string;
}

/** Why an evening ends. `goes on` = it hangs on an outside supply. */
export type NightEnd = 'empty' | 'cut-off' | 'drops out' | 'lets go' | 'resets' | 'dims' | 'goes on';

/** A night played through: how long it lasted, why it ended, and its samples. */
export interface NightRun {
  /** Infinite where it goes on. */
  readonly hours: number;
  /** Why it ended. */
  readonly end: NightEnd;
  readonly samples: readonly NightSample[];
  /** Charge that flowed out of the pack, and energy from the cell, its losses included. */
  readonly drawnMah: number;
  /** Out of the pack. */
  readonly drawnWh: number;
}

/** Charge over current. @example 2000 mAh at 0.5 A: 4 h, which no pack reaches to the last */
export const plainRunTime = defineFormula({
  name: 'Plain run time',
  gives: { meaning: 'time, at best', kind: 'timeH' },
  symbols: {
    C: { meaning: 'capacity', kind: 'capacityMah' },
    I: { meaning: 'mean current from the pack', kind: 'currentA' },
  },
  form: '{t} = {C} / {I}',
  source: 'charge ÷ current: holds only for an ideal pack',
  reckon: ({ C, I }) => C / 1000 / I,
});

const endWords: Readonly<Record<NightEnd, string>> = {
  empty: 'the pack is empty',
  'cut-off': 'the cell reaches its cut-off voltage',
  'drops out': 'the converter drops out',
  'lets go': 'the pack is pulled so low that its protection lets go',
  resets: 'the rail is pulled down and the controller resets',
  dims: 'its light has faded to a fifth of what was wanted',
  'goes on': 'it hangs on an outside supply and goes on',
};

/** Why a night ended, in words that follow “because”. */
export const describeEnd = (end: NightEnd): string => endWords[end];

/** Lights that fade with their rail are out when they draw less than this share of what they draw at its usual voltage. */
const FADED_SHARE = 0.2;

/** Whether the lights that hang on sagging rails have all faded: none gives what is accepted any more. */
function hasFaded(tree: SupplyTree, stretch: NightStretch, mean: Operation, usualV: readonly number[]): boolean {
  // What draws the same at any voltage (pixels, a board) says of itself when it stops.
  if (stretch.mean.some((draw) => draw.steadyA > 0)) return false;
  let isLit = false;
  for (const [i] of tree.nodes.entries()) {
    const draw = stretch.mean[i];
    if (!draw) continue;
    const volts = mean.nodes[i]?.outV ?? 0;
    for (const { law, shares } of draw.shaped) {
      if (shares.every((share) => share <= 0)) continue;
      if (law(volts, shares) >= FADED_SHARE * law(usualV[i] ?? volts, shares)) return false;
      isLit = true;
    }
  }
  return isLit;
}

/** Below which charge the height of a stretch stops the piece, and why. */
interface Stop {
  readonly charge: number;
  readonly end: 'resets' | 'lets go';
}

interface Evening {
  readonly tree: SupplyTree;
  readonly pack: PackModel;
  /** What each rail has with the pack half full and nothing drawn. */
  readonly usualV: readonly number[];
  /** Charge below which each stretch resets or lets go, as far as it is known. */
  readonly peaks: Map<NightStretch, Stop>;
}

/** Halvings: good to a twentieth of a step of a night that is told. */
const CHARGE_STEPS = 12;

/** Why a piece stops at its height: its board resets, or its pack’s protection lets go; null where it does not. */
function stopAt(tree: SupplyTree, charge: number, peak: Draws): 'resets' | 'lets go' | null {
  const operation = operate(tree, charge, peak);
  if (!operation.ok) return 'resets';
  return trippedV(tree.source, operation) === null ? null : 'lets go';
}

/**
 * The charge below which the height of a stretch stops the piece, and why: a pack that gives less is only worse, so it
 * is found once by halving. 0 where it never does.
 */
function stopsBelow(tree: SupplyTree, stretch: NightStretch, known: Evening['peaks']): Stop {
  const found = known.get(stretch);
  if (found) return found;
  const at = (charge: number) => stopAt(tree, charge, stretch.peak);
  let stop: Stop = { charge: 0, end: at(0) ?? 'resets' };
  if (at(1) !== null) stop = { charge: 2, end: at(1) ?? 'resets' };
  else if (at(0) !== null) {
    let [low, high] = [0, 1];
    for (let i = 0; i < CHARGE_STEPS; i += 1) {
      const middle = (low + high) / 2;
      if (at(middle) === null) high = middle;
      else low = middle;
    }
    stop = { charge: high, end: at(low) ?? 'resets' };
  }
  known.set(stretch, stop);
  return stop;
}

function findEnd(
  { tree, pack, usualV, peaks }: Evening,
  charge: number,
  stretch: NightStretch,
  mean: Operation,
): NightEnd | null {
  if (charge <= 0) return 'empty';
  if (mean.collapses) return 'resets';
  if (mean.packV < pack.cutOffV) return 'cut-off';
  if (mean.dropsOut) return 'drops out';
  const stop = stopsBelow(tree, stretch, peaks);
  if (charge < stop.charge) return stop.end;
  return hasFaded(tree, stretch, mean, usualV) ? 'dims' : null;
}

const nominal = (draws: Draws, volts: readonly number[]): number =>
  draws.reduce((sum, draw, i) => sum + drawAt(draw, volts[i] ?? 0), 0);

/** All stretches as one: their mean over time, and the most hungry height. */
function average(course: readonly NightStretch[], usualV: readonly number[]): NightStretch[] {
  const minutes = course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  const hungriest = course.reduce((most, each) =>
    nominal(each.peak, usualV) > nominal(most.peak, usualV) ? each : most,
  );
  return [
    {
      moodId: hungriest.moodId,
      minutes,
      mean: addDraws(...course.map((stretch) => scaleDraws(stretch.mean, stretch.minutes / minutes))),
      peak: hungriest.peak,
    },
  ];
}

const HOURS_A_MONTH = 730;
/** Steps that a run down is cut into at most; an evening that would ask for more is taken on its mean. */
const MOST_STEPS = 4000;

/** Voltage of each rail with the pack half full and nothing drawn. */
export const usualVoltages = (tree: SupplyTree): readonly number[] =>
  operate(
    tree,
    0.5,
    tree.nodes.map(() => ({ steadyA: 0, shaped: [] })),
  ).nodes.map((state) => state.outV);

/** Hours that the pack would last by the plain sum, with what it loses by itself. */
function plainHours(pack: PackModel, tree: SupplyTree, course: readonly NightStretch[]): number {
  const minutes = course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  const packA = course.reduce((sum, stretch) => {
    const { packA: amps } = operate(tree, 0.5, stretch.mean);
    return sum + (Number.isFinite(amps) ? amps : 1) * (stretch.minutes / minutes);
  }, 0);
  const lostA = (pack.capacityMah / 1000) * (pack.selfDischargeAMonth / HOURS_A_MONTH);
  return pack.capacityMah / 1000 / Math.max(1e-9, packA + lostA);
}

/** Steps fine enough for the answer to be good to a half per cent, coarse enough for a slider. */
export function chooseStepS(tree: SupplyTree, course: readonly NightStretch[]): number {
  const { source } = tree;
  if (source.kind !== 'pack' || course.length === 0) return 600;
  return Math.max(5, (plainHours(source.pack, tree, course) * 3600) / 180);
}

/**
 * Runs an evening down: the course of stretches again and again, state of charge integrated step by step, its own loss
 * in it, until the pack is empty, the cell cuts off, a converter drops out, a peak resets a board, or the lights have
 * faded. No horizon cuts it short; on an outside supply it goes on. An evening without stretches goes on too.
 */
export function runNight(
  tree: SupplyTree,
  course: readonly NightStretch[],
  options: { readonly stepS: number; readonly keepSamples?: boolean },
): NightRun {
  const { stepS, keepSamples = true } = options;
  const samples: NightSample[] = [];
  let [charge, atH, drawnMah, drawnWh] = [1, 0, 0, 0];
  const { source } = tree;
  const given = course.filter((stretch) => stretch.minutes > 0);
  if (given.length === 0 || source.kind !== 'pack')
    return { hours: Number.POSITIVE_INFINITY, end: 'goes on', samples, drawnMah, drawnWh };
  const { pack } = source;
  const usualV = usualVoltages(tree);
  const shortestS = Math.min(...given.map((stretch) => stretch.minutes)) * 60;
  const steps = (plainHours(pack, tree, given) * 3600) / Math.min(stepS, shortestS);
  const stretches = steps > MOST_STEPS ? average(given, usualV) : given;
  const evening: Evening = { tree, pack, usualV, peaks: new Map() };
  const lostAnHour = pack.selfDischargeAMonth / HOURS_A_MONTH;

  let index = 0;
  let leftS = (stretches[0]?.minutes ?? 0) * 60;
  for (;;) {
    const stretch = stretches[index % stretches.length];
    if (!stretch) break;
    const operation = operate(tree, charge, stretch.mean);
    const end = findEnd(evening, charge, stretch, operation);
    if (end) return { hours: atH, end, samples, drawnMah, drawnWh };
    if (keepSamples) samples.push(takeSample(tree, { atH, charge, stretch, operation }));
    const spanS = stretches.length === 1 ? stepS : Math.min(stepS, leftS);
    const spanH = spanS / 3600;
    charge -= (countedCurrentA(pack, operation.packA) * 1000 * spanH) / pack.capacityMah + lostAnHour * spanH;
    drawnMah += operation.packA * 1000 * spanH;
    drawnWh += operation.packA * operation.packV * spanH;
    atH += spanH;
    leftS -= spanS;
    if (leftS <= 1e-9) {
      index += 1;
      leftS = (stretches[index % stretches.length]?.minutes ?? 0) * 60;
    }
  }
  return { hours: atH, end: 'empty', samples, drawnMah, drawnWh };
}

function takeSample(
  tree: SupplyTree,
  at: { atH: number; charge: number; stretch: NightStretch; operation: Operation },
): NightSample {
  const peak = operate(tree, at.charge, at.stretch.peak);
  const { packV, railV, packA } = at.operation;
  return {
    atH: at.atH,
    packV,
    peakV: peak.collapses ? 0 : peak.packV,
    railV,
    packA,
    charge: at.charge,
    moodId: at.stretch.moodId,
  };
}
