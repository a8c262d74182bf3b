import type { Rails, RunCarries, RunDraft, RunLoad } from '../network/index.ts';
import { findPart, type Library } from '../parts/index.ts';
import { chooseFuse, fuseBand } from '../power/index.ts';
import { type Consumer, fullOf } from './consumers.ts';
import type { Switching } from './drive.ts';

/** What flows in a run follows from what feeds it and from what draws. */
interface LoadedBy {
  readonly library: Library;
  readonly rails: Rails;
  readonly switching: Switching;
  readonly byId: ReadonlyMap<string, Consumer>;
}

/** Part of what a tape takes that goes through a wire of its line; less than nothing goes back towards the board. */
export type LineShare = (runId: string, tapeId: string) => number;

/** The most that what feeds a rail can give: the least of what stands between its source and it. */
export function mostOfRail(input: LoadedBy, railId: string, isWithFuse: boolean): number {
  const { rails, library } = input;
  let most = Number.POSITIVE_INFINITY;
  let rail = rails.byId.get(railId);
  // Amperes are told of on this side of a converter: further back they are others.
  for (; rail; rail = rail.fromId === null ? undefined : rails.byId.get(rail.fromId)) {
    const { gives } = rail;
    if (gives.form === 'converter') return Math.min(most, gives.part?.outputLimitA ?? most);
    if (gives.form === 'contact') {
      most = Math.min(most, findPart(library, 'switch', gives.item.part)?.limitA ?? most);
      continue;
    }
    if (gives.form === 'changeover') {
      most = Math.min(most, gives.part?.limitA ?? most);
      continue;
    }
    const limitA = gives.form === 'cells' ? gives.part?.steadyLimitA : gives.part?.limitA;
    const plug = findPart(library, 'plug', gives.item.plug);
    most = Math.min(most, limitA ?? most, plug?.contactLimitA ?? most);
    if (isWithFuse && gives.item.fuseA !== null) most = Math.min(most, gives.item.fuseA);
  }
  return most;
}

/** The source that feeds a rail with nothing between that limits: null behind a converter, whose output does. */
function sourceBehind(rails: Rails, railId: string): string | null {
  for (let rail = rails.byId.get(railId); rail; ) {
    if (rail.gives.form === 'converter') return null;
    if (rail.fromId === null) return rail.id;
    rail = rails.byId.get(rail.fromId);
  }
  return null;
}

/** What the fuse of a pack lets through for good: the maker’s own, else the one that would suit. 0 where none is wanted. */
function fuseOfSource(input: LoadedBy, sourceId: string | null, fullInto: (railId: string) => number | null): number {
  const rail = sourceId === null ? undefined : input.rails.byId.get(sourceId);
  if (!rail || (rail.gives.form !== 'cells' && rail.gives.form !== 'outside')) return 0;
  const { fuseA } = rail.gives.item;
  if (fuseA !== null) return fuseA;
  const fullA = fullInto(rail.id);
  if (rail.gives.form === 'outside' || fullA === null) return 0;
  const { bestA, leastA } = chooseFuse(fullA, Number.POSITIVE_INFINITY);
  return Math.min(mostOfRail(input, rail.id, false), bestA ?? leastA);
}

/** What is known of the currents already. */
interface Known {
  /** Of everything at full, into a rail; null where it collapses. */
  readonly fullInto: (railId: string) => number | null;
  /** As moods are set. */
  readonly peakInto: (railId: string) => number | null;
  readonly peaks: ReadonlyMap<string, number>;
  readonly lineShare: LineShare;
}

/** What one run must bear, and what flows in it: its own, and behind a pack’s fuse whatever that lets through. */
export function loadOfRun(input: LoadedBy, run: RunDraft, known: Known): RunLoad {
  const own = ownLoadOf(input, run, known);
  if (own.carryA === null) return own;
  return { ...own, carryA: Math.max(own.carryA, fuseOfSource(input, own.sourceId, known.fullInto)) };
}

