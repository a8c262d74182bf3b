import { quantityKinds } from './quantity.ts';

/** How a day is written: its month as a word, the year first, or numbers with the month or the day first. */
export const dateStyles = ['words', 'year first', 'month first', 'day first'] as const;
/** One of them. */
export type DateStyle = (typeof dateStyles)[number];

/** In what a maker reads lengths, wires, temperatures and money; inside they stay mm, gauge numbers, °C and plain money. */
export interface Units {
  /** `in` is inches, as fractions where they are fractions. */
  readonly length: 'mm' | 'in';
  /** Copper: by gauge number or by its cross-section. */
  readonly wire: 'gauge' | 'mm²';
  readonly temperature: '°C' | '°F';
  /** Written before an amount of money; '' writes the amount alone. */
  readonly currency: string;
  /** As words without it. */
  readonly date?: DateStyle | undefined;
}

/** What is read until a maker chooses. */
export const usualUnits: Units = { length: 'mm', wire: 'gauge', temperature: '°C', currency: '' };

/** A currency sign is a word of one to four characters without digits or blanks. */
export const isCurrency = (text: string): boolean => /^[^\d\s,;"'<>&=+@-]{0,4}$/u.test(text);

const choices: Readonly<Record<string, Partial<Units>>> = {
  mm: { length: 'mm' },
  in: { length: 'in' },
  gauge: { wire: 'gauge' },
  awg: { wire: 'gauge' },
  mm2: { wire: 'mm²' },
  'mm²': { wire: 'mm²' },
  c: { temperature: '°C' },
  '°c': { temperature: '°C' },
  f: { temperature: '°F' },
  '°f': { temperature: '°F' },
};

const isUnit = (word: string): boolean =>
  Object.values(quantityKinds).some(({ units }) => units.some(({ names }) => names.includes(word)));

/**
 * Reads units as they are written on a command line: words with commas, such as `in,mm2,F,€`; what is not named stays usual.
 * @returns the units, or what is wrong and what may be written
 */
export function parseUnits(
  text: string,
): { readonly ok: true; readonly units: Units } | { readonly ok: false; readonly problem: string } {
  let units = usualUnits;
  for (const word of text
    .split(',')
    .map((each) => each.trim())
    .filter((each) => each !== '')) {
    const chosen = Object.hasOwn(choices, word.toLowerCase()) ? choices[word.toLowerCase()] : undefined;
    if (!chosen && (!isCurrency(word) || isUnit(word)))
      return {
        ok: false,
        problem: `"${word}" is no unit that can be chosen; write words with commas: mm or in, gauge or mm2, C or F, a currency sign, such as in,mm2,F,€`,
      };
    units = { ...units, ...(chosen ?? { currency: word }) };
  }
  return { ok: true, units };
}
