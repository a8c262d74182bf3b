import { kindOf } from '../items/index.ts';
import type { Control, Design } from '../plan/index.ts';
import type { Told } from './teller.ts';

/** Longest name that is said aloud, with the zero behind it; what is longer is cut. */
export const NAME_BYTES = 32;

/** Names of the plan as C strings and comments: what would end either is taken out. */
export const plainText = (text: string): string => text.replace(/[^\p{L}\p{N} .,'+-]/gu, ' ').trim();

/** A name as the program says it: plain letters, so that every console shows it. */
export const sayable = (name: string): string =>
  plainText(name)
    .normalize('NFD')
    .replace(/[^\x20-\x7e]/g, '')
    .slice(0, NAME_BYTES - 1);

/** Which of the controls of a board reads the charge of its pack; null where none does. */
export function chargeControlOf(controls: readonly Control[]): number | null {
  const index = controls.findIndex((control) => kindOf(control.kind).control?.sense?.(control)?.kind === 'charge');
  return index < 0 ? null : index;
}

/** What the program of a board speaks of: moods by the names that every console shows, and the charge where it reads one. */
export const spokenBy = (design: Design, controls: readonly Control[]): Told => ({
  moodNames: design.moods.list.map(({ name }) => sayable(name)),
  chargeControl: chargeControlOf(controls),
});
