import { isSame, isWaiting } from './record.ts';
import type { Keeping } from './transition.ts';

/** Where the newest state of a plan is kept, as the sign says it. */
export type Places =
  | { readonly kind: 'kept' }
  | { readonly kind: 'keeping'; readonly isHeld: boolean }
  /** The server does not answer; `isHeld` = the browser's store has it. */
  | { readonly kind: 'away'; readonly isHeld: boolean }
  | { readonly kind: 'clash'; readonly with: 'tab' | 'browser'; readonly isHeld: boolean }
  | { readonly kind: 'refused'; readonly why: string; readonly isHeld: boolean };

/** What is true of where the plan on the bench is kept. */
export function placesOf(state: Keeping<unknown>): Places {
  const { record, stored, store, server, other } = state;
  const isHeld = store === 'holds' && isSame(stored, record.stamp);
  if (other) return { kind: 'clash', with: other.from, isHeld };
  if (server.kind === 'refuses') return { kind: 'refused', why: server.why, isHeld };
  if (server.kind === 'away') return { kind: 'away', isHeld };
  return isWaiting(record) ? { kind: 'keeping', isHeld } : { kind: 'kept' };
}

/** Whether closing the page would lose something. */
export const isOnPageAlone = (places: Places): boolean => places.kind !== 'kept' && !places.isHeld;
