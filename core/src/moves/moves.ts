import type { Laying } from '../items/limits.ts';
import type { Message } from '../units/index.ts';
import type { AnyMove, Calmer, MoveTarget } from './contract.ts';
import { definitions } from './definitions.ts';
import type { CompiledMove, Move, MoveKind } from './types.ts';

const byKind: ReadonlyMap<string, AnyMove> = new Map(definitions.map((definition) => [definition.kind, definition]));

/** The definition of a kind. @throws where there is none, which no schema lets through */
export function moveOf(kind: string): AnyMove {
  const definition = byKind.get(kind);
  if (!definition) throw new Error(`There is no move "${kind}"; there are: ${[...byKind.keys()].join(', ')}`);
  return definition;
}

/** Every kind of move, in the order in which they are offered. */
export const moveKinds: readonly MoveKind[] = [...byKind.values()]
  .sort((a, b) => a.rank - b.rank)
  // The list and the schema are written from the same folders.
  .map(({ kind }) => kind as MoveKind);

/** The height of a move: the level of its brightest moment, 0…1. */
export const heightOf = (move: Move): number =>
  moveOf(move.kind).heightOf?.(move) ?? ('level' in move ? move.level : 1);

/** A move of another kind that keeps colour and height of the one before. */
export const changeMove = (kind: MoveKind, before: Move | undefined, fallbackColour: string): Move =>
  // What a kind gives as usual is a move of that kind.
  moveOf(kind).usual(before?.colour ?? fallbackColour, before ? heightOf(before) : 1) as Move;

/** How long it takes to see what a move does, in seconds. */
export const spanOfMove = (move: Move): number => moveOf(move.kind).spanS(move);

/** What a move does, in a few words with its times. @example "breathes in 4.00 s, 10 % to 100 %" */
export const sayMove = (move: Move): Message => moveOf(move.kind).words(move);

/** The calmer setting of a move: two flashes a second, or a flicker that glides. Null where it is calm. */
export const calmMove = (move: Move): Calmer | null => moveOf(move.kind).calmer?.(move) ?? null;

/** The settings of a move in whole numbers. */
export const compileMove = (move: Move, target: MoveTarget): CompiledMove => moveOf(move.kind).compile(move, target);

/** Moves in which every light shows the same: one level serves them all. */
export function isAlike(move: CompiledMove): boolean {
  const { level, blend, isAlike: isAlikeAfterAll } = moveOf(move.kind);
  return isAlikeAfterAll?.(move) ?? (level === undefined && blend === undefined);
}

/** Generations after which a life is dead, still, or only swings between two boards; 0 for what does not live. */
export const stillAfter = (move: CompiledMove): number => moveOf(move.kind).cells?.stillAfter(move) ?? 0;

const layingWords: Readonly<Record<Laying, string>> = {
  over: 'over it ',
  add: 'added to it ',
  lightest: 'or, where lighter, ',
};

/** How a top lies upon what is below, before its own words. */
export const sayLaying = (how: Laying): string => layingWords[how];

type Start = ReturnType<NonNullable<AnyMove['cells']>['begins']>;

/** A move whose lights are cells: how many may live, how it begins, and the same from another start. Null for all else. */
export function cellsOf(
  move: Move,
): { readonly most: number; readonly begins: Start; readonly from: (start: Start) => Move } | null {
  const { cells } = moveOf(move.kind);
  if (!cells) return null;
  // What its own kind makes of it is of that kind.
  return { most: cells.most, begins: cells.begins(move), from: (start) => cells.from(move, start) as Move };
}
