import { lookTable } from './tables.ts';

/** The light, 0…255, whose look is nearest to a level of 65,535; the lower one where two are as near. */
function lightOf(look: number): number {
  let [low, high] = [0, 255];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((lookTable[middle] ?? 0) < look) low = middle + 1;
    else high = middle;
  }
  if (low === 0) return 0;
  const [below, above] = [lookTable[low - 1] ?? 0, lookTable[low] ?? 0];
  return look - below <= above - look ? low - 1 : low;
}

/** How much of each frame there is at a moment of a fade, of 256; together never more than a whole frame. */
export interface FadeShares {
  /** Left of the mood that goes, of 256. */
  readonly out256: number;
  /** Reached by the one that comes, of 256. */
  readonly in256: number;
}

/**
 * Mixes two frames byte by byte. One that keeps the current mixes the light, which goes in a straight line and the
 * current with it; one that keeps the look mixes what the eye makes of it, and draws less on the way.
 */
export function crossFade(
  from: Uint8Array,
  to: Uint8Array,
  { out256, in256 }: FadeShares,
  keepsLook: boolean,
  out: Uint8Array,
): void {
  for (let i = 0; i < out.length; i += 1) {
    const [a, b] = [from[i] ?? 0, to[i] ?? 0];
    out[i] = keepsLook
      ? lightOf(((lookTable[a] ?? 0) * out256 + (lookTable[b] ?? 0) * in256) >>> 8)
      : (a * out256 + b * in256 + 128) >> 8;
  }
}
