import { currentsOfTaps, solveLadder } from '../circuit/index.ts';
import type { PlacedGroup, PlacedPlain } from '../items/index.ts';
import { railsOhm } from '../items/index.ts';
import {
  type Driven,
  extraFeeds,
  pieceRunId,
  pieceStarts,
  type Rails,
  runOhm,
  type WireRun,
} from '../network/index.ts';
import { leadOfPlain } from './wired.ts';

/** How a plain tape fades along its way with all of it lit. */
export interface TapeFade {
  readonly itemId: string;
  /** Of its brightest unit the dimmest gets so much of the current. */
  readonly leastShare: number;
  /** First light of that one, counted from 1. */
  readonly dimmestLight: number;
  /** It is seen at a glance. */
  readonly isSeen: boolean;
  /** It lies at the far end, not between two feeds. */
  readonly isFarEnd: boolean;
}

/** Of its brightest unit a plain tape may lose so much along its way before it is seen at a glance. */
export const EVEN_SHARE = 0.8;

/** The fade of every plain tape that is lit; nothing of those whose supply is not known. */
export function listFades(
  placed: readonly PlacedGroup[],
  driven: readonly Driven[],
  runs: readonly WireRun[],
  rails: Rails,
): readonly TapeFade[] {
  const runOf = new Map(runs.map((run) => [run.id, run]));
  return placed.flatMap((group): TapeFade[] => {
    if (group.shape !== 'units' || group.cut.lights === 0) return [];
    const own = driven.filter((each) => each.itemId === group.id);
    const [first] = own;
    const lead = leadOfPlain(group, own, runOf);
    const railV = first?.railId == null ? undefined : rails.byId.get(first.railId)?.range?.nominalV;
    if (!first || !lead || railV === undefined) return [];
    const units = lead.taps.length / own.length;
    const amps = currentsOfTaps(lead, first.hubV(railV));
    const ofUnit = Array.from({ length: units }, (_, unit) =>
      own.reduce((sum, _each, channel) => sum + (amps[channel * units + unit] ?? 0), 0),
    );
    const [least, most] = [Math.min(...ofUnit), Math.max(...ofUnit)];
    const dimmest = ofUnit.indexOf(least);
    return most <= 0
      ? []
      : [
          {
            itemId: group.id,
            leastShare: least / most,
            isSeen: least / most < EVEN_SHARE,
            dimmestLight: dimmest * group.part.lightsPerJoint + 1,
            isFarEnd: dimmest === units - 1,
          },
        ];
  });
}

/**
 * How what a plain tape takes goes through its feeds, and on from piece to piece, as shares of all of it: units of like
 * current in a network of resistances.
 * @param leadOhmOf of a feed, out and back; before the leads are sized they are taken for nothing
 */
export function sharesOfPlain(group: PlacedPlain, runs: readonly WireRun[]): ReadonlyMap<string, number> {
  const { id, part, pieces, cut } = group;
  const runOf = new Map(runs.map((run) => [run.id, run]));
  const units = cut.lights / part.lightsPerJoint;
  const extra = extraFeeds(group);
  const starts = pieceStarts(pieces).map((light) => light / part.lightsPerJoint);
  const stepOhm = Array.from({ length: units + 1 }, (_, unit) => {
    const piece = starts.indexOf(unit + 1);
    return railsOhm(part, part.lightsPerJoint) + (piece > 0 ? runOhm(runOf.get(pieceRunId(id, piece - 1))) : 0);
  });
  const known = [{ light: 0, runId: `feed:${id}` }, ...extra];
  const loadA = stepOhm.map((_, unit) => (unit < units ? 1 / units : 0));
  const half = stepOhm.map((ohm) => ohm / 2);
  const feeds = known.map(({ light, runId }) => ({
    at: light / part.lightsPerJoint,
    rail: 'both' as const,
    leadOhm: runOhm(runOf.get(runId)) / 2,
  }));
  const feedA =
    known.length === 1
      ? [1]
      : solveLadder({ supplyV: 0, plusOhm: half, minusOhm: half, loadA, feeds, fullAboveV: Number.NEGATIVE_INFINITY })
          .feedA;
  /** What flows on before a unit: what has come in up to there, less what was taken. */
  const flowBefore = (unit: number): number =>
    known.reduce((sum, { light }, f) => sum + (light / part.lightsPerJoint < unit ? (feedA[f] ?? 0) : 0), 0) -
    unit / units;
  return new Map([
    ...known.map(({ runId }, f): [string, number] => [runId, feedA[f] ?? 0]),
    ...starts.slice(1).map((unit, piece): [string, number] => [pieceRunId(id, piece), flowBefore(unit)]),
  ]);
}
