import { crossSectionMm2OfGauge } from './gauge.ts';
import { type QuantityKind, quantityKinds } from './quantity.ts';
import { type Units, usualUnits } from './system.ts';

const prefixes = [
  { factor: 1e6, sign: 'M' },
  { factor: 1e3, sign: 'k' },
  { factor: 1, sign: '' },
  { factor: 1e-3, sign: 'm' },
  { factor: 1e-6, sign: 'µ' },
  { factor: 1e-9, sign: 'n' },
];

/** A number to `digits` significant figures, in plain digits, with a real minus sign. */
export function printNumber(value: number, digits = 3): string {
  if (!Number.isFinite(value)) return '–';
  if (value === 0) return '0';
  const rounded = Number(value.toPrecision(digits));
  const places = Math.max(0, digits - 1 - Math.floor(Math.log10(Math.abs(rounded))));
  const text = Math.abs(rounded) >= 1e7 ? rounded.toExponential(digits - 1) : rounded.toFixed(Math.min(places, 9));
  return (Math.abs(rounded) < 0.1 ? text.replace(/(\.\d+?)0+$/, '$1') : text).replace('-', '−');
}

/** The signs of prefixes that a kind is written with: none that could be taken for another in lower case. */
const usual = ['k', '', 'm', 'µ', 'n'];

function printPrefixed(value: number, symbol: string, digits: number, signs: readonly string[] = usual): string {
  if (value === 0) return `0 ${symbol}`;
  const rounded = Math.abs(Number(value.toPrecision(digits)));
  const own = prefixes.filter(({ sign }) => signs.includes(sign));
  const step = own.find((prefix) => rounded >= prefix.factor) ?? own[own.length - 1];
  return step ? `${printNumber(value / step.factor, digits)} ${step.sign}${symbol}` : '–';
}

const HOURS_A_MONTH = 730;

/** More digits than this are asked for only by a field. */
const TOLD_DIGITS = 4;

function printHours(hours: number, digits: number): string {
  // Told, minutes are whole; in a field they are what was typed.
  if (Math.abs(hours) < 1) return `${printNumber(hours * 60, digits > TOLD_DIGITS ? digits : 2)} min`;
  // Nobody counts a season in hours.
  return Math.abs(hours) > HOURS_A_MONTH
    ? `${printNumber(hours / 24, digits)} days`
    : `${printNumber(hours, digits)} h`;
}

/** Drops zeros after the point that say nothing: 50.0 % is 50 %. */
const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

/** Finer than a hundredth of a millimetre nobody measures at a bench. */
const toHundredth = (mm: number): number => Math.round(mm * 100) / 100;

const MM_PER_INCH = 25.4;
/** Below it a length is worked, above it is measured with a tape. */
const TAPE_FROM_IN = 6;
const FINEST = 64;
/** What a fraction may be off before decimals are written: finer than anyone drills. */
const FRACTION_SLACK_IN = 0.002;

/** A length in inches: a fraction where it is one to within a drill's slack, to the sixteenth on a tape, else decimals. */
function printInches(mm: number, digits: number): string {
  const inches = mm / MM_PER_INCH;
  const size = Math.abs(inches);
  if (size >= 36 * 12) return `${printNumber(inches / 12, digits)} ft`;
  const isTaped = size >= TAPE_FROM_IN;
  const parts = isTaped ? 16 : FINEST;
  const nearest = Math.round(size * parts);
  if (nearest === 0 || (!isTaped && Math.abs(nearest / parts - size) > FRACTION_SLACK_IN))
    return `${trimZeros(size < 0.1 ? printNumber(inches, digits) : printNumber(Math.round(inches * 1000) / 1000, Math.max(digits, 4)))} in`;
  let [over, under] = [nearest % parts, parts];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  const whole = Math.floor(nearest / parts);
  const text = [...(whole > 0 ? [String(whole)] : []), ...(over > 0 ? [`${over}/${under}`] : [])].join(' ');
  return `${inches < 0 ? '−' : ''}${text} in`;
}

function printLength(mm: number, digits: number, units: Units): string {
  if (units.length === 'in') return printInches(mm, digits);
  if (Math.abs(mm) >= 10_000) return `${trimZeros(printNumber(mm / 1000, digits))} m`;
  return `${printNumber(toHundredth(mm), Math.max(digits, mm >= 1000 ? 4 : 3))} mm`;
}

/** From so many seconds on people count minutes, and then hours. */
const MINUTES_FROM_S = 600;
const HOURS_FROM_S = 7200;

const printSeconds = (seconds: number, digits: number): string =>
  Math.abs(seconds) < MINUTES_FROM_S
    ? printPrefixed(seconds, 's', digits)
    : Math.abs(seconds) < HOURS_FROM_S
      ? `${printNumber(seconds / 60, digits)} min`
      : `${printNumber(seconds / 3600, digits)} h`;

type PrintKind = (value: number, digits: number, units: Units) => string;

