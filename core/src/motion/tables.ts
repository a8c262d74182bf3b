/** Levels are perceptual, 0…255; what leaves a channel is light, so each level passes this curve (exponent 2.2). */
export const gammaTable: Uint8Array = Uint8Array.from({ length: 256 }, (_, level) =>
  Math.round(255 * (level / 255) ** 2.2),
);

/** The curve the other way, finely: the level, of 65,535, that looks as bright as a light of 0…255 is. */
export const lookTable: Uint16Array = Uint16Array.from({ length: 256 }, (_, light) =>
  Math.round(65_535 * (light / 255) ** (1 / 2.2)),
);
