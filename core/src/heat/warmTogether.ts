/** A body in a chain along which heat leaves: from the innermost to the outermost, and from that to the air. */
export interface WarmBody {
  /** Made in it. */
  readonly heatW: number;
  /** To the next body, or to the air. */
  readonly toNextKPerW: number;
  /** What it takes up for each kelvin. */
  readonly capacityJPerK: number;
}

/** Bodies from the innermost to the outermost, as often as such a part stands in the same air. */
export interface WarmChain {
  readonly bodies: readonly WarmBody[];
  readonly count: number;
}

/** Air that is closed in, and warmed by all that stands in it. */
export interface ClosedAir {
  readonly toRoomKPerW: number;
  readonly capacityJPerK: number;
}

/** How warm all is at one time. */
export interface WarmMoment {
  /** The air that the chains stand in. */
  readonly airC: number;
  /** Each chain, from its innermost body to its outermost. */
  readonly chainsC: readonly (readonly number[])[];
}

/** Steps from one time to the next; each is solved with the heat that flows at its end, so that none overshoots. */
const STEPS = 60;

/** Temperatures above the room, while they are stepped. */
interface Above {
  airK: number;
  readonly chainsK: readonly number[][];
}

/**
 * One chain over one step, from its innermost body outward: what it would come to is `base + share · air` for its
 * outermost body, and `diagonal` and `right` are what is left to put back in.
 */
function eliminate(bodies: readonly WarmBody[], before: readonly number[], stepS: number) {
  const diagonal: number[] = [];
  const right: number[] = [];
  bodies.forEach(({ heatW, toNextKPerW, capacityJPerK }, i) => {
    const given = i > 0 ? 1 / (bodies[i - 1]?.toNextKPerW ?? 1) : 0;
    const factor = i > 0 ? given / (diagonal[i - 1] ?? 1) : 0;
    // Without end nothing is taken up any more: the step is then the steady state.
    const perK = capacityJPerK / stepS;
    diagonal[i] = perK + 1 / toNextKPerW + given - factor * given;
    right[i] = heatW + perK * (before[i] ?? 0) + factor * (right[i - 1] ?? 0);
  });
  return { diagonal, right };
}

function step(chains: readonly WarmChain[], air: ClosedAir | null, above: Above, stepS: number): void {
  const solved = chains.map(({ bodies }, i) => eliminate(bodies, above.chainsK[i] ?? [], stepS));
  if (air) {
    const perK = air.capacityJPerK / stepS;
    let [diagonal, right] = [perK + 1 / air.toRoomKPerW, perK * above.airK];
    chains.forEach(({ bodies, count }, i) => {
      const last = bodies.length - 1;
      const out = 1 / (bodies[last]?.toNextKPerW ?? 1);
      const own = solved[i]?.diagonal[last] ?? 1;
      diagonal += count * out * (1 - out / own);
      right += (count * out * (solved[i]?.right[last] ?? 0)) / own;
    });
    above.airK = right / diagonal;
  }
  chains.forEach(({ bodies }, i) => {
    const kelvin = above.chainsK[i];
    let outside = above.airK;
    for (let j = bodies.length - 1; kelvin && j >= 0; j -= 1) {
      const out = 1 / (bodies[j]?.toNextKPerW ?? 1);
      outside = ((solved[i]?.right[j] ?? 0) + out * outside) / (solved[i]?.diagonal[j] ?? 1);
      kelvin[j] = outside;
    }
  });
}

/**
 * How warm parts are after each of the times (s, rising; the last may be without end), all of them beginning at the
 * temperature of the room: in closed air that they warm together, or in the open (null).
 * @example one body of 35 W·s/K behind 20 K/W (τ 700 s), 1 W, 700 s: 63.2 % of 20 K
 */
export function warmTogether(
  chains: readonly WarmChain[],
  air: ClosedAir | null,
  roomC: number,
  timesS: readonly number[],
): readonly WarmMoment[] {
  const above: Above = { airK: 0, chainsK: chains.map(({ bodies }) => bodies.map(() => 0)) };
  let nowS = 0;
  return timesS.map((timeS) => {
    if (timeS > nowS) {
      const steps = Number.isFinite(timeS) ? STEPS : 1;
      const stepS = (timeS - nowS) / steps;
      for (let i = 0; i < steps; i += 1) step(chains, air, above, stepS);
      nowS = timeS;
    }
    return {
      airC: roomC + above.airK,
      chainsC: above.chainsK.map((bodies) => bodies.map((kelvin) => roomC + kelvin)),
    };
  });
}
