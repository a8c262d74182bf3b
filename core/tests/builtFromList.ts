import { coloursOfTape, type PlacedGroup } from '../src/items/index.ts';
import { padsIn, padsOut, pieceStarts } from '../src/network/index.ts';
import { Joined } from '../src/network/joined.ts';
import type { Design, Item } from '../src/plan/index.ts';

/** A core or a joint of the wire list, by what it begins and ends at. */
export interface ListedJoin {
  readonly from: string;
  readonly to: string;
}

/** What a part passes on from one of its ports to another, by its kind: what its maker built in, not what is soldered. */
const passes: Partial<Record<Item['kind'], readonly (readonly [string, string])[]>> = {
  switch: [['a', 'b']],
  converter: [
    ['in plus', 'out plus'],
    ['in minus', 'out minus'],
  ],
  changeover: [
    ['a', 'out'],
    ['b', 'out'],
  ],
  driver: [
    ['plus in', 'out plus'],
    ['minus', 'out minus'],
  ],
  'light gate': [['out', 'minus']],
};

/** What a part takes to a side of its supply from numbered ports. */
const takes: Partial<Record<Item['kind'], readonly (readonly [port: string, side: string])[]>> = {
  box: [['output', 'minus']],
  'scan driver': [
    ['row', 'plus in'],
    ['column', 'minus'],
  ],
};

/** A terminal as the list names it, without what only says where it sits; a small part counts as one terminal. */
export const terminal = (text: string): string => {
  const bare = text
    .replace(/, (with|through) .*$/, '')
    .replace(/ \(behind its .*\)$/, '')
    .replace(/, (towards (plus|minus)(?=, on )|(ringed|other) end$)/, '');
  return /(Ω|^resistor) (before|at the|of) /.test(bare) ? bare.replace(/, on .*$/, '') : bare;
};

/** The copper of a tape: a side of a piece is one from its first pads to its last; a pixel passes its data on. */
function copperOf(group: PlacedGroup): readonly (readonly [string, string])[] {
  if (group.shape === 'lights') return [];
  const sides =
    group.shape === 'pixels' ? ['plus', 'minus', 'data'] : ['plus', 'minus', 'common', ...coloursOfTape(group.part)];
  const starts = pieceStarts(group.pieces);
  return sides.flatMap((side) =>
    group.pieces.flatMap((lights, piece) => {
      const into = side === 'data' ? padsIn(group, 'data in', piece) : padsIn(group, side, piece);
      const pads = Array.from({ length: lights }, (_, i) => `${side} before light ${(starts[piece] ?? 0) + i + 1}`);
      return [...pads, padsOut(group, side, piece)].map((pad) => [into, pad] as const);
    }),
  );
}

/** Terminals that each part joins within itself. */
function joinInside(design: Design, placed: readonly PlacedGroup[], terminals: ReadonlySet<string>): Joined {
  const nets = new Joined();
  for (const { kind, name } of design.items) {
    for (const [a, b] of passes[kind] ?? []) nets.join(`${name} ${a}`, `${name} ${b}`);
    for (const [port, side] of takes[kind] ?? [])
      for (const each of terminals) if (each.startsWith(`${name} ${port} `)) nets.join(each, `${name} ${side}`);
  }
  for (const group of placed)
    for (const [a, b] of copperOf(group)) nets.join(`${group.name} ${a}`, `${group.name} ${b}`);
  return nets;
}

