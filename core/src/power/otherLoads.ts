import { defineFormula } from '../units/index.ts';

/** Most that a bridge amplifier gives undistorted. @example 5 V into 8 Ω: 1.56 W */
export const bridgePower = defineFormula({
  name: 'Most power of a bridged amplifier',
  gives: { meaning: 'power', kind: 'powerW' },
  symbols: {
    U: { meaning: 'supply', kind: 'voltageV' },
    R: { meaning: 'speaker', kind: 'resistanceOhm' },
  },
  form: '{P} = {U}² / (2 · {R})',
  source: 'a sine that swings the whole supply both ways: the supply is the cap, not the gain',
  reckon: ({ U, R }) => (U * U) / (2 * R),
});

/** Change of gain by another input resistor. @example 10 kΩ instead of 20 kΩ: 6 dB louder */
export const gainChange = defineFormula({
  name: 'Change of gain by the input resistor',
  gives: { meaning: 'change', kind: 'decibelDb' },
  symbols: {
    Ra: { meaning: 'input resistor before', kind: 'resistanceOhm' },
    Rb: { meaning: 'input resistor after', kind: 'resistanceOhm' },
  },
  form: '{G} = 20 · log10({Ra} / {Rb})',
  source: 'gain goes against the input resistor; twice as loud takes about 10 dB, ten times the power',
  reckon: ({ Ra, Rb }) => 20 * Math.log10(Ra / Rb),
});

/** Dip of the supply when a motor starts: its stall current through what lies in front of it. */
export const startDipV = (stallA: number, sourceOhm: number): number => stallA * sourceOhm;
