import { forwardVoltageV, type LedCurve, shiftCurve, solveSideBySide, solveString } from '../../circuit/index.ts';
import { type Combination, chooseResistor, combineToward, type SeriesName, seriesResistor } from '../../drive/index.ts';
import type { RailRange } from '../../items/index.ts';
import { curveOfDrop, curveOfLight } from '../lightCurves.ts';

/** What the maker gave: one path of lights in series, or several side by side with a resistor each or one for all. */
export interface PathsAsked {
  /** From spent to fresh. */
  readonly supply: RailRange;
  /** Of one light at that current; null where readings of it are given. */
  readonly forwardV: number | null;
  /** Of one light: current and voltage. */
  readonly readings: readonly (readonly [currentA: number, voltageV: number])[];
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

/** Lights side by side on one resistor, their drops spread evenly; `open` leaves out the lowest. */
function sharedCurrents(asked: PathsAsked, curve: LedCurve, ohm: number, open = false): readonly number[] {
  const { lights, count, forwardSpreadV: spreadV } = asked;
  const shifts = Array.from({ length: lights }, (_, i) => -spreadV + (2 * spreadV * i) / Math.max(1, lights - 1));
  return solveSideBySide({
    supplyV: asked.supply.nominalV,
    resistanceOhm: ohm + asked.sourceOhm,
    sorts: shifts.slice(open ? 1 : 0).map((shift) => ({ curve: shiftCurve(curve, shift), count, strings: 1 })),
    switchDropV: 0,
  });
}

/** The light's curve as it is taken: by its drop alone or by readings, with what it has inside. */
function curveOf(asked: PathsAsked): LedCurve {
  const { forwardV, currentA, readings, builtInOhm } = asked;
  const curve = curveOfLight(forwardV, currentA, readings);
  const taken = asked.constantDrop ? curveOfDrop(forwardVoltageV(curve, currentA), currentA) : curve;
  return { ...taken, seriesOhm: taken.seriesOhm + builtInOhm };
}

/** Solves the paths as a plan solves its own: the sum at the wanted current first, then the truth at the corners of all tolerances. */
export function solvePaths(asked: PathsAsked): PathsSolved {
  const { supply, currentA, count, lights, shared } = asked;
  const curve = curveOf(asked);
  // Paths that share the supply's resistance each see it as many times as there are paths.
  const seriesOhm = asked.sourceOhm * lights;
  const sideBySide = shared ? lights : 1;
  const sum = {
    Vs: supply.nominalV,
    Vd: seriesOhm * currentA,
    Vf: count * forwardVoltageV(curve, currentA),
    I: currentA * sideBySide,
  };
  const exactOhm = seriesResistor.reckon(sum);
  const combos =
    exactOhm > 0 && asked.stock.length > 0 ? combineToward(exactOhm, asked.stock, { most: 2, keep: 3 }) : [];
  const choice = chooseResistor({
    light: { curve, forwardSpreadV: asked.forwardSpreadV, ratedCurrentA: asked.ratedA },
    feed: { ...supply, seriesOhm, dropV: 0 },
    wantedCurrentA: currentA,
    // Nothing left for a resistor: none is taken, and what is inside has to do.
    overruledOhm: asked.fittedOhm ?? combos[0]?.ohm ?? (exactOhm > 0 ? null : 0),
    hung: { inSeries: count, sideBySide },
    series: asked.series,
  });
  const { resistorOhm } = choice;
  return {
    curve,
    sum,
    exactOhm,
    chosenOhm: resistorOhm,
    headRoomV: choice.headRoomV,
    sourceOhm: seriesOhm,
    likelyA: choice.currentA,
    brightestA: choice.brightestA,
    dimmestA: choice.dimmestA,
    resistorA: choice.currentA * sideBySide,
    worstHeatW: choice.heatW,
    combos,
    spreadA: shared ? sharedCurrents(asked, curve, resistorOhm) : null,
    openA: shared ? sharedCurrents(asked, curve, resistorOhm, true) : null,
    currentWith: (ohm, volts = supply.nominalV) =>
      solveString({ supplyV: volts, resistanceOhm: ohm * sideBySide + seriesOhm, curve, count }),
  };
}
