import { type BoardItem, type Item, kindOf, type SwitchedBy, takesTurns, waysOf } from '../items/index.ts';
import { type BoxPart, type ControllerPart, type DriverPart, findPart, type Library } from '../parts/index.ts';
import { type Design, itemNamed } from '../plan/index.ts';
import type { Rails } from './rails.ts';
import { dimmedDriver, gridOnPins, startedBy, type Way, ways } from './ways.ts';

/** A board of the plan with its kind. */
export interface Board {
  readonly id: string;
  readonly name: string;
  readonly item: BoardItem;
  readonly part: ControllerPart;
  /** Null while nothing feeds it. */
  readonly railId: string | null;
}

/** How one channel of an item is switched, and what has a part in it. */
export interface Switched {
  readonly itemId: string;
  /** Counted from 0 over the channels that are switched apart. */
  readonly channel: number;
  /** As it is resolved. */
  readonly way: Way;
  /** What the maker said, where it is more than "as reckoned". */
  readonly said: SwitchedBy;
  /** The rail on its plus side, in the end. */
  readonly railId: string | null;
  /** Null where no board drives it. */
  readonly board: Board | null;
  /** The switch, gate, driver or box that it names. */
  readonly by: Item | null;
  /** Null where none holds its current. */
  readonly driver: DriverPart | null;
  /** Null where no box switches it. */
  readonly box: BoxPart | null;
}

const isBoard = (item: Item): item is BoardItem => kindOf(item.kind).role === 'board';

/** The boards of a design; one whose kind is not known is left out. */
export const listBoards = (design: Pick<Design, 'items'>, library: Library, rails: Rails): readonly Board[] =>
  design.items.filter(isBoard).flatMap((item) => {
    const part = findPart(library, 'controller', item.part);
    return part ? [{ id: item.id, name: item.name, item, part, railId: rails.feedOf(item) }] : [];
  });

/** The board that an item names, or the first there is. */
export const boardOf = (boards: readonly Board[], id: string | null): Board | null =>
  (id === null ? boards[0] : boards.find((board) => board.id === id)) ?? null;

/** Items that any mood or sign moves, by themselves or as part of a set. */
export function movedItems(moods: Design['moods']): ReadonlySet<string> {
  const lists = [
    ...moods.list.flatMap((mood) => [...Object.keys(mood.moves), ...(mood.tops ?? []).map((top) => top.on)]),
    ...(moods.signs ?? []).flatMap((sign) => Object.keys(sign.moves)),
  ];
  const ids = new Set(lists);
  for (const set of moods.sets ?? []) if (ids.has(set.id)) for (const part of set.of) ids.add(part.groupId);
  return ids;
}

/** What the moods ask for: the items that any of them moves, and whether there are any moods. */
export interface Asked {
  /** Ids of all that some mood moves. */
  readonly moves: ReadonlySet<string>;
  /** Whether there is any mood. */
  readonly hasMoods: boolean;
}

/** What is decided for an item that says "as reckoned": by a board where moods ask for it, else by its supply. */
function reckonWay(item: Item, asked: Asked, hasBoards: boolean): SwitchedBy['way'] | 'undecided' {
  const isAsked = asked.moves.has(item.id);
  if (kindOf(item.kind).role === 'load' && !isAsked) return 'always on';
  if (hasBoards) return isAsked || !asked.hasMoods ? 'auto' : 'always on';
  return isAsked ? 'undecided' : 'always on';
}

/** How many channels of an item are switched apart. */
export const channelsOf = (item: Item, library: Library): number =>
  kindOf(item.kind).channels?.(item, library).length ?? 0;

/** All that the switching follows from. */
interface SwitchingInput {
  readonly design: Pick<Design, 'items'>;
  readonly asked: Asked;
  readonly library: Library;
  readonly rails: Rails;
  readonly boards: readonly Board[];
  /** What is taken where the maker leaves it to the program. */
  readonly chooseAuto: (
    item: Item,
    channel: number,
    board: Board,
  ) => 'pin high' | 'pin low' | 'transistor below' | 'transistor above';
  /** Whether its pins bear the rows of a grid by themselves. */
  readonly bearsRows: (item: Item, said: SwitchedBy, board: Board) => boolean;
}

/**
 * How every channel of every item is switched: the maker's word, or what follows. `chooseAuto` says between pin and
 * transistor for those that a board drives "as reckoned", since that depends on their currents.
 */
