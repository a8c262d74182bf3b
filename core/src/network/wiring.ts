import type { Item, LeadPorts, PlacedGroup, PlacedTape, PlanPoint } from '../items/index.ts';
import { findPart, type Library } from '../parts/index.ts';
import { type Design, itemNamed } from '../plan/index.ts';
import type { Net, NetNamer } from './netNames.ts';
import type { Rails } from './rails.ts';
import { type CoreDraft, isApart, type PortRef, type RunCarries, type RunDraft, type RunEnd } from './runs.ts';
import { type Board, boardOf, type Switched } from './switching.ts';
import type { SideNet } from './ways.ts';

/** All that the runs follow from. */
export interface WiringInput {
  readonly design: Pick<Design, 'items'>;
  readonly library: Library;
  readonly placed: readonly PlacedGroup[];
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly switched: ReadonlyMap<string, readonly Switched[]>;
  /** Whether the columns of a grid end at transistors, rather than at pins. */
  readonly columnsOn: (itemId: string) => boolean;
}

const placeOf = (item: Item | undefined): PlanPoint | null => (item && 'at' in item ? item.at : null);

/** An item as an end of a run. */
export const endAt = (item: Item): RunEnd => ({ name: item.name, itemId: item.id, at: placeOf(item) });

/** A port of an item, by both their names. */
export const port = (item: string, name: string): PortRef => ({ item, port: name });

/** The first core of each net. */
export function uniqueCores(cores: readonly CoreDraft[]): CoreDraft[] {
  const seen = new Set<Net>();
  return cores.filter((core) => {
    const isNew = !seen.has(core.net);
    seen.add(core.net);
    return isNew;
  });
}

/** The port at which a rail comes out of what gives it. */
const outOf = (rails: Rails, railId: string): PortRef => port(railId, rails.byId.get(railId)?.ports.plus ?? 'plus');

/** What gives the minus of a rail: a switch in the plus lead passes none on. */
function minusGiver(rails: Rails, railId: string): PortRef {
  let rail = rails.byId.get(railId);
  while (rail && rail.ports.minus === null && rail.fromId !== null) rail = rails.byId.get(rail.fromId);
  return port(rail?.id ?? railId, rail?.ports.minus ?? 'minus');
}

/** The port of a hub at which a rail arrives: its own feed, or one that only goes through. */
export const plusAtHub = (rails: Rails, hub: Item, railId: string): PortRef =>
  port(hub.id, rails.feedOf(hub) === railId ? 'plus in' : `plus of ${railId}`);

/** The port of a hub at which the minus of a rail arrives. */
export function minusAtHub(rails: Rails, hub: Item, railId: string): PortRef {
  const minusOf = (id: string | null): string | undefined => (id === null ? undefined : rails.byId.get(id)?.minusId);
  const [own, wanted] = [minusOf(rails.feedOf(hub)), minusOf(railId)];
  // While nothing feeds the lights they end at the hub's own minus.
  return port(hub.id, wanted === undefined || own === wanted ? 'minus' : `minus of ${wanted}`);
}

/** What all that is wired is joined with: where a rail, a minus, a channel begins at a hub, and what leads there. */
export class Wiring {
  private readonly runs: RunDraft[] = [];
  private readonly led = new Set<string>();

  constructor(
    readonly input: WiringInput,
    readonly names: NetNamer,
  ) {}

  /** Every join so far. */
  get joins(): readonly RunDraft[] {
    return this.runs;
  }

  item(id: string): Item | undefined {
    return itemNamed(this.input.design, id);
  }

  plus(railId: string, to: PortRef): CoreDraft {
    return { net: this.names.plus(railId), from: outOf(this.input.rails, railId), to };
  }

  minus(railId: string, to: PortRef): CoreDraft {
    return { net: this.names.minus(railId), from: minusGiver(this.input.rails, railId), to };
  }

