/**
 * What red, green and blue of a point have in common: the part that a white die gives in their place.
 * @param at of its first byte in the frame
 */
export const whiteOf = (frame: Uint8Array, at: number): number =>
  Math.min(frame[at] ?? 0, frame[at + 1] ?? 0, frame[at + 2] ?? 0);
