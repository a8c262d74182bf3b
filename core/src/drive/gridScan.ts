import { type Element, type LedCurve, type NetlistSolution, solveNetlist } from '../circuit/index.ts';
import { defineFormula } from '../units/index.ts';

/** Mean current of a light that takes turns with others. @example 40 mA in one of 8 rows: 5 mA */
export const meanOfScan = defineFormula({
  name: 'Mean current of a light that takes turns',
  gives: { meaning: 'mean current', kind: 'currentA' },
  symbols: {
    Ip: { meaning: 'current while its turn is on', kind: 'currentA' },
    r: { meaning: 'turns: rows, or lights one by one', kind: 'count' },
    s: { meaning: 'share of its turn in which it is lit', kind: 'fraction' },
  },
  form: '{I} = {Ip} · {s} / {r}',
  source: 'each is on for one turn in as many as there are, less what is dark between two',
  reckon: ({ Ip, r, s }) => (Ip * s) / r,
});

/** Of a light in short pulses, in times of what it is rated for (typical of a tenth of the time). */
const PULSE_TIMES = 5;

/** What a light bears while its turn is on: as a pulse, and over time no more than it is rated for. */
export const bearsInTurns = (ratedA: number, turns: number): number => ratedA * Math.min(PULSE_TIMES, turns);

/** What scanning a grid comes to: pins, duty, mean and peak currents, times. */
export interface GridScan {
  /** Rows and columns together. */
  readonly pins: number;
  /** Share of the time for which a light is on. */
  readonly duty: number;
  /** Of one light. */
  readonly meanA: number;
  /** All lights of a row at once, through the row's switch. */
  readonly rowSwitchA: number;
  /** For which a row is on. */
  readonly rowTimeS: number;
}

/** @example 8 × 8, 40 mA peak, 100 pictures a second: 16 pins, 1/8, 5 mA, 320 mA, 1.25 ms */
export function scanGrid(options: {
  readonly rows: number;
  readonly columns: number;
  /** Of a light while its row is on. */
  readonly peakA: number;
  /** Whole pictures a second. */
  readonly picturesPerS: number;
  /** Share of its turn in which a row is lit; all of it without. */
  readonly litOfTurn?: number;
}): GridScan {
  const { rows, columns, peakA, picturesPerS, litOfTurn = 1 } = options;
  return {
    pins: rows + columns,
    duty: litOfTurn / rows,
    meanA: meanOfScan.reckon({ Ip: peakA, r: rows, s: litOfTurn }),
    rowSwitchA: peakA * columns,
    rowTimeS: 1 / picturesPerS / rows,
  };
}

/** Current from which a light is seen in a dark room. */
export const SEEN_IN_THE_DARK_A = 1e-5;

/** What a light that should be off carries while another is lit. */
export interface Sneak {
  /** From 0. */
  readonly row: number;
  /** From 0. */
  readonly column: number;
  /** Through a light that should be off. */
  readonly currentA: number;
  /** Across it. */
  readonly acrossV: number;
}

/** Of a pin that holds a line which is not chosen; typical. */
export const HELD_OHM = 30;

/**
 * Solves a grid with one light chosen: its row driven to plus, its column sunk through the resistor, and every other
 * line either floating or held at the idle voltages. Gives every other light that carries current forwards.
 */
export function findSneaks(options: {
  /** Row by row. */
  readonly curves: readonly (readonly LedCurve[])[];
  /** Of the drivers. */
  readonly supplyV: number;
  /** In each column, before its lights. */
  readonly columnOhm: number;
  /** The one light that should be on. */
  readonly chosen: { readonly row: number; readonly column: number };
  /** Voltage that idle rows and columns are held at; null = they float. */
  readonly idle: { readonly rowV: number; readonly columnV: number } | null;
}): { readonly solved: NetlistSolution; readonly sneaks: readonly Sneak[] } {
  const { curves, supplyV, columnOhm, chosen, idle } = options;
  // Whatever holds a line is a pin with a resistance of its own: nothing that it feeds can take more than that gives.
  const hold = (name: string, node: string, volts: number, ohm = 0): Element[] => [
    { kind: 'voltage', name, plus: `${node} held`, minus: '0', volts },
    { kind: 'resistor', name: `${name} pin`, a: `${node} held`, b: node, ohm: HELD_OHM + ohm },
  ];
  const rows = curves.length;
  const columns = curves[0]?.length ?? 0;
  const netlist: Element[] = [
    { kind: 'voltage', name: 'row driver', plus: `row ${chosen.row}`, minus: '0', volts: supplyV },
    { kind: 'resistor', name: 'column driver', a: `column ${chosen.column}`, b: '0', ohm: columnOhm },
    ...curves.flatMap((line, row) =>
      line.map(
        (curve, column): Element => ({
          kind: 'diode',
          name: `light ${row} ${column}`,
          anode: `row ${row}`,
          cathode: `column ${column}`,
          curve,
        }),
      ),
    ),
  ];
  if (idle) {
    for (let row = 0; row < rows; row += 1)
      if (row !== chosen.row) netlist.push(...hold(`idle row ${row}`, `row ${row}`, idle.rowV));
    for (let column = 0; column < columns; column += 1)
      if (column !== chosen.column)
        netlist.push(...hold(`idle column ${column}`, `column ${column}`, idle.columnV, columnOhm));
  }
  const solved = solveNetlist(netlist);
  const sneaks = curves.flatMap((line, row) =>
    line.flatMap((_, column): Sneak[] => {
      if (!solved.ok || (row === chosen.row && column === chosen.column)) return [];
      const currentA = solved.currentA.get(`light ${row} ${column}`) ?? 0;
      const volts = (node: string): number => solved.voltageV.get(node) ?? 0;
      const acrossV = volts(`row ${row}`) - volts(`column ${column}`);
      return currentA > 1e-9 ? [{ row, column, currentA, acrossV }] : [];
    }),
  );
  return { solved, sneaks };
}
