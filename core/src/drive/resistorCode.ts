import { series } from './standardValues.ts';

const digits = ['black', 'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white'] as const;
const digitNames: readonly string[] = digits;
/** IEC 60062: tolerance by colour. */
const tolerances: Readonly<Record<string, number>> = {
  brown: 0.01,
  red: 0.02,
  orange: 0.0005,
  yellow: 0.0002,
  green: 0.005,
  blue: 0.0025,
  violet: 0.001,
  grey: 0.0001,
  gold: 0.05,
  silver: 0.1,
};
const multipliers: Readonly<Record<string, number>> = {
  pink: 0.001,
  silver: 0.01,
  gold: 0.1,
  ...Object.fromEntries(digits.map((colour, i) => [colour, 10 ** i])),
};

/** A resistance as a marking gives it. */
export interface MarkedResistor {
  readonly ohm: number;
  /** Share of the value; null where the marking does not say. */
  readonly tolerance: number | null;
}

const rounded = (value: number): number => Number(value.toPrecision(6));

const colourFor = (table: Readonly<Record<string, number>>, value: number): string | undefined =>
  Object.keys(table).find((colour) => Math.abs((table[colour] ?? 0) / value - 1) < 1e-6);

/**
 * Colour bands of IEC 60062: four where two digits say it at 5 % or coarser, else five.
 * Null if the value needs more digits than three, or a multiplier or a tolerance that no colour stands for.
 * @example 180 Ω at 5 %: brown, grey, brown, gold; 4.7 kΩ at 1 %: yellow, violet, black, brown, brown
 */
export function colourBands(ohm: number, tolerance = 0.05): readonly string[] | null {
  const figures = tolerance >= 0.05 && Math.abs(Number(ohm.toPrecision(2)) / ohm - 1) < 1e-9 ? 2 : 3;
  const exponent = Math.floor(Math.log10(ohm) + 1e-9) - (figures - 1);
  const number = Math.round(ohm / 10 ** exponent);
  const multiplier = colourFor(multipliers, 10 ** exponent);
  const toleranceColour = colourFor(tolerances, tolerance);
  if (Math.abs(number * 10 ** exponent - ohm) > ohm * 1e-6 || !multiplier || !toleranceColour) return null;
  return [
    ...String(number)
      .padStart(figures, '0')
      .split('')
      .map((digit) => digits[Number(digit)] ?? 'black'),
    multiplier,
    toleranceColour,
  ];
}

/**
 * What four or five bands say. Null where the bands are not a code, with nothing guessed.
 * @example brown grey brown gold → 180 Ω ± 5 %
 */
export function readBands(bands: readonly string[]): MarkedResistor | null {
  const names = bands.map((band) => (band.toLowerCase() === 'gray' ? 'grey' : band.toLowerCase()));
  if (names.length !== 4 && names.length !== 5) return null;
  const figures = names.slice(0, -2).map((name) => digitNames.indexOf(name));
  const multiplier = multipliers[names[names.length - 2] ?? ''];
  const tolerance = tolerances[names[names.length - 1] ?? ''];
  if (figures.includes(-1) || multiplier === undefined || tolerance === undefined) return null;
  return { ohm: rounded(Number(figures.join('')) * multiplier), tolerance };
}

const letters: Readonly<Record<string, number>> = {
  Z: 0.001,
  Y: 0.01,
  R: 0.01,
  X: 0.1,
  S: 0.1,
  A: 1,
  B: 10,
  H: 10,
  C: 100,
  D: 1000,
  E: 10_000,
  F: 100_000,
};

/**
 * What a chip's marking says: three digits (472), four (4701), an R for the point (4R7), or two digits with a letter (68C).
 * @example 472 → 4.7 kΩ ± 5 %; 4701 → 4.7 kΩ ± 1 %; 66C → 47.5 kΩ ± 1 %
 */
export function readChipCode(code: string): MarkedResistor | null {
  const text = code.trim().toUpperCase();
  if (/^\d{3}$/.test(text)) return { ohm: rounded(Number(text.slice(0, 2)) * 10 ** Number(text[2])), tolerance: 0.05 };
  if (/^\d{4}$/.test(text)) return { ohm: rounded(Number(text.slice(0, 3)) * 10 ** Number(text[3])), tolerance: 0.01 };
  if (/^\d*R\d*$/.test(text) && text.length > 1) return { ohm: Number(text.replace('R', '.')), tolerance: null };
  const [, index = '', letter = ''] = /^(\d{2})([A-Z])$/.exec(text) ?? [];
  const value = series.E96[Number(index) - 1];
  const factor = letters[letter];
  // The code counts the hundreds of the series: 01 is 100.
  return value === undefined || factor === undefined ? null : { ohm: rounded(value * 100 * factor), tolerance: 0.01 };
}

/** How a chip of this value is marked: three digits at 5 %, four and the code of two digits and a letter at 1 %. */
export function chipCodes(ohm: number): {
  /** Two digits and a power; null where it can’t be said so. */
  readonly three: string | null;
  /** Three digits and a power. */
  readonly four: string | null;
  /** A number of the E96 series and a letter. */
  readonly letter: string | null;
} {
  const withPoint = (figures: number): string | null => {
    if (ohm >= 10 ** (figures - 1)) {
      const exponent = Math.floor(Math.log10(ohm) + 1e-9) - (figures - 1);
      const number = Math.round(ohm / 10 ** exponent);
      const exact = exponent <= 9 && Math.abs(number * 10 ** exponent - ohm) < ohm * 1e-6;
      return exact ? `${number}${exponent}` : null;
    }
    const text = String(rounded(ohm)).replace('.', 'R');
    const full = text.includes('R') ? text : `${text}R`;
    return full.length <= figures + 1 && /^\d*R\d*$/.test(full) ? full.replace(/^0R/, 'R') : null;
  };
  const decade = Math.floor(Math.log10(ohm) + 1e-9);
  const index = series.E96.findIndex((step) => Math.abs((step * 10 ** decade) / ohm - 1) < 1e-6);
  const letter = Object.keys(letters).find((key) => Math.abs((letters[key] ?? 0) / 10 ** (decade - 2) - 1) < 1e-9);
  return {
    three: withPoint(2),
    four: withPoint(3),
    letter: index < 0 || !letter ? null : `${String(index + 1).padStart(2, '0')}${letter}`,
  };
}
