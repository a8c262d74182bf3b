import type { DateStyle } from '@glimmer/core/units';
import { unitsOf, useChosenUnits } from '../units/index.ts';

const time = { hour: '2-digit', minute: '2-digit' } as const;
const numbers = { year: 'numeric', month: '2-digit', day: '2-digit', ...time } as const;

/** By a place where a day is written so. */
const formats: Readonly<Record<DateStyle, Intl.DateTimeFormat>> = {
  words: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', ...time }),
  'year first': new Intl.DateTimeFormat('sv-SE', numbers),
  'month first': new Intl.DateTimeFormat('en-US', numbers),
  'day first': new Intl.DateTimeFormat('de-DE', numbers),
};

/** A moment in one of the ways, in the time of this machine. @example "words": "26 Nov 2026, 14:05" */
export const writeTime = (iso: string, style: DateStyle): string => formats[style].format(new Date(iso));

/** Writes a moment as the maker reads days. */
export function useSayTime(): (iso: string) => string {
  const style = useChosenUnits((state) => unitsOf(state).date ?? 'words');
  return (iso) => writeTime(iso, style);
}
