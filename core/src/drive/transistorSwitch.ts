import { defineFormula } from '../units/index.ts';
import { standardNeighbours } from './standardValues.ts';

/** What a pin gives into a base. @example 5 V, 0.7 V at the base, 4.3 kΩ: 1 mA */
export const baseCurrent = defineFormula({
  name: 'Base current',
  gives: { meaning: 'current', kind: 'currentA' },
  symbols: {
    Vp: { meaning: 'pin, high', kind: 'voltageV' },
    Vbe: { meaning: 'base to emitter', kind: 'voltageV' },
    Rb: { meaning: 'base resistor', kind: 'resistanceOhm' },
  },
  form: '{Ib} = ({Vp} − {Vbe}) / {Rb}',
  source: 'Ohm’s law on what the junction leaves',
  reckon: ({ Vp, Vbe, Rb }) => (Vp - Vbe) / Rb,
});

/** Base resistors that keep a bipolar switch full on: from what the pin can give to what the forced gain needs. */
export interface BaseDesign {
  /** Below it the pin gives too much. */
  readonly leastOhm: number;
  /** Above it the transistor is not full on. */
  readonly mostOhm: number;
  /** The largest standard value of the band; null where the band is empty. */
  readonly resistorOhm: number | null;
  /** With the resistor that is taken. */
  readonly baseA: number;
  /** Current that this base current keeps full on. */
  readonly goodForA: number;
  /** In the transistor, full on. */
  readonly heatW: number;
}

/**
 * @example 90 mA, 3.3 V, Vbe 0.75 V, a pin of 12 mA: 213 to 283 Ω, so 270 Ω
 */
export function designBase(options: {
  /** The pin, high. */
  readonly pinV: number;
  /** Lost in the junction. */
  readonly baseEmitterV: number;
  readonly pinLimitA: number;
  /** What is switched. */
  readonly loadA: number;
  /** About 10 for a switch, whatever the sheet says of small signals. */
  readonly forcedGain: number;
  /** From collector to emitter, full on. */
  readonly onDropV: number;
}): BaseDesign {
  const { pinV, baseEmitterV, pinLimitA, loadA, forcedGain, onDropV } = options;
  const leastOhm = (pinV - baseEmitterV) / pinLimitA;
  const mostOhm = ((pinV - baseEmitterV) * forcedGain) / loadA;
  const below = mostOhm > 0 ? standardNeighbours(mostOhm).below : 0;
  const resistorOhm = below >= leastOhm * (1 - 1e-9) && below > 0 ? below : null;
  const baseA = baseCurrent.reckon({ Vp: pinV, Vbe: baseEmitterV, Rb: resistorOhm ?? Math.max(leastOhm, 1e-9) });
  return {
    leastOhm,
    mostOhm,
    resistorOhm,
    baseA,
    goodForA: baseA * forcedGain,
    heatW: onDropV * loadA + baseEmitterV * baseA,
  };
}

/** Heat in a field-effect transistor that is full on, hot. @example 2 A in 50 mΩ: 0.3 W */
export const switchHeat = defineFormula({
  name: 'Heat in a field-effect switch',
  gives: { meaning: 'heat', kind: 'powerW' },
  symbols: {
    I: { meaning: 'current', kind: 'currentA' },
    R: { meaning: 'on-resistance at this gate voltage', kind: 'resistanceOhm' },
  },
  form: '{P} = {I}² · {R} · 1.5',
  source: 'Joule’s law; hot, the on-resistance is half as much again',
  reckon: ({ I, R }) => I * I * R * 1.5,
});
