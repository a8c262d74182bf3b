import { type ClosedAir, hollowCapacity, hollowWalls, type WarmMoment, warmTogether } from '../heat/index.ts';
import { atATimeS, type PlacedLeds } from '../items/index.ts';
import type { Design } from '../plan/index.ts';
import { type HeatKnown, type HeatSource, listHeatSources } from './heatSources.ts';

/** How warm one part is so long after all was switched on. */
interface WarmTime {
  /** Without end: for good. */
  readonly seconds: number;
  readonly insideC: number;
  /** Where it is touched and held. */
  readonly outsideC: number;
}

/** What turns current to heat, with the temperatures that it comes to at the brightest corner. */
export interface WarmPart extends Pick<HeatSource, 'id' | 'itemId' | 'what' | 'name'> {
  /** The air round the piece. */
  readonly airC: number;
  /** In each. */
  readonly heatW: number;
  /** From cold, at the times of `WARM_TIMES_S`. */
  readonly course: readonly WarmTime[];
  /** After it was at work as long as the maker says at a time; for good where nothing is said. */
  readonly after: WarmTime;
  /** At work for good. */
  readonly forGood: WarmTime;
  /** What its inside bears. */
  readonly limitC: number;
  /** The box that it is closed in, where there is one. */
  readonly boxId: string | null;
}

/** A closed box whose air is warmed by what lies in it. */
export interface WarmBox {
  readonly boxId: string;
  readonly name: string;
  /** Of its air, at the times of `WARM_TIMES_S`. */
  readonly course: readonly { readonly seconds: number; readonly airC: number }[];
  /** Of its air, for good. */
  readonly airC: number;
  /** Of its walls outside, for good. */
  readonly wallC: number;
}

/** Everything warm, the hottest first. */
export interface Warmth {
  readonly parts: readonly WarmPart[];
  readonly boxes: readonly WarmBox[];
}

/** Times at which it is told how warm parts are; the last is without end. */
const WARM_TIMES_S: readonly number[] = [10, 30, 60, 120, 300, 600, 1200, 1800, 3600, 7200, Number.POSITIVE_INFINITY];

/** What each kind of part bears inside. */
export const bearsInsideC = {
  light: 120,
  resistor: 155,
  transistor: 125,
  driver: 125,
  converter: 125,
  regulator: 125,
  load: 90,
  glow: Number.POSITIVE_INFINITY,
} as const;
/** The air of a hollow that is not drawn, with the skin of its walls. */
const HOLLOW_J_PER_K = 60;
/** A part that rises by less is not told of. */
const LEAST_RISE_K = 3;
/** So much of what the air of a box rises by is left on the outside of its walls: as much lies behind as before them. */
const WALL_SHARE = 0.5;

type HollowBox = Extract<Design['hollows'][number], { kind: 'box' }>;
const wallsOf = ({ widthMm, heightMm, depthMm }: HollowBox) => ({ w: widthMm, h: heightMm, d: depthMm });

/** What a hollow holds back for the light that is closed in it, as typed or by the walls of its box; null in the open. */
export function hollowOf(
  { hollowKPerW, boxId }: Pick<PlacedLeds['group'], 'hollowKPerW' | 'boxId'>,
  { hollows }: Pick<Design, 'hollows'>,
): number | null {
  if (hollowKPerW !== undefined) return hollowKPerW;
  const box = hollows.find(({ id }) => id === boxId);
  return box?.kind === 'box' ? hollowWalls.reckon(wallsOf(box)) : null;
}

/** What stands in the same air. */
interface Standing {
  readonly box: HollowBox | null;
  readonly air: ClosedAir | null;
  readonly sources: HeatSource[];
}

/** What of a design says how warm its air is and what is closed in. */
type WarmDesign = Pick<Design, 'piece' | 'hollows' | 'items'>;

/** What the maker typed that a box holds back, at one of the lights in it: that holds for all that lies there. */
const typedIn = (box: HollowBox, items: Design['items']): number | undefined =>
  items.flatMap((item) =>
    'hollowKPerW' in item && item.boxId === box.id && item.hollowKPerW !== undefined ? [item.hollowKPerW] : [],
  )[0];

