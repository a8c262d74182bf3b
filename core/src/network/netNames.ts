import { kindOf } from '../items/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import type { Rails } from './rails.ts';

/** What a core is for, as it stands on the sheets. */
export type NetName = string;

/** What kind of net it is: decides its colour. */
export type NetRole = 'pack plus' | 'rail plus' | 'minus' | 'data' | 'signal';

/** A set of ports with one meaning. One object each: nets are compared by themselves, never by their text. */
export interface Net {
  readonly id: string;
  readonly name: NetName;
  readonly role: NetRole;
  /** The rail whose plus it is; null for any other net. */
  readonly railId: string | null;
}

/** Gives every net of a design its one object, so that whoever asks for it twice gets the same. */
export interface NetNamer {
  /** Of a rail. */
  readonly plus: (railId: string) => Net;
  /** Of a rail: the common one, or its own. */
  readonly minus: (railId: string) => Net;
  /** Between a board and a light. */
  readonly channel: (itemId: string, channel: number) => Net;
  /** That lights share, or over which a part is told something, by its short name on the item. */
  readonly line: (itemId: string, line: string, name: NetName) => Net;
  /** Between light and resistor. */
  readonly behind: (itemId: string, placeId: string) => Net;
  /** Into a tape. */
  readonly data: (tapeId: string) => Net;
  /** Into a tape, from the spare pixel before it. */
  readonly dataBehindSpare: (tapeId: string) => Net;
  /** Between pieces of a tape that is cut. */
  readonly dataPiece: (tapeId: string, word: string, piece: number) => Net;
  /** From a control to its board. */
  readonly signal: (controlId: string) => Net;
  /** Behind the regulator of a board. */
  readonly chip: (boardId: string) => Net;
  /** Behind a light gate. */
  readonly switchedMinus: (gateId: string) => Net;
  /** At either side of a driver. */
  readonly driver: (driverId: string, side: 'plus' | 'minus') => Net;
  /** Of a control box. */
  readonly output: (boxId: string, output: number) => Net;
  /** Within a part, reached by no wire. */
  readonly inner: (id: string, name: NetName) => Net;
  /** Those that were asked for, in that order. */
  readonly all: () => readonly Net[];
}

/** Names that are each their own: a second of the same gets a number. */
function uniqueNames(): (wanted: string) => string {
  const taken = new Map<string, number>();
  return (wanted) => {
    const before = taken.get(wanted) ?? 0;
    taken.set(wanted, before + 1);
    return before === 0 ? wanted : `${wanted} (${before + 1})`;
  };
}

/** Names the nets of a design: one name has one meaning, also where items are called alike. */
export function nameNets(design: Pick<Design, 'items'>, rails: Rails, library: Library): NetNamer {
  const nets = new Map<string, Net>();
  const unique = uniqueNames();
  const net = (id: string, role: NetRole, wanted: () => string, railId: string | null = null): Net => {
    const known = nets.get(id);
    if (known) return known;
    const made = { id, role, name: unique(wanted()), railId };
    nets.set(id, made);
    return made;
  };
  const nameOf = (id: string): string => design.items.find((item) => item.id === id)?.name ?? id;
  const sources = rails.list.filter((rail) => rail.fromId === null);
  const lines = design.items.filter((item) => 'after' in item && item.after === null);
  const boards = design.items.filter((item) => kindOf(item.kind).role === 'board');
  const isMain = (railId: string): boolean => railId === rails.mainId;
  const plusName = (railId: string): string => {
    const rail = rails.byId.get(railId);
    if (rail && rail.sourceId === railId)
      return sources.length > 1 ? `plus of ${rail.name}` : rail.gives.form === 'outside' ? 'supply plus' : 'pack plus';
    return isMain(railId)
      ? 'rail plus'
      : rail?.gives.form === 'contact'
        ? `switched plus of ${rail.name}`
        : `plus of ${nameOf(railId)}`;
  };
  return {
    plus: (railId) =>
      net(
        `plus:${railId}`,
        rails.byId.get(railId)?.fromId === null ? 'pack plus' : 'rail plus',
        () => plusName(railId),
        railId,
      ),
    minus: (railId) => {
      const minusId = rails.byId.get(railId)?.minusId ?? 'common';
      return net(`minus:${minusId}`, 'minus', () => (minusId === 'common' ? 'minus' : `minus of ${nameOf(minusId)}`));
    },
    channel: (itemId, channel) =>
      net(`channel:${itemId}:${channel}`, 'signal', () => channelName(design, library, itemId, channel)),
    line: (itemId, line, name) => net(`line:${itemId}:${line}`, 'signal', () => name),
    behind: (itemId, placeId) =>
      net(`behind:${itemId}:${placeId}`, 'signal', () => `plus of ${nameOf(itemId)}, behind its resistor`),
    data: (tapeId) =>
      net(`data:${tapeId}`, 'data', () =>
        lines.length > 1 || !lines.some((line) => line.id === tapeId) ? `data of ${nameOf(tapeId)}` : 'data',
      ),
    dataBehindSpare: (tapeId) =>
      net(`data:${tapeId}:behind spare`, 'data', () => `data of ${nameOf(tapeId)}, behind its spare pixel`),
    dataPiece: (tapeId, word, piece) =>
      net(`data:${tapeId}:row ${piece + 2}`, 'data', () => `data of ${nameOf(tapeId)}, ${word} ${piece + 2}`),
    signal: (controlId) => net(`signal:${controlId}`, 'signal', () => `signal ${nameOf(controlId)}`),
    chip: (boardId) =>
      net(`chip:${boardId}`, 'rail plus', () => (boards.length > 1 ? `chip plus of ${nameOf(boardId)}` : 'chip plus')),
    switchedMinus: (gateId) => net(`switched:${gateId}`, 'signal', () => `switched minus of ${nameOf(gateId)}`),
    driver: (driverId, side) => net(`driver ${side}:${driverId}`, 'signal', () => `${side} of ${nameOf(driverId)}`),
    output: (boxId, output) => net(`output:${boxId}:${output}`, 'signal', () => `output ${output} of ${nameOf(boxId)}`),
    inner: (id, name) => net(`inner:${id}`, 'signal', () => name),
    all: () => [...nets.values()],
  };
}

/** A channel by its item: numbered where there are several, by its colour where they are colours. */
function channelName(design: Pick<Design, 'items'>, library: Library, itemId: string, channel: number): string {
  const item = design.items.find((each) => each.id === itemId);
  if (!item) return `channel ${itemId}`;
  const own = kindOf(item.kind).channels?.(item, library)[channel - 1] ?? '';
  return own === '' ? `channel ${item.name}` : `channel ${item.name} ${own}`;
}
