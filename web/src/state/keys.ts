import { create } from 'zustand';

/** What a key that is pressed alone does, with the key that it has where the maker gives it no other. */
export const ownKeys = {
  lamp: 'l',
  run: 'space',
  finding: 'n',
  find: 'slash',
  keys: 'shift+slash',
} as const;

/** Something that a key of one's own can do. */
export type Deed = keyof typeof ownKeys;

interface Keys {
  /** Whether keys that are pressed alone do something: who speaks to the page, or whose hand slips, switches them off. */
  readonly on: boolean;
  readonly by: Readonly<Record<Deed, string>>;
}

const KEPT = 'keys of one letter';
const KEPT_BY = 'keys by deed';

/** The keys that this browser keeps; what can't be read is as if it were not there. */
function readKept(): Keys['by'] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEPT_BY) ?? '{}');
    const said = typeof kept === 'object' && kept !== null ? Object.entries(kept) : [];
    return { ...ownKeys, ...Object.fromEntries(said.filter(([deed, key]) => deed in ownKeys && isKey(key))) };
  } catch {
    return ownKeys;
  }
}

const signs: Readonly<Record<string, string>> = {
  space: 'Space',
  slash: '/',
  'shift+slash': '?',
  comma: ',',
  period: '.',
  semicolon: ';',
  minus: '-',
  backquote: '`',
};

const isKey = (key: unknown): key is string =>
  typeof key === 'string' && (/^(shift\+)?[a-z09]$/.test(key) || key in signs || key.replace('shift+', '') in signs);

/** A key as it is read. @example "l": "L"; "shift+slash": "?" */
export const sayKey = (key: string): string =>
  signs[key] ?? (key.startsWith('shift+') ? `Shift + ${sayKey(key.slice(6))}` : key.toUpperCase());

/** The key that an event stands for; null where none of these can be it: digits go to the stages, others have a work of their own. */
export function keyOf({ code, shiftKey, ctrlKey, metaKey, altKey }: KeyboardEvent): string | null {
  if (ctrlKey || metaKey || altKey) return null;
  const plain = code.replace(/^(Key|Digit)/, '').toLowerCase();
  const key = `${shiftKey ? 'shift+' : ''}${plain}`;
  return isKey(key) ? key : null;
}

/** The keys as they are now. */
export const useSingleKeys = create<Keys>()(() => ({ on: localStorage.getItem(KEPT) !== 'off', by: readKept() }));

/** The key of a deed, in words; null while such keys are switched off. */
export const useKeyOf = (deed: Deed): string | null => useSingleKeys(({ on, by }) => (on ? sayKey(by[deed]) : null));

/** What a button does, with its key behind it. @example "Find anything (/)" */
export const withKey = (words: string, key: string | null): string => (key === null ? words : `${words} (${key})`);

/** Switches them, and keeps that in this browser. */
export function setSingleKeys(on: boolean): void {
  localStorage.setItem(KEPT, on ? 'on' : 'off');
  useSingleKeys.setState({ on });
}

/** Gives a deed another key, and keeps that in this browser. @returns the deed that has this key already; null where it is free */
export function setKey(deed: Deed, key: string): Deed | null {
  const { by } = useSingleKeys.getState();
  const taken = (Object.keys(by) as Deed[]).find((each) => each !== deed && by[each] === key);
  if (taken) return taken;
  const changed = { ...by, [deed]: key };
  localStorage.setItem(KEPT_BY, JSON.stringify(changed));
  useSingleKeys.setState({ by: changed });
  return null;
}

/** Every key as it was at first. */
export function resetKeys(): void {
  localStorage.removeItem(KEPT_BY);
  useSingleKeys.setState({ by: ownKeys });
}
