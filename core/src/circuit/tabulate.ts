/** Between two rows a straight line is good to a ten-thousandth, even at the knee of a light of one die. */
const FINE_V = 1e-3;

/** Rows of a current, each reckoned when it is first met. */
function rowsOf(currentA: (volts: number) => number, stepV: number): (index: number) => number {
  const rows = new Map<number, number>();
  return (index) => {
    const known = rows.get(index);
    if (known !== undefined) return known;
    const reckoned = currentA(index * stepV);
    rows.set(index, reckoned);
    return reckoned;
  };
}

/**
 * A current over voltage that is asked for again and again, kept in rows a millivolt apart that are reckoned when first
 * met: a night asks thousands of times for much the same.
 * @param currentA by voltage, in amperes
 * @param stepV from row to row
 * @returns the same, in straight lines from row to row
 */
export function tabulate(currentA: (volts: number) => number, stepV = FINE_V): (volts: number) => number {
  const row = rowsOf(currentA, stepV);
  return (volts) => {
    const index = Math.floor(volts / stepV);
    const share = volts / stepV - index;
    return share === 0 ? row(index) : row(index) * (1 - share) + row(index + 1) * share;
  };
}

/**
 * The same for a current that bends smoothly, from rows that may stand much farther apart: a parabola of the third degree
 * through the four nearest (Lagrange). Never below 0.
 */
export function tabulateSmooth(currentA: (volts: number) => number, stepV: number): (volts: number) => number {
  const row = rowsOf(currentA, stepV);
  return (volts) => {
    const index = Math.floor(volts / stepV);
    const x = volts / stepV - index;
    if (x === 0) return row(index);
    const [before, here, next, after] = [row(index - 1), row(index), row(index + 1), row(index + 2)];
    return Math.max(
      0,
      (-before * x * (x - 1) * (x - 2)) / 6 +
        (here * (x + 1) * (x - 1) * (x - 2)) / 2 -
        (next * (x + 1) * x * (x - 2)) / 2 +
        (after * (x + 1) * x * (x - 1)) / 6,
    );
  };
}
