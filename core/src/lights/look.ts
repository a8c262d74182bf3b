import { defineFormula } from '../units/index.ts';

/** The eye's answer to light is about this power of it (0.4 to 0.5). */
const EYE_POWER = 0.45;

/** How bright a share of full light looks (Stevens’ power law). @example half the light looks 0.73 as bright */
export const perceivedShare = defineFormula({
  name: 'How bright it looks',
  gives: { meaning: 'apparent brightness, of full', kind: 'fraction' },
  symbols: { x: { meaning: 'share of the light', kind: 'fraction' } },
  form: '{B} = {x} ^ 0.45',
  source: 'the eye answers to a power of the light, 0.4 to 0.5 (Stevens)',
  reckon: ({ x }) => x ** EYE_POWER,
});

/** Luminance weights of the three primaries of a screen (IEC 61966-2-1). A die has intensities of its own: use those. */
export const screenWeights = { red: 0.2126, green: 0.7152, blue: 0.0722 } as const;

/** Level of each light so that all look alike: the weakest at full, the others dimmed to its intensity. */
export function equalLook(intensities: readonly number[]): readonly number[] {
  const least = Math.min(...intensities);
  return intensities.map((intensity) => least / intensity);
}

/**
 * How many different steps are left of a fade from 0 to 255 after gamma and a cap, sent with this many bits.
 * Capping before the gamma throws most of them away.
 * @example gamma 2.2, cap 40 %, 8 bits: 35 steps with the cap first, 103 with it last; 12 bits 218 and 241
 */
export function fadeSteps(options: {
  /** Of the curve, about 2.2. */
  readonly gamma: number;
  /** Brightness that is never passed, 0 to 1. */
  readonly cap: number;
  /** Of the dimming. */
  readonly bits: number;
  /** The cap is applied before the curve. */
  readonly capFirst: boolean;
}): { readonly steps: number; readonly top: number } {
  const { gamma, cap, bits, capFirst } = options;
  const full = 2 ** bits - 1;
  const levels = Array.from({ length: 256 }, (_, i) =>
    Math.round(capFirst ? full * ((cap * i) / 255) ** gamma : cap * full * (i / 255) ** gamma),
  );
  return { steps: new Set(levels).size, top: levels[255] ?? 0 };
}
