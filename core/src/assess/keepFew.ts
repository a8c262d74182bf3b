const isSame = (a: unknown, b: unknown): boolean =>
  Object.is(a, b) ||
  (Array.isArray(a) &&
    Array.isArray(b) &&
    a.length === b.length &&
    a.every((value, i) => typeof value !== 'object' && Object.is(value, b[i])));

/**
 * Keeps the last few results of a pure function by the very things that they depend on: what is untouched by an edit stays
 * the same object, and what follows from it alone need not be reckoned again. Lists of words or numbers are compared one by
 * one, all else by being the same object.
 * @param most how many are kept
 * @param compared how many of the needs say whether it is the same; what comes after them follows from them
 */
export function keepFew<Needs extends readonly unknown[], Result>(
  make: (...needs: Needs) => Result,
  most = 4,
  compared = Number.POSITIVE_INFINITY,
): (...needs: Needs) => Result {
  const kept: { readonly needs: Needs; readonly result: Result }[] = [];
  return (...needs) => {
    const found = kept.find((each) => each.needs.every((need, i) => i >= compared || isSame(need, needs[i])));
    if (found) return found.result;
    const result = make(...needs);
    kept.unshift({ needs, result });
    kept.length = Math.min(kept.length, most);
    return result;
  };
}
