import type { Driven, PortRef, RunDraft } from '../network/index.ts';
import type { Design } from '../plan/index.ts';
import { type Message, ohms, say } from '../units/index.ts';
import type { BoardPins } from './pins.ts';

/** Where one core begins and ends, in words: what a maker solders it to. */
export interface CoreEnds {
  /** What its first end is soldered to. */
  readonly from: Message;
  /** What its other end is soldered to. */
  readonly to: Message;
}

/** What names are made of. */
interface Named {
  readonly design: Pick<Design, 'items'>;
  readonly driven: readonly Driven[];
  readonly pins: readonly BoardPins[];
}

/** The pin that a demand is given. @example "pin 5 of Board" */
function pinFor(demandId: string, { pins }: Named): string | null {
  for (const { board, plan } of pins) {
    const given = plan.ok ? plan.given.find(({ demand }) => demand.id === demandId) : undefined;
    if (given) return `pin ${given.pin.name} of ${board.name}`;
  }
  return null;
}

/** A spare pixel before a tape and the diode before it, in words; null for any other small part. */
function nameOfSpare(what: string, tape: string, port: string): string | null {
  if (what === 'spare') return `spare pixel of ${tape}, ${port}`;
  const end = port === 'cathode' ? 'ringed end' : 'other end';
  return what === 'diode' ? `diode before the spare pixel of ${tape}, ${end}` : null;
}

/**
 * A port in words; a small part by what it is and what it serves, since a wire ends there and not at the item.
 * @example "390 Ω before Eyes 1", "transistor of Eyes, on pin 5 of Board"
 */
function nameEnd({ item, port }: PortRef, named: Named): Message {
  const { design, driven } = named;
  const nameOf = (id: string): string => design.items.find((each) => each.id === id)?.name ?? id;
  const own = design.items.find((each) => each.id === item);
  if (own) return `${own.name} ${port.replace(/^(plus|minus) of (.+)$/, (_, side, id) => `${side} of ${nameOf(id)}`)}`;
  const [what = ''] = item.split(':');
  const served = design.items.find((each) => `${item}:`.startsWith(`${what}:${each.id}:`));
  if (!served) return `${item} ${port}`;
  const rest = item.slice(what.length + served.id.length + 2);
  const sized = driven.find((each) => each.itemId === served.id);
  const ofSpare = nameOfSpare(what, served.name, port);
  if (ofSpare) return ofSpare;
  if (what === 'resistor') {
    const places = 'places' in served ? served.places : [];
    const [placeId = '', die] = rest.split(':');
    const light = places.length > 1 ? ` ${places.findIndex((place) => place.id === placeId) + 1}` : '';
    const own = die === undefined ? sized : driven.find((each) => each.itemId === served.id && each.die === die);
    const value = own?.resistor ? ohms(own.resistor.resistorOhm) : 'resistor';
    return die === undefined
      ? say`${value} before ${served.name}${light}`
      : say`${value} at the ${die} leg of ${served.name}${light}`;
  }
  const pin = pinFor(item, named) ?? 'its pin';
  if (what !== 'channel' || !sized?.transistor) return pin;
  return `transistor of ${served.name}${sized.lightsOnChannel.length > 1 ? ` ${rest}` : ''}, on ${pin}`;
}

/** The ends of every core, by run. */
export const nameCoreEnds = (joins: readonly RunDraft[], named: Named): ReadonlyMap<string, readonly CoreEnds[]> =>
  new Map(
    joins.map((run) => [
      run.id,
      run.cores.map(({ from, to }): CoreEnds => ({ from: nameEnd(from, named), to: nameEnd(to, named) })),
    ]),
  );
