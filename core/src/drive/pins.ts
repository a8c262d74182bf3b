import type { ControllerPart, Pin, PinAbility } from '../parts/index.ts';

/** One thing that needs a pin. */
export interface PinDemand {
  /** Stable: locks name it. */
  readonly id: string;
  /** In the maker’s words. */
  readonly label: string;
  /** What the pin must be able to do. */
  readonly needs: PinAbility;
  /** A load must not hang on a pin that moves while the board starts. */
  readonly isLoad: boolean;
}

/** One demand with the pin that it was given. */
export interface PinGiven {
  readonly demand: PinDemand;
  readonly pin: Pin;
  /** The maker’s own choice. */
  readonly locked: boolean;
}

/** Which pin each demand is given; or why they don’t fit, with what could be given all the same. */
export type PinPlan =
  | { readonly ok: true; readonly given: readonly PinGiven[]; readonly free: readonly Pin[] }
  | {
      readonly ok: false;
      readonly given: readonly PinGiven[];
      /** In words, for the maker. */
      readonly reason: string;
      /** Those that want the same pins. */
      readonly clash: readonly PinDemand[];
    };

const NEVER = 1e9;

/** What it costs to spend a pin on a demand: scarce abilities are kept for those who need them. */
function costOf(demand: PinDemand, pin: Pin): number {
  if (!pin.can.includes(demand.needs)) return NEVER;
  const wasted = pin.can.length - 1;
  return 1 + wasted + (pin.startUp ? (demand.isLoad ? 200 : 20) : 0);
}

/**
 * Gives pins to demands at least total cost: shortest augmenting paths over the table of costs (Bellman–Ford), one
 * demand after another, so the result is the best there is and not merely a legal one. Locks are kept as they are.
 * Where no plan exists the smallest set of demands that compete for too few pins is named (Hall's condition).
 */
export function assignPins(
  controller: ControllerPart,
  demands: readonly PinDemand[],
  locks: readonly { readonly demand: string; readonly pin: string }[],
): PinPlan {
  const lockOf = new Map(locks.map((lock) => [lock.demand, lock.pin]));
  const wrong = findWrongLock(controller, demands, lockOf);
  if (wrong) return { ok: false, given: [], ...wrong };

  const lockedPins = new Set(demands.map((demand) => lockOf.get(demand.id)).filter((pin) => pin !== undefined));
  const cost = demands.map((demand) =>
    controller.pins.map((pin) => {
      const lock = lockOf.get(demand.id);
      if (lock !== undefined) return lock === pin.name ? 0 : NEVER;
      return lockedPins.has(pin.name) ? NEVER : costOf(demand, pin);
    }),
  );
  const pinOf = new Array<number>(demands.length).fill(-1);
  for (let row = 0; row < demands.length; row += 1) {
    const clash = augment(cost, pinOf, row);
    if (clash) return refuse(controller, demands, clash, pinOf, lockOf);
  }
  return {
    ok: true,
    given: listGiven(controller, demands, pinOf, lockOf),
    free: controller.pins.filter((_, i) => !pinOf.includes(i)),
  };
}

function findWrongLock(
  controller: ControllerPart,
  demands: readonly PinDemand[],
  lockOf: ReadonlyMap<string, string>,
): { reason: string; clash: PinDemand[] } | undefined {
  for (const demand of demands) {
    const name = lockOf.get(demand.id);
    if (name === undefined) continue;
    const pin = controller.pins.find((candidate) => candidate.name === name);
    if (!pin)
      return { reason: `${demand.label} is locked to pin ${name}, which this controller has not got`, clash: [demand] };
    if (!pin.can.includes(demand.needs))
      return {
        reason: `${demand.label} is locked to ${name}, which can’t ${abilityWords[demand.needs]}`,
        clash: [demand],
      };
    const twin = demands.find((other) => other.id !== demand.id && lockOf.get(other.id) === name);
    if (twin) return { reason: `${demand.label} and ${twin.label} are both locked to ${name}`, clash: [demand, twin] };
  }
  return undefined;
}

