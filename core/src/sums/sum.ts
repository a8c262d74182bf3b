import { type Finding, named, type Told } from '../items/index.ts';
import type { Design } from '../plan/index.ts';
import type { Message, QuantityKind, Sum } from '../units/index.ts';
import type { Drawing } from './drawing.ts';
import type { Input, ValueOf, Values } from './inputs.ts';

/** One line of the answer. `main` is the figure that decides. */
export type Result =
  | {
      readonly form: 'figure';
      /** By which other programs know it. */
      readonly key: string;
      readonly label: Message;
      readonly kind: QuantityKind;
      /** In base units; null where there is none. */
      readonly value: number | null;
      /** The answer itself, printed large. */
      readonly main?: boolean;
    }
  | { readonly form: 'text'; readonly key: string; readonly label: Message; readonly value: Message | boolean }
  | {
      readonly form: 'figures';
      /** By which other programs know it. */
      readonly key: string;
      readonly label: string;
      readonly kind: QuantityKind;
      /** In base units. */
      readonly values: readonly number[];
    }
  | {
      readonly form: 'table';
      /** By which other programs know it. */
      readonly key: string;
      readonly label: string;
      /** From left to right. */
      readonly columns: readonly {
        /** By which other programs know it. */
        readonly key: string;
        readonly label: string;
        readonly kind: QuantityKind | 'text';
      }[];
      /** Cells in base units; null where there is none. */
      readonly rows: readonly (readonly (number | Message | null)[])[];
    };

/** What a sum gives back: results, the steps they came by, findings, a drawing. */
export interface Outcome {
  readonly results: readonly Result[];
  /** Formulas with their numbers. */
  readonly steps: readonly Sum[];
  readonly findings: readonly Finding[];
  readonly drawing?: Drawing;
}

/** Puts what was reckoned into a design; ids come from outside. */
type IntoDesign = (design: Design, values: Values, newId: () => string) => Design;

/** A sum of the work that needs no plan. */
export interface QuickSum {
  /** On the command line. */
  readonly name: string;
  /** As a maker asks for it. */
  readonly title: string;
  /** What it answers, in a sentence. */
  readonly about: string;
  /** Where it stands in the list. */
  readonly group: 'lights' | 'drive' | 'power' | 'wires' | 'heat and make';
  /** By their keys. */
  readonly inputs: Readonly<Record<string, Input>>;
  /** Pure; throws where nothing can be said. */
  readonly reckon: (values: Values) => Outcome;
  /** Puts what was reckoned into a design; left out where a plan can’t hold it. */
  readonly intoDesign?: IntoDesign;
}

/** Declares a sum with its inputs typed by their rows. */
export function defineSum<const I extends Readonly<Record<string, Input>>>(sum: {
  readonly name: string;
  readonly title: string;
  readonly about: string;
  readonly group: QuickSum['group'];
  readonly inputs: I;
  readonly reckon: (values: { readonly [K in keyof I]: ValueOf<I[K]> }) => Outcome;
  readonly intoDesign?: (
    design: Design,
    values: { readonly [K in keyof I]: ValueOf<I[K]> },
    newId: () => string,
  ) => Design;
}): QuickSum {
  // Values are read by `readInputs` against these very rows, so they have the types that the rows give.
  return sum as unknown as QuickSum;
}

/** A result that is a quantity; null where there is none, which the findings then say why. */
export const figure = (key: string, label: Message, kind: QuantityKind, value: number | null): Result => ({
  form: 'figure',
  key,
  label,
  kind,
  value,
});

/** The figure that decides. */
export const mainFigure = (key: string, label: Message, kind: QuantityKind, value: number | null): Result => ({
  form: 'figure',
  key,
  label,
  kind,
  value,
  main: true,
});

/** A result in words, or a yes or no. */
export const text = (key: string, label: Message, value: Message | boolean): Result => ({
  form: 'text',
  key,
  label,
  value,
});

/** What is amiss or to be known: what, why and what to do. */
export const finding = (
  id: string,
  gravity: Finding['gravity'],
  what: Message,
  why: Message,
  mend: Message,
): Finding => ({ ...named(id), gravity, stage: null, aboutId: null, what, why, mend, fixes: [] });

/**
 * What a plan would be told of the same thing; nothing where it would not.
 * @param id where the sum has a name of its own for it
 */
export const asInPlan = (told: Told | null, id = told?.rule ?? ''): Finding[] => {
  if (!told) return [];
  const { gravity, what, why, mend, actual, limit } = told;
  return [{ ...finding(id, gravity, what, why, mend), ...(actual && { actual }), ...(limit && { limit }) }];
};

/** The findings whose condition holds. */
export const findingsWhere = (...rows: readonly (readonly [boolean, Finding])[]): Finding[] =>
  rows.filter(([holds]) => holds).map(([, row]) => row);
