/** Flashing at its worst: how often, and when it is seen. */
export interface Flashing {
  /** Over the fastest four flashes in a row; fewer than four within the time looked at count as they come. */
  readonly perS: number;
  /** From the first of these flashes to the last, in seconds since the mood began. */
  readonly fromS: number;
  /** When the busiest second ends. */
  readonly toS: number;
}

/** What is said of light that never flashes. */
export const noFlashing: Flashing = { perS: 0, fromS: 0, toS: 0 };

/** What change counts, and how bright the darker of the two may be. */
interface Change {
  readonly least: number;
  readonly darkBelow: number;
}
/** Of relative luminance: a tenth of full, where the darker is below 0.8 (WCAG 2.2, general flash). */
const generalFlash: Change = { least: 0.1, darkBelow: 0.8 };
/** Of (red − green − blue): 20 of 320, however bright (WCAG 2.2, red flash). */
export const redFlash: Change = { least: 20 / 320, darkBelow: Number.POSITIVE_INFINITY };
/** Four flashes in a row have three times between them. */
const SPACES = 3;

/** Times at which a flash ends: light that rose by as much as counts has fallen by as much. */
function endsOfFlashes(timesMs: readonly number[], lights: readonly number[], change: Change): number[] {
  const ends: number[] = [];
  let [low, high, isUp] = [lights[0] ?? 0, lights[0] ?? 0, false];
  lights.forEach((light, i) => {
    if (isUp) {
      high = Math.max(high, light);
      if (high - light >= change.least && light < change.darkBelow) {
        ends.push(timesMs[i] ?? 0);
        [isUp, low] = [false, light];
      }
    } else {
      low = Math.min(low, light);
      if (light - low >= change.least && low < change.darkBelow) [isUp, high] = [true, light];
    }
  });
  return ends;
}

/**
 * The fastest flashing in a series of light (shares of full light) that comes round after `periodMs`, or does not where
 * that is null.
 */
export function findFlashing(
  timesMs: readonly number[],
  lights: readonly number[],
  periodMs: number | null,
  change: Change = generalFlash,
): Flashing {
  // Two rounds, so that the series has settled: what ends in the second is what ends in each.
  const twice = (shiftMs: number): number[] => [...timesMs, ...timesMs.map((tMs) => tMs + shiftMs)];
  const ends =
    periodMs === null
      ? endsOfFlashes(timesMs, lights, change)
      : endsOfFlashes(twice(periodMs), [...lights, ...lights], change).filter((tMs) => tMs >= periodMs);
  if (ends.length === 0) return noFlashing;
  const rounds = periodMs === null ? 0 : Math.ceil(SPACES / ends.length);
  const all = [...ends];
  for (let round = 1; round <= rounds; round += 1) all.push(...ends.map((tMs) => tMs + round * (periodMs ?? 0)));
  let worst = noFlashing;
  const begin = periodMs ?? 0;
  for (let i = 0; i + SPACES < all.length; i += 1) {
    const [from, to] = [all[i] ?? 0, all[i + SPACES] ?? 0];
    const perS = (SPACES * 1000) / Math.max(1, to - from);
    if (perS > worst.perS) worst = { perS, fromS: (from - begin) / 1000, toS: (to - begin) / 1000 };
  }
  return worst;
}
