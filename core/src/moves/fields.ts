import { moveKinds, moveOf } from './moves.ts';
import { type FieldType, fieldBytes } from './program.ts';
import type { MoveKind } from './types.ts';

/** What every move has in the program. */
const common: readonly (readonly [name: string, type: FieldType])[] = [
  ['kind', 'uint8_t'],
  ['rgb', 'rgb'],
  ['level', 'uint8_t'],
  ['period_ms', 'uint32_t'],
];

/** Settings that the painting of every kind looks at. */
const painted: readonly string[] = [...common.map(([name]) => name), 'second', 'keeps_current'];

/** Whether a program with these kinds of moves has a field at all. */
const isKept = (name: string, kinds: readonly MoveKind[]): boolean =>
  painted.includes(name) || kindsWith(name).some((kind) => kinds.includes(kind));

/** Kinds that have a field; none where it is kept whatever the kinds. */
export const kindsWith = (name: string): readonly MoveKind[] =>
  painted.includes(name) ? [] : moveKinds.filter((kind) => Object.hasOwn(moveOf(kind).program, name));

/**
 * All fields of a move in C, each once however many kinds use it: the small ones last, so that none is padded.
 * @throws where two kinds give one name two types
 */
export function listMoveFields(): readonly (readonly [name: string, type: FieldType])[] {
  const types = new Map<string, FieldType>(common);
  for (const kind of moveKinds)
    for (const [name, { type }] of Object.entries(moveOf(kind).program)) {
      const known = types.get(name) ?? type;
      if (known !== type)
        throw new Error(
          `The field ${name} of the move "${kind}" is ${type}; another kind has it as ${known}: take one`,
        );
      types.set(name, type);
    }
  return [...types].sort(([a, x], [b, y]) => fieldBytes[y] - fieldBytes[x] || a.localeCompare(b));
}

/** Bytes of one move in a program with these kinds. */
export const moveBytes = (kinds: readonly MoveKind[]): number =>
  listMoveFields().reduce((sum, [name, type]) => sum + (isKept(name, kinds) ? fieldBytes[type] : 0), 0);
