/**
 * Keeps the last results of a pure function, by a text of all that they depend on: while one mood is edited, the others
 * need not be painted again.
 */
export function remember<Result>(most: number): (key: string, make: () => Result) => Result {
  const kept = new Map<string, Result>();
  return (key, make) => {
    const before = kept.get(key);
    if (before !== undefined) return before;
    const now = make();
    const [oldest] = kept.keys();
    if (kept.size >= most && oldest !== undefined) kept.delete(oldest);
    kept.set(key, now);
    return now;
  };
}
