import type { Change } from '../items/index.ts';
import type { Design } from './types.ts';

function replaceAt(node: unknown, path: readonly (string | number)[], value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (Array.isArray(node)) return node.map((item, i) => (i === key ? replaceAt(item, rest, value) : item));
  if (typeof node === 'object' && node !== null && key in node) {
    return { ...node, [key]: replaceAt((node as Record<string, unknown>)[key], rest, value) };
  }
  throw new Error(`No "${key}" at this place of the design; a change must name a field that is there`);
}

/**
 * The design with these changes made; untouched parts stay the same objects.
 * @throws where a path names a field that the design has not got: a programmer's mistake.
 */
export function applyChanges(design: Design, changes: readonly Change[]): Design {
  // Changes come from rules that are typed against the design and tested to leave it valid.
  return changes.reduce((current, change) => replaceAt(current, change.path, change.value) as Design, design);
}
