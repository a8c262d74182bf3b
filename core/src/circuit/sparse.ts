/** A pivot may be so much smaller than the largest of its row: what it costs in accuracy it saves in fill. */
const PIVOT_SHARE = 1e-3;

/** Where the next pivot stands. */
interface Pivot {
  readonly row: number;
  readonly column: number;
}

/** A pivot with its row as it was when it was taken, and the rows that it was taken out of. */
interface Step extends Pivot {
  readonly entries: readonly (readonly [column: number, value: number])[];
  readonly takenOut: readonly (readonly [row: number, factor: number])[];
}

/**
 * A square system of equations of which most coefficients are nought, as those of a circuit are. Solved by elimination
 * with the pivots chosen for little fill (Markowitz): chains and trees take time in proportion to their length.
 */
export class SparseSystem {
  private readonly rows: Map<number, number>[];

  constructor(private readonly size: number) {
    this.rows = Array.from({ length: size }, () => new Map<number, number>());
  }

  clear(): void {
    for (const row of this.rows) row.clear();
  }

  /** Adds to a coefficient. */
  add(row: number, column: number, value: number): void {
    const at = this.rows[row];
    at?.set(column, (at.get(column) ?? 0) + value);
  }

  /**
   * Solves for one right side; the coefficients are used up.
   * @returns null where the equations don’t decide the unknowns
   */
  solve(right: ArrayLike<number>): Float64Array | null {
    const steps = this.eliminate();
    if (!steps) return null;
    const left = Float64Array.from(right);
    for (const { row, takenOut } of steps)
      for (const [below, factor] of takenOut) left[below] = (left[below] ?? 0) - factor * (left[row] ?? 0);
    const x = new Float64Array(this.size);
    for (let k = steps.length - 1; k >= 0; k -= 1) {
      const step = steps[k];
      if (!step) continue;
      let sum = left[step.row] ?? 0;
      let pivot = 1;
      for (const [column, value] of step.entries) {
        if (column === step.column) pivot = value;
        else sum -= value * (x[column] ?? 0);
      }
      x[step.column] = sum / pivot;
    }
    return x;
  }

  private eliminate(): readonly Step[] | null {
    const { rows, size } = this;
    const inColumn = Array.from({ length: size }, () => new Set<number>());
    rows.forEach((row, r) => {
      for (const column of row.keys()) inColumn[column]?.add(r);
    });
    const waiting = new Set(rows.keys());
    const steps: Step[] = [];
    while (waiting.size > 0) {
      const pivot = this.choose(waiting, inColumn);
      if (!pivot) return null;
      steps.push(this.takeOut(pivot, inColumn));
      waiting.delete(pivot.row);
    }
    return steps;
  }

  /** The shortest row that is left, and in it the shortest column with a coefficient that is large enough. */
  private choose(waiting: ReadonlySet<number>, inColumn: readonly ReadonlySet<number>[]): Pivot | null {
    let shortest = -1;
    let entries = Number.POSITIVE_INFINITY;
    for (const r of waiting) {
      const length = this.rows[r]?.size ?? 0;
      if (length === 0) return null;
      if (length < entries) [shortest, entries] = [r, length];
      if (entries === 1) break;
    }
    const row = this.rows[shortest];
    if (!row) return null;
    let most = 0;
    for (const value of row.values()) most = Math.max(most, Math.abs(value));
    let best = -1;
    let others = Number.POSITIVE_INFINITY;
    for (const [column, value] of row) {
      const length = inColumn[column]?.size ?? 0;
      if (Math.abs(value) >= PIVOT_SHARE * most && length < others) [best, others] = [column, length];
    }
    return most > 0 && Number.isFinite(most) && best >= 0 ? { row: shortest, column: best } : null;
  }

  /** Takes a pivot’s row out of all others that hold its column. */
  private takeOut({ row, column }: Pivot, inColumn: readonly Set<number>[]): Step {
    const pivotRow = this.rows[row] ?? new Map<number, number>();
    const pivot = pivotRow.get(column) ?? 1;
    const entries = [...pivotRow];
    for (const [each] of entries) inColumn[each]?.delete(row);
    const takenOut: [number, number][] = [];
    for (const other of inColumn[column] ?? []) {
      const otherRow = this.rows[other];
      if (!otherRow) continue;
      const factor = (otherRow.get(column) ?? 0) / pivot;
      takenOut.push([other, factor]);
      otherRow.delete(column);
      for (const [each, value] of entries) {
        if (each === column) continue;
        const before = otherRow.get(each);
        if (before === undefined) inColumn[each]?.add(other);
        otherRow.set(each, (before ?? 0) - factor * value);
      }
    }
    inColumn[column]?.clear();
    return { row, column, entries, takenOut };
  }
}
