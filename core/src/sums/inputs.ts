import type { Part } from '../parts/index.ts';
import type { Band, QuantityKind } from '../units/index.ts';

interface InputBase {
  /** The word for it on the command line and on a card. */
  readonly word: string;
  readonly label: string;
  readonly hint?: string;
  /** Asked for only where the input of this key is given, or where a choice stands so. */
  readonly onlyWith?: string | { readonly key: string; readonly is: string };
}

/** One quantity. `needed` has no honest default: it is asked for; its `initial` is only what a new card shows. */
export interface QuantityInput extends InputBase {
  readonly as: 'quantity';
  readonly kind: QuantityKind;
  /** Hard limits and what is usual. */
  readonly band: Band;
  /** Of the example, in base units. */
  readonly initial: number;
  /** Asked for on the face of the card. */
  readonly needed: boolean;
}

/** A quantity that may be left out. */
export interface OptionalInput extends InputBase {
  readonly as: 'optional';
  readonly kind: QuantityKind;
  /** Hard limits and what is usual. */
  readonly band: Band;
  /** What a new card shows where the sum can do nothing without it. */
  readonly example?: number;
}

/** Several quantities of one kind, written with commas (or semicolons). */
export interface ListInput extends InputBase {
  readonly as: 'list';
  readonly kind: QuantityKind;
  /** Of each. */
  readonly band: Band;
  /** Of the example; may be empty. */
  readonly initial: readonly number[];
}

/** Several pairs, such as `3x620 mm` or `420 mA:30 min`. */
export interface PairsInput extends InputBase {
  readonly as: 'pairs';
  /** Of the two. */
  readonly names: readonly [string, string];
  /** Of the two. */
  readonly kinds: readonly [QuantityKind, QuantityKind];
  /** Of the two. */
  readonly bands: readonly [Band, Band];
  /** Of the example; may be empty. */
  readonly initial: readonly (readonly [number, number])[];
}

/** One out of a list. */
export interface ChoiceInput<T extends string = string> extends InputBase {
  readonly as: 'choice';
  /** In their order. */
  readonly options: readonly T[];
  /** What a form calls them, where that is more than the option says. */
  readonly called?: Readonly<Record<string, string>>;
  /** The parts that they stand for, where they do. */
  readonly parts?: ReadonlyMap<string, Part>;
  /** The usual one. */
  readonly initial: T;
}

/** Text in the maker’s words. */
export interface WordsInput extends InputBase {
  readonly as: 'words';
  /** Of the example. */
  readonly initial: string;
}

/** What a sum asks for. */
export type Input = QuantityInput | OptionalInput | ListInput | PairsInput | ChoiceInput | WordsInput;

/** What a sum is handed for an input of this kind. */
export type ValueOf<I> = I extends QuantityInput
  ? number
  : I extends OptionalInput
    ? number | null
    : I extends ListInput
      ? readonly number[]
      : I extends PairsInput
        ? readonly (readonly [number, number])[]
        : I extends ChoiceInput<infer T>
          ? T
          : string;

/** A value of any input. */
export type Value = number | null | string | readonly number[] | readonly (readonly [number, number])[];

/** What was entered, by the names of the inputs, in base units; null = left open. */
export type Values = Readonly<Record<string, Value>>;

const positive: Band = { least: 1e-12, most: 1e12 };

/** A quantity that has to be given. `usual` is where it mostly lies, for "did you mean". */
export const ask = (
  kind: QuantityKind,
  word: string,
  label: string,
  initial: number,
  band: Partial<Band> = {},
): QuantityInput => ({ as: 'quantity', kind, word, label, initial, needed: true, band: { ...positive, ...band } });

/** A quantity that is taken as usual where it is not given. */
export const assume = (
  kind: QuantityKind,
  word: string,
  label: string,
  initial: number,
  band: Partial<Band> = {},
): QuantityInput => ({ as: 'quantity', kind, word, label, initial, needed: false, band: { ...positive, ...band } });

/** A quantity that may be left open; then it is null. */
export const optional = (
  kind: QuantityKind,
  word: string,
  label: string,
  band: Partial<Band> = {},
  example?: number,
): OptionalInput => ({
  as: 'optional',
  kind,
  word,
  label,
  band: { ...positive, ...band },
  ...(example === undefined ? {} : { example }),
});

/** Inputs that are asked for only where the one of this key is given, or where a choice stands so. */
export const onlyWith = <const I extends Readonly<Record<string, Input>>>(
  condition: NonNullable<InputBase['onlyWith']>,
  inputs: I,
): I =>
  // Each stays of its own type, with one word more.
  Object.fromEntries(
    Object.entries(inputs).map(([name, input]) => [name, { ...input, onlyWith: condition }]),
  ) as unknown as I;

/** What is given for an input, by its key; undefined where nothing is. */
type GivenFor = (key: string) => unknown;

const isGiven = (value: unknown): boolean =>
  value !== undefined && value !== null && (typeof value !== 'string' || value.trim() !== '');

/** Whether an input is asked for beside what is given for the others. */
export function isAskedFor(
  { onlyWith: condition }: Input,
  inputs: Readonly<Record<string, Input>>,
  given: GivenFor,
): boolean {
  if (condition === undefined) return true;
  if (typeof condition === 'string') return isGiven(given(condition));
  const other = inputs[condition.key];
  const value = given(condition.key);
  return (isGiven(value) ? value : other?.as === 'choice' ? other.initial : undefined) === condition.is;
}

/** Several quantities of one kind. */
export const list = (
  kind: QuantityKind,
  word: string,
  label: string,
  initial: readonly number[],
  band: Partial<Band> = {},
): ListInput => ({ as: 'list', kind, word, label, initial, band: { ...positive, ...band } });

/** Pairs of quantities, such as a current and the voltage that was read at it. */
export const pairs = (
  options: Omit<PairsInput, 'as' | 'bands'> & { readonly bands?: PairsInput['bands'] },
): PairsInput => ({
  as: 'pairs',
  bands: [positive, positive],
  ...options,
});

/** One out of a list, with the usual one. */
export const choice = <const T extends string>(
  word: string,
  label: string,
  options: readonly T[],
  initial: NoInfer<T>,
): ChoiceInput<T> => ({ as: 'choice', word, label, options, initial });

/** One out of the parts of a catalogue, by what its id has after `prefix`. */
export const partChoice = (
  word: string,
  label: string,
  parts: readonly (Part | { readonly id: string; readonly name: string })[],
  prefix: string,
  initial: string,
): ChoiceInput => {
  const short = (id: string): string => (id.startsWith(prefix) ? id.slice(prefix.length) : id);
  return {
    as: 'choice',
    word,
    label,
    options: parts.map(({ id }) => short(id)),
    called: Object.fromEntries(parts.map(({ id, name }) => [short(id), name])),
    parts: new Map(parts.flatMap((part) => ('kind' in part ? [[short(part.id), part]] : []))),
    initial,
  };
};

/** Text, checked by the sum itself. */
export const words = (word: string, label: string, initial: string): WordsInput => ({
  as: 'words',
  word,
  label,
  initial,
});
