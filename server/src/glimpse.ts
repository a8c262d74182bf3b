import type { Assessment } from '@glimmer/core/assess';
import { paintFrame } from '@glimmer/core/motion';

/** One light of the small picture on the shelf. */
export interface GlimpseLight {
  readonly xMm: number;
  readonly yMm: number;
  /** As CSS has it. */
  readonly colour: string;
}

const MOST_LIGHTS = 300;
/** Far enough into a mood that a breath or a build-up is seen: this share of its round. */
const SEEN_AT = 0.4;
const UNLIT = '#ffe9c4';
/** What is darker than this against the brightest is left out. */
const LEAST_SEEN = 0.12;

/** Light, 0…1, to two figures of a screen's colour. */
const onScreen = (light: number): string =>
  Math.round(255 * Math.min(1, light) ** (1 / 2.2))
    .toString(16)
    .padStart(2, '0');

/** What a group shows in a frame, by the number of each light; those that are dark are left out. */
function lightsOf(
  group: Assessment['placed'][number],
  { groups }: Assessment['show'],
  frame: Uint8Array,
  brightest: number,
): (readonly [light: number, shown: GlimpseLight])[] {
  const row = groups.find((each) => each.id === group.id);
  // What no program drives is lit while its supply is.
  const plain = group.shape === 'lights' ? group.part.colour : UNLIT;
  const used = group.shape === 'pixels' ? group.places.slice(0, group.lit) : group.places;
  return used.flatMap((place, i): (readonly [number, GlimpseLight])[] => {
    if (!row || brightest === 0) return [[i, { ...place, colour: plain }]];
    const at = row.offset + (i % Math.max(1, row.points)) * row.bytesPerPoint;
    const bytes = [...frame.slice(at, at + row.bytesPerPoint)].map((byte) => byte / brightest);
    if (Math.max(...bytes) < LEAST_SEEN) return [];
    return [[i, { ...place, colour: row.bytesPerPoint === 3 ? `#${bytes.map(onScreen).join('')}` : plain }]];
  });
}

/**
 * The lights of a piece as its first mood shows them a little way in; all of them, in a plain colour, where it is dark. What
 * guides lead on is seen where they end.
 */
export function glimpseLights({ placed, show, guides }: Assessment): readonly GlimpseLight[] {
  const frame = new Uint8Array(show.frameBytes);
  const mood = show.moods[show.start];
  if (mood) paintFrame(show, show.start, Math.round(mood.throughMs * SEEN_AT), frame);
  const brightest = Math.max(0, ...frame);
  const own = new Map(
    placed.flatMap((group) =>
      lightsOf(group, show, frame, brightest).map(([light, shown]): [string, GlimpseLight] => [
        `${group.id} ${light}`,
        shown,
      ]),
    ),
  );
  const keyOf = ({ groupId, light }: (typeof guides)[number]['sources'][number]): string => `${groupId} ${light}`;
  const covered = new Set(guides.flatMap(({ sources }) => sources.map(keyOf)));
  const ends = guides.flatMap(({ sources, ends: holes }) =>
    holes.flatMap(({ at, from }) => {
      const [first] = from.flatMap((k) => (sources[k] ? (own.get(keyOf(sources[k])) ?? []) : []));
      return first ? [{ ...at, colour: first.colour }] : [];
    }),
  );
  const lights = [...[...own].flatMap(([key, light]) => (covered.has(key) ? [] : [light])), ...ends];
  const step = Math.max(1, Math.ceil(lights.length / MOST_LIGHTS));
  return lights.filter((_, i) => i % step === 0);
}
