import { forwardVoltageV, type LedCurve, shiftCurve, solveString } from '../circuit/index.ts';
import { defineFormula } from '../units/index.ts';
import { nextStandard, standardNeighbours } from './standardValues.ts';

/** Resistor before a light. @example 5 V, a light of 2 V, nothing in the switch, 15 mA: 200 Ω */
export const seriesResistor = defineFormula({
  name: 'Resistor for a light',
  gives: { meaning: 'resistance', kind: 'resistanceOhm' },
  symbols: {
    Vs: { meaning: 'supply', kind: 'voltageV' },
    Vd: { meaning: 'lost in the switch or the pin', kind: 'voltageV' },
    Vf: { meaning: 'forward voltage at that current', kind: 'voltageV' },
    I: { meaning: 'wanted current', kind: 'currentA' },
  },
  form: '{R} = ({Vs} − {Vd} − {Vf}) / {I}',
  source: 'Kirchhoff’s voltage law round the loop',
  reckon: ({ Vs, Vd, Vf, I }) => (Vs - Vd - Vf) / I,
});

/** Heat in a resistor. @example 20 mA in 150 Ω: 60 mW */
export const resistorPower = defineFormula({
  name: 'Heat in a resistor',
  gives: { meaning: 'heat', kind: 'powerW' },
  symbols: { I: { meaning: 'current', kind: 'currentA' }, R: { meaning: 'resistance', kind: 'resistanceOhm' } },
  form: '{P} = {I}² · {R}',
  source: 'Joule’s law',
  reckon: ({ I, R }) => I * I * R,
});

/** What feeds a light's path: its voltage over the pack's life and what lies in series with the resistor. */
export interface Feed {
  /** From a spent pack. */
  readonly leastV: number;
  /** Half spent. */
  readonly nominalV: number;
  /** From a fresh one. */
  readonly mostV: number;
  /** Series resistance of pin or transistor for one light's current. */
  readonly seriesOhm: number;
  /** Lost in what switches it. */
  readonly dropV: number;
}

/** One light's resistor with what it gives: likely, and at the brightest and dimmest corner of all tolerances. */
export interface ResistorChoice {
  /** To the last digit. */
  readonly exactOhm: number;
  /** The one that is taken. */
  readonly resistorOhm: number;
  /** The maker’s own. */
  readonly overruled: boolean;
  /** What is left for the resistor at the nominal supply, and at the end of the pack's life. */
  readonly headRoomV: number;
  /** Left for the resistor by a spent pack and a light of high drop. */
  readonly leastHeadRoomV: number;
  /** As everything is typical. */
  readonly currentA: number;
  /** Fresh pack, low drop, low resistor. */
  readonly brightestA: number;
  /** Spent pack, high drop, high resistor. */
  readonly dimmestA: number;
  /** In the resistor, at its most. */
  readonly heatW: number;
  /** The standard values beside it, each with its current. */
  readonly neighbours: readonly { readonly resistorOhm: number; readonly currentA: number }[];
}

const RESISTOR_TOLERANCE = 0.05;
/** Head-room below this share of the supply makes the current swing with every small change of the supply. */
export const LEAST_HEAD_ROOM_V = 0.3;

interface Light {
  readonly curve: LedCurve;
  readonly forwardSpreadV: number;
  readonly ratedCurrentA: number;
}

function currentsWith(
  resistorOhm: number,
  light: Light,
  feed: Feed,
): Pick<ResistorChoice, 'currentA' | 'brightestA' | 'dimmestA'> {
  const solve = (supplyV: number, shiftV: number, tolerance: number): number =>
    solveString({
      supplyV,
      curve: shiftCurve(light.curve, shiftV),
      resistanceOhm: resistorOhm * tolerance + feed.seriesOhm,
      switchDropV: feed.dropV,
    });
  return {
    currentA: solve(feed.nominalV, 0, 1),
    brightestA: solve(feed.mostV, -light.forwardSpreadV, 1 - RESISTOR_TOLERANCE),
    dimmestA: solve(feed.leastV, light.forwardSpreadV, 1 + RESISTOR_TOLERANCE),
  };
}

/**
 * Chooses the resistor for one light: the standard value at or above the exact one, and further up until the
 * brightest corner keeps within the light's rating. An overruled value is kept and reckoned as it stands.
 * @example 5.0 V ± 5 %, white check light, 12 mA: exact 165 Ω, 180 Ω gives 11.1 mA (8.69…13.8 mA)
 */
export function chooseResistor(options: {
  readonly light: Light;
  readonly feed: Feed;
  /** Through one light. */
  readonly wantedCurrentA: number;
  /** The maker’s own; null takes the reckoned one. */
  readonly overruledOhm: number | null;
}): ResistorChoice {
  const { light, feed, wantedCurrentA, overruledOhm } = options;
  const forwardV = forwardVoltageV(light.curve, wantedCurrentA);
  const dropV = feed.dropV + feed.seriesOhm * wantedCurrentA;
  const exactOhm = seriesResistor.reckon({ Vs: feed.nominalV, Vd: dropV, Vf: forwardV, I: wantedCurrentA });
  const headRoomV = feed.nominalV - dropV - forwardV;
  let resistorOhm = overruledOhm ?? standardNeighbours(Math.max(1, exactOhm)).above;
  if (overruledOhm === null) {
    while (currentsWith(resistorOhm, light, feed).brightestA > light.ratedCurrentA)
      resistorOhm = nextStandard(resistorOhm);
  }
  const currents = currentsWith(resistorOhm, light, feed);
  const { below, above } = standardNeighbours(resistorOhm * (overruledOhm === null ? 0.999 : 1));
  const neighbours = [below, above === resistorOhm ? nextStandard(resistorOhm) : above].map((ohm) => ({
    resistorOhm: ohm,
    currentA: currentsWith(ohm, light, feed).currentA,
  }));
  return {
    exactOhm,
    resistorOhm,
    overruled: overruledOhm !== null,
    headRoomV,
    leastHeadRoomV: headRoomV - (feed.nominalV - feed.leastV),
    ...currents,
    heatW: resistorPower.reckon({ I: currents.brightestA, R: resistorOhm }),
    neighbours,
  };
}
