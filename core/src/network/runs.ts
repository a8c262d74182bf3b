import type { Item, PlanPoint } from '../items/index.ts';
import { type Control, distanceMm, itemsOf } from '../items/index.ts';
import type { PlacedGroup, PlacedLeds, PlacedPlain, PlacedTape } from '../lights/index.ts';
import { controlsOf, type Design, itemNamed } from '../plan/index.ts';
import { defineFormula } from '../units/index.ts';
import { wireCarriesA, wireDrop, wireOhmPerMetre } from '../wires/index.ts';
import { colourCores } from './colours.ts';
import { type Net, type NetName, type NetNamer, nameNets } from './netNames.ts';
import type { Rails } from './rails.ts';
import { coloursOfTape } from './sizing.ts';
import { type Board, boardOf, type Switched } from './switching.ts';
import { isProgrammed, type SideNet } from './ways.ts';

export const cutLength = defineFormula({
  name: 'Length to cut a wire to',
  gives: { meaning: 'length', kind: 'lengthMm' },
  symbols: { d: { meaning: 'distance on the picture', kind: 'lengthMm' } },
  form: '{L} = 1.3 · {d} + 2 · 6 mm',
  source: 'slack for movement, and both ends stripped',
  reckon: ({ d }) => 1.3 * d + 12,
});

/** One end of a run: what is there, and where; null while nobody knows where. */
interface RunEnd {
  readonly name: string;
  readonly itemId: string;
  readonly at: PlanPoint | null;
}

/** A port of an item: a terminal with a name. */
export interface PortRef {
  readonly item: string;
  readonly port: string;
}

/** A core of a run as it is wired: its net, and the ports that it joins. */
interface CoreDraft {
  readonly net: Net;
  readonly from: PortRef;
  readonly to: PortRef;
}

/** A run before its currents are known. */
export interface RunDraft {
  readonly id: string;
  readonly name: string;
  readonly from: RunEnd;
  readonly to: RunEnd;
  readonly cores: readonly CoreDraft[];
  /** Whose currents its power cores carry; null = a signal. */
  readonly carries: RunCarries | null;
  /** Legs of a small part, soldered where they sit: joined without a wire. */
  readonly isLeg?: true;
}

/** What flows in a run: what a node of the supply takes in, what hangs on a rail at a hub, or some lights. */
export type RunCarries =
  | { readonly kind: 'node'; readonly railId: string }
  | { readonly kind: 'items'; readonly itemIds: readonly string[]; readonly share: number }
  | { readonly kind: 'lights'; readonly itemId: string; readonly lights: number };

export interface Core {
  readonly meaning: NetName;
  readonly colour: string;
}

/** One bundle of cores between two places. */
export interface WireRun {
  readonly id: string;
  readonly name: string;
  readonly from: RunEnd;
  readonly to: RunEnd;
  readonly cores: readonly Core[];
  readonly joins: readonly CoreDraft[];
  /** Null while one of its ends has no place. */
  readonly lengthMm: number | null;
  readonly lengthOverruled: boolean;
  readonly gaugeAwg: number;
  readonly gaugeOverruled: boolean;
  /** Highest current of its power cores; null = a signal, any gauge will do. */
  readonly peakA: number | null;
  /** What it must bear: the most that the rest of the way can give. */
  readonly carryA: number;
  readonly dropV: number;
  readonly carriesA: number;
}

/** All that the runs follow from. */
export interface WiringInput {
  readonly design: Pick<Design, 'items'>;
  readonly placed: readonly PlacedGroup[];
  readonly rails: Rails;
  readonly boards: readonly Board[];
  readonly switched: ReadonlyMap<string, readonly Switched[]>;
}

const SAME_PLACE_MM = 1;
const isApart = (a: PlanPoint | null, b: PlanPoint | null): boolean =>
  a === null || b === null || distanceMm(a, b) > SAME_PLACE_MM;
