import type { Assessment } from '../assess.ts';
import { Joined, portKey } from '../network/index.ts';
import type { Lever } from './levers.ts';

/** Something that goes wrong in one state. */
export type Trouble =
  /** Two that give power meet on one net: the higher pushes into the other. */
  | { readonly kind: 'meet'; readonly ids: readonly [string, string] }
  /** What gives power meets the output of a converter that nothing feeds. */
  | { readonly kind: 'backwards'; readonly ids: readonly [string, string] }
  /** A charger reaches no pack. */
  | { readonly kind: 'charges nothing'; readonly chargerId: string }
  /** While a pack is charged, what is named draws beside it. */
  | {
      readonly kind: 'load beside';
      readonly chargerId: string;
      readonly packId: string;
      readonly itemIds: readonly string[];
    };

/** What one position of every lever comes to. */
export interface PlanState {
  /** Of each lever, 0 or 1. */
  readonly positions: readonly number[];
  /** Of each rail, what gives it power: sources and chargers. */
  readonly fedBy: ReadonlyMap<string, readonly string[]>;
  readonly troubles: readonly Trouble[];
}

/** The nets of a plan as a walker needs them: what joins what, and what only lets through one way. */
interface Metal {
  /** The set of nets that a port is soldered or switched to. */
  readonly at: (item: string, port: string) => string;
  /** From one set to another, never back: converters and diodes, by the item that stands between. */
  readonly ways: readonly {
    readonly from: string;
    readonly to: string;
    readonly by: string;
    readonly holds: boolean;
  }[];
}

/** Whether a lever stands in its second position; what is none is as it is at rest. */
type IsMoved = (id: string) => boolean;

/** The net that each port is soldered to. */
type NetOf = ReadonlyMap<string, string>;

function layMetal({ rails }: Assessment, netOf: NetOf, isMoved: IsMoved): Metal {
  const joined = new Joined();
  const port = (item: string, name: string): string => netOf.get(portKey({ item, port: name })) ?? `${item} ${name}`;
  const changeovers: { readonly id: string; readonly sides: readonly string[] }[] = [];
  for (const { id, gives } of rails.list) {
    if (gives.form === 'contact' && isMoved(id)) joined.join(port(id, 'a'), port(id, 'b'));
    if (gives.form !== 'changeover') continue;
    const sides = gives.item.other === null ? ['a'] : ['a', 'b'];
    if (gives.item.by === 'diodes') changeovers.push({ id, sides });
    else if (gives.item.by === 'joined') for (const side of sides) joined.join(port(id, side), port(id, 'out'));
    else joined.join(port(id, isMoved(id) ? 'b' : 'a'), port(id, 'out'));
  }
  const at = (item: string, name: string): string => joined.find(port(item, name));
  return {
    at,
    ways: [
      ...changeovers.flatMap(({ id, sides }) =>
        sides.map((side) => ({ from: at(id, side), to: at(id, 'out'), by: id, holds: false })),
      ),
      ...rails.list.flatMap(({ id, gives }) =>
        gives.form === 'converter' && gives.part
          ? [{ from: at(id, 'in plus'), to: at(id, 'out plus'), by: id, holds: true }]
          : [],
      ),
    ],
  };
}

/** Everything that a giver's power reaches. */
function reachedFrom(start: string, { ways }: Metal): ReadonlySet<string> {
  const reached = new Set([start]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const { from, to } of ways)
      if (reached.has(from) && !reached.has(to)) {
        reached.add(to);
        grown = true;
      }
  }
  return reached;
}

interface Giver {
  readonly id: string;
  readonly isCharger: boolean;
  readonly at: string;
  readonly reaches: ReadonlySet<string>;
}