/** The same by what it feeds alone. */
function ownLoadOf(input: LoadedBy, run: RunDraft, known: Known): RunLoad {
  const { rails, switching } = input;
  const { carries } = run;
  if (carries === null) return { carryA: null, peakA: null, railV: 5, sourceId: null };
  const voltsOf = (railId: string | null): number =>
    (railId === null ? undefined : rails.byId.get(railId)?.range?.nominalV) ?? 5;
  if (carries.kind === 'node') return loadOfNode(input, carries, known, voltsOf);
  if (carries.kind === 'charge') {
    return {
      carryA: carries.amps,
      peakA: carries.amps,
      railV: 5,
      sourceId: sourceBehind(rails, carries.railId),
    };
  }
  if (carries.kind === 'lights') {
    const driven = switching.driven.find((each) => each.itemId === carries.itemId);
    const { brightestA, mostA } = driven?.corners ?? { brightestA: 0, mostA: 0 };
    // One among others may take more than its share; many together do not.
    const peakA = Math.max(brightestA, mostA * carries.lights);
    // Legs are thin by nature: a resistor at their beginning, a pin or a driver guards them, and no gauge.
    return { carryA: peakA, peakA, railV: voltsOf(driven?.railId ?? null), sourceId: null };
  }
  return loadOfItems(input, run.id, carries, known, voltsOf);
}

/** What flows in the lead of a rail. */
function loadOfNode(
  input: LoadedBy,
  carries: Extract<RunCarries, { kind: 'node' }>,
  known: Known,
  voltsOf: (railId: string | null) => number,
): RunLoad {
  const { rails } = input;
  const from = carries.fromId ?? rails.byId.get(carries.railId)?.fromId ?? null;
  const fused = from === null ? Number.POSITIVE_INFINITY : mostOfRail(input, from, true);
  const asked = known.fullInto(carries.railId);
  const carryA = Math.min(fused, fuseBand.reckon({ I: asked ?? fused }));
  return {
    carryA: Number.isFinite(carryA) ? carryA : (asked ?? 0),
    // What a fuse or the source itself lets through at most: a mood above its ceiling is told of there.
    peakA: Math.min(known.peakInto(carries.railId) ?? asked ?? fused, fused),
    railV: voltsOf(from),
    sourceId: from === null ? null : sourceBehind(rails, from),
  };
}

/** What flows in a run that some items are fed by. */
function loadOfItems(
  input: LoadedBy,
  runId: string,
  carries: Extract<RunCarries, { kind: 'line' | 'items' }>,
  known: Known,
  voltsOf: (railId: string | null) => number,
): RunLoad {
  const itemIds = carries.kind === 'line' ? carries.tapeIds : carries.itemIds;
  const own = itemIds.flatMap((id) => input.byId.get(id) ?? []);
  const railId = own[0]?.railId ?? null;
  // What goes out and what goes back only ever take from each other while both are lit.
  const through = (ampsOf: (consumer: Consumer) => number): number => {
    const parts = own.map(
      (each) =>
        ampsOf(each) *
        (carries.kind === 'line' ? known.lineShare(runId, each.id) * (carries.part ?? 1) : carries.share),
    );
    const [out, back] = [1, -1].map((way) => parts.reduce((sum, part) => sum + Math.max(0, way * part), 0));
    return Math.max(out ?? 0, back ?? 0);
  };
  const fullA = through((each) => each.restA + each.steadyPeakA + fullOf(each, 'peak'));
  const peakA = through((each) => known.peaks.get(each.id) ?? 0);
  const most = railId === null ? Number.POSITIVE_INFINITY : mostOfRail(input, railId, true);
  return {
    carryA: Math.min(fullA, most),
    peakA,
    railV: voltsOf(railId),
    sourceId: railId === null ? null : sourceBehind(input.rails, railId),
  };
}
