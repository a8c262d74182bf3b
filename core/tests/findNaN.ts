/** Every number that is not one, by its path. */
export function findNaN(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isNaN(value) ? [path] : [];
  if (value instanceof Map) return findNaN([...value], path);
  if (ArrayBuffer.isView(value) || typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, child]) => findNaN(child, `${path}.${key}`));
}
