import type { Item, PlacedLeds } from '../items/index.ts';
import type { Net } from './netNames.ts';
import type { CoreDraft, PortRef, RunEnd } from './runs.ts';
import type { Switched } from './switching.ts';
import { isProgrammed } from './ways.ts';
import { endAt, port, uniqueCores, type Wiring } from './wiring.ts';

/** Single lights on their channels: a pair of wires each, or one lead that passes them in turn. */
export function wireLights(wiring: Wiring, leds: PlacedLeds): void {
  const { group } = leds;
  const all = wiring.input.switched.get(group.id) ?? [];
  const [first] = all;
  const hub = first && wiring.prepare(first);
  if (!first || !hub) return;
  // What no board drives has no channels of its own: all its lights hang on one.
  const channels = isProgrammed(first.way) || first.way.id === 'driver' ? all : [first];
  for (const each of channels) wiring.transistorLeg(each, hub);
  if (first.way.id === 'driver') {
    for (const each of channels) wireInSeries(wiring, leds, each, channels.length, hub);
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
    const behind = wiring.names.behind(group.id, place.id);
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
        ? onLead({ ...wiring.side(each.way.plusSide, each, hub), to: endOf(each, port(resistor, 'a')) })
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
    const resistorId = `${group.id}:${place.id}`;
    if (group.resistorAt === 'light')
      wiring.leg(resistorId, here, [{ net: behind, from: port(resistor, 'b'), to: port(group.id, `plus ${i + 1}`) }]);
    else
      wiring.leg(resistorId, endAt(hub), [
        { ...wiring.side(switched.way.plusSide, switched, hub), to: port(resistor, 'a') },
      ]);
  });
}

/** Lights on a driver hang one behind the other: out at its plus, through each, and back to its minus. */
function wireInSeries(wiring: Wiring, { group }: PlacedLeds, switched: Switched, channels: number, hub: Item): void {
  const own = group.places.flatMap((place, i) => (i % channels === switched.channel ? [{ place, i }] : []));
  const nameOf = (i: number): string => (group.places.length > 1 ? `${group.name} ${i + 1}` : group.name);
  const back = wiring.side(switched.way.minusSide, switched, hub);
  own.forEach(({ place, i }, k) => {
    const before = own[k - 1];
    const here: RunEnd = { name: nameOf(i), itemId: group.id, at: place.at };
    const plus = port(group.id, `plus ${i + 1}`);
    const minus = port(group.id, `minus ${i + 1}`);
    const isLast = k === own.length - 1;
    const entering: CoreDraft = before
      ? {
          net: wiring.names.inner(`${group.id}:${before.place.id}`, `from ${nameOf(before.i)} to ${nameOf(i)}`),
          from: port(group.id, `minus ${before.i + 1}`),
          to: plus,
        }
      : { ...wiring.side(switched.way.plusSide, switched, hub), to: plus };
    const carries = { kind: 'lights', itemId: group.id, lights: 1 } as const;
    wiring.add({
      id: `light:${group.id}:${place.id}`,
      name: nameOf(i),
      from: before ? { name: nameOf(before.i), itemId: group.id, at: before.place.at } : endAt(hub),
      to: here,
      cores: !before && isLast ? [entering, { ...back, to: minus }] : [entering],
      carries,
    });
    if (before && isLast)
      wiring.add({
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
function serves(channel: number, from: number, channels: number, lights: number): boolean {
  const next = from + ((channel - (from % channels) + channels) % channels);
  return next < lights;
}