  /** The lead that feeds an item: both cores from one place, or plus from a switch and minus from what is before it. */
  leadTo(item: Item, ports: LeadPorts): void {
    const { rails } = this.input;
    const railId = rails.feedOf(item);
    if (railId === null) return;
    const [giver, returns] = [this.item(railId), this.item(minusGiver(rails, railId).item)];
    if (!giver || !returns) return;
    const plus = this.plus(railId, port(item.id, ports.plus));
    const minus = ports.minus === null ? [] : [this.minus(railId, port(item.id, ports.minus))];
    const isOneRun = !isApart(placeOf(giver), placeOf(returns));
    const { name } = item;
    const charger = 'part' in item ? findPart(this.input.library, 'charger', item.part) : undefined;
    const carries: RunCarries = charger
      ? { kind: 'charge', railId, amps: charger.chargeA }
      : rails.byId.has(item.id)
        ? { kind: 'node', railId: item.id }
        : { kind: 'items', itemIds: this.begunAt(item.id), share: 1 };
    this.add({
      id: `lead:${item.id}`,
      name: `Lead of ${name}`,
      from: endAt(giver),
      to: endAt(item),
      cores: isOneRun ? [plus, ...minus] : [plus],
      carries,
    });
    if (!isOneRun && minus.length > 0)
      this.add({
        id: `return:${item.id}`,
        name: `Minus of ${name}`,
        from: endAt(returns),
        to: endAt(item),
        cores: minus,
        carries,
      });
  }

  /** What is made of a rail passes its minus on, unless it keeps its output apart. */
  minusThrough(item: Item, inMinus: string): void {
    const rail = this.input.rails.byId.get(item.id);
    if (!rail || rail.fromId === null || rail.ports.minus === null) return;
    const net = this.names.minus(rail.id);
    if (this.names.minus(rail.fromId) === net && inMinus !== rail.ports.minus)
      this.bare('inside', item.id, endAt(item), [
        { net, from: port(item.id, inMinus), to: port(item.id, rail.ports.minus) },
      ]);
  }

  /** Adds a join of ports, whether a wire is wanted for it or not. */
  add(run: RunDraft): void {
    if (run.cores.length > 0) this.runs.push(run);
  }

  plusAt(hub: Item, railId: string): PortRef {
    return plusAtHub(this.input.rails, hub, railId);
  }

  minusAt(hub: Item, railId: string): PortRef {
    return minusAtHub(this.input.rails, hub, railId);
  }

  /** Brings a rail to a hub that is fed from another, once. */
  railTo(hub: Item, railId: string, itemIds: readonly string[]): void {
    const { rails } = this.input;
    if (rails.feedOf(hub) === railId) return;
    const key = `rail:${railId}:${hub.id}`;
    if (this.led.has(key)) return;
    this.led.add(key);
    const giver = this.item(railId);
    if (!giver) return;
    this.add({
      id: key,
      name: `${giver.name} to ${hub.name}`,
      from: endAt(giver),
      to: endAt(hub),
      cores: [
        this.plus(railId, this.plusAt(hub, railId)),
        // Where its minus is at the hub already it is led again, since the lights' current comes back by it.
        this.minus(railId, this.minusAt(hub, railId)),
      ],
      carries: { kind: 'items', itemIds, share: 1 },
    });
  }

  /** The net on one side of a channel, and the port at the hub that it begins at. */
  side(side: SideNet, switched: Switched, hub: Item): { readonly net: Net; readonly from: PortRef } {
    const { rails } = this.input;
    const railId = switched.railId ?? '';
    const channel = switched.channel + 1;
    const through = (name: string): PortRef => port(hub.id, name);
    switch (side) {
      case 'rail plus':
        return {
          net: this.names.plus(railId),
          from: hub.id === railId ? outOf(rails, railId) : this.plusAt(hub, railId),
        };
      case 'minus': {
        const from = switched.way.throughPin === 'given' && switched.board?.railId ? switched.board.railId : railId;
        const giver = minusGiver(rails, from);
        return { net: this.names.minus(from), from: giver.item === hub.id ? giver : this.minusAt(hub, from) };
      }
      case 'channel':
        return {
          net: this.names.channel(switched.itemId, channel),
          from: port(`channel:${switched.itemId}:${channel}`, 'out'),
        };
      case 'switched minus':
        return { net: this.names.switchedMinus(hub.id), from: through('out') };
      case 'driver plus':
        return { net: this.names.driver(hub.id, 'plus'), from: through('out plus') };
      case 'driver minus':
        return { net: this.names.driver(hub.id, 'minus'), from: through('out minus') };
      default: {
        const output = switched.said.way === 'box' ? switched.said.output : 1;
        return { net: this.names.output(hub.id, output), from: through(`output ${output}`) };
      }
    }
  }

