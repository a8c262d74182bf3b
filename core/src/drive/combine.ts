/** One to three resistors together. */
export interface Combination {
  /** What they come to. */
  readonly ohm: number;
  /** The values taken, in ohms. */
  readonly parts: readonly number[];
  /** How they hang together. */
  readonly joined: 'alone' | 'series' | 'parallel' | 'series, then parallel' | 'parallel, then series';
}

/** Resistances side by side, in ohms. @example 100 Ω and 150 Ω: 60 Ω */
export const parallelOhm = (...ohms: readonly number[]): number => 1 / ohms.reduce((sum, ohm) => sum + 1 / ohm, 0);

function combinationsOf(parts: readonly number[]): Combination[] {
  const [a, b, c] = parts;
  if (a === undefined) return [];
  if (b === undefined) return [{ ohm: a, parts, joined: 'alone' }];
  const sum = parts.reduce((total, ohm) => total + ohm, 0);
  const plain: Combination[] = [
    { ohm: sum, parts, joined: 'series' },
    { ohm: parallelOhm(...parts), parts, joined: 'parallel' },
  ];
  if (c === undefined) return plain;
  // Which of the three stands apart; it is written last.
  const apart = [
    [b, c, a],
    [a, c, b],
    [a, b, c],
  ] as const;
  return [
    ...plain,
    ...apart.flatMap(([x, y, z]): Combination[] => [
      { ohm: parallelOhm(x + y, z), parts: [x, y, z], joined: 'series, then parallel' },
      { ohm: parallelOhm(x, y) + z, parts: [x, y, z], joined: 'parallel, then series' },
    ]),
  ];
}

/**
 * The nearest that one, two or three of the values in the drawer make, best first; of two as near the one with fewer
 * parts. Every way of joining is tried. A value may be taken again: the drawer is taken to hold several of each.
 * @example 165.3 Ω from 47, 68, 100, 120, 270: 47 + 120 = 167 Ω of two
 */
export function combineToward(
  wantedOhm: number,
  stock: readonly number[],
  options: { readonly most: 1 | 2 | 3; readonly keep: number; readonly atLeast?: boolean },
): readonly Combination[] {
  const values = [...new Set(stock)].sort((x, y) => x - y);
  const found: Combination[] = [];
  const consider = (parts: readonly number[]): void => void found.push(...combinationsOf(parts));
  values.forEach((a, i) => {
    consider([a]);
    if (options.most < 2) return;
    values.slice(i).forEach((b, j) => {
      consider([a, b]);
      if (options.most < 3) return;
      for (const c of values.slice(i + j)) consider([a, b, c]);
    });
  });
  const allowed = options.atLeast ? found.filter((each) => each.ohm >= wantedOhm * (1 - 1e-9)) : found;
  const off = (each: Combination): number => Math.abs(Math.log(each.ohm / wantedOhm));
  return allowed
    .sort((x, y) => off(x) - off(y) || x.parts.length - y.parts.length)
    .filter((each, i, all) => i === 0 || Math.abs(each.ohm - (all[i - 1]?.ohm ?? 0)) > 1e-9)
    .slice(0, options.keep);
}

/** A combination as it is written on a job sheet. @example 47 + 120, (33 + 68) ‖ 100 */
export function writeCombination({ parts, joined }: Combination): string {
  const [x, y, z] = parts;
  switch (joined) {
    case 'alone':
      return String(x);
    case 'series':
      return parts.join(' + ');
    case 'parallel':
      return parts.join(' ‖ ');
    case 'series, then parallel':
      return `(${x} + ${y}) ‖ ${z}`;
    default:
      return `(${x} ‖ ${y}) + ${z}`;
  }
}
