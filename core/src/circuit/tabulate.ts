/** Between two rows a straight line is good to a ten-thousandth, even at the knee of a light of one die. */
const FINE_V = 1e-3;

/**
 * A current over voltage that is asked for again and again, kept in rows a millivolt apart that are reckoned when first
 * met: a night asks thousands of times for much the same.
 * @param currentA by voltage, in amperes
 * @param stepV from row to row
 * @returns the same, in straight lines from row to row
 */
export function tabulate(currentA: (volts: number) => number, stepV = FINE_V): (volts: number) => number {
  const rows = new Map<number, number>();
  const row = (index: number): number => {
    const known = rows.get(index);
    if (known !== undefined) return known;
    const reckoned = currentA(index * stepV);
    rows.set(index, reckoned);
    return reckoned;
  };
  return (volts) => {
    const index = Math.floor(volts / stepV);
    const share = volts / stepV - index;
    return share === 0 ? row(index) : row(index) * (1 - share) + row(index + 1) * share;
  };
}
