import type { Item, PlacedLeds } from '../items/index.ts';
import type { Net } from './netNames.ts';
import type { CoreDraft, PortRef, RunEnd } from './runs.ts';
import { hungOf, isResistorInside, type OnResistor, stringsOf } from './strings.ts';
import type { Board, Switched } from './switching.ts';
import { isProgrammed } from './ways.ts';
import { wireDice } from './wireDice.ts';
import { wireScan } from './wireScan.ts';
import { endAt, port, uniqueCores, type Wiring } from './wiring.ts';

/** Single lights on their channels: a pair of wires each, or one lead that passes them in turn. */
export function wireLights(wiring: Wiring, leds: PlacedLeds): void {
  const { group } = leds;
  const all = wiring.input.switched.get(group.id) ?? [];
  const [first] = all;
  if (first?.way.scans) {
    wireScan(wiring, leds, first);
    return;
  }
  const hub = first && wiring.prepare(first);
  if (!first || !hub) return;
  // What no board drives has no channels of its own: all its lights hang on one.
  const channels = isProgrammed(first.way) || first.way.id === 'driver' ? all : [first];
  for (const each of channels) wiring.transistorLeg(each, hub);
  if (first.way.id === 'driver' && first.board) wireDimming(wiring, first, hub, first.board);
  if (leds.part.dice) {
    wireDice(wiring, leds, all, hub);
    return;
  }
  const hung = hungOf(leds);
  if (first.way.id === 'driver' || hung.inSeries > 1 || hung.sideBySide > 1) {
    for (const each of channels) wireStrings(wiring, leds, each, channels.length, hub);
    return;
  }
  const isInside = isResistorInside(leds);
  const isAtLight = isInside || group.resistorAt === 'light';
  const isBus = group.wiring !== 'pair' && (isAtLight || group.places.length === 1);
  const passed = new Map<Net, PortRef>();
  group.places.forEach((place, i) => {
    const switched = channels[i % channels.length] ?? first;
    const name = group.places.length > 1 ? `${group.name} ${i + 1}` : group.name;
    const before = isBus && i > 0 ? group.places[i - 1] : undefined;
    const left = group.places.length - i;
    const resistor = `resistor:${group.id}:${place.id}`;
    const here: RunEnd = { name, itemId: group.id, at: place.at };
    const behind = wiring.names.behind(group.id, place.id);
    const plusEnd = isInside ? port(group.id, `plus ${i + 1}`) : port(resistor, 'a');
    /** A core of another channel only goes by this light. */
    const endOf = (each: Switched, own: PortRef): PortRef =>
      each === switched ? own : port(group.id, `by ${i + 1}, channel ${each.channel + 1}`);
    /** On a shared lead a core goes on from where it came to before. */
    const onLead = (core: CoreDraft): CoreDraft => ({
      ...core,
      from: (isBus ? passed.get(core.net) : undefined) ?? core.from,
    });
    const plusOf = (each: Switched): CoreDraft =>
      isAtLight
        ? onLead({ ...wiring.side(each.way.plusSide, each, hub), to: endOf(each, plusEnd) })
        : { net: behind, from: port(resistor, 'b'), to: endOf(each, port(group.id, `plus ${i + 1}`)) };
    const minusOf = (each: Switched): CoreDraft =>
      onLead({
        ...wiring.side(each.way.minusSide, each, hub),
        to: endOf(each, port(group.id, `minus ${i + 1}`)),
      });
    // On a shared lead the common side goes by every light, each channel as far as its last one.
    const further = isBus
      ? channels
          .filter((each, c) => c < left || each === switched)
          .filter((_, c, all) => all.length === 1 || serves(c, i, channels.length, group.places.length))
      : [switched];
    const isCommonPlus = first.way.plusSide !== 'channel';
    const cores = uniqueCores(
      isCommonPlus ? [plusOf(switched), ...further.map(minusOf)] : [...further.map(plusOf), minusOf(switched)],
    );
    wiring.add({
      id: `light:${group.id}:${place.id}`,
      name,
      from: before ? { name: `${group.name} ${i}`, itemId: group.id, at: before.at } : endAt(hub),
      to: here,
      cores,
      carries: { kind: 'lights', itemId: group.id, lights: isBus ? left : 1 },
    });
    for (const core of cores) passed.set(core.net, core.to);
    if (!isInside) legResistor(wiring, { placeId: place.id, light: i, here, isAtLight }, switched, hub);
  });
}

/** The legs of a resistor: soldered to the light that it serves, or where the wires to it begin. */
function legResistor(
  wiring: Wiring,
  at: { readonly placeId: string; readonly light: number; readonly here: RunEnd; readonly isAtLight: boolean },
  switched: Switched,
  hub: Item,
): void {
  const { itemId } = switched;
  const id = `${itemId}:${at.placeId}`;
  const resistor = `resistor:${id}`;
  const net = wiring.names.behind(itemId, at.placeId);
  if (at.isAtLight)
    wiring.leg(id, at.here, [{ net, from: port(resistor, 'b'), to: port(itemId, `plus ${at.light + 1}`) }]);
  else wiring.leg(id, endAt(hub), [{ ...wiring.side(switched.way.plusSide, switched, hub), to: port(resistor, 'a') }]);
}

/** One channel of a group whose lights are strung, or share a resistor, or both; a driver holds a string without one. */
function wireStrings(wiring: Wiring, leds: PlacedLeds, switched: Switched, channels: number, hub: Item): void {
  const { group } = leds;
  const isHeld = switched.way.id === 'driver';
  const hung = isHeld ? { inSeries: Math.max(1, group.places.length), sideBySide: 1 } : hungOf(leds);
  for (const share of stringsOf(group.places, hung, switched.channel, channels)) {
    const strung = new Strung(wiring, leds, switched, share, hub, isHeld);
    for (const [k, lights] of share.strings.entries()) strung.wire(lights, k);
  }
}

