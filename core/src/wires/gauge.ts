import { defineFormula, diameterMmOfGauge } from '../units/index.ts';

/** Bare diameter of a gauge. @example 24: 0.511 mm */
export const gaugeDiameter = defineFormula({
  name: 'Diameter of a gauge',
  gives: { meaning: 'bare diameter', kind: 'lengthMm' },
  symbols: { n: { meaning: 'gauge number', kind: 'count' } },
  form: '{d} = 0.127 mm · 92^((36 − {n}) / 39)',
  source: 'definition of the American wire gauge (ASTM B258)',
  reckon: ({ n }) => diameterMmOfGauge(n),
});

const COPPER_OHM_M = 1.724e-8;
const COPPER_PER_KELVIN = 0.00393;

/** How much more copper, or the metal of a thread, resists at a temperature than at 20 °C. @example 60 °C: 1.157 */
export const warmCopper = (temperatureC: number): number => 1 + COPPER_PER_KELVIN * (temperatureC - 20);

/** Resistance of one core for one metre. @example 24 gauge: 0.0842 Ω/m at 20 °C */
export function wireOhmPerMetre(gaugeAwg: number, temperatureC = 20): number {
  const diameterM = gaugeDiameter.reckon({ n: gaugeAwg }) / 1000;
  const areaM2 = (Math.PI / 4) * diameterM ** 2;
  return (COPPER_OHM_M / areaM2) * warmCopper(temperatureC);
}

/** What a wire loses: out and back, or one way where its way back is another. @example 1.2 A over 700 mm of 0.0842 Ω/m and back: 0.141 V */
export const wireDrop = defineFormula({
  name: 'Drop of a wire',
  gives: { meaning: 'drop', kind: 'voltageV' },
  symbols: {
    n: { meaning: 'ways: out and back, or one', kind: 'count' },
    I: { meaning: 'current', kind: 'currentA' },
    L: { meaning: 'length one way', kind: 'lengthMm' },
    r: { meaning: 'resistance of one core for a metre', kind: 'resistanceOhm' },
  },
  form: '{U} = {n} · {I} · {L} · {r}',
  source: 'Ohm’s law; the current goes out and comes back',
  reckon: ({ n, I, L, r }) => (n * I * L * r) / 1000,
});

/** Conservative currents for one core bundled with others under cloth, by gauge: well under what the same wire bears in free air. */
const carries: readonly (readonly [gaugeAwg: number, currentA: number])[] = [
  [34, 0.12],
  [32, 0.25],
  [30, 0.45],
  [28, 0.8],
  [26, 1.3],
  [24, 2.1],
  [22, 3.2],
  [20, 5],
  [18, 7.5],
  [16, 11],
  [14, 16],
  [12, 22],
  [10, 30],
];

/** Gauges that wire for small work is sold in, the thinnest first. */
export const soldGauges: readonly number[] = carries.map(([gaugeAwg]) => gaugeAwg);

/** What a core of this gauge carries; a gauge between two rows is taken as the thinner. */
export function wireCarriesA(gaugeAwg: number): number {
  const thinner = [...carries].reverse().find(([gauge]) => gauge >= gaugeAwg);
  return thinner?.[1] ?? 0.1;
}

/** Share of its supply that one run may lose: what a gauge is chosen for, and what is complained of. */
export const dropShare = { chosenFor: 0.03, most: 0.05 } as const;

/** What a run of wire must carry, and how far. */
export interface WireNeed {
  readonly currentA: number;
  readonly lengthMm: number;
  /** Out and back, or one. */
  readonly ways: number;
  readonly mostDropV: number;
  readonly copperC?: number;
}

/** The thinnest of some gauges that carries the current in a bundle and loses no more than it may; undefined where none does. */
export const thinnestGauge = (
  gauges: readonly number[],
  { currentA, lengthMm, ways, mostDropV, copperC = 20 }: WireNeed,
): number | undefined =>
  [...gauges]
    .sort((one, other) => other - one)
    .find(
      (gaugeAwg) =>
        wireCarriesA(gaugeAwg) >= currentA &&
        wireDrop.reckon({ n: ways, I: currentA, L: lengthMm, r: wireOhmPerMetre(gaugeAwg, copperC) }) <= mostDropV,
    );
