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

/** The lights of a piece as its first mood shows them a little way in; all of them, in a plain colour, where it is dark. */
export function glimpseLights({ placed, show }: Assessment): readonly GlimpseLight[] {
  const frame = new Uint8Array(show.frameBytes);
  const mood = show.moods[show.start];
  if (mood) paintFrame(show, show.start, Math.round(mood.throughMs * SEEN_AT), frame);
  const brightest = Math.max(0, ...frame);
  const lights = placed.flatMap((group): GlimpseLight[] => {
    const row = show.groups.find((each) => each.id === group.id);
    // What no program drives is lit while its supply is.
    const plain = group.shape === 'lights' ? group.part.colour : UNLIT;
    if (!row) return group.places.map((place) => ({ ...place, colour: plain }));
    return group.places.flatMap((place, i): GlimpseLight[] => {
      if (brightest === 0) return [{ ...place, colour: plain }];
      const at = row.offset + (i % Math.max(1, row.points)) * row.bytesPerPoint;
      const bytes = [...frame.slice(at, at + row.bytesPerPoint)].map((byte) => byte / brightest);
      if (Math.max(...bytes) < LEAST_SEEN) return [];
      return [{ ...place, colour: row.bytesPerPoint === 3 ? `#${bytes.map(onScreen).join('')}` : plain }];
    });
  });
  const step = Math.max(1, Math.ceil(lights.length / MOST_LIGHTS));
  return lights.filter((_, i) => i % step === 0);
}
