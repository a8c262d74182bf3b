import { create } from 'zustand';

const KEPT = 'keys of one letter';

/** Whether keys that are pressed alone do something: who speaks to the page, or whose hand slips, switches them off. */
export const useSingleKeys = create<{ readonly on: boolean }>()(() => ({ on: localStorage.getItem(KEPT) !== 'off' }));

/** Switches them, and keeps that in this browser. */
export function setSingleKeys(on: boolean): void {
  localStorage.setItem(KEPT, on ? 'on' : 'off');
  useSingleKeys.setState({ on });
}
