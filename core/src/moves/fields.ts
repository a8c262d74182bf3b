import { moveKinds, moveOf } from './moves.ts';
import { type FieldType, fieldBytes } from './program.ts';

/** What every move has in the program. */
const common: readonly (readonly [name: string, type: FieldType])[] = [
  ['kind', 'uint8_t'],
  ['rgb', 'rgb'],
  ['level', 'uint8_t'],
  ['period_ms', 'uint32_t'],
];

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

/** Bytes of one move in the program. */
export const moveBytes = (): number => listMoveFields().reduce((sum, [, type]) => sum + fieldBytes[type], 0);
