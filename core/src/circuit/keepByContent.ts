/**
 * Keeps the last few results of a pure function of one plain thing, by what that thing says: a law that has rows already
 * is not laid out anew because something else of the plan was edited.
 * @param most how many are kept; the one that was asked for longest ago goes first
 */
export function keepByContent<Need, Result>(make: (need: Need) => Result, most: number): (need: Need) => Result {
  const kept = new Map<string, Result>();
  return (need) => {
    const key = JSON.stringify(need);
    const found = kept.get(key) ?? make(need);
    kept.delete(key);
    kept.set(key, found);
    if (kept.size > most) {
      const [oldest] = kept.keys();
      if (oldest !== undefined) kept.delete(oldest);
    }
    return found;
  };
}
