import type { Assessment } from '../assess.ts';
import { forwardVoltageV, type LedCurve } from '../circuit/index.ts';
import { beforeConverter, leadOf } from '../findings/index.ts';
import { LIGHT_SHARE } from '../heat/index.ts';
import {
  converterTakesA,
  distanceMm,
  dotPitchMm,
  type Item,
  type ItemOf,
  isLinear,
  itemsOf,
  railsOhm,
} from '../items/index.ts';
import { DIODE_V, type Driven, feedsOfChain, runOhm, type WireRun } from '../network/index.ts';
import { chemistries, findPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { drawAt, sourceAt } from '../power/index.ts';
import type { Printer } from '../units/index.ts';
import { type Answer as FullAnswer, showInput } from './answer.ts';
import { type AnsweredField, hasSum, sumOfField } from './fieldNames.ts';
import type { Value } from './inputs.ts';
import { findSum } from './list.ts';
import type { QuickSum } from './sum.ts';

/** The plan that a field is a part of. */
interface InPlan<I extends Item = Item> {
  readonly item: I;
  readonly design: Design;
  readonly assessment: Assessment;
}

/** What is read of an answer. */
type Answer = Pick<FullAnswer, 'results' | 'values'>;

type Given = Readonly<Record<string, Value>>;

/** How a sum is asked out of a plan, and what of its answer goes back. */
interface Asking {
  /** By its inputs, in base units; null while the plan does not say enough. What is left out is taken as usual. */
  readonly given: (plan: InPlan) => Given | null;
  /** In base units; null where it has none. Left out where a sum only explains. */
  readonly back?: (answer: Answer) => number | null;
}

/** The item is of the kind that the field is of. */
const of = <K extends Item['kind']>(
  given: (plan: InPlan<ItemOf<K>>) => Given | null,
  back?: Asking['back'],
): Asking => ({
  // Fields are looked up by the kind of their item.
  given: (plan) => given(plan as unknown as InPlan<ItemOf<K>>),
  ...(back ? { back } : {}),
});

const figureOf =
  (key: string) =>
  ({ results }: Answer): number | null => {
    const found = results.find((each) => each.key === key);
    return found?.form === 'figure' ? found.value : null;
  };

const typed =
  (key: string) =>
  ({ values }: Answer): number | null => {
    const value = values[key];
    return typeof value === 'number' ? value : null;
  };

const drivenOf = ({ assessment, item }: InPlan): Driven | undefined =>
  assessment.driven.find(({ itemId }) => itemId === item.id);

/** Three readings hold a curve: its slope, its place and its resistance. */
const readingsOf = (curve: LedCurve, currentA: number): readonly (readonly [number, number])[] =>
  [currentA / 20, currentA, 2 * currentA].map((each) => [each, forwardVoltageV(curve, each)] as const);

function askResistor(plan: InPlan<ItemOf<'light'>>): Given | null {
  const driven = drivenOf(plan);
  if (!driven || driven.loop.heldA !== null) return null;
  const { feed, hung, forwardV, ratedCurrentA, loop } = driven;
  const { wantedCurrentA, resistorRatedW } = plan.item;
  return {
    // What is lost in the switch is none of the resistor's.
    supplyV: feed.nominalV - feed.dropV,
    forwardV: null,
    readings: readingsOf(loop.curve, wantedCurrentA),
    currentA: wantedCurrentA,
    count: hung.inSeries,
    lights: hung.sideBySide,
    sharing: hung.sideBySide > 1 ? 'one shared resistor' : 'one resistor each',
    sinksToV: feed.leastV - feed.dropV,
    risesToV: feed.mostV - feed.dropV,
    forwardSpreadV: forwardV.spread,
    ratedA: ratedCurrentA,
    ratingW: resistorRatedW,
    sourceOhm: feed.seriesOhm / hung.sideBySide,
  };
}

function askString(plan: InPlan<ItemOf<'light'>>): Given | null {
  const driven = drivenOf(plan);
  if (!driven || driven.loop.heldA !== null) return null;
  const { feed, forwardV, ratedCurrentA, loop, hung } = driven;
  const { wantedCurrentA } = plan.item;
  return {
    freshV: feed.mostV - feed.dropV,
    nominalV: feed.nominalV - feed.dropV,
    spentV: feed.leastV - feed.dropV,
    forwardV: null,
    readings: readingsOf(loop.curve, wantedCurrentA),
    currentA: wantedCurrentA,
    ratedA: ratedCurrentA,
    spreadV: forwardV.spread,
    sourceOhm: feed.seriesOhm * hung.inSeries,
  };
}

/** Lights that take turns in rows: with what they carry, what stands over those that are dark, and the drop of the lowest. */
function askGrid(plan: InPlan<ItemOf<'light'>>): Given | null {
  const driven = drivenOf(plan);
  const { scan, resistor, loop, corners, forwardV, feed } = driven ?? {};
  if (!driven || !scan || !loop || !corners || !feed || scan.layout.lines.some(({ kind }) => kind === 'shared pin'))
    return null;
  const dropV = forwardVoltageV(loop.curve, 0.02);
  const diodeV = scan.hasDiodes ? DIODE_V : 0;
  return {
    rows: scan.layout.turns,
    columns: scan.layout.atOnce,
    peakA: corners.currentA,
    brightestA: corners.mostA,
    darkS: (1 - scan.litOfTurn) / (scan.layout.turns * scan.picturesPerS),
    ratedA: scan.ratedA,
    picturesPerS: scan.picturesPerS,
    lowV: dropV - (forwardV?.spread ?? 0),
    highV: dropV,
    supplyV: feed.nominalV,
    idle: 'rows low, columns high',
    // Held lower than the row by what stands over a dark light, less a diode behind it; let go, nothing stands over it.
    columnsAtV: feed.nominalV - Math.max(0, scan.acrossOffV - diodeV),
    ...(resistor ? { columnOhm: Math.max(1e-3, resistor.resistorOhm) } : {}),
    by: scan.driver ? 'a part of its own' : 'a program',
  };
}

function askJunction(plan: InPlan<ItemOf<'light'>>): Given | null {
  const driven = drivenOf(plan);
  const warm = plan.assessment.warm.parts.find(({ itemId, what }) => itemId === plan.item.id && what === 'light');
  if (!driven || !warm || warm.heatW <= 0) return null;
  // What is judged by its heat is judged where it gets the most.
  const { mostA: currentA } = driven.corners;
  return {
    currentA,
    voltageV: forwardVoltageV(driven.loop.curve, currentA),
    lightShare: LIGHT_SHARE,
    // Inside to its board, then its heatsink, or all of the way as it is now.
    thermalKPerW: [(warm.forGood.insideC - warm.airC) / warm.heatW],
    ambientC: warm.airC,
    limitC: warm.limitC,
    onForS: plan.item.litS ?? null,
  };
}

/** Lights behind a sheet: as densely as they lie. */
const askDiffuser = (plan: InPlan): Given | null => {
  const { item, assessment } = plan;
  const group = assessment.placed.find(({ id }) => id === item.id);
  if (!group || group.shape === 'lights') return null;
  const depthMm = 'diffuserMm' in item ? item.diffuserMm : undefined;
  return { perMetre: 1000 / dotPitchMm(group.part), ...(depthMm === undefined ? {} : { depthMm }) };
};

/** Single lights behind a sheet: as far apart as each lies from its nearest, on the mean. */
function askDots({ item }: InPlan<ItemOf<'light'>>): Given | null {
  const nearest = item.places.map((place) =>
    Math.min(...item.places.filter((each) => each !== place).map((each) => distanceMm(place.at, each.at))),
  );
  const apartMm = nearest.reduce((sum, each) => sum + each, 0) / Math.max(1, nearest.length);
  if (item.places.length < 2 || apartMm <= 0) return null;
  return { perMetre: 1000 / apartMm, ...(item.diffuserMm === undefined ? {} : { depthMm: item.diffuserMm }) };
}

function askCount({ item, assessment }: InPlan): Given | null {
  const group = assessment.placed.find(({ id }) => id === item.id);
  if (!group || group.shape === 'lights') return null;
  return { routeMm: group.routeMm, perMetre: group.part.perMetre, lightsPerJoint: group.part.lightsPerJoint };
}

function askPlain({ item, assessment }: InPlan<ItemOf<'plain tape'>>): Given | null {
  const { library, driven, placed, supplies, rails, runs } = assessment;
  const part = findPart(library, 'plain-tape', item.part);
  const group = placed.find(({ id }) => id === item.id);
  const railId = driven.find(({ itemId }) => itemId === item.id)?.railId ?? null;
  const rail = railId === null ? undefined : rails.byId.get(railId);
  const supply = supplies.find((each) => each.rail.id === rail?.sourceId) ?? assessment.supply;
  if (!part || !group || group.shape === 'lights') return null;
  // What all that the supply gives goes through; the leads to other things are none of the tape's.
  const limitA = Math.min(
    ...(supply?.links ?? []).filter(({ id }) => id !== 'wire' && id !== 'tape').map((link) => link.limitA),
  );
  return {
    powerPerMetreW: item.powerPerMetreW?.likely ?? part.powerPerMetreW,
    lengthMm: group.routeMm,
    voltageV: part.voltageV,
    colours: part.colours,
    ...(part.id.startsWith('plain-tape-') ? { tape: part.id.replace('plain-tape-', '') } : {}),
    ...(rail?.range ? { feedV: rail.range.nominalV } : {}),
    leadOhm: runOhm(runs.find(({ id }) => id === `feed:${item.id}`)),
    ...(supply ? { sourceOhm: sourceAt(supply.tree.source, 0.5).ohm } : {}),
    ...(Number.isFinite(limitA) ? { supplyA: limitA } : {}),
  };
}

/** A tape that is fed alone and lit all along, as it stands at the height of the moods; others are no even tape. */
function askFeeds({ item, assessment }: InPlan<ItemOf<'pixel tape'>>): Given | null {
  const placed = assessment.placed.find((each) => each.id === item.id);
  const chain = assessment.chains.find(({ tapeIds }) => tapeIds.includes(item.id));
  if (placed?.shape !== 'pixels' || !chain || chain.tapeIds.length > 1 || chain.railV <= 0) return null;
  const { lights } = placed.cut;
  if (lights === 0 || placed.lit < lights || placed.pieces.length > 1) return null;
  const { perMetre } = placed.part;
  const feeds = feedsOfChain([placed]);
  return {
    lengthMm: (lights * 1000) / perMetre,
    perMetre,
    pixelA: chain.askedA / lights,
    supplyV: chain.railV,
    railOhmPerMetre: railsOhm(placed.part, 1) * perMetre,
    feeds: feeds.map(({ light }) => ((Math.min(light, lights - 1) + 0.5) * 1000) / perMetre),
    leadsOhm: feeds.map(({ runId }) => runOhm(assessment.runs.find(({ id }) => id === runId))),
    fullAboveV: chain.wantsV,
    wantedV: chain.wantsV,
  };
}

function askFuse({ item, assessment }: InPlan): Given | null {
  const supply = assessment.supplies.find(({ rail }) => rail.id === item.id);
  if (!supply || !Number.isFinite(supply.mostA) || supply.mostA <= 0) return null;
  const { steadyA, shortA, guarded } = leadOf(supply, assessment);
  // What a supply from outside gives at most needs no fuse to guard it.
  const { gives } = supply.rail;
  const mostA = gives.form === 'outside' ? (gives.part?.limitA ?? Number.POSITIVE_INFINITY) : Number.POSITIVE_INFINITY;
  const weakestA = Math.min(...guarded.map(({ limitA }) => limitA).filter((limitA) => limitA < mostA));
  const fuseA = 'fuseA' in item ? item.fuseA : null;
  return {
    steadyA,
    shortA,
    ...(Number.isFinite(weakestA) ? { weakestA } : {}),
    ...(fuseA === null ? {} : { fuseA }),
  };
}

const partOfPack = ({ item, assessment }: InPlan<ItemOf<'pack'>>) => findPart(assessment.library, 'pack', item.part);

function askRunTime(plan: InPlan<ItemOf<'pack'>>): Given | null {
  const { item, assessment, design } = plan;
  const part = partOfPack(plan);
  const supply = assessment.supplies.find(({ rail }) => rail.id === item.id);
  if (!part || !supply) return null;
  const capacityMah = (item.capacityMah ?? part.capacityMah).likely;
  const { cellsInSeries, resistanceOhm, chemistry } = part;
  return {
    capacityMah,
    chemistry,
    series: cellsInSeries,
    packOhm: resistanceOhm.likely,
    ratedH: capacityMah / 1000 / part.ratedCurrentA,
    // What the evening takes out of this very pack, on the mean.
    ...(supply.runsFor && supply.runsFor.likelyH > 0
      ? { loadA: supply.runsFor.drawnMah / 1000 / supply.runsFor.likelyH }
      : {}),
    ...(part.restV ? { atRest: part.restV } : {}),
    ...(part.resistanceOver ? { overCharge: part.resistanceOver } : {}),
    ...(part.rateExponent === undefined ? {} : { rateExponent: part.rateExponent }),
    ambientC: design.piece.ambientC,
    leastV: part.cutOffV,
    wantedH: design.piece.hoursWanted,
  };
}

function askCharge(plan: InPlan<ItemOf<'pack'>>): Given | null {
  const part = partOfPack(plan);
  if (!part) return null;
  const { item, design, assessment } = plan;
  // Its lead ends at the pack or behind it; nowhere said, at the only one there is.
  const charger = itemsOf(design, 'charger').find(
    ({ feed }) => assessment.rails.byId.get(feed ?? item.id)?.sourceId === item.id,
  );
  const chargerPart = charger && findPart(assessment.library, 'charger', charger.part);
  const capacityMah = (item.capacityMah ?? part.capacityMah).likely;
  const own = assessment.railFigures.find(({ id }) => id === item.id);
  return {
    capacityMah,
    chemistry: part.chemistry,
    // Half of its capacity in an hour suits nearly all that may be charged.
    chargerA: chargerPart ? chargerPart.chargeA : capacityMah / 2000,
    ...(item.charging === 'in place, while it runs' && own ? { loadA: own.usualA } : {}),
  };
}

function askPacks(plan: InPlan<ItemOf<'pack'>>): Given | null {
  const { item, assessment, design } = plan;
  const part = partOfPack(plan);
  const runs = assessment.supplies.find(({ rail }) => rail.id === item.id)?.runsFor ?? assessment.runsFor;
  if (!part || !runs || runs.cautiousH <= 0) return null;
  return {
    eventH: design.piece.hoursWanted,
    cautiousH: runs.cautiousH,
    likelyH: runs.likelyH,
    nominalV: chemistries[part.chemistry].nominalV * part.cellsInSeries,
    chemistry: part.chemistry,
    capacityMah: (item.capacityMah ?? part.capacityMah).likely,
  };
}

/** A load that starts on a rail that no converter holds: what is there without it, and what lies before it. */
function askStart({ item, assessment }: InPlan<ItemOf<'load'>>): Given | null {
  const part = findPart(assessment.library, 'load', item.part);
  const railId = assessment.rails.feedOf(item);
  const supply = assessment.supplies.find(({ tree }) => tree.nodes.some(({ id }) => id === railId));
  if (!part || !supply) return null;
  const { tree, atStart, atPeak, reserve, links } = supply;
  let ohm = sourceAt(tree.source, reserve).ohm;
  for (let i = tree.nodes.findIndex(({ id }) => id === railId); i >= 0; i = tree.nodes[i]?.parent ?? -1) {
    if (tree.nodes[i]?.converter) return null;
    ohm += tree.nodes[i]?.ohm ?? 0;
  }
  const node = tree.nodes.findIndex(({ id }) => id === railId);
  const stallA = Math.max((item.startA ?? part.startA).likely, (item.mostA ?? part.mostA).likely);
  const now = atStart ?? atPeak;
  const railV = now.nodes[node]?.outV;
  if (railV === undefined || stallA <= 0 || !Number.isFinite(now.packA)) return null;
  const limitA = links.find(({ id }) => id === 'cell')?.limitA;
  return {
    supplyV: railV + stallA * ohm,
    stallA,
    sourceOhm: ohm,
    // Seen from where the load hangs, with what is lost on the way to the controller.
    leastV: Math.max(
      0,
      ...tree.nodes.flatMap(({ brownOutV, converter }, i) =>
        brownOutV > 0 && converter === null ? [brownOutV + railV - (now.nodes[i]?.outV ?? railV)] : [],
      ),
    ),
    otherA: Math.max(0, now.packA - stallA),
    ...(limitA !== undefined && Number.isFinite(limitA) ? { limitA } : {}),
  };
}

/** A converter at the height of the evening with the reserve left: there it asks for the most. */
function askConverter({ item, assessment }: InPlan<ItemOf<'converter'>>): Given | null {
  const part = findPart(assessment.library, 'converter', item.part);
  const warm = assessment.warm.parts.find(({ itemId, what }) => itemId === item.id && what === 'converter');
  const supply = assessment.supplies.find(({ tree }) => tree.nodes.some(({ id }) => id === item.id));
  if (!part || !supply) return null;
  const { tree, atPeak, peak } = supply;
  const node = tree.nodes.findIndex(({ id }) => id === item.id);
  const before = beforeConverter(supply, node);
  const now = atPeak.nodes[node];
  // Where it collapses nothing is solved: then by what hangs on it, at half of the open voltage, where a source gives most.
  const outputA = now ? now.outA : drawAt(peak[node], part.outputV);
  const inputV = now ? now.inV : before.openV / 2;
  const inputA = now ? now.inA : converterTakesA(part, outputA, inputV);
  if (outputA <= 0) return null;
  return {
    ...before,
    outputV: part.outputV,
    outputA,
    ...(isLinear(part)
      ? { ownA: part.idleA }
      : { efficiency: Math.min(1, (part.outputV * outputA) / Math.max(1e-9, inputV * inputA)) }),
    inputLimitA: part.inputLimitA,
    inputLeastV: part.inputLeastV,
    kind: isLinear(part) ? 'linear' : 'switching',
    ...(warm ? { ambientC: warm.airC } : {}),
  };
}

function askGate({ item, assessment }: InPlan<ItemOf<'light gate'>>): Given | null {
  const part = findPart(assessment.library, 'transistor', item.part);
  const railId = assessment.rails.feedOf(item);
  const range = railId === null ? null : (assessment.rails.byId.get(railId)?.range ?? null);
  if (!part || !range) return null;
  const loadA = assessment.driven
    .filter((each) => assessment.switched.get(each.itemId)?.[0]?.by?.id === item.id)
    .reduce((sum, { totalA }) => sum + totalA, 0);
  return {
    supplyV: range.nominalV,
    supplySpread: Math.max(range.mostV - range.nominalV, range.nominalV - range.leastV) / range.nominalV,
    pullUpOhm: item.pullUpOhm,
    microampsPerLux: item.microampsPerLux * 1e-6,
    thresholdV: part.thresholdV,
    fullOnV: part.gateV,
    onOhm: part.onOhm,
    darkLux: item.darkLux,
    brightLux: item.brightLux,
    ...(loadA > 0 ? { loadA } : {}),
  };
}

function askDivider({ item, assessment }: InPlan<ItemOf<'light sensor'>>): Given | null {
  const sensing = assessment.sensing.find((each) => each.kind === 'light' && each.control.id === item.id);
  return {
    darkOhm: item.darkOhm,
    lightOhm: item.lightOhm,
    ...(sensing?.kind === 'light'
      ? {
          fixedOhm: sensing.design.fixedOhm,
          supplyV: sensing.chip.nominalV,
          referenceV: sensing.referenceV,
          bits: sensing.board.part.converterBits,
        }
      : {}),
  };
}

function askPackSense({ item, assessment }: InPlan<ItemOf<'charge sense'>>): Given | null {
  const sensing = assessment.sensing.find((each) => each.kind === 'charge' && each.control.id === item.id);
  if (sensing?.kind !== 'charge') return null;
  const { design, board, chip, fullV, emptyV, steadyFromV, sense } = sensing;
  const isFixed = Number.isFinite(steadyFromV);
  return {
    fullV,
    emptyV,
    alarmV: sense.lowV,
    source: isFixed ? 'fixed' : 'the pack itself',
    ...(isFixed && steadyFromV > 0 ? { steadyFromV } : {}),
    upperOhm: design.upperOhm,
    lowerOhm: design.lowerOhm,
    bits: board.part.converterBits,
    // Without one of its own a converter reads by the chip's supply.
    referenceV: board.part.converterReferenceV ?? chip.nominalV,
  };
}

function askMagnet({ item, assessment }: InPlan<ItemOf<'switch'>>): Given | null {
  const part = findPart(assessment.library, 'switch', item.part);
  if (!item.magnet || !part?.magnetic) return null;
  const { diameterMm, thicknessMm, remanenceMt, wallMm } = item.magnet;
  return { diameterMm, thicknessMm, remanenceMt, wallMm, ...part.magnetic };
}

/** The longest line of pixels of a board, beside all else that its loop does. */
function askData({ item, assessment }: InPlan<ItemOf<'board'>>): Given | null {
  const { dataLines, placed, programs, rails } = assessment;
  const [longest] = dataLines
    .filter(({ board }) => board?.id === item.id)
    .sort((a, b) => b.line.frameS - a.line.frameS);
  const tape = placed.find(({ id }) => id === longest?.tapeId);
  const program = programs.find(({ board }) => board.id === item.id);
  if (!longest || tape?.shape !== 'pixels' || !program) return null;
  const { part, tape: first } = tape;
  const { loop } = program;
  return {
    pixels: longest.line.pixels,
    dice: part.dice,
    supplyV: rails.byId.get(rails.feedOf(first) ?? '')?.range?.nominalV ?? part.ratedVoltageV,
    logicV: program.board.part.logicV,
    framesPerS: loop.framesPerS,
    workS: loop.computeS + loop.senseS + loop.sendS - longest.line.frameS,
    bitS: part.bitPeriodUs * 1e-6,
    latchS: part.latchUs * 1e-6,
    memory: loop.memoryOf,
  };
}

/** What is gathered before the first light of guides. */
function askBundle({ item, assessment }: InPlan<ItemOf<'guide'>>): Given | null {
  const guide = assessment.guides.find((each) => each.item.id === item.id);
  if (!guide?.emitter || guide.atMouth === 0) return null;
  const { atMouth, emitter, part, sources } = guide;
  return {
    fibres: atMouth,
    fibreMm: part.diameterMm,
    dieMm: emitter.widthMm,
    halfAngleDeg: emitter.halfAngleDeg,
    aperture: part.numericalAperture,
    gapMm: item.gapMm,
    lamps: item.gather === 'bundle' ? sources.length : 1,
    filled: item.filled ? 'yes' : 'no',
  };
}

const asked: Readonly<Record<AnsweredField, Asking>> = {
  'light.resistorOhm': of<'light'>(askResistor, figureOf('resistorOhm')),
  'light.inSeries': of<'light'>(askString, figureOf('bestCount')),
  'light.switchedBy.rows': of<'light'>(askGrid, typed('rows')),
  'light.forwardV': of<'light'>(
    ({ item }): Given =>
      item.forwardV ? { readings: [[item.wantedCurrentA, item.forwardV.likely]], atA: [item.wantedCurrentA] } : {},
  ),
  'light.sinkKPerW': of<'light'>(askJunction),
  'light.diffuserMm': of<'light'>(askDots, typed('depthMm')),
  'pixel tape.diffuserMm': of<'pixel tape'>(askDiffuser, typed('depthMm')),
  'plain tape.diffuserMm': of<'plain tape'>(askDiffuser, typed('depthMm')),
  'pixel tape.lengthMm': of<'pixel tape'>(askCount, typed('routeMm')),
  'plain tape.lengthMm': of<'plain tape'>(askPlain, typed('lengthMm')),
  'pixel tape.feedsAt': of<'pixel tape'>(askFeeds),
  'guide.gapMm': of<'guide'>(askBundle, figureOf('gapMm')),
  'pack.fuseA': of<'pack'>(askFuse, figureOf('fuseA')),
  'outside supply.fuseA': of<'outside supply'>(askFuse, figureOf('fuseA')),
  'pack.capacityMah': of<'pack'>(askRunTime, typed('capacityMah')),
  'pack.charging': of<'pack'>(askCharge),
  'pack.spares': of<'pack'>(askPacks, (answer) => {
    const packs = figureOf('packs')(answer);
    return packs === null ? null : Math.max(0, packs - 1);
  }),
  'load.startA': of<'load'>(askStart, typed('stallA')),
  'converter.part': of<'converter'>(askConverter),
  'board.part': of<'board'>(askData),
  'light gate.pullUpOhm': of<'light gate'>(askGate, typed('pullUpOhm')),
  'light sensor.darkOhm': of<'light sensor'>(askDivider, typed('darkOhm')),
  'charge sense.lowV': of<'charge sense'>(askPackSense, typed('alarmV')),
  'switch.magnet.wallMm': of<'switch'>(askMagnet, typed('wallMm')),
};

/** A sum as it is asked out of a field of a plan. */
export interface AskedOfField {
  readonly sum: QuickSum;
  /** What the plan says, by the inputs of the sum, in base units. */
  readonly given: Given;
  /** What of its answer goes back into the field, in base units; null where it only explains. */
  readonly back: ((answer: Answer) => number | null) | null;
}

/** The sum of a field of an item, asked with what the plan says; null where the field has none, or the plan says too little yet. */
export function askOfField(field: string, plan: InPlan): AskedOfField | null {
  const key = `${plan.item.kind}.${field}`;
  if (!hasSum(key)) return null;
  const sum = findSum(sumOfField[key]);
  const { given, back } = asked[key];
  const said = given(plan);
  return sum && said ? { sum, given: said, back: back ?? null } : null;
}

/**
 * The sum of a wire of a plan, asked with what flows in it; null of one that carries a signal, or has no length yet. Its
 * thinnest gauge goes back.
 */
export function askOfRun(run: WireRun, { rails }: Pick<Assessment, 'rails'>): AskedOfField | null {
  const sum = findSum('wire');
  const { peakA, lengthMm, gaugeAwg, sourceId } = run;
  if (!sum || peakA === null || peakA <= 0 || lengthMm === null) return null;
  const supplyV = sourceId === null ? undefined : rails.byId.get(sourceId)?.range?.nominalV;
  const given = { currentA: peakA, lengthMm, gaugeAwg, ...(supplyV === undefined ? {} : { supplyV }) };
  return { sum, given, back: figureOf('thinnestAwg') };
}

/** What the card of such a sum begins with: what the plan says, and an example where the sum can't do without. */
export const textsOfField = ({ sum, given }: AskedOfField, printer: Printer): Record<string, string> =>
  Object.fromEntries(
    Object.entries(sum.inputs).flatMap(([key, input]): [string, string][] => {
      const value = given[key];
      if (value !== undefined) return [[key, showInput(sum, key, value, printer)]];
      return input.as === 'quantity' && input.needed ? [[key, showInput(sum, key, input.initial, printer)]] : [];
    }),
  );
