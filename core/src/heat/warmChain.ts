/** A body in a chain along which heat leaves: from the innermost to the outermost, and from that to the air. */
export interface WarmBody {
  /** Made in it. */
  readonly heatW: number;
  /** To the next body, or to the air. */
  readonly toNextKPerW: number;
  /** What it takes up for each kelvin. */
  readonly capacityJPerK: number;
}

/** Temperatures of a chain once they are even: each link carries the heat of all that lies within it. */
export function steadyChain(bodies: readonly WarmBody[], ambientC: number): readonly number[] {
  const flows = bodies.map((_, i) => bodies.slice(0, i + 1).reduce((sum, { heatW }) => sum + heatW, 0));
  const temperatures: number[] = new Array(bodies.length);
  let outsideC = ambientC;
  for (let i = bodies.length - 1; i >= 0; i -= 1) {
    outsideC += (flows[i] ?? 0) * (bodies[i]?.toNextKPerW ?? 0);
    temperatures[i] = outsideC;
  }
  return temperatures;
}

/** Steps into which a time is cut; each is solved with the heat that flows at its end, so that none overshoots. */
const STEPS = 800;

/**
 * Temperatures of a chain of bodies after a time, all of them beginning at that of the air. With an endless time what
 * they come to.
 * @example one body of 35 W·s/K behind 20 K/W (τ 700 s), 1 W, 700 s: 63.2 % of 20 K
 */
export function warmChain(bodies: readonly WarmBody[], ambientC: number, seconds: number): readonly number[] {
  if (!Number.isFinite(seconds)) return steadyChain(bodies, ambientC);
  const stepS = seconds / STEPS;
  const perK = bodies.map(({ capacityJPerK }) => capacityJPerK / stepS);
  const out = bodies.map(({ toNextKPerW }) => 1 / toNextKPerW);
  let above = bodies.map(() => 0);
  for (let step = 0; step < STEPS; step += 1) {
    // One row a body: what it takes up and gives on is what it makes and is given. Eliminated from the innermost outward.
    const diagonal: number[] = [];
    const right: number[] = [];
    bodies.forEach(({ heatW }, i) => {
      const given = i > 0 ? (out[i - 1] ?? 0) : 0;
      const factor = i > 0 ? given / (diagonal[i - 1] ?? 1) : 0;
      diagonal[i] = (perK[i] ?? 0) + (out[i] ?? 0) + given - factor * given;
      right[i] = heatW + (perK[i] ?? 0) * (above[i] ?? 0) + factor * (right[i - 1] ?? 0);
    });
    const next: number[] = new Array(bodies.length);
    for (let i = bodies.length - 1; i >= 0; i -= 1)
      next[i] = ((right[i] ?? 0) + (out[i] ?? 0) * (next[i + 1] ?? 0)) / (diagonal[i] ?? 1);
    above = next;
  }
  return above.map((kelvin) => ambientC + kelvin);
}
