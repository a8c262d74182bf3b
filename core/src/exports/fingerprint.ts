import type { Design } from '../plan/index.ts';

/** Fields of what has a route by the names that they had when the first marks were made: a program on a board keeps its mark. */
const firstNames: Readonly<Record<string, string>> = { hollowId: 'channelId' };

/** Object keys in one order everywhere, so that the same design has the same text. */
function inOrder(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const named = Object.entries(value).map(
    ([key, of]) => ['route' in value ? (firstNames[key] ?? key) : key, of] as const,
  );
  return Object.fromEntries(named.sort(([a], [b]) => (a < b ? -1 : 1)));
}

/**
 * A mark of eight figures that ties plan, program and test sheet together: the 32-bit FNV-1a hash of the text of
 * the design. Two designs that differ in anything have, but for a chance in four thousand million, different marks.
 */
export function fingerprint(design: Design): string {
  let hash = 0x811c9dc5;
  for (const character of JSON.stringify(design, inOrder)) {
    hash = Math.imul(hash ^ (character.codePointAt(0) ?? 0), 0x01000193);
  }
  return (hash >>> 0).toString(16).padStart(8, '0');
}
