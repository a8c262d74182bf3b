import { createContext, useContext, useState } from 'react';

/** The thing whose fields are asked, so that fields of one name on one sheet are told apart. */
export const TypingScope = createContext('');

const PREFIX = 'typed:';

/** What is typed is kept for this tab alone; where the browser keeps nothing it is lost with the page, as before. */
function recall(name: string): string | null {
  try {
    return sessionStorage.getItem(name);
  } catch {
    return null;
  }
}

function retain(name: string, text: string | null): void {
  try {
    if (text === null) sessionStorage.removeItem(name);
    else sessionStorage.setItem(name, text);
  } catch {
    // Nothing to be done: the field itself still holds it.
  }
}

/**
 * Text that is kept while it is typed: it stands in its field again after a reload, or when its stage is come back to,
 * until it is taken or given up (null).
 */
export function useTyped(label: string): readonly [string | null, (text: string | null) => void] {
  const scope = useContext(TypingScope);
  const name = `${PREFIX}${window.location.pathname}|${scope}|${label}`;
  // A field may come to be another thing's while it stands there: what was typed stays with its own.
  const [kept, setKept] = useState(() => ({ name, text: recall(name) }));
  return [
    kept.name === name ? kept.text : recall(name),
    (text) => {
      retain(name, text);
      setKept({ name, text });
    },
  ];
}
