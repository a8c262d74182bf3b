import { distanceMm, type GuideItem, type PlacedGroup, type PlanPoint, type Purchase } from '../items/index.ts';
import {
  boreForGuidesMm,
  type Emitter,
  type Guided,
  lightEmitter,
  PIXEL_MCD,
  pixelEmitter,
  reckonGuided,
} from '../lights/index.ts';
import type { Driven } from '../network/index.ts';
import { findPart, type GuidePart, type Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** A light over which guides begin. */
interface GuideSource {
  readonly groupId: string;
  /** Its number in the group, counted from 0. */
  readonly light: number;
  readonly name: string;
}

/** One hole in which guides end. */
interface GuideEnd {
  readonly id: string;
  readonly at: PlanPoint;
  /** Numbers of the sources whose light comes out here. */
  readonly from: readonly number[];
  /** Of each guide that ends here. */
  readonly lengthMm: number;
  readonly intensityMcd: number;
}

/** Light guides as they come to be: what they gather, what they lose, which light serves which hole. */
export interface GuideAssessment {
  readonly item: GuideItem;
  readonly part: GuidePart;
  /** In all. */
  readonly guides: number;
  /** Gathered before one light. */
  readonly atMouth: number;
  /** The bore that takes what is gathered before one light, with play. */
  readonly boreMm: number;
  /** The hole that takes what ends in it, with play. */
  readonly holeMm: number;
  readonly sources: readonly GuideSource[];
  /** Lights that are named and not there. */
  readonly gone: number;
  /** The light that it was reckoned with: the first; null while there is none. */
  readonly emitter: Emitter | null;
  /** With the mean length; null while nothing shines into them or nothing is gathered. */
  readonly guided: Guided | null;
  readonly ends: readonly GuideEnd[];
  /** Of all guides together. */
  readonly metres: number;
}

/** Guides lie in curves and are trimmed when they are in: so much more than the straight way, and so much besides. */
const SLACK = 1.15;
const TRIM_MM = 30;

function lightAt(
  placed: readonly PlacedGroup[],
  { groupId, light }: GuideItem['lights'][number],
): (GuideSource & { readonly group: PlacedGroup }) | null {
  const group = placed.find(({ id }) => id === groupId);
  if (!group || light > group.places.length) return null;
  const name = group.places.length > 1 ? `${group.name} ${light}` : group.name;
  return { groupId, light: light - 1, name, group };
}

/** A light of a group as a guide sees it, at the current that it is driven with. */
function emitterOf(group: PlacedGroup, driven: readonly Driven[], item: GuideItem): Emitter {
  const own = driven.find((each) => each.itemId === group.id);
  const share = own ? own.corners.currentA / Math.max(1e-6, own.ratedCurrentA) : 1;
  const typical =
    group.shape === 'lights' ? lightEmitter(group.part, group.part.intensityMcd * share) : pixelEmitter(PIXEL_MCD);
  return {
    ...typical,
    widthMm: item.dieMm ?? typical.widthMm,
    halfAngleDeg: item.halfAngleDeg ?? typical.halfAngleDeg,
  };
}

function reckon(
  item: GuideItem,
  part: GuidePart,
  placed: readonly PlacedGroup[],
  driven: readonly Driven[],
): GuideAssessment {
  const found = item.lights.map((each) => lightAt(placed, each));
  const sources = found.flatMap((each) => (each ? [each] : []));
  const isBundle = item.gather === 'bundle';
  const guides = item.ends.length * item.perEnd;
  const atMouth = isBundle ? guides : item.perEnd;
  const lengthOf = (at: PlanPoint): number =>
    item.lengthMm ?? Math.ceil(distanceMm(item.at, at) * SLACK + item.skinMm + TRIM_MM);
  const lengths = item.ends.map(({ at }) => lengthOf(at));
  const emitter = sources[0] ? emitterOf(sources[0].group, driven, item) : null;
  const along = (lengthMm: number): Guided | null =>
    emitter && guides > 0
      ? reckonGuided({
          guides: atMouth,
          ends: isBundle ? item.ends.length : 1,
          lamps: isBundle ? sources.length : 1,
          emitter,
          gapMm: item.gapMm,
          filled: item.filled,
          lengthMm,
          part,
        })
      : null;
  const everyLamp = sources.map((_, i) => i);
  return {
    item,
    part,
    guides,
    atMouth,
    boreMm: boreForGuidesMm(atMouth, part.diameterMm),
    holeMm: boreForGuidesMm(item.perEnd, part.diameterMm),
    sources: sources.map(({ groupId, light, name }) => ({ groupId, light, name })),
    gone: found.filter((each) => each === null).length,
    emitter,
    guided: along(lengths.reduce((sum, each) => sum + each, 0) / Math.max(1, lengths.length)),
    ends: item.ends.map(({ id, at }, i) => ({
      id,
      at,
      from: isBundle ? everyLamp : everyLamp.filter((source) => source === i % Math.max(1, sources.length)),
      lengthMm: lengths[i] ?? 0,
      intensityMcd: along(lengths[i] ?? 0)?.endMcd ?? 0,
    })),
    metres: (lengths.reduce((sum, each) => sum + each, 0) * item.perEnd) / 1000,
  };
}

/** Every group of light guides of a design whose part is known. */
export const assessGuides = (
  design: Pick<Design, 'items'>,
  library: Library,
  placed: readonly PlacedGroup[],
  driven: readonly Driven[],
): readonly GuideAssessment[] =>
  design.items.flatMap((item) => {
    if (!('ends' in item)) return [];
    const part = findPart(library, 'guide', item.part);
    return part ? [reckon(item, part, placed, driven)] : [];
  });

/** What is bought of guides, by the metre. */
export const buyGuides = (guides: readonly GuideAssessment[]): Purchase[] =>
  guides.map(({ part, metres, item, guides: count }) => ({
    name: part.name,
    quantity: metres,
    unit: 'm',
    unitPrice: part.price,
    forWhat: `${item.name}: ${count} guides`,
  }));
