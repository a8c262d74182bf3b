let seed = 20_261_125;

/** Begins a row of random numbers anew. */
export function setSeed(wanted: number): void {
  seed = wanted;
}

/** A seeded random (mulberry32), so that an ordeal can be gone through again. */
export function random(): number {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
}

export const pick = <T>(list: readonly T[]): T => {
  const found = list[Math.floor(random() * list.length)];
  if (found === undefined) throw new Error('There is nothing to pick from');
  return found;
};

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
