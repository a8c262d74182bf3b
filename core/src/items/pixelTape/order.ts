import { type ColourOrder, colourOrders } from '../../parts/index.ts';

const names: Readonly<Record<string, string>> = { R: 'red', G: 'green', B: 'blue' };

/** An order of colours in words. @example "GRB": "green, red, blue" */
export const sayOrder = (order: ColourOrder): string => [...order].map((letter) => names[letter]).join(', ');

/**
 * The order that a tape has, by what it showed when a program that takes it for another was told to show red, green and
 * blue in turn. Null where that can't be: each colour is seen once.
 * @param taken the order that the program took it for
 * @param seen the colours that were seen, in turn, as letters
 * @example taken GRB, seen green, red, blue: its first byte is red, so RGB
 */
export function orderSeen(taken: ColourOrder, seen: readonly string[]): ColourOrder | null {
  // The byte that was meant for a colour lights the die that was seen.
  const order = [...taken].map((meant) => seen['RGB'.indexOf(meant)] ?? '').join('');
  return colourOrders.find((each) => each === order) ?? null;
}
