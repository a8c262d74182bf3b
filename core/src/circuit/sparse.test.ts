import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { SparseSystem } from './sparse.ts';

/** Systems as circuits give them: few coefficients, a diagonal that holds. */
const anySystem = fc.integer({ min: 1, max: 25 }).chain((size) =>
  fc.record({
    size: fc.constant(size),
    entries: fc.array(
      fc.record({
        row: fc.nat(size - 1),
        column: fc.nat(size - 1),
        value: fc.double({ min: -2, max: 2, noNaN: true }),
      }),
      { maxLength: 4 * size },
    ),
    right: fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: size, maxLength: size }),
  }),
);

describe('sparse equations', () => {
  it('agree with a dense solution of the same', () => {
    fc.assert(
      fc.property(anySystem, ({ size, entries, right }) => {
        const dense = Matrix.zeros(size, size);
        const sparse = new SparseSystem(size);
        const put = (row: number, column: number, value: number): void => {
          dense.set(row, column, dense.get(row, column) + value);
          sparse.add(row, column, value);
        };
        for (const { row, column, value } of entries) put(row, column, value);
        for (let i = 0; i < size; i += 1) put(i, i, 20);
        const expected = solve(dense, Matrix.columnVector(right)).getColumn(0);
        const found = sparse.solve(right);
        expect(found).not.toBeNull();
        expected.forEach((value, i) => {
          expect(found?.[i] ?? Number.NaN).toBeCloseTo(value, 9);
        });
      }),
    );
  });
  it('finds its way round a nought on the diagonal, as a source of voltage has one', () => {
    // x + y = 3 and x = 2.
    const system = new SparseSystem(2);
    system.add(0, 0, 1);
    system.add(0, 1, 1);
    system.add(1, 0, 1);
    expect([...(system.solve([3, 2]) ?? [])]).toEqual([2, 1]);
  });
  it('says so where the equations don’t decide the unknowns', () => {
    const system = new SparseSystem(2);
    system.add(0, 0, 1);
    system.add(0, 1, 1);
    system.add(1, 0, 2);
    system.add(1, 1, 2);
    expect(system.solve([1, 2])).toBeNull();
    expect(new SparseSystem(1).solve([1])).toBeNull();
  });
  it('is built up anew after it was cleared', () => {
    const system = new SparseSystem(1);
    system.add(0, 0, 4);
    system.clear();
    system.add(0, 0, 2);
    expect([...(system.solve([6]) ?? [])]).toEqual([3]);
  });
});
