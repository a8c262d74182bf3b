import type { Item, PlacedLeds } from '../items/index.ts';
import type { Net } from './netNames.ts';
import type { CoreDraft, PortRef, RunEnd } from './runs.ts';
import type { Switched } from './switching.ts';
import { canSwitch } from './ways.ts';
import { endAt, port, uniqueCores, type Wiring } from './wiring.ts';

/** The ports of a die: its leg of its own, by colour and number of the light. */
export const dieLeg = (itemId: string, colour: string, light: number): PortRef =>
  port(itemId, `${colour} ${light + 1}`);

/** The leg that the dice of a light share. */
export const commonLeg = (itemId: string, light: number): PortRef => port(itemId, `common ${light + 1}`);

/** The resistor of one die. */
export const dieResistor = (itemId: string, placeId: string, colour: string): string =>
  `resistor:${itemId}:${placeId}:${colour}`;

/**
 * Many-coloured lights: one core to the leg that the dice share, one for each colour to the resistor at its own leg; on
 * one lead that passes the lights in turn, or wires of their own each.
 */
export function wireDice(wiring: Wiring, { group, part }: PlacedLeds, switched: readonly Switched[], hub: Item): void {
  const [first] = switched;
  if (!first || !canSwitch(first.way, part)) return;
  const isBus = group.wiring !== 'pair';
  const passed = new Map<Net, PortRef>();
  group.places.forEach((place, i) => {
    const name = group.places.length > 1 ? `${group.name} ${i + 1}` : group.name;
    const here: RunEnd = { name, itemId: group.id, at: place.at };
    const before = isBus && i > 0 ? group.places[i - 1] : undefined;
    const [commonSide, ownSide] =
      part.common === 'plus' ? (['plusSide', 'minusSide'] as const) : (['minusSide', 'plusSide'] as const);
    const onLead = (core: CoreDraft): CoreDraft => ({
      ...core,
      from: (isBus ? passed.get(core.net) : undefined) ?? core.from,
    });
    const all = switched.flatMap((each): CoreDraft[] => {
      const colour = part.dice?.[each.channel] ?? 'red';
      return [
        onLead({ ...wiring.side(each.way[commonSide], each, hub), to: commonLeg(group.id, i) }),
        onLead({
          ...wiring.side(each.way[ownSide], each, hub),
          to: port(dieResistor(group.id, place.id, colour), 'a'),
        }),
      ];
    });
    const cores = uniqueCores(all);
    wiring.add({
      id: `light:${group.id}:${place.id}`,
      name,
      from: before ? { name: `${group.name} ${i}`, itemId: group.id, at: before.at } : endAt(hub),
      to: here,
      cores,
      carries: { kind: 'lights', itemId: group.id, lights: (isBus ? group.places.length - i : 1) * switched.length },
    });
    for (const core of cores) passed.set(core.net, core.to);
    legDice(wiring, { group, part }, { placeId: place.id, light: i, here }, all);
  });
}

/** The resistors at the legs of the dice; where nothing switches the colours apart they are joined there. */
function legDice(
  wiring: Wiring,
  { group, part }: Pick<PlacedLeds, 'group' | 'part'>,
  at: { readonly placeId: string; readonly light: number; readonly here: RunEnd },
  cores: readonly CoreDraft[],
): void {
  for (const colour of part.dice ?? [])
    wiring.leg(`${group.id}:${at.placeId}:${colour}`, at.here, [
      {
        net: wiring.names.inner(
          `${group.id}:${at.placeId}:${colour}`,
          `${colour} of ${at.here.name}, behind its resistor`,
        ),
        from: port(dieResistor(group.id, at.placeId, colour), 'b'),
        to: dieLeg(group.id, colour, at.light),
      },
    ]);
  const firstTo = new Map<Net, PortRef>();
  const bridges = cores.flatMap(({ net, to }): CoreDraft[] => {
    const from = firstTo.get(net);
    if (!from) firstTo.set(net, to);
    return from && (from.item !== to.item || from.port !== to.port) ? [{ net, from, to }] : [];
  });
  if (bridges.length > 0) wiring.leg(`bridge:light:${group.id}:${at.placeId}`, at.here, bridges);
}
