import type { ConverterElement, EfficiencyLaw, Element } from './netlist.ts';

/** An element that holds a voltage, whatever flows: each is an unknown current of its own in the equations. */
export type Holding = Extract<Element, { kind: 'voltage' | 'converter' | 'regulator' }>;

/** Whether an element holds a voltage by itself, so that its current is an unknown of its own in the solver. */
export const isHolding = (element: Element): element is Holding =>
  element.kind === 'voltage' || element.kind === 'converter' || element.kind === 'regulator';

/** The two sides of what holds a voltage; a source of voltage alone has no input. */
export interface Branch {
  /** Node that its current leaves the outside by. */
  readonly plus: string;
  /** Node that it comes back at. */
  readonly minus: string;
  /** The second pair of nodes of a converter; null for all else. */
  readonly input: { readonly plus: string; readonly minus: string } | null;
}

/** The two ends of an element’s branch, by their nodes. */
export function branchOf(element: Holding): Branch {
  switch (element.kind) {
    case 'voltage':
      return { plus: element.plus, minus: element.minus, input: null };
    case 'converter':
      return {
        plus: element.outPlus,
        minus: element.outMinus,
        input: { plus: element.inPlus, minus: element.inMinus },
      };
    case 'regulator':
      return {
        plus: element.output,
        minus: element.minus,
        input: { plus: element.input, minus: element.minus },
      };
  }
}

/** The voltage that it holds, with its slope by the voltage of its input. */
export function heldAt(element: Holding, inputV: number): { readonly volts: number; readonly slope: number } {
  if (element.kind !== 'regulator') return { volts: element.volts, slope: 0 };
  const left = inputV - element.dropOutV;
  if (left <= 0) return { volts: 0, slope: 0 };
  return left < element.volts ? { volts: left, slope: 1 } : { volts: element.volts, slope: 0 };
}

/** Efficiency against load at the stated input: straight lines between the table's points, held before and past them. */
export function efficiencyAtLoad({ table, fullA, most }: EfficiencyLaw, outputA: number): number {
  const share = outputA / fullA;
  let high = 0;
  while (high < table.length - 1 && share > (table[high]?.[0] ?? 0)) high += 1;
  const to = table[high] ?? [1, most];
  const from = table[Math.max(0, high - 1)] ?? to;
  if (share >= to[0] || to[0] === from[0]) return to[1];
  return from[1] + ((to[1] - from[1]) * (share - from[0])) / (to[0] - from[0]);
}

/** What an input voltage makes of it. */
export const shiftEfficiency = (law: EfficiencyLaw, atLoad: number, inputV: number): number =>
  Math.min(law.most, Math.max(law.least, atLoad + law.perVolt * (inputV - law.statedInputV)));

function converterInputA(element: ConverterElement, outputA: number, inputV: number): number {
  const at = Math.max(inputV, element.leastV);
  const watts =
    (element.volts * outputA) / shiftEfficiency(element.law, efficiencyAtLoad(element.law, Math.max(0, outputA)), at);
  // Below its least voltage it is a mere resistance, so that the equations have an answer that can be looked at.
  return (watts / at + element.idleA) * (inputV / at);
}

const STEP = 1e-7;

/** What it takes in, with its slopes by the output current and by the input voltage. `powerShare`: how much of it is on. */
export function inputAt(
  element: Holding,
  outputA: number,
  inputV: number,
  powerShare: number,
): { readonly amps: number; readonly byOutput: number; readonly byInput: number } {
  if (element.kind === 'voltage') return { amps: 0, byOutput: 0, byInput: 0 };
  if (element.kind === 'regulator') return { amps: outputA + element.idleA, byOutput: 1, byInput: 0 };
  const at = (amps: number, volts: number): number => powerShare * converterInputA(element, amps, volts);
  return {
    amps: at(outputA, inputV),
    byOutput: (at(outputA + STEP, inputV) - at(outputA - STEP, inputV)) / (2 * STEP),
    byInput: (at(outputA, inputV + STEP) - at(outputA, inputV - STEP)) / (2 * STEP),
  };
}
