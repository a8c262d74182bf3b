import { defineFormula } from '../units/index.ts';

/** How much the light on a diffuser still swells from emitter to emitter. @example as deep as the pitch: 0.027 of the mean */
export const firstHarmonic = defineFormula({
  name: 'Ripple of an endless row behind a diffuser',
  gives: { meaning: 'contrast (greatest − least) / (greatest + least), nearly', kind: 'fraction' },
  symbols: {
    h: { meaning: 'depth from light to diffuser', kind: 'lengthMm' },
    p: { meaning: 'pitch of the lights', kind: 'lengthMm' },
  },
  form: '{c} ≈ 2 · (1 + 2π·{h}/{p}) · exp(−2π·{h}/{p})',
  source: 'first harmonic of the sum over cosine emitters, h² / (h² + x²)²; good to 1 % from a depth of half the pitch',
  reckon: ({ h, p }) => {
    const k = (2 * Math.PI * h) / p;
    return 2 * (1 + k) * Math.exp(-k);
  },
});

/** Neighbours counted on each side; the next one adds less than a part in a million at any depth asked here. */
const REACH = 400;

/** Illuminance at a place on the diffuser over a row from light `from` to light `to`, in units of one light straight above. */
function rowAt(xMm: number, options: { depthMm: number; pitchMm: number; from: number; to: number }): number {
  const { depthMm, pitchMm, from, to } = options;
  let sum = 0;
  for (let i = from; i <= to; i += 1) {
    const distance2 = depthMm * depthMm + (xMm - i * pitchMm) ** 2;
    sum += depthMm ** 4 / (distance2 * distance2);
  }
  return sum;
}

/**
 * Contrast of an endless row of cosine emitters behind a thin diffuser: greatest over a light, least between two.
 * @example depth 0.8 of the pitch: 7.90 %
 */
export function rippleOf(depthMm: number, pitchMm: number): number {
  const row = { depthMm, pitchMm, from: -REACH, to: REACH };
  const [most, least] = [rowAt(0, row), rowAt(pitchMm / 2, row)];
  return (most - least) / (most + least);
}

/** Brightness over the end light of a row against its middle. @example depth = pitch: 0.81 */
export function endShare(depthMm: number, pitchMm: number): number {
  return rowAt(0, { depthMm, pitchMm, from: 0, to: REACH }) / rowAt(0, { depthMm, pitchMm, from: -REACH, to: REACH });
}

/** Brightness along the diffuser from the end of a row, as shares of the greatest: for drawing. */
export function profileOf(options: {
  /** From the lights to the diffuser. */
  readonly depthMm: number;
  /** From light to light. */
  readonly pitchMm: number;
  /** How many there are. */
  readonly lights: number;
  /** How many are reckoned along it. */
  readonly points: number;
}): readonly { readonly xMm: number; readonly share: number }[] {
  const { depthMm, pitchMm, lights, points } = options;
  const lengthMm = (lights - 1) * pitchMm;
  const found = Array.from({ length: points }, (_, i) => {
    const xMm = -pitchMm + ((lengthMm + 2 * pitchMm) * i) / (points - 1);
    return { xMm, share: rowAt(xMm, { depthMm, pitchMm, from: 0, to: lights - 1 }) };
  });
  const most = Math.max(...found.map((point) => point.share));
  return found.map((point) => ({ ...point, share: point.share / most }));
}

/** Least depth over pitch for a ripple of at most this. @example 8 %: 0.798; 3 %: 0.982 */
export function depthOverPitchFor(ripple: number): number {
  let [low, high] = [0.02, 6];
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (rippleOf(middle, 1) > ripple) low = middle;
    else high = middle;
  }
  return high;
}

/** Peak contrast sensitivity of the eye at a dim indoor scene (typical; bright daylight is two or three times keener). */
const PEAK_SENSITIVITY = 100;

/**
 * Contrast that the eye just sees at a spatial frequency (cycles a degree): the inverse of the sensitivity curve of
 * Mannos and Sakrison, 2.6·(0.0192 + 0.114 f)·exp(−(0.114 f)^1.1), scaled to the peak sensitivity.
 */
export function contrastThreshold(cyclesPerDegree: number): number {
  const x = 0.114 * cyclesPerDegree;
  const relative = 2.6 * (0.0192 + x) * Math.exp(-(x ** 1.1));
  return 1 / (PEAK_SENSITIVITY * Math.max(1e-9, relative));
}

const cyclesPerDegree = (pitchMm: number, distanceM: number): number =>
  1 / ((Math.atan(pitchMm / (distanceM * 1000)) * 180) / Math.PI);

/** True where the dots of a row can be told apart from this far. */
export const areDotsSeen = (ripple: number, pitchMm: number, distanceM: number): boolean =>
  ripple > contrastThreshold(cyclesPerDegree(pitchMm, distanceM));

/** From how far the dots are no longer seen, in metres; 0 where they can't be seen from anywhere. */
export function dotsVanishFromM(ripple: number, pitchMm: number): number {
  let farthest = 0;
  for (let exponent = -1; exponent <= 3; exponent += 0.01) {
    const distanceM = 10 ** exponent;
    if (areDotsSeen(ripple, pitchMm, distanceM)) farthest = distanceM;
  }
  return farthest;
}

/** Distance from which a pitch is one arc-minute, in metres: the eye's limit for points of full contrast. */
export const arcMinuteDistanceM = (pitchMm: number): number => pitchMm / 1000 / Math.tan(Math.PI / 180 / 60);

/** Common diffusers with the share of the light that they let through (typical). */
export const diffusers: Readonly<Record<string, readonly [least: number, most: number]>> = {
  none: [1, 1],
  'opal acrylic, 3 mm': [0.5, 0.6],
  'baking parchment': [0.7, 0.8],
  'white cloth, single': [0.5, 0.7],
  'printed white shell, 1.2 mm': [0.3, 0.5],
  'hot-melt glue over a bundle': [0.6, 0.8],
};
