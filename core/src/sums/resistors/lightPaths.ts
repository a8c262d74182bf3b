import { type LedCurve, shiftCurve, solveNetlist, solveString } from '../../circuit/index.ts';
import {
  type Combination,
  combineToward,
  nextStandard,
  resistorPower,
  type SeriesName,
  seriesResistor,
  seriesTolerance,
  standardNeighbours,
} from '../../drive/index.ts';
import { curveThrough } from '../lightCurves.ts';

/** What the maker gave: one path of lights in series, or several side by side with a resistor each or one for all. */
export interface PathsAsked {
  /** Nominal. */
  readonly supplyV: number;
  /** Of one light at that current. */
  readonly forwardV: number;
  /** Wanted, through one light. */
  readonly currentA: number;
  /** In series. */
  readonly count: number;
  /** In all. */
  readonly lights: number;
  /** Several on one resistor. */
  readonly shared: boolean;
  /** The light is taken as a fixed drop. */
  readonly constantDrop: boolean;
  /** Either way, as a share. */
  readonly supplySpread: number;
  /** Either way. */
  readonly forwardSpreadV: number;
  /** Of one light. */
  readonly ratedA: number;
  /** Of standard values. */
  readonly series: SeriesName;
  /** What is in the drawer, in ohms. */
  readonly stock: readonly number[];
  /** Of what feeds it. */
  readonly sourceOhm: number;
  /** Already there; null reckons one. */
  readonly fittedOhm: number | null;
  /** Resistor that each light has inside already. */
  readonly builtInOhm: number;
}

/** The resistor with what it gives, at every corner. */
export interface PathsSolved {
  readonly curve: LedCurve;
  /** The constant-drop sum with its numbers. */
  readonly sum: { readonly Vs: number; readonly Vd: number; readonly Vf: number; readonly I: number };
  /** To the last digit. */
  readonly exactOhm: number;
  /** 0 where nothing is left for a resistor and none is fitted. */
  readonly chosenOhm: number;
  /** Left for the resistor. */
  readonly headRoomV: number;
  readonly sourceOhm: number;
  /** Through one light. */
  readonly likelyA: number;
  /** Through one light, at its most. */
  readonly brightestA: number;
  /** Through one light, at its least. */
  readonly dimmestA: number;
  /** Through the resistor: all lights of a shared one. */
  readonly resistorA: number;
  /** In one resistor. */
  readonly worstHeatW: number;
  /** Out of the drawer, the nearest first. */
  readonly combos: readonly Combination[];
  /** On one shared resistor: each light of the spread, lowest drop first; and the rest when that one opens. */
  readonly spreadA: readonly number[] | null;
  /** Through those that are left as one after another fails open; null where each has its own. */
  readonly openA: readonly number[] | null;
  /** Current of one path with another resistor or supply. */
  readonly currentWith: (resistorOhm: number, supplyV?: number) => number;
}

interface Circuit {
  readonly asked: PathsAsked;
  readonly curve: LedCurve;
  readonly sourceOhm: number;
}

/** Current of one path: on the curve, or with the drop taken as constant. */
function currentOf({ asked, curve, sourceOhm }: Circuit, supplyV: number, resistorOhm: number, shiftV = 0): number {
  const { count, forwardV } = asked;
  const ohm = resistorOhm + sourceOhm;
  if (asked.constantDrop) return Math.max(0, (supplyV - count * (forwardV + shiftV)) / Math.max(1e-6, ohm));
  return solveString({ supplyV, resistanceOhm: ohm, curve: shiftCurve(curve, shiftV), count });
}

/** Lights side by side on one resistor, their drops spread evenly: by the full solver. `open` leaves out the lowest. */
function sharedCurrents({ asked, curve, sourceOhm }: Circuit, ohm: number, spreadV: number, open = false): number[] {
  const { lights, supplyV } = asked;
  const shifts = Array.from({ length: lights }, (_, i) => -spreadV + (2 * spreadV * i) / Math.max(1, lights - 1)).slice(
    open ? 1 : 0,
  );
  const solved = solveNetlist([
    { kind: 'voltage', name: 'supply', plus: 'v', minus: '0', volts: supplyV },
    { kind: 'resistor', name: 'R', a: 'v', b: 'n', ohm: Math.max(1e-3, ohm + sourceOhm) },
    ...shifts.map((shift, i) => ({
      kind: 'diode' as const,
      name: `light ${i}`,
      anode: 'n',
      cathode: '0',
      curve: shiftCurve(curve, shift),
    })),
  ]);
  return solved.ok ? shifts.map((_, i) => solved.currentA.get(`light ${i}`) ?? 0) : [];
}

/** The standard value at or above the exact one, and on up while the bright corner is over the rating. */
function chooseStandard(asked: PathsAsked, exactOhm: number, brightestWith: (ohm: number) => number): number {
  let ohm = standardNeighbours(exactOhm, asked.series).above;
  while (!asked.shared && brightestWith(ohm) > asked.ratedA) ohm = nextStandard(ohm, asked.series);
  return ohm;
}

/** Solves the paths: the sum with a constant drop first, then the truth on the curve, at the corners of all tolerances. */
export function solvePaths(asked: PathsAsked): PathsSolved {
  const { supplyV, forwardV, currentA, count, lights, shared, forwardSpreadV } = asked;
  // Paths that share the supply's resistance each see it as many times as there are paths.
  const sourceOhm = (shared ? asked.sourceOhm : asked.sourceOhm * lights) + count * asked.builtInOhm;
  const circuit: Circuit = { asked, curve: curveThrough(forwardV, currentA), sourceOhm };
  const I = shared ? currentA * lights : currentA;
  const sum = { Vs: supplyV, Vd: sourceOhm * I, Vf: count * forwardV, I };
  const exactOhm = seriesResistor.reckon(sum);
  const corner = (ohm: number, way: 1 | -1): number =>
    currentOf(
      circuit,
      supplyV * (1 + way * asked.supplySpread),
      ohm * (1 - way * seriesTolerance[asked.series]),
      -way * forwardSpreadV,
    );
  const combos =
    exactOhm > 0 && asked.stock.length > 0 ? combineToward(exactOhm, asked.stock, { most: 2, keep: 3 }) : [];
  const chosenOhm =
    asked.fittedOhm ?? combos[0]?.ohm ?? (exactOhm > 0 ? chooseStandard(asked, exactOhm, (ohm) => corner(ohm, 1)) : 0);
  const spreadA = shared ? sharedCurrents(circuit, chosenOhm, forwardSpreadV) : null;
  const likelyA = shared ? (sharedCurrents(circuit, chosenOhm, 0)[0] ?? 0) : currentOf(circuit, supplyV, chosenOhm);
  const brightestA = spreadA ? Math.max(0, ...spreadA) : corner(chosenOhm, 1);
  const resistorA = shared ? likelyA * lights : likelyA;
  return {
    curve: circuit.curve,
    sum,
    exactOhm,
    chosenOhm,
    headRoomV: supplyV - sum.Vf - sum.Vd,
    sourceOhm,
    likelyA,
    brightestA,
    dimmestA: spreadA ? Math.min(...spreadA) : corner(chosenOhm, -1),
    resistorA,
    worstHeatW: resistorPower.reckon({ I: shared ? resistorA : brightestA, R: chosenOhm }),
    combos,
    spreadA,
    openA: shared ? sharedCurrents(circuit, chosenOhm, forwardSpreadV, true) : null,
    currentWith: (ohm, volts = supplyV) => currentOf(circuit, volts, ohm),
  };
}
