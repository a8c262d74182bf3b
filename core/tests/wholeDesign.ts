import type fc from 'fast-check';
import { takesTurns } from '../src/items/index.ts';
import { builtInLibrary, findPart, packs } from '../src/parts/index.ts';
import type { Design, Item } from '../src/plan/index.ts';
import { anyDesign } from './anyDesign.ts';

type Way = Extract<Item, { kind: 'light' }>['switchedBy'];

/** A way that can be built: with a board where it needs one, below where several colours share their plus. */
function buildable(way: Way, isBelow: boolean, boardId: string | undefined): Way {
  if (way.way === 'auto') return way;
  if ('board' in way && way.way !== 'driver') {
    if (boardId === undefined) return { way: 'always on' };
    return isBelow || ('part' in way && way.part === 'gone')
      ? { way: 'transistor below', board: boardId, part: null }
      : { ...way, board: boardId };
  }
  return isBelow && way.way !== 'always on' ? { way: 'auto' } : way;
}

/** Only lights of one die take turns, and only where a board says when. */
const inTurns = (item: Extract<Item, { kind: 'light' }>): Way => {
  const isOne = findPart(builtInLibrary, 'led', item.part)?.dice === undefined;
  return takesTurns(item.switchedBy) && !isOne ? { way: 'auto' } : item.switchedBy;
};

const route = [
  { xMm: 20, yMm: 20 },
  { xMm: 320, yMm: 60 },
];

/** One item with all that it needs to be reckoned and built. */
function complete(item: Item, boardId: string | undefined): Item {
  switch (item.kind) {
    case 'pack':
      return { ...item, part: item.part ?? packs[0]?.id ?? null, minus: 'joined' };
    case 'outside supply':
    case 'converter':
      return { ...item, minus: 'joined' };
    case 'plain tape': {
      const colours = findPart(builtInLibrary, 'plain-tape', item.part)?.colours ?? 1;
      const [first = { way: 'always on' as const }] = item.switchedBy;
      // What holds or switches one string is no supply for a tape.
      const isTooFine =
        takesTurns(first) || first.way === 'driver' || first.way === 'pin high' || first.way === 'pin low';
      const way = buildable(isTooFine ? { way: 'auto' } : first, colours > 1, boardId);
      return { ...item, switchedBy: [way], route: item.route.length > 1 ? item.route : route };
    }
    case 'pixel tape':
      return { ...item, route: item.route.length > 1 ? item.route : route };
    case 'light':
      return {
        ...item,
        switchedBy: buildable(inTurns(item), false, boardId),
        channels: item.switchedBy.way === 'driver' ? 1 : item.channels,
        places: item.places.length > 0 ? item.places : [{ id: 'place0', at: { xMm: 90, yMm: 70 }, hollowId: null }],
      };
    case 'load': {
      const way = item.switchedBy;
      const isHung = takesTurns(way) || way.way === 'driver' || way.way === 'box' || way.way === 'light gate';
      return { ...item, switchedBy: isHung ? { way: 'always on' } : buildable(way, false, boardId) };
    }
    default:
      return item;
  }
}

/** Whether what a plan names is known. */
const isKnown = (item: Item): boolean => !('part' in item) || item.part === null || builtInLibrary.parts.has(item.part);

/** The same design as one that can be built: nothing unknown in it, everything fed, routed and switched by something. */
export function makeWhole(design: Design): Design {
  const known = design.items.filter(isKnown);
  const boardId = known.find((item) => item.kind === 'board')?.id;
  const seenDrivers = new Set<string>();
  const items = known
    .filter((item) => boardId !== undefined || item.kind !== 'pixel tape')
    .map((item) => complete(item, boardId))
    .map((item): Item => {
      if (item.kind !== 'light') return item;
      if (item.switchedBy.way === 'scan driver' && boardId === undefined)
        return { ...item, switchedBy: { way: 'always on' } };
      // A driver holds one string, or scans one grid.
      if (item.switchedBy.way !== 'driver' && item.switchedBy.way !== 'scan driver') return item;
      if (!seenDrivers.has(item.switchedBy.by)) {
        seenDrivers.add(item.switchedBy.by);
        return item;
      }
      return { ...item, switchedBy: { way: 'always on' } };
    });
  const ids = new Set(items.map((item) => item.id));
  const names = (id: string | null | undefined): boolean => id == null || ids.has(id);
  return {
    ...design,
    items: items.map((item): Item => {
      const freed = { ...item } as Record<string, unknown>;
      if ('feed' in item && !names(item.feed)) freed.feed = null;
      if ('after' in item && !names(item.after)) freed.after = null;
      if ('board' in item && !names(item.board)) freed.board = null;
      if ('of' in item && !names(item.of)) freed.of = null;
      const { switchedBy } = item as { switchedBy?: Way | readonly Way[] };
      if (switchedBy !== undefined) {
        const ways = Array.isArray(switchedBy) ? (switchedBy as Way[]) : [switchedBy as Way];
        const kept = ways.map((way): Way => ('by' in way && !ids.has(way.by) ? { way: 'always on' } : way));
        freed.switchedBy = Array.isArray(switchedBy) ? kept : kept[0];
      }
      return freed as unknown as Item;
    }),
  };
}

/** Designs that can be built as they are. */
export const anyWholeDesign: fc.Arbitrary<Design> = anyDesign.map(makeWhole);
