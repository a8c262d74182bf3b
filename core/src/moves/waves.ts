/** One raised cosine, 0 → 255 → 0 over 256 steps, closed by its first value so that neighbours can be mixed. */
export const breathTable: Uint8Array = Uint8Array.from({ length: 257 }, (_, i) =>
  Math.round(127.5 * (1 - Math.cos((2 * Math.PI * i) / 256))),
);

/** Where in its period a move stands, of 65,536. */
export const phaseOf = (tMs: number, periodMs: number): number => Math.trunc(((tMs % periodMs) * 65_536) / periodMs);

/** There and back: 0 → 65,534 → 0 over a period. */
export const triangle = (phase: number): number => (phase < 32_768 ? phase * 2 : (65_535 - phase) * 2);

/** A soft wave from 0 to 255 and back, by its phase of 65536 a turn: whole numbers, as the program has them. */
export const waveAt = (phase: number): number => {
  const [at, part] = [phase >> 8, phase & 255];
  return ((breathTable[at] ?? 0) * (256 - part) + (breathTable[at + 1] ?? 0) * part) >> 8;
};
