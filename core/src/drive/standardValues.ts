/** One decade of each series of IEC 60063. */
export const series = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [
    1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1,
  ],
  // The finer series are the rounded powers of ten that the standard defines; the coarser ones above are historical.
  E48: Array.from({ length: 48 }, (_, i) => Number((10 ** (i / 48)).toPrecision(3))),
  E96: Array.from({ length: 96 }, (_, i) => Number((10 ** (i / 96)).toPrecision(3))),
} as const satisfies Record<string, readonly number[]>;

/** The series of preferred values (IEC 60063), by how many there are in a decade. */
export type SeriesName = keyof typeof series;

/** Tolerance that goes with a series. */
export const seriesTolerance: Readonly<Record<SeriesName, number>> = {
  E6: 0.2,
  E12: 0.05,
  E24: 0.05,
  E48: 0.02,
  E96: 0.01,
};

function valueAt(name: SeriesName, index: number): number {
  const steps = series[name];
  const decade = Math.floor(index / steps.length);
  return Number(((steps[index - decade * steps.length] ?? 1) * 10 ** decade).toPrecision(3));
}

function indexBelow(name: SeriesName, value: number): number {
  let index = Math.floor(Math.log10(value) * series[name].length) - 2;
  while (valueAt(name, index + 1) <= value * (1 + 1e-9)) index += 1;
  return index;
}

/** The standard values on either side; both are the value itself where it is one. @example 165.3 in E12 → 150 and 180 */
export function standardNeighbours(
  value: number,
  name: SeriesName = 'E12',
): { readonly below: number; readonly above: number } {
  const below = valueAt(name, indexBelow(name, value));
  return {
    below,
    above: Math.abs(below - value) <= value * 1e-9 ? below : valueAt(name, indexBelow(name, value) + 1),
  };
}

/** The next standard value above this one. */
export const nextStandard = (value: number, name: SeriesName = 'E12'): number =>
  valueAt(name, indexBelow(name, value) + 1);