  hubOf(switched: Switched): Item | undefined {
    if (switched.way.hub === 'board') return switched.board?.item;
    if (switched.way.hub === 'by') return switched.by ?? undefined;
    return switched.railId === null ? undefined : this.item(switched.railId);
  }

  /** A switch stands in the plus lead: what hangs on it needs a minus beside it, from what is before the switch. */
  minusTo(hub: Item): void {
    const { rails } = this.input;
    const returns = this.item(minusGiver(rails, hub.id).item);
    const key = `return:${hub.id}`;
    if (!returns || returns.id === hub.id || this.led.has(key)) return;
    this.led.add(key);
    this.add({
      id: key,
      name: `Minus to ${hub.name}`,
      from: endAt(returns),
      to: endAt(hub),
      cores: [this.minus(hub.id, port(hub.id, 'minus'))],
      carries: { kind: 'node', railId: hub.id },
    });
  }

  /** Prepares the hub of a channel: what it is fed with, and the rail of its lights. */
  prepare(switched: Switched): Item | null {
    const hub = this.hubOf(switched);
    if (!hub || switched.way.id === 'undecided') return null;
    if (switched.way.hub !== 'feed' && switched.railId !== null && switched.way.throughPin !== 'given')
      this.railTo(hub, switched.railId, [switched.itemId]);
    if (this.input.rails.byId.get(hub.id)?.ports.minus === null) this.minusTo(hub);
    return hub;
  }

  /** Joins the legs of small parts at one item. */
  leg(id: string, at: RunEnd, cores: readonly CoreDraft[]): void {
    this.bare('legs', id, at, cores);
  }

  private bare(bare: NonNullable<RunDraft['bare']>, id: string, at: RunEnd, cores: readonly CoreDraft[]): void {
    this.add({ id: `${bare}:${id}`, name: at.name, from: at, to: at, cores, carries: null, bare });
  }

  /** The far leg of a channel's transistor: at minus below, at plus above. */
  transistorLeg(switched: Switched, hub: Item): void {
    const { way, itemId, channel } = switched;
    if (way.transistor === null) return;
    const id = `channel:${itemId}:${channel + 1}`;
    const isBelow = way.transistor === 'low';
    const far = this.side(isBelow ? 'minus' : 'rail plus', switched, hub);
    this.leg(id, endAt(hub), [{ ...far, to: port(id, isBelow ? 'minus' : 'plus') }]);
  }

  /** A tape and every tape whose data and current come by way of it. */
  behind(tapeId: string): readonly string[] {
    const next = this.input.design.items.filter((each) => 'after' in each && each.after === tapeId);
    return [tapeId, ...next.flatMap((each) => this.behind(each.id))];
  }

  /** The chip's own supply, for what an input of it reads. */
  chipPlus(board: Board): Omit<CoreDraft, 'to'> {
    if (board.part.regulator === null && board.railId !== null)
      return { net: this.names.plus(board.railId), from: port(board.id, 'plus in') };
    return { net: this.names.chip(board.id), from: port(board.id, 'chip plus') };
  }

  /** What a hub's lead brings: the hub, and all that begins at it and takes from the rail that feeds it. */
  private begunAt(hubId: string): readonly string[] {
    const { switched, placed, boards, rails } = this.input;
    const own = boards.find((board) => board.id === hubId);
    const lit = [...switched.values()].flatMap((channels) =>
      channels.flatMap((each) =>
        each.by?.id === hubId ||
        (each.way.hub === 'board' &&
          each.board?.id === hubId &&
          (each.way.throughPin === 'given' || each.railId === own?.railId))
          ? [each.itemId]
          : [],
      ),
    );
    const data = placed.flatMap((group) =>
      isFirstOnLine(group) &&
      boardOf(boards, group.tape.board)?.id === hubId &&
      rails.feedOf(group.tape) === own?.railId
        ? this.behind(group.id)
        : [],
    );
    return [...new Set([hubId, ...lit, ...data])];
  }
}

const isFirstOnLine = (group: PlacedGroup): group is PlacedTape =>
  group.shape === 'pixels' && group.tape.after === null;