const placeOf = (item: Item | undefined): PlanPoint | null => (item && 'at' in item ? item.at : null);
const endAt = (item: Item): RunEnd => ({ name: item.name, itemId: item.id, at: placeOf(item) });
const port = (item: string, name: string): PortRef => ({ item, port: name });

/** The port at which a rail comes out of what gives it. */
const outOf = (rails: Rails, railId: string): PortRef => {
  const rail = rails.byId.get(railId);
  return port(railId, rail?.gives.kind === 'converter' ? 'out plus' : rail?.gives.kind === 'switch' ? 'b' : 'plus');
};

/** What gives the minus of a rail: a switch in the plus lead passes none on. */
function minusGiver(rails: Rails, railId: string): PortRef {
  let rail = rails.byId.get(railId);
  while (rail?.gives.kind === 'switch' && rail.fromId !== null) rail = rails.byId.get(rail.fromId);
  return port(rail?.id ?? railId, rail?.gives.kind === 'converter' ? 'out minus' : 'minus');
}

class Wiring {
  private readonly runs: RunDraft[] = [];
  private readonly led = new Set<string>();

  constructor(
    private readonly input: WiringInput,
    private readonly names: NetNamer,
  ) {}

  private item(id: string): Item | undefined {
    return itemNamed(this.input.design, id);
  }

  private plus(railId: string, to: PortRef): CoreDraft {
    return { net: this.names.plus(railId), from: outOf(this.input.rails, railId), to };
  }

  private minus(railId: string, to: PortRef): CoreDraft {
    return { net: this.names.minus(railId), from: minusGiver(this.input.rails, railId), to };
  }

