/** One decade of IEC 60063, series E12 (±10 % steps). */
export const e12: readonly number[] = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2];

const at = (index: number): number => {
  const decade = Math.floor(index / e12.length);
  const value = (e12[index - decade * e12.length] ?? 1) * 10 ** decade;
  return Number(value.toPrecision(2));
};

function indexBelow(value: number): number {
  let index = Math.floor(Math.log10(value) * e12.length) - 2;
  while (at(index + 1) <= value * (1 + 1e-9)) index += 1;
  return index;
}

/** The standard values on either side; both are the value itself where it is one. @example 165.3 → 150 and 180 */
export function e12Neighbours(value: number): { readonly below: number; readonly above: number } {
  const below = at(indexBelow(value));
  return { below, above: Math.abs(below - value) <= value * 1e-9 ? below : at(indexBelow(value) + 1) };
}

/** The next standard value above this one. */
export const nextE12 = (value: number): number => at(indexBelow(value) + 1);

const colours = ['black', 'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white'] as const;

/** Four bands of IEC 60062 for a two-digit value at ±5 %. @example 180 → brown, grey, brown, gold */
export function colourBands(resistorOhm: number): readonly string[] {
  const exponent = Math.floor(Math.log10(resistorOhm) + 1e-9) - 1;
  const digits = Math.round(resistorOhm / 10 ** exponent);
  const multiplier = exponent === -1 ? 'gold' : exponent === -2 ? 'silver' : colours[exponent];
  return [colours[Math.floor(digits / 10)] ?? 'black', colours[digits % 10] ?? 'black', multiplier ?? 'black', 'gold'];
}
