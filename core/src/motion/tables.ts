/** Levels are perceptual, 0…255; what leaves a channel is light, so each level passes this curve (exponent 2.2). */
export const gammaTable: Uint8Array = Uint8Array.from({ length: 256 }, (_, level) =>
  Math.round(255 * (level / 255) ** 2.2),
);

/** The curve the other way, finely: the level, of 65,535, that looks as bright as a light of 0…255 is. */
export const lookTable: Uint16Array = Uint16Array.from({ length: 256 }, (_, light) =>
  Math.round(65_535 * (light / 255) ** (1 / 2.2)),
);

/** One raised cosine, 0 → 255 → 0 over 256 steps, closed by its first value so that neighbours can be mixed. */
export const breathTable: Uint8Array = Uint8Array.from({ length: 257 }, (_, i) =>
  Math.round(127.5 * (1 - Math.cos((2 * Math.PI * i) / 256))),
);
