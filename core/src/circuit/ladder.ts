/** A tape's two rails as one ladder: a load at each pixel, resistance between neighbours, one or more feeds. */
export interface Ladder {
  readonly supplyV: number;
  /** Resistance from load i to load i + 1, out and back. */
  readonly stepOhm: ArrayLike<number>;
  /** What each load draws at its full voltage. */
  readonly loadA: ArrayLike<number>;
  readonly feeds: readonly { readonly at: number; readonly leadOhm: number }[];
  /** Loads draw in full above this and fall in proportion below it. */
  readonly fullAboveV: number;
}

export interface LadderSolution {
  readonly voltageV: Float64Array;
  readonly totalA: number;
}

const LEAST_OHM = 1e-6;

/**
 * Voltage at every pixel and the whole current. The node equations are tridiagonal, so each pass takes time linear
 * in the pixels (Thomas algorithm); falling-off loads are conductances below their knee, and passes repeat until
 * no voltage moves by more than a nanovolt.
 */
export function solveLadder(ladder: Ladder): LadderSolution {
  const n = ladder.loadA.length;
  const voltageV = new Float64Array(n).fill(ladder.supplyV);
  const diagonal = new Float64Array(n);
  const right = new Float64Array(n);
  const upper = new Float64Array(n);
  for (let pass = 0; pass < 60; pass += 1) {
    assemble(ladder, voltageV, { diagonal, right, upper });
    const moved = eliminate({ diagonal, right, upper }, voltageV);
    if (moved < 1e-9) break;
  }
  const totalA = ladder.feeds.reduce(
    (sum, feed) => sum + (ladder.supplyV - (voltageV[feed.at] ?? ladder.supplyV)) / Math.max(LEAST_OHM, feed.leadOhm),
    0,
  );
  return { voltageV, totalA };
}

interface Equations {
  readonly diagonal: Float64Array;
  readonly right: Float64Array;
  readonly upper: Float64Array;
}

function assemble(ladder: Ladder, voltageV: Float64Array, { diagonal, right, upper }: Equations): void {
  diagonal.fill(0);
  right.fill(0);
  for (let i = 0; i < diagonal.length; i += 1) {
    const load = ladder.loadA[i] ?? 0;
    const isFull = (voltageV[i] ?? 0) >= ladder.fullAboveV;
    if (isFull) right[i] = (right[i] ?? 0) - load;
    else diagonal[i] = (diagonal[i] ?? 0) + load / ladder.fullAboveV;
    const step = i + 1 < diagonal.length ? 1 / Math.max(LEAST_OHM, ladder.stepOhm[i] ?? 0) : 0;
    upper[i] = -step;
    diagonal[i] = (diagonal[i] ?? 0) + step;
    if (i + 1 < diagonal.length) diagonal[i + 1] = step;
  }
  for (const feed of ladder.feeds) {
    const lead = 1 / Math.max(LEAST_OHM, feed.leadOhm);
    diagonal[feed.at] = (diagonal[feed.at] ?? 0) + lead;
    right[feed.at] = (right[feed.at] ?? 0) + lead * ladder.supplyV;
  }
}

/** Solves in place; returns the greatest change of any voltage. The matrix is symmetric, so `upper` is `lower` too. */
function eliminate({ diagonal, right, upper }: Equations, voltageV: Float64Array): number {
  const n = diagonal.length;
  for (let i = 1; i < n; i += 1) {
    const factor = (upper[i - 1] ?? 0) / (diagonal[i - 1] ?? 1);
    diagonal[i] = (diagonal[i] ?? 0) - factor * (upper[i - 1] ?? 0);
    right[i] = (right[i] ?? 0) - factor * (right[i - 1] ?? 0);
  }
  let moved = 0;
  for (let i = n - 1; i >= 0; i -= 1) {
    const next = i + 1 < n ? (upper[i] ?? 0) * (voltageV[i + 1] ?? 0) : 0;
    const solved = ((right[i] ?? 0) - next) / (diagonal[i] ?? 1);
    moved = Math.max(moved, Math.abs(solved - (voltageV[i] ?? 0)));
    voltageV[i] = solved;
  }
  return moved;
}