/** The strings on one resistor: out at its plus side, through each light, and back. */
class Strung {
  private readonly resistor: string;
  private readonly behind: Net;
  /** Lights side by side on one lead that passes them in turn. */
  private readonly isLedOn: boolean;
  /** What several leads begin at sits where they begin. */
  private readonly isAtLight: boolean;
  /** No resistor of its own: a driver holds the current, or the lights have theirs inside. */
  private readonly isWithout: boolean;

  constructor(
    private readonly wiring: Wiring,
    private readonly leds: PlacedLeds,
    private readonly switched: Switched,
    private readonly share: OnResistor,
    private readonly hub: Item,
    private readonly isHeld: boolean,
  ) {
    const { group } = leds;
    const isOne = share.strings.length === 1;
    this.isWithout = isHeld || isResistorInside(leds);
    this.resistor = `resistor:${group.id}:${share.placeId}`;
    this.behind = wiring.names.behind(group.id, share.placeId);
    this.isLedOn = !isOne && group.wiring !== 'pair' && share.strings.every((lights) => lights.length === 1);
    this.isAtLight = group.resistorAt === 'light' && (isOne || this.isLedOn);
    const [light = 0] = share.strings[0] ?? [];
    if (!this.isWithout)
      legResistor(
        wiring,
        { placeId: share.placeId, light, here: this.endOf(light), isAtLight: this.isAtLight },
        switched,
        hub,
      );
  }

  wire(lights: readonly number[], k: number): void {
    const { wiring, switched, hub, share } = this;
    const [head = 0, tail = head] = [lights[0], lights[lights.length - 1]];
    const before = this.isLedOn && k > 0 ? share.strings[k - 1]?.[0] : undefined;
    const carries = {
      kind: 'lights',
      itemId: this.leds.id,
      lights: this.isLedOn ? share.strings.length - k : 1,
    } as const;
    const from = before === undefined ? endAt(hub) : this.endOf(before);
    const side = wiring.side(switched.way.minusSide, switched, hub);
    const back: CoreDraft = {
      net: side.net,
      from: before === undefined ? side.from : this.minus(before),
      to: this.minus(tail),
    };
    const isOne = lights.length === 1;
    const run = (light: number, start: RunEnd, cores: readonly CoreDraft[]): void =>
      wiring.add({
        id: this.runId(light),
        name: this.nameOf(light),
        from: start,
        to: this.endOf(light),
        cores,
        carries,
      });
    run(head, from, isOne ? [this.entering(head, k, before), back] : [this.entering(head, k, before)]);
    lights.slice(1).forEach((light, i) => {
      const last = lights[i] ?? head;
      const net = wiring.names.inner(
        `${this.leds.id}:${this.placeOf(last)}`,
        `from ${this.nameOf(last)} to ${this.nameOf(light)}`,
      );
      run(light, this.endOf(last), [{ net, from: this.minus(last), to: this.plus(light) }]);
    });
    if (isOne) return;
    wiring.add({
      id: `back:${this.leds.id}:${this.isHeld ? switched.channel + 1 : this.placeOf(head)}`,
      name: `${this.nameOf(tail)}, back to ${hub.name}`,
      from: endAt(hub),
      to: this.endOf(tail),
      cores: [back],
      carries,
    });
  }

  /** What leads to the plus side of a string: behind the resistor, but where that sits at the light itself. */
  private entering(head: number, k: number, before: number | undefined): CoreDraft {
    const side = this.wiring.side(this.switched.way.plusSide, this.switched, this.hub);
    if (before !== undefined)
      return { net: this.isWithout ? side.net : this.behind, from: this.plus(before), to: this.plus(head) };
    if (this.isWithout) return { ...side, to: this.plus(head) };
    return this.isAtLight && k === 0
      ? { ...side, to: port(this.resistor, 'a') }
      : { net: this.behind, from: port(this.resistor, 'b'), to: this.plus(head) };
  }

  private readonly plus = (light: number): PortRef => port(this.leds.id, `plus ${light + 1}`);
  private readonly minus = (light: number): PortRef => port(this.leds.id, `minus ${light + 1}`);
  private readonly placeOf = (light: number): string => this.leds.group.places[light]?.id ?? '';
  private readonly runId = (light: number): string => `light:${this.leds.id}:${this.placeOf(light)}`;

  private nameOf(light: number): string {
    return this.leds.group.places.length > 1 ? `${this.leds.name} ${light + 1}` : this.leds.name;
  }

  private endOf(light: number): RunEnd {
    const at = this.leds.group.places[light]?.at ?? null;
    return { name: this.nameOf(light), itemId: this.leds.id, at };
  }
}

/** The pin that dims a driver: a core of its own, from the board to the dimming input. */
function wireDimming(wiring: Wiring, switched: Switched, driver: Item, board: Board): void {
  const channel = switched.channel + 1;
  wiring.add({
    id: `dim:${switched.itemId}`,
    name: `Dimming of ${driver.name}`,
    from: endAt(board.item),
    to: endAt(driver),
    cores: [
      {
        net: wiring.names.channel(switched.itemId, channel),
        from: port(`channel:${switched.itemId}:${channel}`, 'out'),
        to: port(driver.id, 'dim'),
      },
    ],
    carries: null,
  });
}

/** Whether a channel still has a light from this one on. */
function serves(channel: number, from: number, channels: number, lights: number): boolean {
  const next = from + ((channel - (from % channels) + channels) % channels);
  return next < lights;
}
