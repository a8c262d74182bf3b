import type { QuantityKind } from './quantity.ts';

/** A number with what it counts, in the unit that is used inside. */
export interface Quantity {
  readonly kind: QuantityKind;
  /** In base units of its kind. */
  readonly value: number;
  /** Significant figures where three are not right. */
  readonly digits?: number;
}

/** What is told to a maker: words and quantities in turn. It is printed at the rim, in the maker's units. */
export type Message = string | Quantity | readonly (string | Quantity)[];

/** What may stand in a message. */
type Part = Message | number;

/** A quantity as data. */
export const quantity = (kind: QuantityKind, value: number, options: { readonly digits?: number } = {}): Quantity => ({
  kind,
  value,
  ...options,
});

/** Whether it is a quantity by itself. */
export const isQuantity = (part: Part): part is Quantity => typeof part === 'object' && 'kind' in part;

/** Words that stand side by side are one; one part alone stands for itself. */
function tidy(parts: readonly (string | Quantity)[]): Message {
  const tidied: (string | Quantity)[] = [];
  for (const part of parts) {
    const last = tidied.at(-1);
    if (part === '') continue;
    if (typeof part === 'string' && typeof last === 'string') tidied[tidied.length - 1] = last + part;
    else tidied.push(part);
  }
  const [only] = tidied;
  if (only === undefined) return '';
  return tidied.length === 1 ? only : tidied;
}

/** Its words and quantities in turn. */
export const partsOf = (part: Part): readonly (string | Quantity)[] =>
  typeof part === 'object' ? (isQuantity(part) ? [part] : part) : [String(part)];

/**
 * A message, written as a template; messages within it become part of it.
 * @example say`${name} gets ${quantity('voltageV', 12)}` // ['Jaw gets ', { kind: 'voltageV', value: 12 }]
 */
export const say = (words: TemplateStringsArray, ...parts: readonly Part[]): Message =>
  tidy(words.flatMap((text, i) => [text, ...(i < parts.length ? partsOf(parts[i] ?? '') : [])]));

/** Messages one behind the other. */
export const joinMessages = (messages: readonly Message[], between: string): Message =>
  tidy(messages.flatMap((message, i) => [...(i > 0 ? [between] : []), ...partsOf(message)]));

/** The same message, begun with a capital. */
export function capitalise(message: Message): Message {
  const [first, ...rest] = partsOf(message);
  return typeof first === 'string' ? tidy([first.charAt(0).toUpperCase() + first.slice(1), ...rest]) : message;
}

/** The quantities in it, in turn. */
export const quantitiesOf = (message: Message): readonly Quantity[] => partsOf(message).filter(isQuantity);
