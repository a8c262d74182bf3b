import { forwardVoltageV, type LedCurve, shiftCurve, solveSideBySide, solveString } from '../circuit/index.ts';
import { defineFormula } from '../units/index.ts';
import { nextStandard, type SeriesName, seriesTolerance, standardNeighbours } from './standardValues.ts';

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
  /** The same from a spent and from a fresh pack, where it hangs on that: of a transistor that is not full on. */
  readonly endsOhm?: { readonly spentOhm: number; readonly freshOhm: number };
  /** Lost in what switches it. */
  readonly dropV: number;
}

/** What hangs on one resistor: strings side by side, each of lights one behind the other. */
export interface Hung {
  /** Lights in each string. */
  readonly inSeries: number;
  /** Strings on the resistor. */
  readonly sideBySide: number;
}

/** One light by itself on its resistor. */
export const aloneOnIt: Hung = { inSeries: 1, sideBySide: 1 };

/**
 * A resistor with what it gives each string that hangs on it: likely, and at the brightest and dimmest corner of all
 * tolerances.
 */
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
  /** Fresh pack, low drop, low resistor; of strings side by side that of the lowest drop among others of the highest. */
  readonly brightestA: number;
  /** Spent pack, high drop, high resistor; of strings side by side that of the highest drop among others of the lowest. */
  readonly dimmestA: number;
  /** Each string in the brightest corner, all of them alike: what many together come to. */
  readonly mostA: number;
  /** Each string in the dimmest corner, all of them alike. */
  readonly leastA: number;
  /** In the resistor, at its most. */
  readonly heatW: number;
  /** The standard values beside it, each with its current. */
  readonly neighbours: readonly { readonly resistorOhm: number; readonly currentA: number }[];
}

/** What a plan takes its resistors from. */
const USUAL_SERIES: SeriesName = 'E12';
/** Head-room below this share of the supply makes the current swing with every small change of the supply. */
export const LEAST_HEAD_ROOM_V = 0.3;

interface Light {
  readonly curve: LedCurve;
  readonly forwardSpreadV: number;
  readonly ratedCurrentA: number;
}

/** What a loop works against where its tolerances meet. */
interface Corner {
  readonly supplyV: number;
  readonly seriesOhm: number;
  /** Of the light's forward voltage. */
  readonly shiftV: number;
  /** Of the resistor: so many times its value. */
  readonly tolerance: number;
}

/** Currents of one string at the corners of all tolerances. */
export type Currents = Pick<ResistorChoice, 'currentA' | 'brightestA' | 'dimmestA' | 'mostA' | 'leastA'>;

function currentsWith(
  resistorOhm: number,
  light: Light,
  feed: Feed,
  { inSeries, sideBySide }: Hung,
  series = USUAL_SERIES,
): Currents {
  const { forwardSpreadV: spreadV } = light;
  const [low, high] = [1 - seriesTolerance[series], 1 + seriesTolerance[series]];
  const likely: Corner = { supplyV: feed.nominalV, seriesOhm: feed.seriesOhm, shiftV: 0, tolerance: 1 };
  const bright: Corner = {
    supplyV: feed.mostV,
    seriesOhm: feed.endsOhm?.freshOhm ?? feed.seriesOhm,
    shiftV: -spreadV,
    tolerance: low,
  };
  const dim: Corner = {
    supplyV: feed.leastV,
    seriesOhm: feed.endsOhm?.spentOhm ?? feed.seriesOhm,
    shiftV: spreadV,
    tolerance: high,
  };
  // Strings that are alike share the resistor as if each had one of so many times the value.
  const alike = ({ supplyV, seriesOhm, shiftV, tolerance }: Corner): number =>
    solveString({
      supplyV,
      curve: shiftCurve(light.curve, shiftV),
      count: inSeries,
      resistanceOhm: resistorOhm * tolerance * sideBySide + seriesOhm,
      switchDropV: feed.dropV,
    });
  const oneAmong = ({ supplyV, seriesOhm, shiftV, tolerance }: Corner): number =>
    solveSideBySide({
      supplyV,
      resistanceOhm: resistorOhm * tolerance + seriesOhm / sideBySide,
      sorts: [
        { curve: shiftCurve(light.curve, shiftV), count: inSeries, strings: 1 },
        { curve: shiftCurve(light.curve, -shiftV), count: inSeries, strings: sideBySide - 1 },
      ],
      switchDropV: feed.dropV,
    })[0] ?? 0;
  const [mostA, leastA] = [alike(bright), alike(dim)];
  return {
    currentA: alike(likely),
    brightestA: sideBySide === 1 ? mostA : oneAmong(bright),
    dimmestA: sideBySide === 1 ? leastA : oneAmong(dim),
    mostA,
    leastA,
  };
}

/** What flows where no resistor is added: the light has one inside, and its curve holds it. */
export const currentsWithout = (light: Light, feed: Feed, hung: Hung): Currents => currentsWith(0, light, feed, hung);

/**
 * Chooses the resistor for what hangs on it: the standard value at or above the exact one, and further up until the
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
  readonly hung: Hung;
  /** Of standard values, and so of their tolerance. */
  readonly series?: SeriesName;
}): ResistorChoice {
  const { light, feed, wantedCurrentA, overruledOhm, hung, series = USUAL_SERIES } = options;
  const forwardV = hung.inSeries * forwardVoltageV(light.curve, wantedCurrentA);
  const dropV = feed.dropV + feed.seriesOhm * wantedCurrentA;
  const exactOhm = seriesResistor.reckon({
    Vs: feed.nominalV,
    Vd: dropV,
    Vf: forwardV,
    I: wantedCurrentA * hung.sideBySide,
  });
  const headRoomV = feed.nominalV - dropV - forwardV;
  let resistorOhm = overruledOhm ?? standardNeighbours(Math.max(1, exactOhm), series).above;
  if (overruledOhm === null) {
    while (currentsWith(resistorOhm, light, feed, hung, series).brightestA > light.ratedCurrentA)
      resistorOhm = nextStandard(resistorOhm, series);
  }
  const currents = currentsWith(resistorOhm, light, feed, hung, series);
  const { below, above } = standardNeighbours(Math.max(0.1, resistorOhm * (overruledOhm === null ? 0.999 : 1)), series);
  const neighbours = [below, above === resistorOhm ? nextStandard(resistorOhm, series) : above].map((ohm) => ({
    resistorOhm: ohm,
    currentA: currentsWith(ohm, light, feed, hung, series).currentA,
  }));
  return {
    exactOhm,
    resistorOhm,
    overruled: overruledOhm !== null,
    headRoomV,
    leastHeadRoomV: headRoomV - (feed.nominalV - feed.leastV),
    ...currents,
    heatW: resistorPower.reckon({ I: currents.mostA * hung.sideBySide, R: resistorOhm }),
    neighbours,
  };
}

/** A resistor that was chosen for one feed, with what flows and what it turns to heat behind another. */
export const asKept = (kept: ResistorChoice, behind: ResistorChoice): ResistorChoice => ({
  ...behind,
  exactOhm: kept.exactOhm,
  overruled: kept.overruled,
  headRoomV: kept.headRoomV,
  leastHeadRoomV: kept.leastHeadRoomV,
});
