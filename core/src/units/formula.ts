import { joinMessages, type Message, type Quantity, quantity } from './message.ts';
import type { QuantityKind } from './quantity.ts';

interface SymbolRow {
  readonly meaning: string;
  readonly kind: QuantityKind;
}

/** A formula of the work as data: one place for its arithmetic, its printed form and its source. */
export interface Formula<S extends string = string> {
  readonly name: string;
  /** Symbol and kind of what it gives. */
  readonly gives: SymbolRow;
  /** What each stands for. */
  readonly symbols: Readonly<Record<S, SymbolRow>>;
  /** The printed form with each symbol in braces: `{R} = ({Vs} − {Vf}) / {I}`; the result stands first. */
  readonly form: string;
  /** The law, standard or measurement it comes from. */
  readonly source: string;
  /** In base units. */
  readonly reckon: (values: Readonly<Record<S, number>>) => number;
}

/** A formula with its numbers put in, ready to be read. */
export interface Sum {
  readonly name: string;
  /** With symbols. */
  readonly form: string;
  /** With numbers. */
  readonly filled: Message;
  /** What it comes to. */
  readonly answer: Quantity;
  /** The law, standard or measurement it comes from. */
  readonly source: string;
  /** What each stands for, with its value. */
  readonly symbols: readonly { readonly symbol: string; readonly meaning: string; readonly value: Quantity }[];
}

/** Declares a formula; only fixes its types. */
export const defineFormula = <S extends string>(formula: Formula<S>): Formula<S> => formula;

/**
 * The sum of a formula with these values put in (in the units of each symbol's kind).
 * @example fillSum(seriesResistor, { Vs: 5, Vf: 3.016, k: 1, I: 0.012 }).filled // "(5.00 V − 1 · 3.02 V) / 12.0 mA"
 */
export function fillSum<S extends string>(formula: Formula<S>, values: Readonly<Record<S, number>>): Sum {
  const names = Object.keys(formula.symbols) as S[];
  const valueFor = (name: S): Quantity => quantity(formula.symbols[name].kind, values[name]);
  const right = formula.form.replace(/^[^=≈]*[=≈]/, '').trim();
  // Every second piece is a name in its braces, with the power behind it.
  const filled = right.split(/(\{[^}]+\}(?: ?[²³^])?)/).flatMap((piece): (Message | Quantity)[] => {
    const [, name, power] = /^\{([^}]+)\}( ?[²³^])?$/.exec(piece) ?? [];
    if (name === undefined || !(name in formula.symbols)) return [piece];
    // The name was found among the symbols just now. A figure with its unit stands in brackets before a power, so that
    // the unit is not taken to be raised alone.
    return power ? ['(', valueFor(name as S), `)${power}`] : [valueFor(name as S)];
  });
  return {
    name: formula.name,
    form: formula.form.replace(/[{}]/g, ''),
    filled: joinMessages(filled, ''),
    answer: quantity(formula.gives.kind, formula.reckon(values)),
    source: formula.source,
    symbols: names.map((name) => ({ symbol: name, meaning: formula.symbols[name].meaning, value: valueFor(name) })),
  };
}
