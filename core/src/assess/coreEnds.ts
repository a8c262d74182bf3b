import { kindOf, type ScanLine } from '../items/index.ts';
import { type Driven, type LoadDrive, nameOfLine, type PortRef, type RunDraft } from '../network/index.ts';
import type { Design } from '../plan/index.ts';
import { type Message, ohms, quantity, say } from '../units/index.ts';
import type { BoardPins } from './pins.ts';
import type { Sensing } from './sensing.ts';

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
  readonly loads: readonly LoadDrive[];
  readonly pins: readonly BoardPins[];
  readonly sensing: readonly Sensing[];
  /** What a resistor that sits where its wire begins is soldered to there. */
  readonly nearOf: (resistor: string) => PortRef | undefined;
}

/** What stands at a terminal besides: of the item itself, or the diode of what switches it; nothing where there is nothing. */
function sayBeside(own: Design['items'][number], port: string, { loads }: Named): Message {
  const said = kindOf(own.kind).beside?.(own, port);
  if (said) return said;
  const load = loads.find(({ itemId }) => itemId === own.id);
  return port === 'plus' && load?.transistor && load.wantsDiode
    ? ', with a diode across to its minus, the ringed end here'
    : '';
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

/** What stands in the lead of a source before anything else. */
function guardsOf(item: Design['items'][number], port: string): string {
  const board = 'protection' in item && item.protection ? ['protection board'] : [];
  const fuse = 'fuseA' in item && item.fuseA !== null && port.startsWith('plus') ? ['fuse'] : [];
  return [...board, ...fuse].join(' and ');
}

/**
 * A port in words; a small part by what it is and what it serves, since a wire ends there and not at the item.
 * @example "390 Ω before Eyes 1", "transistor of Eyes, on pin 5 of Board"
 */
function nameEnd({ item, port }: PortRef, named: Named): Message {
  const { design, driven } = named;
  const nameOf = (id: string): string => design.items.find((each) => each.id === id)?.name ?? id;
  const own = design.items.find((each) => each.id === item);
  const divider = named.sensing.find(({ control }) => control.id === item);
  if (own && divider?.kind === 'charge') return nameDivider(divider, port);
  const behind = own ? guardsOf(own, port) : '';
  if (own && behind !== '') return `${own.name} ${port} (behind its ${behind})`;
  if (own) {
    const said = port.replace(/^(plus|minus) of (.+)$/, (_, side, id) => `${side} of ${nameOf(id)}`);
    return say`${own.name} ${said}${sayBeside(own, port, named)}`;
  }
  const [what = ''] = item.split(':');
  const served = design.items.find((each) => `${item}:`.startsWith(`${what}:${each.id}:`));
  if (!served) return `${item} ${port}`;
  const rest = item.slice(what.length + served.id.length + 2);
  const sized = driven.find((each) => each.itemId === served.id);
  const ofSpare = 'after' in served ? nameOfSpare(what, served.name, port) : null;
  return ofSpare ?? namePart({ item, port }, { what, rest, served, sized }, named);
}

/** What a small part is called that serves an item. */
interface Serves {
  readonly what: string;
  /** Which of its kind it is. */
  readonly rest: string;
  readonly served: Design['items'][number];
  readonly sized: Driven | undefined;
}

/** Where a charge sense meets its wires: its upper resistor sits at the pack, so that a chafed wire shorts nothing. */
const nameDivider = ({ control, design }: Extract<Sensing, { kind: 'charge' }>, port: string): Message =>
  port === 'minus'
    ? say`${control.name}, free end of its ${ohms(design.lowerOhm)}`
    : say`${control.name}, where the wire from the pack, ${ohms(design.lowerOhm)} and the signal meet`;

/** The wire that a charge sense has to its pack begins behind a resistor. */
function atDivider(runId: string, ends: CoreEnds, { sensing }: Named): CoreEnds {
  const divider = sensing.find((each) => each.kind === 'charge' && runId === `sense:${each.control.id}`);
  return divider?.kind === 'charge'
    ? { ...ends, from: say`${ends.from}, behind ${ohms(divider.design.upperOhm)} there` }
    : ends;
}

function namePart({ item, port }: PortRef, { what, rest, served, sized }: Serves, named: Named): Message {
  const pin = pinFor(item, named) ?? 'its pin';
  const line = sized?.scan?.layout.lines.find(({ id }) => id === rest);
  if (what === 'resistor' && port === 'b') return nameFarEnd(item, { what, rest, served, sized }, named);
  if (line && sized) return nameLineEnd({ item, port }, what, sized, line, pin);
  if (what === 'diode')
    return `diode at ${served.name}${lightNumber(served, rest)}, ${port === 'cathode' ? 'ringed end' : 'other end'}`;
  if (what === 'resistor') return nameResistor(rest, served, sized, named);
  const sensor = named.sensing.find(({ control }) => control.id === served.id);
  if (what === 'control' && sensor?.kind === 'light') {
    const { fixedOhm, smoothingUf } = sensor.design;
    const across = smoothingUf === null ? '' : say` and ${quantity('capacitanceUf', smoothingUf)} across it`;
    return say`${pin}, with ${ohms(fixedOhm)} to minus${across}`;
  }
  if (what === 'channel' && named.loads.some((run) => run.itemId === served.id && run.transistor))
    return `transistor of ${served.name}, on ${pin}`;
  if (what === 'data') return say`${pin}${kindOf(served.kind).beside?.(served, 'data pin') ?? ''}`;
  if (what !== 'channel' || !sized?.transistor) return pin;
  return `transistor of ${served.name}${sized.lightsOnChannel.length > 1 ? ` ${rest}` : ''}, on ${pin}`;
}

/** The end of a resistor at which a wire begins, with what its other end is soldered to. @example "150 Ω of Reef, column 1, on pin 14 of Board" */
function nameFarEnd(item: string, serves: Serves, named: Named): Message {
  const { rest, served, sized } = serves;
  const line = sized?.scan?.layout.lines.find(({ id }) => id === rest);
  const own =
    line && sized
      ? nameLineEnd({ item, port: 'b' }, 'resistor', sized, line, '')
      : nameResistor(rest, served, sized, named);
  const near = named.nearOf(item);
  return near ? say`${own}, on ${nameEnd(near, named)}` : own;
}

/** A resistor by its value and the light, or the die of it, that it serves. */
function nameResistor(rest: string, served: Serves['served'], sized: Driven | undefined, { driven }: Named): Message {
  const [placeId = '', die] = rest.split(':');
  const light = lightNumber(served, placeId);
  const own = die === undefined ? sized : driven.find((each) => each.itemId === served.id && each.die === die);
  const value = own?.resistor ? ohms(own.resistor.resistorOhm) : 'resistor';
  return die === undefined
    ? say`${value} before ${served.name}${light}`
    : say`${value} at the ${die} leg of ${served.name}${light}`;
}

/** Which light of an item a place is, where it has several. @example " 3" */
function lightNumber(served: Design['items'][number], placeId: string): string {
  const places = 'places' in served ? served.places : [];
  return places.length > 1 ? ` ${places.findIndex((place) => place.id === placeId) + 1}` : '';
}

/** What stands at the end of a line that lights share. @example "transistor of Reef, row 1, on pin 5 of Board" */
function nameLineEnd(
  { port }: PortRef,
  what: string,
  { name, resistor, transistor, scan }: Driven,
  line: ScanLine,
  pin: string,
): Message {
  const ofLine = `${name}, ${nameOfLine(line)}`;
  if (what === 'resistor') return say`${resistor ? ohms(resistor.resistorOhm) : 'resistor'} of ${ofLine}`;
  const on = line.kind === 'row' ? transistor : line.kind === 'column' ? scan?.columnSwitch : null;
  if (!on) return pin;
  return `transistor of ${ofLine}${port === 'out' ? '' : `, towards ${port}`}, on ${pin}`;
}

/** The ends of every core, by run. */
export function nameCoreEnds(
  joins: readonly RunDraft[],
  known: Omit<Named, 'nearOf'>,
): ReadonlyMap<string, readonly CoreEnds[]> {
  const near = new Map(
    joins
      .filter(({ bare }) => bare === 'legs')
      .flatMap(({ cores }) => cores)
      .flatMap(({ from, to }): [string, PortRef][] => (to.port === 'a' ? [[to.item, from]] : [])),
  );
  const named: Named = { ...known, nearOf: (resistor) => near.get(resistor) };
  return new Map(
    joins.map((run) => [
      run.id,
      run.cores.map(
        ({ from, to }): CoreEnds => atDivider(run.id, { from: nameEnd(from, named), to: nameEnd(to, named) }, named),
      ),
    ]),
  );
}
