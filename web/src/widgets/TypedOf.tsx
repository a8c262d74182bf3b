import { type ReactNode, useContext } from 'react';
import { TypingScope } from './typed.ts';

/** Fields of one thing: what is typed into them and not taken yet is kept apart from that of others with the same labels. */
export function TypedOf({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const within = useContext(TypingScope);
  return <TypingScope.Provider value={within === '' ? id : `${within} ${id}`}>{children}</TypingScope.Provider>;
}