/** The air of a box, of a hollow that was only typed, or none: the open. */
const airOf = (box: HollowBox | null, typedKPerW: number | undefined, items: Design['items']): ClosedAir | null =>
  box
    ? {
        toRoomKPerW: typedIn(box, items) ?? hollowWalls.reckon(wallsOf(box)),
        capacityJPerK: hollowCapacity.reckon(wallsOf(box)),
      }
    : typedKPerW === undefined
      ? null
      : { toRoomKPerW: typedKPerW, capacityJPerK: HOLLOW_J_PER_K };

/** Gathers what stands in the same air: each box, each hollow that was only typed for its lights, and the open. */
function byAir(sources: readonly HeatSource[], { items, hollows }: WarmDesign): readonly Standing[] {
  const standings = new Map<string, Standing>();
  for (const source of sources) {
    const item = items.find(({ id }) => id === source.itemId);
    const typed = source.what === 'light' && item && 'hollowKPerW' in item ? item.hollowKPerW : undefined;
    const boxId = source.hollowId ?? (item && 'boxId' in item ? item.boxId : null);
    const box = hollows.find((each): each is HollowBox => each.kind === 'box' && each.id === boxId) ?? null;
    const key = box ? `box ${box.id}` : typed !== undefined ? `own ${source.itemId}` : 'open';
    const standing = standings.get(key) ?? { box, air: airOf(box, typed, items), sources: [] };
    standing.sources.push(source);
    standings.set(key, standing);
  }
  return [...standings.values()];
}

/** One part out of what its air came to, time by time. */
function partOf(
  { id, itemId, what, name, bodies }: HeatSource,
  boxId: string | null,
  roomC: number,
  runS: number,
  times: readonly WarmTime[],
): WarmPart {
  const at = (seconds: number): WarmTime =>
    times.find((each) => each.seconds === seconds) ?? { seconds, insideC: roomC, outsideC: roomC };
  return {
    id,
    itemId,
    what,
    name,
    boxId,
    airC: roomC,
    heatW: bodies.reduce((sum, { heatW }) => sum + heatW, 0),
    course: WARM_TIMES_S.map(at),
    after: at(runS),
    forGood: at(Number.POSITIVE_INFINITY),
    limitC: bearsInsideC[what],
  };
}

/** All that gets warm, and the boxes that it warms. */
export function reckonWarmth(design: WarmDesign, known: HeatKnown): Warmth {
  const { ambientC } = design.piece;
  const runOf = ({ itemId, worksWithId = itemId }: HeatSource): number => {
    const item = design.items.find(({ id }) => id === worksWithId);
    return (item && atATimeS(item)) ?? Number.POSITIVE_INFINITY;
  };
  const told = byAir(listHeatSources(design.items, known), design).map(({ box, air, sources }) => {
    const timesS = [...new Set([...WARM_TIMES_S, ...sources.map(runOf)])].sort((a, b) => a - b);
    const moments = warmTogether(sources, air, ambientC, timesS);
    const coursesOf = (index: number): WarmTime[] =>
      moments.map(({ chainsC }: WarmMoment, i) => {
        const chain = chainsC[index] ?? [];
        return {
          seconds: timesS[i] ?? 0,
          insideC: chain[0] ?? ambientC,
          outsideC: chain[chain.length - 1] ?? ambientC,
        };
      });
    const parts = sources.map((source, i) => partOf(source, box?.id ?? null, ambientC, runOf(source), coursesOf(i)));
    const course = moments
      .map(({ airC }, i) => ({ seconds: timesS[i] ?? 0, airC }))
      .filter(({ seconds }) => WARM_TIMES_S.includes(seconds));
    const airC = course[course.length - 1]?.airC ?? ambientC;
    const boxes: WarmBox[] = box
      ? [{ boxId: box.id, name: box.name, course, airC, wallC: ambientC + WALL_SHARE * (airC - ambientC) }]
      : [];
    return { parts, boxes };
  });
  return {
    parts: told
      .flatMap(({ parts }) => parts)
      .filter(
        ({ what, forGood, airC }) => what === 'light' || (what !== 'glow' && forGood.outsideC - airC >= LEAST_RISE_K),
      )
      .sort((a, b) => b.forGood.outsideC - a.forGood.outsideC),
    boxes: told.flatMap(({ boxes }) => boxes),
  };
}