export function resolveSwitching(options: SwitchingInput): ReadonlyMap<string, readonly Switched[]> {
  const { design, library } = options;
  return new Map(
    design.items.flatMap((item): [string, readonly Switched[]][] => {
      const said = waysOf(item);
      const [first] = said;
      if (!first) return [];
      const channels = Array.from(
        { length: channelsOf(item, library) },
        (_, channel): Switched =>
          resolveChannel(options, item, channel, said[Math.min(channel, said.length - 1)] ?? first),
      );
      return [[item.id, channels]];
    }),
  );
}

/** One channel of an item: the way, and what it names. */
function resolveChannel(
  { design, asked, library, rails, boards, chooseAuto, bearsRows }: SwitchingInput,
  item: Item,
  channel: number,
  own: SwitchedBy,
): Switched {
  const named = 'by' in own ? (itemNamed(design, own.by) ?? null) : null;
  // A part that scans by itself says which board tells it what.
  const teller = own.way === 'scan driver' && named && 'board' in named ? named : own;
  const board = boardOf(boards, 'board' in teller ? teller.board : null);
  const parts = partsOf(named, library);
  const isDimmed = parts.driver?.dims && board && asked.moves.has(item.id) && isAloneOn(design, item, own, library);
  const decided = own.way === 'auto' ? reckonWay(item, asked, boards.length > 0) : own.way;
  const way = isDimmed
    ? dimmedDriver
    : takesTurns(own)
      ? wayOfTurns(item, own, board, bearsRows)
      : ofLoad(
          wayOf(decided, board, (to) => chooseAuto(item, channel, to)),
          item,
          library,
        );
  return {
    itemId: item.id,
    channel,
    way,
    said: own,
    railId: railOf(item, own, named, rails),
    board: way.pin === 'none' ? null : board,
    by: named,
    ...parts,
  };
}

/** A pin does not feed a load, but it starts one that has an input for it. */
function ofLoad(way: Way, item: Item, library: Library): Way {
  const input =
    kindOf(item.kind).role === 'load' && 'part' in item ? findPart(library, 'load', item.part)?.input : undefined;
  return input && (way.id === 'pin high' || way.id === 'pin low') ? startedBy(input) : way;
}

/** Whether a driver has this item alone, in one string: two pins on one dimming input would short each other. */
const isAloneOn = (design: Pick<Design, 'items'>, item: Item, said: SwitchedBy, library: Library): boolean =>
  said.way === 'driver' &&
  channelsOf(item, library) === 1 &&
  design.items.filter((each) => waysOf(each).some((way) => way.way === 'driver' && way.by === said.by)).length === 1;

/** The way that comes of what is said: one that needs a board where there is none is not decided yet. */
function wayOf(
  decided: SwitchedBy['way'] | 'undecided',
  board: Board | null,
  chooseAuto: (board: Board) => Exclude<Way['id'], 'auto'>,
): Way {
  if (decided === 'auto') return ways[board ? chooseAuto(board) : 'undecided'];
  return ways[decided].pin !== 'none' && !board ? ways.undecided : ways[decided];
}

/** The same of lights that take turns, which only single lights do: a grid whose rows its pins bear hangs on those alone. */
function wayOfTurns(
  item: Item,
  own: SwitchedBy,
  board: Board | null,
  bearsRows: (item: Item, said: SwitchedBy, board: Board) => boolean,
): Way {
  if (!('places' in item) || !board || own.way === 'auto') return ways.undecided;
  return own.way === 'scanned grid' && bearsRows(item, own, board) ? gridOnPins : ways[own.way];
}

/** The part of a driver or box that is named. */
function partsOf(named: Item | null, library: Library): Pick<Switched, 'driver' | 'box'> {
  const part = named && 'part' in named ? named.part : null;
  return { driver: findPart(library, 'driver', part) ?? null, box: findPart(library, 'box', part) ?? null };
}

/** What is fed by way of a switch of its own takes from there; by way of a driver, from what feeds that. */
function railOf(item: Item, own: SwitchedBy, named: Item | null, rails: Rails): string | null {
  if (own.way === 'hand switch') return named && rails.byId.has(named.id) ? named.id : null;
  if ((own.way === 'driver' || own.way === 'scan driver') && named) return rails.feedOf(named);
  return rails.feedOf(item);
}