  /** The lead that feeds an item: both cores from one place, or plus from a switch and minus from what is before it. */
  private leadTo(
    item: Item,
    carries: RunCarries,
    ports: { readonly plus: string; readonly minus: string | null },
  ): void {
    const { rails } = this.input;
    const railId = rails.feedOf(item);
    if (railId === null) return;
    const [giver, returns] = [this.item(railId), this.item(minusGiver(rails, railId).item)];
    if (!giver || !returns) return;
    const plus = this.plus(railId, port(item.id, ports.plus));
    const minus = ports.minus === null ? [] : [this.minus(railId, port(item.id, ports.minus))];
    const isOneRun = !isApart(placeOf(giver), placeOf(returns));
    const { name } = item;
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

  /** A converter passes its minus on, unless it keeps its output apart. */
  private minusThrough(converter: Extract<Item, { kind: 'converter' }>): void {
    const fromId = this.input.rails.byId.get(converter.id)?.fromId ?? null;
    if (fromId === null || this.names.minus(fromId) !== this.names.minus(converter.id)) return;
    this.leg(converter.id, endAt(converter), [
      {
        net: this.names.minus(converter.id),
        from: port(converter.id, 'in minus'),
        to: port(converter.id, 'out minus'),
      },
    ]);
  }

  /** Adds a join of ports, whether a wire is wanted for it or not. */
  private add(run: RunDraft): void {
    if (run.cores.length > 0) this.runs.push(run);
  }

  /** The port of a hub at which a rail arrives: its own feed, or one that only goes through. */
  private plusAt(hub: Item, railId: string): PortRef {
    return port(hub.id, this.input.rails.feedOf(hub) === railId ? 'plus in' : `plus of ${railId}`);
  }

  private minusAt(hub: Item, railId: string): PortRef {
    const { rails } = this.input;
    const minusOf = (id: string | null): string | undefined => (id === null ? undefined : rails.byId.get(id)?.minusId);
    const [own, wanted] = [minusOf(rails.feedOf(hub)), minusOf(railId)];
    return port(hub.id, own === wanted ? 'minus' : `minus of ${wanted}`);
  }

  /** Brings a rail to a hub that is fed from another, once. */
  private railTo(hub: Item, railId: string, itemIds: readonly string[]): void {
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
  private side(side: SideNet, switched: Switched, hub: Item): { readonly net: Net; readonly from: PortRef } {
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

  private hubOf(switched: Switched): Item | undefined {
    if (switched.way.hub === 'board') return switched.board?.item;
    if (switched.way.hub === 'by') return switched.by ?? undefined;
    return switched.railId === null ? undefined : this.item(switched.railId);
  }

  /** A switch stands in the plus lead: what hangs on it needs a minus beside it, from what is before the switch. */
  private minusTo(hub: Item): void {
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
  private prepare(switched: Switched): Item | null {
    const hub = this.hubOf(switched);
    if (!hub || switched.way.id === 'undecided') return null;
    if (switched.way.hub !== 'feed' && switched.railId !== null && switched.way.throughPin !== 'given')
      this.railTo(hub, switched.railId, [switched.itemId]);
    if (hub.kind === 'switch') this.minusTo(hub);
    return hub;
  }

  /** Joins the legs of small parts at one item. */
  private leg(id: string, at: RunEnd, cores: readonly CoreDraft[]): void {
    this.add({ id: `legs:${id}`, name: at.name, from: at, to: at, cores, carries: null, isLeg: true });
  }

  /** The far leg of a channel's transistor: at minus below, at plus above. */
  private transistorLeg(switched: Switched, hub: Item): void {
    const { way, itemId, channel } = switched;
    if (way.transistor === null) return;
    const id = `channel:${itemId}:${channel + 1}`;
    const isBelow = way.transistor === 'low';
    const far = this.side(isBelow ? 'minus' : 'rail plus', switched, hub);
    this.leg(id, endAt(hub), [{ ...far, to: port(id, isBelow ? 'minus' : 'plus') }]);
  }

  lights(leds: PlacedLeds): void {
    const { group } = leds;
    const all = this.input.switched.get(group.id) ?? [];
    const [first] = all;
    const hub = first && this.prepare(first);
    if (!first || !hub) return;
    // What no board drives has no channels of its own: all its lights hang on one.
    const channels = isProgrammed(first.way) || first.way.id === 'driver' ? all : [first];
    for (const each of channels) this.transistorLeg(each, hub);
    if (first.way.id === 'driver') {
      for (const each of channels) this.lightsInSeries(leds, each, channels.length, hub);
      return;
    }
    const isBus = group.wiring !== 'pair' && (group.resistorAt === 'light' || group.places.length === 1);
    const passed = new Map<Net, PortRef>();
    group.places.forEach((place, i) => {
      const switched = channels[i % channels.length] ?? first;
      const name = group.places.length > 1 ? `${group.name} ${i + 1}` : group.name;
      const before = isBus && i > 0 ? group.places[i - 1] : undefined;
      const left = group.places.length - i;
      const resistor = `resistor:${group.id}:${place.id}`;
      const here: RunEnd = { name, itemId: group.id, at: place.at };
      const behind = this.names.behind(group.id, place.id);
      /** A core of another channel only goes by this light. */
      const endOf = (each: Switched, own: PortRef): PortRef =>
        each === switched ? own : port(group.id, `by ${i + 1}, channel ${each.channel + 1}`);
      /** On a shared lead a core goes on from where it came to before. */
      const onLead = (core: CoreDraft): CoreDraft => ({
        ...core,
        from: (isBus ? passed.get(core.net) : undefined) ?? core.from,
      });
      const plusOf = (each: Switched): CoreDraft =>
        group.resistorAt === 'light'
          ? onLead({ ...this.side(each.way.plusSide, each, hub), to: endOf(each, port(resistor, 'a')) })
          : { net: behind, from: port(resistor, 'b'), to: endOf(each, port(group.id, `plus ${i + 1}`)) };
      const minusOf = (each: Switched): CoreDraft =>
        onLead({
          ...this.side(each.way.minusSide, each, hub),
          to: endOf(each, port(group.id, `minus ${i + 1}`)),
        });
      // On a shared lead the common side goes by every light, each channel as far as its last one.
      const further = isBus
        ? channels
            .filter((each, c) => c < left || each === switched)
            .filter((_, c, all) => all.length === 1 || this.serves(c, i, channels.length, group.places.length))
        : [switched];
      const isCommonPlus = first.way.plusSide !== 'channel';
      const cores = this.unique(
        isCommonPlus ? [plusOf(switched), ...further.map(minusOf)] : [...further.map(plusOf), minusOf(switched)],
      );
      this.add({
        id: `light:${group.id}:${place.id}`,
        name,
        from: before ? { name: `${group.name} ${i}`, itemId: group.id, at: before.at } : endAt(hub),
        to: here,
        cores,
        carries: { kind: 'lights', itemId: group.id, lights: isBus ? left : 1 },
      });
      for (const core of cores) passed.set(core.net, core.to);
      const resistorId = `${group.id}:${place.id}`;
      if (group.resistorAt === 'light')
        this.leg(resistorId, here, [{ net: behind, from: port(resistor, 'b'), to: port(group.id, `plus ${i + 1}`) }]);
      else
        this.leg(resistorId, endAt(hub), [
          { ...this.side(switched.way.plusSide, switched, hub), to: port(resistor, 'a') },
        ]);
    });
  }

  /** Lights on a driver hang one behind the other: out at its plus, through each, and back to its minus. */
  private lightsInSeries({ group }: PlacedLeds, switched: Switched, channels: number, hub: Item): void {
    const own = group.places.flatMap((place, i) => (i % channels === switched.channel ? [{ place, i }] : []));
    const nameOf = (i: number): string => (group.places.length > 1 ? `${group.name} ${i + 1}` : group.name);
    const back = this.side(switched.way.minusSide, switched, hub);
    own.forEach(({ place, i }, k) => {
      const before = own[k - 1];
      const here: RunEnd = { name: nameOf(i), itemId: group.id, at: place.at };
      const plus = port(group.id, `plus ${i + 1}`);
      const minus = port(group.id, `minus ${i + 1}`);
      const isLast = k === own.length - 1;
      const entering: CoreDraft = before
        ? {
            net: this.names.inner(`${group.id}:${before.place.id}`, `from ${nameOf(before.i)} to ${nameOf(i)}`),
            from: port(group.id, `minus ${before.i + 1}`),
            to: plus,
          }
        : { ...this.side(switched.way.plusSide, switched, hub), to: plus };
      const carries = { kind: 'lights', itemId: group.id, lights: 1 } as const;
      this.add({
        id: `light:${group.id}:${place.id}`,
        name: nameOf(i),
        from: before ? { name: nameOf(before.i), itemId: group.id, at: before.place.at } : endAt(hub),
        to: here,
        cores: !before && isLast ? [entering, { ...back, to: minus }] : [entering],
        carries,
      });
      if (before && isLast)
        this.add({
          id: `back:${group.id}:${switched.channel + 1}`,
          name: `${group.name}, back to ${hub.name}`,
          from: endAt(hub),
          to: here,
          cores: [{ ...back, to: minus }],
          carries,
        });
    });
  }

  /** Whether a channel still has a light from this one on. */
  private serves(channel: number, from: number, channels: number, lights: number): boolean {
    const next = from + ((channel - (from % channels) + channels) % channels);
    return next < lights;
  }

  private unique(cores: readonly CoreDraft[]): CoreDraft[] {
    const seen = new Set<Net>();
    return cores.filter((core) => {
      const isNew = !seen.has(core.net);
      seen.add(core.net);
      return isNew;
    });
  }

  plain(tape: PlacedPlain): void {
    if (tape.cut.lights === 0) return;
    const channels = this.input.switched.get(tape.id) ?? [];
    const hubs = new Map<string, { readonly hub: Item; readonly channels: Switched[] }>();
    for (const each of channels) {
      const hub = this.prepare(each);
      if (!hub) continue;
      this.transistorLeg(each, hub);
      const known = hubs.get(hub.id);
      if (known) known.channels.push(each);
      else hubs.set(hub.id, { hub, channels: [each] });
    }
    const colours = coloursOfTape(tape.part);
    const common = tape.part.colours > 1 ? 'common' : 'plus';
    [...hubs.values()].forEach(({ hub, channels: own }, h) => {
      const cores = own.flatMap((each): CoreDraft[] => {
        const minusPort = tape.part.colours > 1 ? (colours[each.channel] ?? 'minus') : 'minus';
        // The common core of plain colour tape is its plus: a way from above serves tape of one colour alone.
        return [
          { ...this.side(each.way.plusSide, each, hub), to: port(tape.id, common) },
          { ...this.side(each.way.minusSide, each, hub), to: port(tape.id, minusPort) },
        ];
      });
      this.add({
        id: h === 0 ? `feed:${tape.id}` : `feed:${tape.id}:${h + 1}`,
        name: `Feed of ${tape.name}`,
        from: endAt(hub),
        to: { name: `${tape.name}, start`, itemId: tape.id, at: tape.places[0] ?? null },
        cores: this.unique(cores),
        carries: { kind: 'items', itemIds: [tape.id], share: own.length / Math.max(1, channels.length) },
      });
      this.bridge(tape, cores);
    });
  }

  /** Colours that are lit as one hang on one core: their pads are bridged at the start of the tape. */
  private bridge(tape: PlacedPlain, cores: readonly CoreDraft[]): void {
    const first = new Map<Net, PortRef>();
    const bridges = cores.flatMap(({ net, to }): CoreDraft[] => {
      const from = first.get(net);
      if (!from) first.set(net, to);
      return from && from.port !== to.port ? [{ net, from, to }] : [];
    });
    const start: RunEnd = { name: `${tape.name}, start`, itemId: tape.id, at: tape.places[0] ?? null };
    if (bridges.length > 0) this.leg(`bridge:${tape.id}`, start, bridges);
  }

  pixels(tape: PlacedTape): void {
    const { placed, boards, rails } = this.input;
    if (tape.cut.lights === 0) return;
    const railId = rails.feedOf(tape.tape);
    if (railId === null) return;
    const before = placed.find((group): group is PlacedTape => group.kind === 'tape' && group.id === tape.tape.after);
    const to = { name: `${tape.name}, data in`, itemId: tape.id, at: tape.places[0] ?? null };
    const behind = this.behind(tape.id);
    const dataIn: CoreDraft = {
      net: this.names.data(tape.id),
      from: before ? port(before.id, 'data out') : port(`data:${tape.id}`, 'out'),
      to: port(tape.id, 'data in'),
    };
    if (before) {
      const last = before.places[before.places.length - 1] ?? null;
      this.add({
        id: `jumper:${tape.id}`,
        name: `Jumper to ${tape.name}`,
        from: { name: `${before.name}, end`, itemId: before.id, at: last },
        to,
        cores: [
          { net: this.names.plus(railId), from: port(before.id, 'plus out'), to: port(tape.id, 'plus') },
          { net: this.names.minus(railId), from: port(before.id, 'minus out'), to: port(tape.id, 'minus') },
          dataIn,
        ],
        carries: { kind: 'items', itemIds: behind, share: 1 },
      });
    } else {
      const board = boardOf(boards, tape.tape.board);
      if (!board) return;
      this.railTo(board.item, railId, behind);
      this.add({
        id: `feed:${tape.id}`,
        name: `Feed of ${tape.name}`,
        from: endAt(board.item),
        to,
        cores: [
          { net: this.names.plus(railId), from: this.plusAt(board.item, railId), to: port(tape.id, 'plus') },
          { net: this.names.minus(railId), from: this.minusAt(board.item, railId), to: port(tape.id, 'minus') },
          dataIn,
        ],
        carries: { kind: 'items', itemIds: behind, share: 1 },
      });
    }
    this.rows(tape, railId);
  }

  /** A tape and every tape whose data and current come by way of it. */
  private behind(tapeId: string): readonly string[] {
    const next = itemsOf(this.input.design, 'pixel tape').filter((each) => each.after === tapeId);
    return [tapeId, ...next.flatMap((each) => this.behind(each.id))];
  }

  /** Each row of a grid is cut off and joined to the one before: from its last light to the next one's first. */
  private rows(tape: PlacedTape, railId: string): void {
    const { grid } = tape.tape;
    if (!grid) return;
    const feedsOthers = this.behind(tape.id).length > 1;
    for (let row = 0; row < grid.rows - 1; row += 1) {
      const next = (row + 1) * grid.columns;
      const at = (light: number): PlanPoint | null => tape.places[light] ?? null;
      const port0 = (name: string): PortRef => port(tape.id, `${name}, row ${row + 1} out`);
      const port1 = (name: string): PortRef => port(tape.id, `${name}, row ${row + 2} in`);
      this.add({
        id: rowRunId(tape.id, row),
        name: `${tape.name}, row ${row + 1} to ${row + 2}`,
        from: { name: `${tape.name}, end of row ${row + 1}`, itemId: tape.id, at: at(next - 1) },
        to: { name: `${tape.name}, row ${row + 2}`, itemId: tape.id, at: at(next) },
        cores: [
          { net: this.names.plus(railId), from: port0('plus'), to: port1('plus') },
          { net: this.names.minus(railId), from: port0('minus'), to: port1('minus') },
          { net: this.names.dataRow(tape.id, row), from: port0('data'), to: port1('data') },
        ],
        carries: {
          kind: 'items',
          itemIds: feedsOthers ? this.behind(tape.id) : [tape.id],
          share: feedsOthers ? 1 : (grid.rows - 1 - row) / grid.rows,
        },
      });
    }
  }

  /** What goes out to a control beside its signal. */
  control(control: Control): void {
    const { boards, rails } = this.input;
    const board = boardOf(boards, control.board);
    if (!board) return;
    const signal: CoreDraft = {
      net: this.names.signal(control.id),
      from: port(`control:${control.id}`, 'in'),
      to: port(control.id, control.kind === 'signal' ? 'in' : 'signal'),
    };
    const minusHere: CoreDraft | null =
      board.railId === null
        ? null
        : { net: this.names.minus(board.railId), from: port(board.id, 'minus'), to: port(control.id, 'minus') };
    const minus = minusHere ? [minusHere] : [];
    const chip: CoreDraft = { ...this.chipPlus(board), to: port(control.id, 'plus') };
    const common = { id: `control:${control.id}`, name: control.name, from: endAt(board.item), to: endAt(control) };
    switch (control.kind) {
      case 'remote':
        this.add({ ...common, cores: [chip, ...minus, signal], carries: null });
        return;
      case 'light sensor':
        this.add({ ...common, cores: [chip, signal], carries: null });
        return;
      case 'signal': {
        const giver = this.item(control.from);
        if (giver)
          this.add({
            ...common,
            from: endAt(giver),
            to: endAt(board.item),
            cores: [
              { ...signal, from: port(`channel:${control.id}:1`, 'out'), to: port(`control:${control.id}`, 'in') },
              ...minus,
            ],
            carries: null,
          });
        return;
      }
      case 'charge sense': {
        const pack = control.of === null ? rails.list.find((rail) => rail.gives.kind === 'pack')?.id : control.of;
        const source = pack === undefined ? undefined : this.item(pack);
        if (source && pack !== undefined)
          this.add({
            id: `sense:${control.id}`,
            name: `${control.name}, to the pack`,
            from: endAt(source),
            to: endAt(control),
            cores: [this.plus(pack, port(control.id, 'plus'))],
            carries: null,
          });
        this.add({ ...common, cores: [...minus, signal], carries: null });
        return;
      }
      default:
        this.add({ ...common, cores: [...minus, signal], carries: null });
    }
  }

  /** The chip's own supply, for what an input of it reads. */
  private chipPlus(board: Board): Omit<CoreDraft, 'to'> {
    if (board.part.regulator === null && board.railId !== null)
      return { net: this.names.plus(board.railId), from: port(board.id, 'plus in') };
    return { net: this.names.chip(board.id), from: port(board.id, 'chip plus') };
  }

  build(): readonly RunDraft[] {
    const { design, placed } = this.input;
    for (const item of design.items) {
      switch (item.kind) {
        case 'converter':
          this.leadTo(item, { kind: 'node', railId: item.id }, { plus: 'in plus', minus: 'in minus' });
          this.minusThrough(item);
          break;
        case 'switch':
          this.leadTo(item, { kind: 'node', railId: item.id }, { plus: 'a', minus: null });
          break;
        case 'board':
          this.leadTo(
            item,
            { kind: 'items', itemIds: this.heldBy(item.id), share: 1 },
            { plus: 'plus in', minus: 'minus' },
          );
          break;
        case 'light gate':
        case 'driver':
        case 'box':
          this.leadTo(
            item,
            { kind: 'items', itemIds: this.hungOn(item.id), share: 1 },
            { plus: 'plus in', minus: 'minus' },
          );
          break;
        case 'load':
          this.loadLead(item);
          break;
        default:
      }
    }
    for (const group of placed) {
      if (group.kind === 'tape') this.pixels(group);
      else if (group.kind === 'plain') this.plain(group);
      else this.lights(group);
    }
    for (const control of controlsOf(design)) this.control(control);
    return this.runs;
  }

  /** What feeds another load, by way of what switches it. */
  private loadLead(item: Extract<Item, { kind: 'load' }>): void {
    const [switched] = this.input.switched.get(item.id) ?? [];
    const hub = switched && this.prepare(switched);
    if (!switched || !hub) return;
    this.transistorLeg(switched, hub);
    this.add({
      id: `lead:${item.id}`,
      name: `Lead of ${item.name}`,
      from: endAt(hub),
      to: endAt(item),
      cores: [
        { ...this.side(switched.way.plusSide, switched, hub), to: port(item.id, 'plus') },
        { ...this.side(switched.way.minusSide, switched, hub), to: port(item.id, 'minus') },
      ],
      carries: { kind: 'items', itemIds: [item.id], share: 1 },
    });
  }

  /** What a board's lead brings: the board, and all lights of its rail that begin at it. */
  private heldBy(boardId: string): readonly string[] {
    const { switched, placed, boards, rails } = this.input;
    const own = boards.find((board) => board.id === boardId);
    const lit = [...switched.values()].flatMap((channels) =>
      channels.flatMap((each) =>
        each.board?.id === boardId && (each.way.throughPin === 'given' || each.railId === own?.railId)
          ? [each.itemId]
          : [],
      ),
    );
    const data = placed.flatMap((group) =>
      group.kind === 'tape' &&
      group.tape.after === null &&
      boardOf(boards, group.tape.board)?.id === boardId &&
      rails.feedOf(group.tape) === own?.railId
        ? this.behind(group.id)
        : [],
    );
    return [...new Set([boardId, ...lit, ...data])];
  }

  private hungOn(byId: string): readonly string[] {
    const hung = [...this.input.switched.values()].flatMap((channels) =>
      channels.flatMap((each) => (each.by?.id === byId ? [each.itemId] : [])),
    );
    return [...new Set([byId, ...hung])];
  }
}

/** The run that joins a row of a grid to the next, rows counted from 0. */
export const rowRunId = (tapeId: string, row: number): string => `row:${tapeId}:${row + 1}`;

/** Whether a join is a run of wire: two things that sit at one place are joined without one, but for a light’s own. */
export const isWire = (run: RunDraft): boolean =>
  run.isLeg !== true && (isApart(run.from.at, run.to.at) || run.id.startsWith('light:'));

/** Every join of a design with its cores, before lengths and gauges. */
export const draftRuns = (input: WiringInput): readonly RunDraft[] =>
  new Wiring(input, nameNets(input.design, input.rails)).build();

/** Share of the rail that one run may lose. */
const MOST_DROP_SHARE = 0.03;

/** The thinnest gauge in stock that carries the current and keeps the drop; the thickest where none does. */
export function chooseGauge(
  stock: readonly number[],
  options: { readonly carryA: number | null; readonly lengthMm: number | null; readonly railV: number },
): number {
  const byThickness = [...stock].sort((a, b) => b - a);
  const { carryA, lengthMm, railV } = options;
  if (carryA === null) return byThickness[0] ?? 28;
  const suits = byThickness.find(
    (gauge) =>
      wireCarriesA(gauge) >= carryA &&
      wireDrop.reckon({ I: carryA, L: lengthMm ?? 0, r: wireOhmPerMetre(gauge) }) <= MOST_DROP_SHARE * railV,
  );
  return suits ?? byThickness[byThickness.length - 1] ?? 20;
}

/** What flows in each run: what it must bear by its build, and what the moods as they are set make of it. */
export interface RunLoad {
  /** Null = a signal. */
  readonly carryA: number | null;
  readonly peakA: number | null;
  readonly railV: number;
}

/** The runs with lengths, gauges and colours: reckoned, or as the maker overruled them. */
export function finishRuns(
  { wires }: Pick<Design, 'wires'>,
  drafts: readonly RunDraft[],
  loadOf: (run: RunDraft) => RunLoad,
): WireRun[] {
  const colours = colourCores(drafts.flatMap((draft) => draft.cores.map((core) => core.net)));
  const overrides = new Map(wires.runs.map((run) => [run.runId, run]));
  return drafts.map((draft) => {
    const own = overrides.get(draft.id);
    const { from, to } = draft;
    const reckonedMm =
      from.at === null || to.at === null ? null : Math.ceil(cutLength.reckon({ d: distanceMm(from.at, to.at) }));
    const lengthMm = own?.lengthMm ?? reckonedMm;
    const { carryA, peakA, railV } = loadOf(draft);
    // Where the supply gives way nothing can be said of what flows; the finding there says so.
    const knownA = peakA !== null && Number.isFinite(peakA) ? peakA : null;
    const gaugeAwg = own?.gaugeAwg ?? chooseGauge(wires.gaugesInStock, { carryA, lengthMm, railV });
    return {
      id: draft.id,
      name: draft.name,
      from,
      to,
      cores: draft.cores.map(({ net }, i) => ({
        meaning: net.name,
        colour: own?.colours?.[i] ?? colours.get(net.id) ?? 'white',
      })),
      joins: draft.cores,
      lengthMm,
      lengthOverruled: own?.lengthMm != null,
      gaugeAwg,
      gaugeOverruled: own?.gaugeAwg != null,
      peakA: knownA,
      carryA: carryA ?? 0,
      dropV: wireDrop.reckon({ I: knownA ?? 0, L: lengthMm ?? 0, r: wireOhmPerMetre(gaugeAwg) }),
      carriesA: wireCarriesA(gaugeAwg),
    };
  });
}

/** Resistance of one core of a run; 0 while its length is not known, or where there is no wire at all. */
export const wireCoreOhm = (run: WireRun | undefined): number =>
  run === undefined || run.lengthMm === null ? 0 : (run.lengthMm * wireOhmPerMetre(run.gaugeAwg)) / 1000;

/** Resistance of a run: out and back, or one way where it holds one of the two alone; 0 while its length is not known. */
export function runOhm(run: WireRun | undefined): number {
  const cores = run?.joins.filter(({ net }) => net.role !== 'data' && net.role !== 'signal').length ?? 0;
  return Math.min(2, cores) * wireCoreOhm(run);
}
