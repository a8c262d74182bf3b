import { defineFormula } from '../units/index.ts';

/** Divider setting for so many marks on a ring. @example radius 62 mm, 27 marks: 14.4 mm */
export const chordOfRing = defineFormula({
  name: 'Divider setting for a ring',
  gives: { meaning: 'straight distance from mark to mark', kind: 'lengthMm' },
  symbols: {
    r: { meaning: 'radius', kind: 'lengthMm' },
    N: { meaning: 'marks', kind: 'count' },
  },
  form: '{c} = 2 · {r} · sin(180° / {N})',
  source: 'the chord, not the arc: dividers measure straight',
  reckon: ({ r, N }) => 2 * r * Math.sin(Math.PI / N),
});

/** How many lights a ring has room for. @example radius 62 mm, 10 mm apart: 38 */
export const ringRoom = defineFormula({
  name: 'Lights that a ring has room for',
  gives: { meaning: 'lights', kind: 'count' },
  symbols: {
    r: { meaning: 'radius', kind: 'lengthMm' },
    s: { meaning: 'least distance between centres', kind: 'lengthMm' },
  },
  form: '{n} = floor(180° / asin({s} / (2 · {r})))',
  source: 'the chord must not be shorter than the spacing',
  reckon: ({ r, s }) => (s >= 2 * r ? (s === 2 * r ? 2 : 1) : Math.floor(Math.PI / Math.asin(s / (2 * r)) + 1e-9)),
});

/** A mark on a ring: from the centre, first mark at the start angle, numbered the way the mood runs. */
export interface RingMark {
  /** From 1. */
  readonly number: number;
  /** Against the clock from the right. */
  readonly angleDeg: number;
  /** From the centre, to the right. */
  readonly xMm: number;
  /** From the centre, upward. */
  readonly yMm: number;
}

/**
 * Marks of a ring, each reckoned from the one datum so that no error adds up. Angles from the right, against the clock
 * as seen from the front; the back is its mirror image.
 */
export function markRing(options: {
  readonly radiusMm: number;
  readonly count: number;
  /** Of the first mark. */
  readonly startDeg: number;
  /** How they are numbered. */
  readonly clockwise: boolean;
  /** Seen from behind, so mirrored. */
  readonly back: boolean;
}): readonly RingMark[] {
  const { radiusMm, count, startDeg, clockwise, back } = options;
  return Array.from({ length: count }, (_, i) => {
    const turned = startDeg + ((clockwise ? -1 : 1) * 360 * i) / count;
    const angleDeg = (((back ? 180 - turned : turned) % 360) + 360) % 360;
    const radians = (angleDeg * Math.PI) / 180;
    return { number: i + 1, angleDeg, xMm: radiusMm * Math.cos(radians), yMm: radiusMm * Math.sin(radians) };
  });
}

/** How much a pitch grows when a flat grid is laid over a skin of this radius. @example 20 mm on 60 mm: 1.005 */
export function skinStretch(pitchMm: number, radiusMm: number): number {
  return (2 * radiusMm * Math.asin(Math.min(1, pitchMm / (2 * radiusMm)))) / pitchMm;
}

/** Lights on interleaved channels: light i on channel i mod k. */
export interface Interleave {
  /** Numbers of the lights on each. */
  readonly channels: readonly (readonly number[])[];
  /** Of a closed ring: the channels that are left out between the last light and the first; none where k divides n. */
  readonly missingAtSeam: readonly number[];
  /** Two channels swing, three and more run. */
  readonly showsDirection: boolean;
  /** Each channel has one colour only; null where the lights have no period of colours. */
  readonly pure: boolean | null;
}

/** @example 24 lights on 5 channels: 24 mod 5 = 4, so channel 4 is missing between lights 23 and 0 */
export function interleave(lights: number, channels: number, colourPeriod: number | null): Interleave {
  const left = lights % channels;
  return {
    channels: Array.from({ length: channels }, (_, channel) =>
      Array.from({ length: Math.ceil(Math.max(0, lights - channel) / channels) }, (_, i) => channel + i * channels),
    ),
    missingAtSeam: left === 0 ? [] : Array.from({ length: channels - left }, (_, i) => left + i),
    showsDirection: channels >= 3,
    pure: colourPeriod === null ? null : channels % colourPeriod === 0,
  };
}