/** Sources that are plugged in and chargers that are joined. */
function listGivers(
  { rails, supplies }: Assessment,
  levers: readonly Lever[],
  metal: Metal,
  isMoved: IsMoved,
): Giver[] {
  const giver = (id: string, isCharger: boolean): Giver => {
    const at = metal.at(id, 'plus');
    return { id, isCharger, at, reaches: reachedFrom(at, metal) };
  };
  const plugs = new Set(levers.flatMap(({ kind, id }) => (kind === 'plug' ? [id] : [])));
  const sources = rails.list.filter(
    ({ id, sourceId }) =>
      sourceId === id && supplies.some((each) => each.rail.id === id) && !(plugs.has(id) && isMoved(id)),
  );
  return [
    ...sources.map(({ id }) => giver(id, false)),
    ...levers.flatMap(({ kind, id }) => (kind === 'charger' && isMoved(id) ? [giver(id, true)] : [])),
  ];
}

/** A charger and the pack that it charges belong together; any other two that give power do not. */
const belong = (a: Giver, b: Giver, packs: ReadonlySet<string>): boolean =>
  (a.isCharger && packs.has(b.id)) || (b.isCharger && packs.has(a.id));

function meetings(givers: readonly Giver[], metal: Metal, packs: ReadonlySet<string>): Trouble[] {
  const direct = givers.flatMap((a, i) =>
    givers
      .slice(i + 1)
      .flatMap((b): Trouble[] => (a.at === b.at && !belong(a, b, packs) ? [{ kind: 'meet', ids: [a.id, b.id] }] : [])),
  );
  const throughOutputs = metal.ways
    .filter((way) => way.holds)
    .flatMap((way) => {
      const behind = givers.filter((each) => each.at === way.to);
      const isFed = givers.some((each) => each.reaches.has(way.from));
      return behind.map((each): Trouble => ({ kind: isFed ? 'meet' : 'backwards', ids: [each.id, way.by] }));
    });
  return [...direct, ...throughOutputs];
}

function chargeTroubles(
  { consumers, rails }: Assessment,
  givers: readonly Giver[],
  packs: ReadonlySet<string>,
  metal: Metal,
): Trouble[] {
  return givers
    .filter(({ isCharger }) => isCharger)
    .flatMap((charger): Trouble[] => {
      const pack = givers.find(({ id, at }) => packs.has(id) && at === charger.at);
      if (!pack) return [{ kind: 'charges nothing', chargerId: charger.id }];
      const drawing = consumers.filter(({ railId }) => {
        const rail = railId === null ? undefined : rails.byId.get(railId);
        return rail && charger.reaches.has(metal.at(rail.id, rail.ports.plus));
      });
      return drawing.length === 0
        ? []
        : [{ kind: 'load beside', chargerId: charger.id, packId: pack.id, itemIds: drawing.map(({ id }) => id) }];
    });
}

/** Walks a plan along its nets: what it comes to in any position of its levers. */
export function prepareWalk(
  assessment: Assessment,
  levers: readonly Lever[],
): (positions: readonly number[]) => PlanState {
  const { nets, rails } = assessment;
  const netOf: NetOf = new Map(
    nets.flatMap((net) => net.ports.map((port): [string, string] => [portKey(port), net.id])),
  );
  const packs = new Set(rails.list.flatMap(({ id, gives }) => (gives.form === 'cells' ? [id] : [])));
  return (positions) => {
    const moved = new Set(levers.flatMap(({ ids }, i) => (positions[i] === 1 ? ids : [])));
    const isMoved: IsMoved = (id) => moved.has(id);
    const metal = layMetal(assessment, netOf, isMoved);
    const givers = listGivers(assessment, levers, metal, isMoved);
    return {
      positions,
      fedBy: new Map(
        rails.list.map((rail): [string, readonly string[]] => {
          const at = metal.at(rail.id, rail.ports.plus);
          return [rail.id, givers.flatMap(({ id, reaches }) => (reaches.has(at) ? [id] : []))];
        }),
      ),
      troubles: [...meetings(givers, metal, packs), ...chargeTroubles(assessment, givers, packs, metal)],
    };
  };
}