interface Search {
  readonly cost: readonly (readonly number[])[];
  readonly pinOf: readonly number[];
  /** Cheapest known way to each pin, and the row it comes from. */
  readonly best: number[];
  readonly from: number[];
  /** Rows reached so far, with what it costs to have them give up their pin. */
  readonly distance: Map<number, number>;
}

/** Tries all pins from one row; true if any way became cheaper. */
function relax(search: Search, row: number): boolean {
  const { cost, pinOf, best, from, distance } = search;
  const held = cost[row]?.[pinOf[row] ?? -1] ?? 0;
  const base = (distance.get(row) ?? 0) - held;
  let changed = false;
  for (const [pin, edge] of (cost[row] ?? []).entries()) {
    if (edge >= NEVER || base + edge >= (best[pin] ?? 0) - 1e-12) continue;
    best[pin] = base + edge;
    from[pin] = row;
    changed = true;
    const owner = pinOf.indexOf(pin);
    if (owner >= 0) distance.set(owner, base + edge);
  }
  return changed;
}

/** Adds one demand by the cheapest alternating path; returns the rows that block it where there is none. */
function augment(
  cost: readonly (readonly number[])[],
  pinOf: number[],
  start: number,
): ReadonlySet<number> | undefined {
  const pins = cost[0]?.length ?? 0;
  const search: Search = {
    cost,
    pinOf,
    best: new Array<number>(pins).fill(Number.POSITIVE_INFINITY),
    from: new Array<number>(pins).fill(-1),
    distance: new Map([[start, 0]]),
  };
  for (let changed = true; changed; ) {
    changed = [...search.distance.keys()].map((row) => relax(search, row)).some(Boolean);
  }
  const free = search.best.flatMap((cheapest, pin) =>
    Number.isFinite(cheapest) && !pinOf.includes(pin) ? [{ pin, cheapest }] : [],
  );
  const target = free.reduce<(typeof free)[number] | undefined>(
    (least, each) => (!least || each.cheapest < least.cheapest ? each : least),
    undefined,
  );
  if (!target) return new Set(search.distance.keys());
  for (let pin = target.pin; pin >= 0; ) {
    const row = search.from[pin] ?? -1;
    const before = pinOf[row] ?? -1;
    pinOf[row] = pin;
    pin = row === start ? -1 : before;
  }
  return undefined;
}

const abilityWords: Readonly<Record<PinAbility, string>> = {
  out: 'switch a load',
  in: 'read a switch',
  dimmed: 'dim',
  analog: 'read a voltage',
  data: 'send pixel data',
};

function refuse(
  controller: ControllerPart,
  demands: readonly PinDemand[],
  blocked: ReadonlySet<number>,
  pinOf: readonly number[],
  lockOf: ReadonlyMap<string, string>,
): PinPlan {
  const clash = demands.filter((_, i) => blocked.has(i));
  const wanted = new Set(clash.filter((demand) => !lockOf.has(demand.id)).map((demand) => demand.needs));
  const able = controller.pins.filter((pin) => [...wanted].some((need) => pin.can.includes(need)));
  const reason = `${clash.map((demand) => demand.label).join(', ')}: ${clash.length} need a pin that can ${[...wanted].map((need) => abilityWords[need]).join(' or ')}, and only ${able.length === 0 ? 'none is' : able.map((pin) => pin.name).join(', ')} left for them`;
  return { ok: false, given: listGiven(controller, demands, pinOf, lockOf), reason, clash };
}

function listGiven(
  controller: ControllerPart,
  demands: readonly PinDemand[],
  pinOf: readonly number[],
  lockOf: ReadonlyMap<string, string>,
): PinGiven[] {
  return demands.flatMap((demand, i) => {
    const pin = controller.pins[pinOf[i] ?? -1];
    return pin ? [{ demand, pin, locked: lockOf.has(demand.id) }] : [];
  });
}
