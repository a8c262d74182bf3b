const UNREADABLE = '\uFFFD';
/** No plan nests deeper: what does is refused by its form. */
const MOST_DEPTH = 60;

const mendOne = (text: string): string =>
  // A lone half of a letter, or the character nought: no store and no encoding can hold them.
  text.replace(/\p{Cs}/gu, UNREADABLE).replaceAll('\u0000', UNREADABLE);

/** A document whose texts can all be stored: what can't be is put as the sign for an unreadable letter. */
export function mendText(value: unknown, depth = 0): unknown {
  if (typeof value === 'string') return mendOne(value);
  if (typeof value !== 'object' || value === null || depth > MOST_DEPTH) return value;
  if (Array.isArray(value)) {
    const mended = value.map((each) => mendText(each, depth + 1));
    return mended.some((each, i) => each !== value[i]) ? mended : value;
  }
  const entries = Object.entries(value).map(([key, each]) => [mendOne(key), mendText(each, depth + 1)] as const);
  const before = Object.entries(value);
  return entries.some(([key, each], i) => key !== before[i]?.[0] || each !== before[i]?.[1])
    ? Object.fromEntries(entries)
    : value;
}
