import type { ConverterPart } from '../../parts/index.ts';
import { defineFormula } from '../../units/index.ts';

export const boostInput = defineFormula({
  name: 'Current that a boost converter takes in',
  gives: { meaning: 'input current', kind: 'currentA' },
  symbols: {
    Vo: { meaning: 'output', kind: 'voltageV' },
    Io: { meaning: 'output current', kind: 'currentA' },
    n: { meaning: 'efficiency', kind: 'fraction' },
    Vi: { meaning: 'input, under load', kind: 'voltageV' },
  },
  form: '{Ii} = {Vo} · {Io} / ({n} · {Vi})',
  source: 'power in = power out + heat',
  reckon: ({ Vo, Io, n, Vi }) => (Vo * Io) / (n * Vi),
});

/** Efficiency lost for each volt that the input lies farther from the output than where it is stated (typical of the kind). */
const lossPerVolt: Readonly<Record<ConverterPart['topology'], number>> = { boost: 0.04, buck: 0.006, linear: 0 };

export const linearHeat = defineFormula({
  name: 'Heat in a linear regulator',
  gives: { meaning: 'heat', kind: 'powerW' },
  symbols: {
    Vi: { meaning: 'input', kind: 'voltageV' },
    Vo: { meaning: 'output', kind: 'voltageV' },
    I: { meaning: 'current', kind: 'currentA' },
  },
  form: '{P} = ({Vi} − {Vo}) · {I}',
  source: 'the same current at both voltages; what is between turns to heat',
  reckon: ({ Vi, Vo, I }) => (Vi - Vo) * I,
});

/** Efficiency against load at the stated input: straight lines between the table's points, the last one held. */
export function efficiencyAtLoad(part: ConverterPart, outputA: number): number {
  const share = outputA / part.outputLimitA;
  const table = part.efficiency;
  let high = 0;
  while (high < table.length - 1 && share > (table[high]?.[0] ?? 0)) high += 1;
  const to = table[high] ?? [1, 0.5];
  const from = table[Math.max(0, high - 1)] ?? to;
  if (share >= to[0] || to[0] === from[0]) return to[1];
  return from[1] + ((to[1] - from[1]) * (share - from[0])) / (to[0] - from[0]);
}

/** What an input voltage makes of it. */
export function shiftEfficiency(part: ConverterPart, atLoad: number, inputV: number): number {
  if (part.topology === 'linear') return Math.min(1, part.outputV / Math.max(part.outputV, inputV));
  // Both kinds lose more the farther they have to go: a boost from below, a buck from above.
  const farther = part.topology === 'boost' ? part.statedInputV - inputV : inputV - part.statedInputV;
  return Math.min(0.98, Math.max(0.3, atLoad - lossPerVolt[part.topology] * farther));
}

/** Efficiency at a load and an input voltage. */
export const efficiencyAt = (part: ConverterPart, outputA: number, inputV: number): number =>
  shiftEfficiency(part, efficiencyAtLoad(part, outputA), inputV);

/**
 * The current at which a source with this open voltage and resistance gives this power, on the stable side.
 * Null where the power asked is more than the source can give at all, `V²/4R`: the voltage collapses.
 * @example 10.80 W with 0.25 Ω holds at 3.4 V (11.56 W at most) and has no solution at 3.2 V (10.24 W)
 */
export function solveConstantPower(openV: number, sourceOhm: number, powerW: number): number | null {
  const root = openV * openV - 4 * sourceOhm * powerW;
  if (root < 0) return null;
  return sourceOhm < 1e-9 ? powerW / openV : (openV - Math.sqrt(root)) / (2 * sourceOhm);
}

/** Half-width of a converter's output, as a share. */
export const CONVERTER_TOLERANCE = 0.03;

/** What a converter's input takes for a current at its output: watts where it converts, amperes where it burns the rest. */
export const isLinear = (part: ConverterPart): boolean => part.topology === 'linear';
