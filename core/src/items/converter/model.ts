import { type EfficiencyLaw, efficiencyAtLoad, shiftEfficiency } from '../../circuit/index.ts';
import type { ConverterPart } from '../../parts/index.ts';
import { defineFormula } from '../../units/index.ts';
import type { RailRange } from '../gives.ts';

/** What a switching converter takes in. @example 5 V, 1 A out at 90 % from 3.7 V: 1.50 A */
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

/** Heat in a linear regulator. @example 7.4 V to 5 V at 0.2 A: 0.48 W */
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

const laws = new WeakMap<ConverterPart, EfficiencyLaw>();

/** How a converter's efficiency goes with its load and its input: both kinds lose more the farther they have to go. */
export function efficiencyLaw(part: ConverterPart): EfficiencyLaw {
  const known = laws.get(part);
  if (known) return known;
  const perVolt = lossPerVolt[part.topology];
  const made: EfficiencyLaw = {
    table: part.efficiency,
    fullA: part.outputLimitA,
    statedInputV: part.statedInputV,
    perVolt: part.topology === 'boost' ? perVolt : -perVolt,
    least: 0.3,
    most: 0.98,
  };
  laws.set(part, made);
  return made;
}

/** Efficiency at a load and an input voltage. */
export function efficiencyAt(part: ConverterPart, outputA: number, inputV: number): number {
  if (isLinear(part)) return Math.min(1, part.outputV / Math.max(part.outputV, inputV));
  const law = efficiencyLaw(part);
  return shiftEfficiency(law, efficiencyAtLoad(law, outputA), inputV);
}

/** What a converter takes in to give a current, its own idle current with it. */
export const converterTakesA = (part: ConverterPart, outputA: number, inputV: number): number =>
  part.idleA + (outputA * part.outputV) / Math.max(0.01, efficiencyAt(part, outputA, inputV) * inputV);

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

/** What comes out of a converter: its own voltage, or what a linear one that drops out lets through. */
export function rangeOfConverter(part: ConverterPart, input: RailRange | null): RailRange {
  const full = {
    leastV: part.outputV * (1 - CONVERTER_TOLERANCE),
    nominalV: part.outputV,
    mostV: part.outputV * (1 + CONVERTER_TOLERANCE),
  };
  if (!input) return full;
  const dropOutV = part.inputLeastV - part.outputV;
  if (isLinear(part))
    return {
      leastV: Math.max(0, Math.min(full.leastV, input.leastV - dropOutV)),
      nominalV: Math.max(0, Math.min(full.nominalV, input.nominalV - dropOutV)),
      mostV: Math.max(0, Math.min(full.mostV, input.mostV - dropOutV)),
    };
  // A boost converter can only lift: what comes in above its output passes, less its diode.
  return part.topology === 'boost' ? { ...full, mostV: Math.max(full.mostV, input.mostV - 0.3) } : full;
}
