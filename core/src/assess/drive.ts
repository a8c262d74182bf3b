import type { Item, PlacedGroup, SwitchedBy } from '../items/index.ts';
import {
  type Asked,
  type Board,
  channelsOf,
  type Driven,
  drawnFrom,
  gridOnPins,
  isPinEnough,
  type LoadDrive,
  type Rails,
  resolveSwitching,
  type SizingInput,
  type Switched,
  sizeLights,
  sizeLoads,
  sizeTape,
  ways,
} from '../network/index.ts';
import { findPart, type Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** How all is switched, and what that comes to. */
export interface Switching {
  readonly switched: ReadonlyMap<string, readonly Switched[]>;
  readonly driven: readonly Driven[];
  readonly loads: readonly LoadDrive[];
}

/** Resolves and sizes every channel; between pin and transistor it goes by what the pin bears. */
export function switchAll(
  design: Pick<Design, 'items'>,
  asked: Asked,
  library: Library,
  rails: Rails,
  boards: readonly Board[],
  placed: readonly PlacedGroup[],
): Switching {
  const strings = stringsByDriver(placed, library);
  const input: SizingInput = {
    library,
    rangeOf: (railId) => (railId === null ? null : (rails.byId.get(railId)?.range ?? null)),
    stringsOn: (driverId) => strings.get(driverId) ?? 0,
  };
  const groups = new Map(placed.map((group) => [group.id, group]));
  const commonOf = (itemId: string): 'plus' | 'minus' | undefined => {
    const group = groups.get(itemId);
    return group?.shape === 'lights' ? group.part.common : undefined;
  };
  const tryPin = (item: Item, board: Board): boolean => {
    const group = groups.get(item.id);
    if (group?.shape !== 'lights') return false;
    // A rail that the maker named for it is meant to feed it: no pin gives that.
    if ('feed' in item && item.feed !== null && item.feed !== board.railId) return false;
    const dice = group.part.dice ?? [null];
    return dice.every((_, channel) => {
      const driven = sizeLights(group, onPin(item.id, board, channel, commonOf(item.id) === 'plus'), input);
      return driven !== null && isPinEnough(driven);
    });
  };
  /** A rail of its own, a transistor that the maker chose: then it is not the pins that are to bear a row. */
  const bearsRows = (item: Item, said: SwitchedBy, board: Board): boolean => {
    const group = groups.get(item.id);
    const isNamed =
      ('part' in said && said.part !== null) || ('feed' in item && item.feed !== null && item.feed !== board.railId);
    if (group?.shape !== 'lights' || isNamed || ('columnsBy' in said && said.columnsBy === 'transistor')) return false;
    const driven = sizeLights(group, { ...onPin(item.id, board, 0, false), way: gridOnPins, said }, input);
    return driven !== null && isPinEnough(driven);
  };
  const switched = resolveSwitching({
    bearsRows,
    design,
    asked,
    library,
    rails,
    boards,
    chooseAuto: (item, _channel, board) => {
      const load = 'part' in item ? findPart(library, 'load', item.part) : undefined;
      if (load) return load.input === undefined ? 'transistor below' : load.input === 'low' ? 'pin low' : 'pin high';
      // A leg that the dice share decides the side on which each of them is switched.
      const common = commonOf(item.id);
      if (tryPin(item, board)) return common === 'plus' ? 'pin low' : 'pin high';
      return common === 'minus' ? 'transistor above' : 'transistor below';
    },
  });
  const driven = placed.flatMap((group): Driven[] => {
    const channels = switched.get(group.id) ?? [];
    const [first] = channels;
    if (!first || group.shape === 'pixels') return [];
    const sized =
      group.shape === 'lights'
        ? (group.part.dice ? channels : [first]).map((channel) => sizeLights(group, channel, input))
        : channels.map((channel) => sizeTape(group, channel, input));
    return sized.filter((each) => each !== null);
  });
  return { switched, driven, loads: sizeLoads(design, switched, input) };
}

/** Strings of single lights on each driver: every channel of every group that names it. */
function stringsByDriver(placed: readonly PlacedGroup[], library: Library): ReadonlyMap<string, number> {
  const strings = new Map<string, number>();
  for (const group of placed) {
    if (group.shape !== 'lights') continue;
    const way = group.group.switchedBy;
    if (way.way === 'driver') strings.set(way.by, (strings.get(way.by) ?? 0) + channelsOf(group.group, library));
  }
  return strings;
}

/** A channel as it would be on a pin of a board. */
const onPin = (itemId: string, board: Board, channel: number, isLow: boolean): Switched => ({
  itemId,
  channel,
  way: ways[isLow ? 'pin low' : 'pin high'],
  said: { way: 'auto' },
  railId: board.railId,
  board,
  by: null,
  driver: null,
  box: null,
});

/** The rail that an item draws from, by how it is switched. */
export const railOfSwitched = (switching: Switching, itemId: string): string | null => {
  const [first] = switching.switched.get(itemId) ?? [];
  return first ? drawnFrom(first) : null;
};
