const UNREADABLE = '\uFFFD';
/** No plan nests deeper: what does is refused by its form. */
const MOST_DEPTH = 60;

/** A lone half of a letter, or the character nought: no store and no encoding can hold them. */
const unsound = new RegExp(String.raw`\p{Cs}|\u0000`, 'gu');
const isSoundText = (text: string): boolean => text.search(unsound) < 0;

/** Whether every text of a document can be stored; looked at without making anything, since nearly all can. */
function isSound(value: unknown, depth: number): boolean {
  if (typeof value === 'string') return isSoundText(value);
  if (typeof value !== 'object' || value === null || depth > MOST_DEPTH) return true;
  if (Array.isArray(value)) return value.every((each) => isSound(each, depth + 1));
  for (const key in value)
    if (!isSoundText(key) || !isSound((value as Record<string, unknown>)[key], depth + 1)) return false;
  return true;
}

function mend(value: unknown, depth: number): unknown {
  if (typeof value === 'string') return value.replace(unsound, UNREADABLE);
  if (typeof value !== 'object' || value === null || depth > MOST_DEPTH) return value;
  if (Array.isArray(value)) return value.map((each) => mend(each, depth + 1));
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [key.replace(unsound, UNREADABLE), mend(each, depth + 1)]),
  );
}

/** A document whose texts can all be stored: what can't be is put as the sign for an unreadable letter. */
export const mendText = (document: unknown): unknown => (isSound(document, 0) ? document : mend(document, 0));
