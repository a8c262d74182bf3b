import { type QuantityKind, quantityKinds } from './quantity.ts';
import { type Units, usualUnits } from './system.ts';

/** What came of reading a maker's text: a number in the unit of its kind, or why not. */
export type Parsed = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly problem: string };

const NUMBER = String.raw`[-+−]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[-+−]?\d+)?`;
const PLAIN = new RegExp(`^(${NUMBER})\\s*(.*)$`, 'i');
const FRACTION = /^([-+−]?)(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)\s*(.*)$/;
/** `4k7`, `2R2`, `1M5`: the letter stands where the decimal point would. */
const LETTER_POINT = /^(\d+)([kKMRΩ])(\d+)$/;

const MOST_LENGTH = 80;

const toNumber = (text: string): number => Number(text.replace('−', '-').replace('−', '-').replace(',', '.'));

function findUnit(kind: QuantityKind, name: string): ((number: number) => number) | undefined {
  const { units } = quantityKinds[kind];
  const exact = units.find((row) => row.names.includes(name));
  if (exact) return exact.toInside;
  const lower = name.toLowerCase();
  const loose = units.filter((row) => row.names.some((known) => known.toLowerCase() === lower));
  return loose.length === 1 ? loose[0]?.toInside : undefined;
}

function findForeignKind(name: string): string | undefined {
  const kinds = Object.keys(quantityKinds) as QuantityKind[];
  const kind = kinds.find((candidate) => quantityKinds[candidate].units.some((row) => row.names.includes(name)));
  return kind && quantityKinds[kind].noun;
}

/** The unit of a bare number, which is the one that the maker reads. */
function bareUnitOf(kind: QuantityKind, units: Units): string {
  switch (kind) {
    case 'lengthMm':
      return units.length;
    case 'reelM':
      return units.length === 'in' ? 'ft' : 'm';
    case 'temperatureC':
      return units.temperature;
    case 'temperatureRiseK':
      return units.temperature === '°F' ? '°F' : 'K';
    case 'gaugeAwg':
      return units.wire;
    case 'areaCm2':
      return units.length === 'in' ? 'in²' : 'cm²';
    default:
      return quantityKinds[kind].bareUnit;
  }
}

function scale(kind: QuantityKind, number: number, unitText: string, text: string, units: Units): Parsed {
  const row = quantityKinds[kind];
  const name = unitText.trim();
  const toInside = findUnit(kind, name === '' ? bareUnitOf(kind, units) : name);
  const value = (toInside ?? ((same: number) => same))(number);
  if (!Number.isFinite(number) || !Number.isFinite(value)) return refuse(kind, text);
  if (name === '' || toInside !== undefined) return { ok: true, value };
  const foreign = findForeignKind(name);
  const found = foreign ? `"${name}" is the unit of ${foreign}` : `"${name}" is not a unit known here`;
  return { ok: false, problem: `${found}; write ${row.noun} such as ${row.example}` };
}

function refuse(kind: QuantityKind, text: string): Parsed {
  const shown = text.length > 24 ? `${text.slice(0, 24)}…` : text;
  return {
    ok: false,
    problem: `"${shown}" is not ${quantityKinds[kind].noun}; write it such as ${quantityKinds[kind].example}`,
  };
}

/**
 * Reads a quantity as people write it: `20 mA`, `4k7`, `1/4 W`, `1 3/8 in`, `0,5 A`, `−5 °C`.
 * A bare number is taken in the unit that the maker reads. Never throws.
 * @example parseQuantity('resistanceOhm', '4k7') // { ok: true, value: 4700 }
 */
export function parseQuantity(kind: QuantityKind, text: string, units: Units = usualUnits): Parsed {
  const trimmed = (kind === 'money' ? text.replace(units.currency, '') : text).trim();
  if (trimmed === '')
    return {
      ok: false,
      problem: `nothing written; write ${quantityKinds[kind].noun} such as ${quantityKinds[kind].example}`,
    };

  // No quantity is written at such length, and patterns would search it for long.
  if (trimmed.length > MOST_LENGTH) return refuse(kind, trimmed);
  const letter = LETTER_POINT.exec(trimmed);
  if (letter && kind === 'resistanceOhm') {
    return scale(
      kind,
      Number(`${letter[1]}.${letter[3]}`),
      letter[2] === 'K' ? 'k' : (letter[2] ?? ''),
      trimmed,
      units,
    );
  }
  const fraction = FRACTION.exec(trimmed);
  if (fraction && Number(fraction[4]) !== 0) {
    const size = Number(fraction[2] ?? 0) + Number(fraction[3]) / Number(fraction[4]);
    return scale(kind, fraction[1] === '-' || fraction[1] === '−' ? -size : size, fraction[5] ?? '', trimmed, units);
  }
  const plain = PLAIN.exec(trimmed);
  return plain ? scale(kind, toNumber(plain[1] ?? ''), plain[2] ?? '', trimmed, units) : refuse(kind, trimmed);
}
