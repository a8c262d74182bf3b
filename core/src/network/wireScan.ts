import { layOutScan, type PlacedLeds, type ScanLayout, type ScanLine } from '../items/index.ts';
import { findPart } from '../parts/index.ts';
import type { Net } from './netNames.ts';
import type { CoreDraft, PortRef, RunEnd } from './runs.ts';
import { isResistorInside } from './strings.ts';
import { type Board, boardOf, type Switched } from './switching.ts';
import { endAt, port, type Wiring } from './wiring.ts';

/** What stands at the end of a line: the pin that it asks for, and the small parts there. */
export const scanLineId = (itemId: string, line: Pick<ScanLine, 'id'>): string => `channel:${itemId}:${line.id}`;
/** The wire of a line, from where it begins to its first light. */
export const scanRunId = (itemId: string, line: Pick<ScanLine, 'id'>): string => `line:${itemId}:${line.id}`;
/** The diode behind a light. */
export const scanDiodeId = (itemId: string, placeId: string): string => `diode:${itemId}:${placeId}`;
/** A wire over which a board tells a scan driver its lights. */
export const scanDataId = (driverId: string, what: string): string => `scan:${driverId}:${what}`;
/** What a scan driver is told over: its lights, bit by bit, and when they are all there. */
export const scanWires = ['data', 'clock', 'latch'] as const;

/** What a line is called. @example "row 1", "column 3", "pin 2 of those shared" */
export const nameOfLine = ({ kind, number }: Pick<ScanLine, 'kind' | 'number'>): string =>
  kind === 'shared pin' ? `shared pin ${number}` : `${kind} ${number}`;

/** Lights that take turns: a wire to each line, and from light to light along it their own legs or bare wire. */
export function wireScan(wiring: Wiring, leds: PlacedLeds, switched: Switched): void {
  const hub = wiring.prepare(switched);
  const layout = layOutScan(leds.places.length, switched.said);
  if (!hub || !layout) return;
  for (const line of layout.lines) wireLine(wiring, leds, switched, { layout, line, hub: endAt(hub) });
  if (leds.group.diodes) for (const light of leds.places.keys()) wireDiode(wiring, leds, layout, light);
}

interface Lined {
  readonly layout: ScanLayout;
  readonly line: ScanLine;
  readonly hub: RunEnd;
}

const netOf = (wiring: Wiring, leds: PlacedLeds, line: ScanLine): Net =>
  wiring.names.line(leds.id, line.id, `${nameOfLine(line)} of ${leds.name}`);

/** Where a line meets a light: at its leg, or behind the diode there. */
const joinOf = ({ group, id }: PlacedLeds, { light, side }: ScanLine['joins'][number]): PortRef =>
  side === 'minus' && group.diodes
    ? port(scanDiodeId(id, group.places[light]?.id ?? ''), 'cathode')
    : port(id, `${side} ${light + 1}`);

const endAtLight = (leds: PlacedLeds, light: number): RunEnd => ({
  name: leds.places.length > 1 ? `${leds.name} ${light + 1}` : leds.name,
  itemId: leds.id,
  at: leds.places[light] ?? null,
});

function wireLine(wiring: Wiring, leds: PlacedLeds, switched: Switched, { layout, line, hub }: Lined): void {
  const [first] = line.joins;
  if (!first) return;
  const net = netOf(wiring, leds, line);
  const here = endAtLight(leds, first.light);
  const begin = beginLine(wiring, leds, switched, { layout, line, hub });
  wiring.add({
    id: scanRunId(leds.id, line),
    name: `${leds.name}, ${nameOfLine(line)}`,
    from: hub,
    to: here,
    cores: [{ net, from: begin, to: joinOf(leds, first) }],
    carries: {
      kind: 'lights',
      itemId: leds.id,
      lights: line.kind === 'row' ? line.joins.length : 1,
      // A row is on for one turn, a column or a shared pin with each of its lights.
      turns: line.kind === 'row' ? layout.turns : layout.turns / line.joins.length,
    },
  });
  const along = line.joins.slice(1).map((join, i): CoreDraft => {
    const before = line.joins[i] ?? first;
    return { net, from: joinOf(leds, before), to: joinOf(leds, join) };
  });
  if (along.length > 0) wiring.leg(`line:${leds.id}:${line.id}`, here, along);
}

/** Where the wire of a line begins: at a pin or its transistor, behind the resistor there, or at the part that scans. */
function beginLine(wiring: Wiring, leds: PlacedLeds, switched: Switched, { line, hub }: Lined): PortRef {
  if (switched.way.hub === 'by') return port(hub.itemId, nameOfLine(line));
  const id = scanLineId(leds.id, line);
  const out = port(id, 'out');
  const item = wiring.item(hub.itemId);
  if (line.kind === 'row') {
    if (switched.way.throughPin === 'not' && item)
      wiring.leg(id, hub, [{ ...wiring.side('rail plus', switched, item), to: port(id, 'plus') }]);
    return out;
  }
  const isBare = isResistorInside(leds);
  const resistor = `resistor:${leds.id}:${line.id}`;
  if (!isBare) {
    const pinNet = wiring.names.line(leds.id, `${line.id} pin`, `${nameOfLine(line)} of ${leds.name}, at its pin`);
    wiring.leg(resistor, hub, [{ net: pinNet, from: out, to: port(resistor, 'a') }]);
  }
  // The far leg of a transistor that takes the column; a pin has none.
  if (line.kind === 'column' && switched.way.throughPin === 'not' && item && wiring.input.columnsOn(leds.id))
    wiring.leg(id, hub, [{ ...wiring.side('minus', switched, item), to: port(id, 'minus') }]);
  return isBare ? out : port(resistor, 'b');
}

/** The diode at the minus leg of a light. */
function wireDiode(wiring: Wiring, leds: PlacedLeds, layout: ScanLayout, light: number): void {
  const placeId = leds.group.places[light]?.id ?? '';
  if (!layout.lines.some((line) => line.joins.some((join) => join.light === light && join.side === 'minus'))) return;
  const net = wiring.names.inner(`diode:${leds.id}:${placeId}`, `${endAtLight(leds, light).name}, before its diode`);
  wiring.leg(`diode:${leds.id}:${placeId}`, endAtLight(leds, light), [
    { net, from: port(leds.id, `minus ${light + 1}`), to: port(scanDiodeId(leds.id, placeId), 'anode') },
  ]);
}

/** The three wires over which a board tells a scan driver its lights; its minus comes with its lead. */
export function wireScanDriver(wiring: Wiring, driverId: string): void {
  const item = wiring.item(driverId);
  if (!item || !('board' in item)) return;
  const board: Board | null = boardOf(wiring.input.boards, item.board);
  if (!board || !('part' in item) || !findPart(wiring.input.library, 'scan-driver', item.part)) return;
  wiring.add({
    id: `scan:${driverId}`,
    name: `What ${item.name} is told`,
    from: endAt(board.item),
    to: endAt(item),
    cores: scanWires.map((what) => ({
      net: wiring.names.line(driverId, what, `${what} of ${item.name}`),
      from: port(scanDataId(driverId, what), 'out'),
      to: port(driverId, what),
    })),
    carries: null,
  });
}
