import { type GateVerdict, judgeGate } from '../../circuit/index.ts';
import { defineFormula } from '../../units/index.ts';

/** Gate voltage of a light gate. @example 4.5 V, 20 µA in 100 kΩ: 2.5 V */
export const gateNode = defineFormula({
  name: 'Gate under a pull-up with a phototransistor to minus',
  gives: { meaning: 'voltage at the gate', kind: 'voltageV' },
  symbols: {
    Vs: { meaning: 'supply', kind: 'voltageV' },
    Ip: { meaning: 'current of the phototransistor', kind: 'currentA' },
    Rp: { meaning: 'pull-up', kind: 'resistanceOhm' },
  },
  form: '{Vg} = max(0.2 V, {Vs} − {Ip} · {Rp})',
  source: 'light pulls the node low, down to the phototransistor’s own saturation of about 0.2 V',
  reckon: ({ Vs, Ip, Rp }) => Math.max(Math.min(0.2, Vs), Vs - Ip * Rp),
});

/** What the gate does at one light level. */
export interface GateAt {
  /** On the sensor. */
  readonly lux: number;
  /** At the gate. */
  readonly gateV: number;
  readonly verdict: GateVerdict;
}

/**
 * The lamp that comes on by itself: full on when it is dark enough, off in light, and the warm half-on region between,
 * as two light levels. It draws the pull-up's current all day in light.
 */
export function designLightGate(options: {
  readonly supplyV: number;
  /** To plus. */
  readonly pullUpOhm: number;
  /** Of the phototransistor. */
  readonly ampsPerLux: number;
  /** Where the transistor begins. */
  readonly thresholdV: number;
  /** Where its on-resistance is promised. */
  readonly fullOnV: number;
}): {
  /** In the dark. */
  readonly fullOnBelowLux: number;
  /** In light. */
  readonly offAboveLux: number;
  /** Drawn in full light. */
  readonly dayA: number;
  /** What it does at any light. */
  at: (lux: number) => GateAt;
} {
  const { supplyV, pullUpOhm, ampsPerLux, thresholdV, fullOnV } = options;
  const luxFor = (gateV: number): number => Math.max(0, (supplyV - gateV) / (pullUpOhm * ampsPerLux));
  return {
    fullOnBelowLux: luxFor(fullOnV),
    offAboveLux: luxFor(thresholdV),
    dayA: supplyV / pullUpOhm,
    at: (lux) => {
      const gateV = gateNode.reckon({ Vs: supplyV, Ip: lux * ampsPerLux, Rp: pullUpOhm });
      return { lux, gateV, verdict: judgeGate(gateV, fullOnV, thresholdV) };
    },
  };
}
