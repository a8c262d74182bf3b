import { defineFormula } from '../units/index.ts';

export const senseCode = defineFormula({
  name: 'Code for a pack voltage behind a divider',
  gives: { meaning: 'code', kind: 'count' },
  symbols: {
    U: { meaning: 'pack', kind: 'voltageV' },
    R1: { meaning: 'resistor to the pack', kind: 'resistanceOhm' },
    R2: { meaning: 'resistor to minus', kind: 'resistanceOhm' },
    Vr: { meaning: 'reference', kind: 'voltageV' },
    top: { meaning: 'codes of the converter', kind: 'count' },
  },
  form: '{code} = floor({U} · {R2} / ({R1} + {R2}) / {Vr} · {top})',
  source: 'voltage divider against a fixed reference',
  reckon: ({ U, R1, R2, Vr, top }) => Math.min(top - 1, Math.floor(((U * R2) / (R1 + R2) / Vr) * top)),
});

/** Low-pass of a sag: how far a filter of time constant τ follows a dip of this depth and length. */
export const filteredDip = (fromV: number, dipV: number, dipS: number, tauS: number): number =>
  fromV - dipV * (1 - Math.exp(-dipS / tauS));
