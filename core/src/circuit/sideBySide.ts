import { type LedCurve, slopeOhm, solveString } from './ledCurve.ts';
import { solveRising } from './root.ts';

/** Strings that are alike: lights one behind the other, and how many such strings there are. */
export interface AlikeStrings {
  /** Of one light. */
  readonly curve: LedCurve;
  /** Lights one behind the other in each. */
  readonly count: number;
  /** How many such strings hang side by side. */
  readonly strings: number;
}

/**
 * The current of one string of each sort where all hang side by side behind one resistor: the voltage of the node between
 * them is the one root of `Vn + R·ΣI(Vn) = Vs − Vswitch`. Never negative.
 * @example three amber lights on 110 Ω and 5.0 V, alike: 9.24 mA each; with drops 0.1 V apart: 17.4, 8.09 and 2.42 mA
 */
export function solveSideBySide(options: {
  /** Across strings, resistor and switch together. */
  readonly supplyV: number;
  /** The resistor that all of them share. */
  readonly resistanceOhm: number;
  readonly sorts: readonly AlikeStrings[];
  /** Lost in what switches them. */
  readonly switchDropV: number;
}): readonly number[] {
  const { supplyV, resistanceOhm, sorts, switchDropV } = options;
  const drivingV = supplyV - switchDropV;
  if (drivingV <= 0) return sorts.map(() => 0);
  const at = (nodeV: number): readonly number[] =>
    sorts.map(({ curve, count }) => solveString({ supplyV: nodeV, resistanceOhm: 0, curve, count }));
  const nodeV = solveRising({
    value: (volts) =>
      volts + resistanceOhm * at(volts).reduce((sum, amps, i) => sum + amps * (sorts[i]?.strings ?? 0), 0) - drivingV,
    slope: (volts) =>
      1 +
      resistanceOhm *
        at(volts).reduce((sum, amps, i) => {
          const sort = sorts[i];
          return sort ? sum + sort.strings / (sort.count * slopeOhm(sort.curve, amps)) : sum;
        }, 0),
    low: 0,
    high: drivingV,
    tolerance: 1e-12,
  });
  return at(nodeV);
}
