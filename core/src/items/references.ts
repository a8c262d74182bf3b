import type { Nameable } from './contract.ts';
import type { Item, ItemOf, SwitchedBy } from './types.ts';

/** A place in an item that names something else. */
export interface Reference {
  /** Where it stands in the item. */
  readonly field: string;
  /** Null where nothing is named. */
  readonly id: string | null;
  /** What sort of thing may stand there. */
  readonly names: Nameable;
}

/** Every way of an item's channels: of one that has none, nothing. */
export function waysOf(item: Item): readonly SwitchedBy[] {
  if (!('switchedBy' in item)) return [];
  return 'way' in item.switchedBy ? [item.switchedBy] : item.switchedBy;
}

/** Whether what switches an item feeds it as well, so that its own feed is not asked: a switch in its lead, a driver. */
export function isFedByWay(item: Item): boolean {
  const own = waysOf(item);
  return own.length > 0 && own.every(({ way }) => way === 'hand switch' || way === 'driver' || way === 'scan driver');
}

const namedByWay: Readonly<Partial<Record<SwitchedBy['way'], Nameable>>> = {
  'hand switch': 'switch',
  'light gate': 'gate',
  'scan driver': 'scan driver',
  driver: 'driver',
  box: 'box',
};

function referencesOfWay(way: SwitchedBy, field: string): Reference[] {
  const by = namedByWay[way.way];
  return [
    ...('by' in way && by ? [{ field: `${field}.by`, id: way.by, names: by }] : []),
    ...('board' in way ? [{ field: `${field}.board`, id: way.board, names: 'board' as const }] : []),
  ];
}

/** All that an item names. */
export function referencesOf(item: Item): Reference[] {
  const own: readonly (readonly [field: string, names: Nameable])[] = [
    ['feed', 'feeder'],
    ['other', 'feeder'],
    ['board', 'board'],
    ['receiver', 'receiver'],
    ['with', item.kind === 'switch' ? 'pole' : 'sensor'],
    ['from', 'board'],
    ['after', 'tape'],
    ['of', 'pack'],
    ['hollowId', item.kind === 'guide' ? 'bore' : 'channel'],
    ['boxId', 'hollow box'],
  ];
  // Only fields of the list are read, each a string or null in every kind that has it.
  const fields = item as unknown as Readonly<Record<string, string | null | undefined>>;
  return [
    ...own.flatMap(([field, names]) => (fields[field] === undefined ? [] : [{ field, id: fields[field], names }])),
    ...waysOf(item).flatMap((way, i) =>
      referencesOfWay(way, 'switchedBy' in item && 'way' in item.switchedBy ? 'switchedBy' : `switchedBy.${i}`),
    ),
    ...('places' in item
      ? item.places.map((place, i) => ({ field: `places.${i}.hollowId`, id: place.hollowId, names: 'bore' as const }))
      : []),
    ...('ends' in item
      ? [
          ...item.ends.map((end, i) => ({ field: `ends.${i}.hollowId`, id: end.hollowId, names: 'bore' as const })),
          ...item.lights.map(({ groupId }, i) => ({
            field: `lights.${i}.groupId`,
            id: groupId,
            names: 'lit' as const,
          })),
        ]
      : []),
  ];
}

const forgetWay = (way: SwitchedBy, id: string): SwitchedBy =>
  'by' in way && way.by === id ? { way: 'auto' } : 'board' in way && way.board === id ? { ...way, board: null } : way;

/** An item that no longer names what is gone. Null where it can't be without it. */
export function forgetIn(item: Item, id: string): Item | null {
  if (item.kind === 'signal' && item.from === id) return null;
  const cleared = Object.fromEntries(
    ['feed', 'other', 'receiver', 'with', 'board', 'after', 'of', 'hollowId', 'boxId'].flatMap((field) =>
      (item as unknown as Readonly<Record<string, unknown>>)[field] === id ? [[field, null]] : [],
    ),
  );
  const switched =
    'switchedBy' in item
      ? {
          switchedBy:
            'way' in item.switchedBy
              ? forgetWay(item.switchedBy, id)
              : item.switchedBy.map((way) => forgetWay(way, id)),
        }
      : {};
  const places =
    'places' in item
      ? {
          places: item.places.map((place) => (place.hollowId === id ? { ...place, hollowId: null } : place)),
        }
      : {};
  const guided =
    'ends' in item
      ? {
          ends: item.ends.map((end) => (end.hollowId === id ? { ...end, hollowId: null } : end)),
          lights: item.lights.filter(({ groupId }) => groupId !== id),
        }
      : {};
  // The same fields with the same types, some of them emptied.
  return { ...item, ...cleared, ...switched, ...places, ...guided } as Item;
}

/** Whether an item can be what a field names. */
const suits: Readonly<Record<Nameable, (item: Item) => boolean>> = {
  feeder: (item) => ['pack', 'outside supply', 'converter', 'switch', 'changeover'].includes(item.kind),
  board: (item) => item.kind === 'board',
  pack: (item) => item.kind === 'pack',
  tape: (item) => item.kind === 'pixel tape',
  gate: (item) => item.kind === 'light gate',
  driver: (item) => item.kind === 'driver',
  'scan driver': (item) => item.kind === 'scan driver',
  box: (item) => item.kind === 'box',
  receiver: (item) => item.kind === 'receiver',
  // A further level has no part of its own.
  pole: (item) => item.kind === 'switch' && !item.with,
  sensor: (item) => item.kind === 'light sensor' && !item.with,
  switch: (item) => item.kind === 'switch',
  channel: () => false,
  bore: () => false,
  'hollow box': () => false,
  lit: (item) => 'route' in item || 'places' in item,
};

/** Whether an item is of the sort that another may name in such a field. */
export const canBeNamed = (item: Item, as: Nameable): boolean => suits[as](item);

/** What each sort of thing that can be named is called in a message. */
export const nameableWords: Readonly<Record<Nameable, string>> = {
  feeder: 'pack, supply, converter, switch or changeover',
  board: 'controller',
  pack: 'pack',
  tape: 'tape',
  gate: 'light gate',
  driver: 'driver',
  'scan driver': 'scan driver',
  box: 'ready-made box',
  receiver: 'receiver',
  sensor: 'light sensor with a part of its own',
  pole: 'switch with a lever of its own',
  switch: 'switch',
  channel: 'hollow',
  lit: 'light',
  bore: 'hollow',
  'hollow box': 'hollow',
};

/** All items of some kinds, in the order of the plan. */
export const itemsOf = <K extends Item['kind']>(
  { items }: { readonly items: readonly Item[] },
  ...of: readonly K[]
): readonly ItemOf<K>[] =>
  // The kinds were compared just now, which is what narrows the union.
  items.filter((item) => (of as readonly string[]).includes(item.kind)) as unknown as readonly ItemOf<K>[];