const isFahrenheit = ({ temperature }: Units): boolean => temperature === '°F';

/** Kinds that are written in a way of their own; all others are a number and their sign. */
const ways: Readonly<Partial<Record<QuantityKind, PrintKind>>> = {
  lengthMm: printLength,
  reelM: (value, digits, units) =>
    units.length === 'in' ? `${printNumber(value / 0.3048, digits)} ft` : `${printNumber(value, digits)} m`,
  timeH: printHours,
  timeMin: (value, digits) => `${printNumber(value, digits)} min`,
  timeS: printSeconds,
  temperatureC: (value, digits, units) =>
    `${trimZeros(printNumber(isFahrenheit(units) ? value * 1.8 + 32 : value, digits))} ${units.temperature}`,
  temperatureRiseK: (value, digits, units) =>
    isFahrenheit(units)
      ? `${trimZeros(printNumber(value * 1.8, digits))} °F`
      : `${trimZeros(printNumber(value, digits))} K`,
  areaCm2: (value, digits, units) =>
    units.length === 'in'
      ? `${printNumber((value * 100) / MM_PER_INCH ** 2, digits)} in²`
      : `${printNumber(value, digits)} cm²`,
  massG: (value, digits) =>
    value >= 1000 ? `${printNumber(value / 1000, digits)} kg` : `${printNumber(value, digits)} g`,
  fraction: (value, digits) => `${trimZeros(printNumber(value * 100, digits))} %`,
  perMetre: (value) => `${printNumber(value, 4)}/m`,
  money: (value, _digits, { currency }) => `${value < 0 ? '−' : ''}${currency}${Math.abs(value).toFixed(2)}`,
  angleDeg: (value, digits) => `${trimZeros(printNumber(value, Math.max(digits, 5)))}°`,
  gaugeAwg: (value, digits, units) =>
    units.wire === 'mm²'
      ? `${printNumber(crossSectionMm2OfGauge(value), digits)} mm²`
      : `${trimZeros(printNumber(value, digits))} gauge`,
  capacityMah: (value, digits) =>
    Math.abs(value) < 10_000
      ? `${trimZeros(printNumber(value, Math.max(digits, 4)))} mAh`
      : `${printNumber(value / 1000, digits)} Ah`,
  // Capacitors are sold and marked in microfarads, also those of a thousand.
  capacitanceUf: (value, digits) =>
    Math.abs(value) >= 1000
      ? `${trimZeros(printNumber(value, Math.max(digits, 4)))} µF`
      : printPrefixed(value / 1e6, 'F', digits),
};

/** Kinds that take engineering prefixes. */
const prefixed: Readonly<
  Partial<Record<QuantityKind, { readonly symbol: string; readonly signs?: readonly string[] }>>
> = {
  voltageV: { symbol: 'V' },
  currentA: { symbol: 'A' },
  resistanceOhm: { symbol: 'Ω', signs: ['M', ...usual] },
  powerW: { symbol: 'W' },
  // A thousandth of a hertz would be read as a million of them.
  frequencyHz: { symbol: 'Hz', signs: ['M', 'k', ''] },
};

/**
 * A quantity as it is shown: three significant figures, its unit, an engineering prefix where the kind has one.
 * Not a number prints as a dash, since what can't be decided is not made up.
 * @example printQuantity('currentA', 0.0137) // "13.7 mA"
 */
export function printQuantity(
  kind: QuantityKind,
  value: number,
  { digits = 3, units = usualUnits }: { readonly digits?: number; readonly units?: Units } = {},
): string {
  if (!Number.isFinite(value)) return '–';
  const [way, own] = [ways[kind], prefixed[kind]];
  if (way) return way(value, digits, units);
  if (own) return printPrefixed(value, own.symbol, digits, own.signs);
  const { sign } = quantityKinds[kind];
  if (sign) return `${printNumber(value, digits)} ${sign}`;
  // Counts are shown whole; what is no whole number is a ratio.
  return trimZeros(printNumber(value, Number.isInteger(value) ? Math.max(digits, 9) : Math.max(digits, 4)));
}

/** What an input field shows for a value: exact enough to be typed back without loss. */
export function printForEditing(kind: QuantityKind, value: number, units: Units = usualUnits): string {
  if (kind === 'lengthMm' && units.length === 'in') return printInchesForEditing(value);
  return printQuantity(kind, value, { digits: 6, units })
    .replace(/(\.\d*?)0+(?=\D|$)/, '$1')
    .replace(/\.(?=\D|$)/, '');
}

/** A fraction only where it is exact; else as many decimals as give the same length back. */
function printInchesForEditing(mm: number): string {
  const parts = (mm / MM_PER_INCH) * FINEST;
  const isFraction = Math.abs(parts - Math.round(parts)) < 1e-9 && Math.abs(mm) < TAPE_FROM_IN * MM_PER_INCH;
  return isFraction ? printInches(mm, 6) : `${trimZeros(printNumber(mm / MM_PER_INCH, 6))} in`;
}
