import { defineFormula } from '../units/index.ts';

/** Leaves a power die as light, at least: the rest warms it. */
export const LIGHT_SHARE = 0.3;

/** Heat of a light. @example 3 V, 0.35 A, 30 % leaves as light: 0.735 W */
export const lightHeat = defineFormula({
  name: 'Heat of a light',
  gives: { meaning: 'heat', kind: 'powerW' },
  symbols: {
    V: { meaning: 'forward voltage', kind: 'voltageV' },
    I: { meaning: 'current', kind: 'currentA' },
    n: { meaning: 'share that leaves as light', kind: 'fraction' },
  },
  form: '{P} = {V} · {I} · (1 − {n})',
  source: 'what does not leave as light stays as heat; the share is 0.25 to 0.4',
  reckon: ({ V, I, n }) => V * I * (1 - n),
});

/** Temperature inside, once it is even. @example 25 °C, 0.735 W, 60 K/W: 69 °C */
export const junctionTemperature = defineFormula({
  name: 'Temperature inside',
  gives: { meaning: 'temperature', kind: 'temperatureC' },
  symbols: {
    Ta: { meaning: 'air around it, inside the piece', kind: 'temperatureC' },
    P: { meaning: 'heat', kind: 'powerW' },
    Rt: { meaning: 'thermal resistances from inside to air, added up', kind: 'thermalKPerW' },
  },
  form: '{T} = {Ta} + {P} · {Rt}',
  source: 'heat flows through resistances as current does',
  reckon: ({ Ta, P, Rt }) => Ta + P * Rt,
});

/** Share of the final rise after a time. @example 60 s of τ 180 s: 28.3 % */
export const heatedShare = (seconds: number, tauS: number): number => 1 - Math.exp(-seconds / tauS);

/** The most current that keeps a temperature, by halving on the light's own curve; `voltageAt` gives its drop. */
export function deratedCurrentA(options: {
  readonly ambientC: number;
  /** Inside. */
  readonly limitC: number;
  /** From inside to the air. */
  readonly thermalKPerW: number;
  /** Leaves as light, 0 to 1. */
  readonly lightShare: number;
  /** Never more than this. */
  readonly mostA: number;
  /** Of the light, by its current. */
  readonly voltageAt: (currentA: number) => number;
}): number {
  const { ambientC, limitC, thermalKPerW, lightShare, mostA, voltageAt } = options;
  const at = (I: number): number =>
    junctionTemperature.reckon({
      Ta: ambientC,
      P: lightHeat.reckon({ V: voltageAt(I), I, n: lightShare }),
      Rt: thermalKPerW,
    });
  if (at(mostA) <= limitC) return mostA;
  let [low, high] = [0, mostA];
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (at(middle) > limitC) high = middle;
    else low = middle;
  }
  return low;
}

/** What skin bears: 43 °C for long contact, 60 °C for a short touch. */
export const touchLimitsC = { long: 43, short: 60 } as const;

/** The warmest air in which cells of most kinds may be charged, and may give anything at all. */
export const cellsBearC = { charging: 45, giving: 60 } as const;

/** Softening of what holds and surrounds; typical, the maker's sheet rules. Within 10 K of it nothing is trusted. */
export const softensAtC: Readonly<Record<string, number>> = {
  'hot-melt glue': 60,
  'printed PLA': 58,
  'printed PETG': 75,
  'printed ABS': 95,
  'foam, polystyrene': 70,
  'foam, EVA': 70,
};

/** Is a temperature too near to where a material softens? @example 55.5 °C against 60 °C: refused */
export const isTooNear = (temperatureC: number, softensC: number, marginK = 10): boolean =>
  temperatureC > softensC - marginK;
