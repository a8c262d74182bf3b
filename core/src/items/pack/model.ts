import { chemistries, type Figure, type PackPart } from '../../parts/index.ts';

/** A pack as the night run sees it: one set of numbers, at one temperature, with no doubt left in them. */
export interface PackModel {
  /** Open-circuit voltage of the whole pack, from empty to full, evenly spaced. */
  readonly openCircuitV: readonly number[];
  /** Of all cells in series and full, at this temperature. */
  readonly resistanceOhm: number;
  /** Times that, from empty to full, evenly spaced. */
  readonly resistanceTimes: readonly number[];
  /** At this temperature and age. */
  readonly capacityMah: number;
  /** At which that capacity holds. */
  readonly ratedCurrentA: number;
  /** Peukert’s; 1 loses nothing at higher currents. */
  readonly rateExponent: number;
  /** Of the whole pack. */
  readonly cutOffV: number;
  /** Under load, of the whole pack: its protection lets go below it at once; null where it has none. */
  readonly tripV: number | null;
  /** Share of the charge that it loses in a month by itself. */
  readonly selfDischargeAMonth: number;
}

const ROOM_C = 21;

/** Straight line between room temperature and freezing, carried on below, never past twice the effect. */
function coldShare(ambientC: number): number {
  return Math.min(2, Math.max(0, (ROOM_C - ambientC) / ROOM_C));
}

/** Points of a table over the charge left. */
const POINTS = 41;
const evenly = (at: (charge: number) => number): readonly number[] =>
  Array.from({ length: POINTS }, (_, i) => at(i / (POINTS - 1)));

/** Between evenly spaced values, from empty to full. */
function between(table: readonly number[], charge: number): number {
  const at = Math.min(1, Math.max(0, charge)) * (table.length - 1);
  const index = Math.min(table.length - 2, Math.floor(at));
  const [low, high] = [table[index] ?? 0, table[index + 1] ?? 0];
  return low + (high - low) * (at - index);
}

/** Between a maker's own readings; beyond the first and the last one those hold. */
function betweenReadings(readings: readonly (readonly [charge: number, value: number])[], charge: number): number {
  const above = readings.find(([at]) => at >= charge);
  const below = readings.findLast(([at]) => at <= charge);
  if (!above || !below) return (above ?? below)?.[1] ?? 0;
  const share = above[0] > below[0] ? (charge - below[0]) / (above[0] - below[0]) : 0;
  return below[1] + share * (above[1] - below[1]);
}

/** Resistance grows towards empty, to 1.8 times (typical of the kind). */
const grownBy = (charge: number): number => 1 + 0.8 * (1 - charge) ** 4;
const typicalTimes = evenly(grownBy);

/** A pack's resistance when full, and how it goes on from there. */
function resistanceOf({ resistanceOhm, resistanceOver }: PackPart): {
  readonly fullOhm: number;
  readonly times: readonly number[];
} {
  if (!resistanceOver) return { fullOhm: resistanceOhm.likely, times: typicalTimes };
  const fullOhm = betweenReadings(resistanceOver, 1);
  return { fullOhm, times: evenly((charge) => betweenReadings(resistanceOver, charge) / fullOhm) };
}

/** At which a circuit that is built into a pack lets go; null where none of its chemistry has one that does. */
function builtInTripV({ chemistry, cellsInSeries }: PackPart): number | null {
  const cellV = chemistries[chemistry].builtInTripV;
  return cellV === undefined ? null : cellV * cellsInSeries;
}

/**
 * The model of a pack at a temperature. `deviation` moves capacity and resistance within their spreads: −1 … 1 is
 * the range of about 95 in 100.
 */
export function modelPack(options: {
  readonly part: PackPart;
  readonly capacityMah: Figure;
  readonly ambientC: number;
  /** How far off this one is, in units of each spread; left out is typical. */
  readonly deviation?: { readonly capacity?: number; readonly resistance?: number };
}): PackModel {
  const { part, capacityMah, ambientC, deviation } = options;
  const chemistry = chemistries[part.chemistry];
  const cold = coldShare(ambientC);
  const capacity = capacityMah.likely + (deviation?.capacity ?? 0) * capacityMah.spread;
  const { fullOhm, times } = resistanceOf(part);
  const resistance = fullOhm + (deviation?.resistance ?? 0) * part.resistanceOhm.spread;
  const { restV } = part;
  return {
    openCircuitV: restV
      ? evenly((charge) => betweenReadings(restV, charge))
      : chemistry.openCircuitV.map((cellV) => cellV * part.cellsInSeries),
    resistanceTimes: times,
    resistanceOhm: Math.max(0.001, resistance) * (1 + cold * (chemistry.resistanceAtFreezing - 1)),
    capacityMah: Math.max(1, capacity) * Math.max(0.1, 1 - cold * (1 - chemistry.capacityAtFreezing)),
    ratedCurrentA: part.ratedCurrentA,
    rateExponent: part.rateExponent ?? chemistry.rateExponent,
    cutOffV: part.cutOffV,
    tripV: part.protected ? (part.tripV ?? builtInTripV(part)) : null,
    selfDischargeAMonth: chemistry.selfDischargeAMonth,
  };
}

/** A worn pack: at the end of its life (`wear` 1) it holds four fifths and has twice the resistance (typical of the kind). */
export const agePack = (pack: PackModel, wear: number): PackModel => ({
  ...pack,
  capacityMah: pack.capacityMah * (1 - 0.2 * wear),
  resistanceOhm: pack.resistanceOhm * (1 + wear),
});

/** Open-circuit voltage at a state of charge, 0 (empty) to 1 (full). */
export const openCircuitVoltageV = (pack: PackModel, charge: number): number => between(pack.openCircuitV, charge);

/** Resistance at a state of charge: by the maker's readings, or as it grows towards empty. */
export const packResistanceOhm = (pack: PackModel, charge: number): number =>
  pack.resistanceOhm * between(pack.resistanceTimes, charge);

/**
 * The current that counts against the capacity: more than what flows, above the rated current
 * (t = H·(C/(I·H))^k).
 * @example k 1.15, 4 Ah stated at 0.2 A: at 0.8 A it counts 0.985 A, so 4.06 h
 */
export function countedCurrentA(pack: Pick<PackModel, 'ratedCurrentA' | 'rateExponent'>, currentA: number): number {
  const ratio = currentA / pack.ratedCurrentA;
  return ratio <= 1 ? currentA : currentA * ratio ** (pack.rateExponent - 1);
}
