const UNREADABLE = '\uFFFD';
/** No plan nests deeper: what does is refused by its form. */
const MOST_DEPTH = 60;

/** A lone half of a letter, and the character nought: no store and no encoding can hold them. */
const loneHalf = /\p{Cs}/u;
const loneHalves = /\p{Cs}/gu;
const NOUGHT = '\u0000';

const isSoundText = (text: string): boolean => !loneHalf.test(text) && !text.includes(NOUGHT);
const mendOne = (text: string): string => text.replace(loneHalves, UNREADABLE).replaceAll(NOUGHT, UNREADABLE);

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
  if (typeof value === 'string') return mendOne(value);
  if (typeof value !== 'object' || value === null || depth > MOST_DEPTH) return value;
  if (Array.isArray(value)) return value.map((each) => mend(each, depth + 1));
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [mendOne(key), mend(each, depth + 1)]));
}

/** A document whose texts can all be stored: what can't be is put as the sign for an unreadable letter. */
export const mendText = (document: unknown): unknown => (isSound(document, 0) ? document : mend(document, 0));
