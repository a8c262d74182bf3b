const isPlain = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * The newer of two documents with every part that says the same taken from the older one: what a copy on its way to a
 * worker took apart, so that what is kept of an untouched part is found again.
 */
export function keepSame<T>(older: unknown, newer: T): T {
  if (Object.is(older, newer)) return newer;
  if (Array.isArray(older) && Array.isArray(newer)) {
    const parts = newer.map((each, i) => keepSame(older[i], each));
    const isSame = older.length === newer.length && parts.every((each, i) => Object.is(each, older[i]));
    // Equal in every part: the older is of the same type.
    return (isSame ? older : parts) as T;
  }
  if (!isPlain(older) || !isPlain(newer)) return newer;
  const entries = Object.entries(newer).map(
    ([key, each]) => [key, keepSame(Object.hasOwn(older, key) ? older[key] : undefined, each)] as const,
  );
  const isSame =
    Object.keys(older).length === entries.length &&
    entries.every(([key, each]) => Object.hasOwn(older, key) && Object.is(each, older[key]));
  return (isSame ? older : Object.fromEntries(entries)) as T;
}