/** A piece as one builds it who has the wire list and nothing else: which terminals are one. */
export function buildFromList(design: Design, placed: readonly PlacedGroup[], list: readonly ListedJoin[]) {
  const joints = list.map(({ from, to }) => [terminal(from), terminal(to)] as const);
  const terminals = new Set(joints.flat());
  const nets = joinInside(design, placed, terminals);
  for (const [from, to] of joints) nets.join(from, to);

  const givers = design.items.filter(({ kind }) => kind === 'pack' || kind === 'outside supply');
  const netsOf = (port: string): ReadonlySet<string> =>
    new Set(
      givers.filter(({ name }) => terminals.has(`${name} ${port}`)).map(({ name }) => nets.find(`${name} ${port}`)),
    );
  const sides = { plus: netsOf('plus'), minus: netsOf('minus') };
  const others = { plus: 'minus', minus: 'plus' } as const;

  /** The boards that have a pin on the net of a terminal. */
  const boardsAt = (at: string): readonly string[] =>
    [...terminals].flatMap((each) => {
      const board = /^pin \S+ of (.+?)(, with .*)?$/.exec(each)?.[1];
      return board && nets.find(each) === nets.find(at) ? [board] : [];
    });
  /** Whether a pin there can take it to a side, since its board hangs on both. */
  const hasPin = (at: string, side: 'plus' | 'minus'): boolean =>
    boardsAt(at).some((board) => sides[side].has(nets.find(`${board} ${side === 'plus' ? 'plus in' : 'minus'}`)));

  /** Whether the way from a terminal to a side of a source is whole; the lights of a string lie on it. */
  const reaches = (from: string, side: 'plus' | 'minus', seen: ReadonlySet<string> = new Set()): boolean => {
    const net = nets.find(from);
    if (sides[side].has(net) || hasPin(from, side)) return true;
    if (sides[others[side]].has(net) || seen.has(net)) return false;
    return [...terminals].some((each) => {
      if (nets.find(each) !== net || each === from) return false;
      const next = each.replace(new RegExp(` ${others[side]} (\\d+)$`), ` ${side} $1`);
      return next !== each && reaches(next, side, new Set([...seen, net]));
    });
  };
  return {
    reaches,
    /** Nets that are plus and minus at once: a short that the list itself makes. */
    shorts: [...sides.plus].filter((net) => sides.minus.has(net)),
    isOnPin: (at: string): boolean => boardsAt(at).length > 0,
  };
}

/** The ports by which what does not shine is fed. */
const feeds: Partial<Record<Item['kind'], readonly [plus: string, minus: string]>> = {
  board: ['plus in', 'minus'],
  receiver: ['plus in', 'minus'],
  box: ['plus in', 'minus'],
  driver: ['plus in', 'minus'],
  'scan driver': ['plus in', 'minus'],
  'light gate': ['plus in', 'minus'],
  converter: ['in plus', 'in minus'],
  charger: ['plus', 'minus'],
  load: ['plus', 'minus'],
};

/** The two sides of everything else that takes current, as the list names its terminals. */
export const fedOf = (design: Design): readonly { readonly plus: string; readonly minus: string }[] =>
  design.items.flatMap(({ kind, name }) => {
    const [plus, minus] = feeds[kind] ?? [];
    return plus && minus ? [{ plus: `${name} ${plus}`, minus: `${name} ${minus}` }] : [];
  });

/** The two sides of everything that is to shine, as the list names its terminals. */
export function emittersOf(
  placed: readonly PlacedGroup[],
): readonly { readonly plus: string; readonly minus: string }[] {
  return placed.flatMap((group) => {
    const { name } = group;
    if (group.shape === 'lights') {
      const { dice, common } = group.part;
      return group.places.flatMap((_, i) =>
        dice
          ? dice.map((colour) => {
              const [own, shared] = [`${name} ${colour} ${i + 1}`, `${name} common ${i + 1}`];
              return common === 'plus' ? { plus: shared, minus: own } : { plus: own, minus: shared };
            })
          : [{ plus: `${name} plus ${i + 1}`, minus: `${name} minus ${i + 1}` }],
      );
    }
    const isColoured = group.shape === 'units' && group.part.colours > 1;
    const minuses = isColoured ? coloursOfTape(group.part) : ['minus'];
    return group.pieces.flatMap((_, piece) =>
      minuses.map((minus) => ({
        plus: `${name} ${padsIn(group, isColoured ? 'common' : 'plus', piece)}`,
        minus: `${name} ${padsIn(group, minus, piece)}`,
      })),
    );
  });
}
