import { type QuantityKind, quantityKinds } from './quantity.ts';

/** How lengths are written for this maker; inside they stay millimetres. */
export type LengthUnit = 'mm' | 'in';

/** Kinds that take engineering prefixes, with the factor from the inside unit to the unprefixed one. */
const prefixed: Partial<Record<QuantityKind, { readonly symbol: string; readonly toBase: number }>> = {
  voltageV: { symbol: 'V', toBase: 1 },
  currentA: { symbol: 'A', toBase: 1 },
  resistanceOhm: { symbol: 'Ω', toBase: 1 },
  powerW: { symbol: 'W', toBase: 1 },
  capacityMah: { symbol: 'Ah', toBase: 1e-3 },
  capacitanceUf: { symbol: 'F', toBase: 1e-6 },
  frequencyHz: { symbol: 'Hz', toBase: 1 },
};

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

function printPrefixed(value: number, symbol: string, digits: number): string {
  if (value === 0) return `0 ${symbol}`;
  const rounded = Math.abs(Number(value.toPrecision(digits)));
  const step = prefixes.find((prefix) => rounded >= prefix.factor) ?? prefixes[prefixes.length - 1];
  return step ? `${printNumber(value / step.factor, digits)} ${step.sign}${symbol}` : '–';
}

const HOURS_A_MONTH = 730;

function printHours(hours: number, digits: number): string {
  if (Math.abs(hours) < 1) return `${printNumber(hours * 60, Math.min(2, digits))} min`;
  // Nobody counts a season in hours.
  return Math.abs(hours) > HOURS_A_MONTH
    ? `${printNumber(hours / 24, digits)} days`
    : `${printNumber(hours, digits)} h`;
}

/** Drops zeros after the point that say nothing: 50.0 % is 50 %. */
const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

/** Finer than a hundredth of a millimetre nobody measures at a bench. */
const toHundredth = (mm: number): number => Math.round(mm * 100) / 100;

function printLength(mm: number, digits: number, unit: LengthUnit | undefined): string {
  if (unit === 'in') return `${printNumber(mm / 25.4, Math.max(digits, 4))} in`;
  if (Math.abs(mm) >= 10_000) return `${trimZeros(printNumber(mm / 1000, digits))} m`;
  return `${printNumber(toHundredth(mm), Math.max(digits, mm >= 1000 ? 4 : 3))} mm`;
}

/**
 * A quantity as it is shown: three significant figures, its unit, an engineering prefix where the kind has one.
 * Not a number prints as a dash, since what can't be decided is not made up.
 * @example printQuantity('currentA', 0.0137) // "13.7 mA"
 */
export function printQuantity(
  kind: QuantityKind,
  value: number,
  options: { digits?: number; length?: LengthUnit } = {},
): string {
  const digits = options.digits ?? 3;
  if (!Number.isFinite(value)) return '–';
  const row = prefixed[kind];
  if (kind === 'capacityMah' && Math.abs(value) < 10_000)
    return `${trimZeros(printNumber(value, Math.max(digits, 4)))} mAh`;
  // Capacitors are sold and marked in microfarads, also those of a thousand.
  if (kind === 'capacitanceUf' && Math.abs(value) >= 1000)
    return `${trimZeros(printNumber(value, Math.max(digits, 4)))} µF`;
  if (row) return printPrefixed(value * row.toBase, row.symbol, digits);
  switch (kind) {
    case 'lengthMm':
      return printLength(value, digits, options.length);
    case 'timeH':
      return printHours(value, digits);
    case 'timeMin':
      return `${printNumber(value, digits)} min`;
    case 'timeS':
      return value === 0 ? '0 s' : printPrefixed(value, 's', digits);
    case 'temperatureC':
      return `${trimZeros(printNumber(value, digits))} °C`;
    case 'massG':
      return value >= 1000 ? `${printNumber(value / 1000, digits)} kg` : `${printNumber(value, digits)} g`;
    case 'fraction':
      return `${trimZeros(printNumber(value * 100, digits))} %`;
    case 'perMetre':
      return `${printNumber(value, 4)}/m`;
    case 'money':
      return value.toFixed(2).replace('-', '−');
    case 'angleDeg':
      return `${trimZeros(printNumber(value, Math.max(digits, 5)))}°`;
    case 'gaugeAwg':
      return `${trimZeros(printNumber(value, digits))} AWG`;
    default: {
      const { sign } = quantityKinds[kind];
      if (sign) return `${printNumber(value, digits)} ${sign}`;
      // Counts are shown whole; what is no whole number is a ratio.
      return trimZeros(printNumber(value, Number.isInteger(value) ? Math.max(digits, 9) : Math.max(digits, 4)));
    }
  }
}

/** What an input field shows for a value: exact enough to be typed back without loss. */
export function printForEditing(kind: QuantityKind, value: number, length: LengthUnit = 'mm'): string {
  return printQuantity(kind, value, { digits: 6, length })
    .replace(/(\.\d*?)0+(?=\D|$)/, '$1')
    .replace(/\.(?=\D|$)/, '');
}
