import type { Holding } from './branches.ts';
import type { LedCurve } from './ledCurve.ts';
import type { Element } from './netlist.ts';

/** Thermal voltage at 25 °C, k·T/q. */
const THERMAL_V = 0.025693;
/** Past this many thermal volts an exponential goes on as a straight line, so that no step overflows. */
const LINEAR_FROM = 38;

/** A current with its slope. */
interface Point {
  readonly currentA: number;
  readonly slopeS: number;
}

/** `Is·(exp(V/Vt) − 1)`, carried on as a straight line where it would overflow. */
function junction(volts: number, saturationA: number): Point {
  const x = volts / THERMAL_V;
  if (x <= LINEAR_FROM)
    return { currentA: saturationA * Math.expm1(x), slopeS: (saturationA / THERMAL_V) * Math.exp(x) };
  const edge = Math.exp(LINEAR_FROM);
  return {
    currentA: saturationA * (edge * (1 + x - LINEAR_FROM) - 1),
    slopeS: (saturationA / THERMAL_V) * edge,
  };
}

/**
 * Current of a light at a voltage across it, with its slope: the curve `V(I)` solved for I. In `u = ln(I/Is + 1)` the
 * equation `nVt·u + Rs·Is·(eᵘ − 1) = V` is smooth and convex, so Newton's steps from above fall straight to the root.
 */
export function lightAt(curve: LedCurve, volts: number): Point {
  const { nVtV, saturationA, seriesOhm } = curve;
  if (volts <= 0) {
    const slopeS = saturationA / nVtV;
    return { currentA: saturationA * Math.expm1(Math.max(-40, volts / nVtV)), slopeS };
  }
  const ohm = Math.max(seriesOhm, 1e-3);
  let u = Math.min(volts / nVtV, Math.log1p(volts / ohm / saturationA));
  for (let i = 0; i < 60; i += 1) {
    const bulk = ohm * saturationA * Math.exp(u);
    const step = (nVtV * u + bulk - ohm * saturationA - volts) / (nVtV + bulk);
    u -= step;
    if (Math.abs(step) < 1e-15 * Math.max(1, u)) break;
  }
  const currentA = saturationA * Math.expm1(u);
  return { currentA, slopeS: 1 / (nVtV / (currentA + saturationA) + ohm) };
}

/** A device between two or three nodes: the current into each terminal, and how each grows with each node's voltage. */
export interface Stamp {
  /** Nodes, in the order of the currents. */
  readonly terminals: readonly string[];
  /** Into each terminal. */
  readonly currentA: readonly number[];
  /** `slopeS[i][j]`: current into terminal i per volt on terminal j. */
  readonly slopeS: readonly (readonly number[])[];
}

const between = (terminals: readonly [string, string], { currentA, slopeS }: Point): Stamp => ({
  terminals,
  currentA: [currentA, -currentA],
  slopeS: [
    [slopeS, -slopeS],
    [-slopeS, slopeS],
  ],
});

/** Reverse gain of a small transistor (typical of the kind). */
const REVERSE_GAIN = 2;

/** Ebers–Moll, injection form: base current is the two junctions' over their gains, collector their difference. */
function bipolar(element: Extract<Element, { kind: 'npn' | 'pnp' }>, volts: (node: string) => number): Stamp {
  const sign = element.kind === 'npn' ? 1 : -1;
  const [vb, vc, ve] = [volts(element.base), volts(element.collector), volts(element.emitter)];
  const forward = junction(sign * (vb - ve), element.saturationA);
  const reverse = junction(sign * (vb - vc), element.saturationA);
  const [f, r] = [1 / element.gain, 1 / REVERSE_GAIN];
  const base = forward.currentA * f + reverse.currentA * r;
  const collector = forward.currentA - reverse.currentA * (1 + r);
  // Derivatives by the voltages of base, collector and emitter; the sign of a pnp cancels in each.
  const baseSlope = [forward.slopeS * f + reverse.slopeS * r, -reverse.slopeS * r, -forward.slopeS * f];
  const collectorSlope = [forward.slopeS - reverse.slopeS * (1 + r), reverse.slopeS * (1 + r), -forward.slopeS];
  const emitterSlope = baseSlope.map((slope, i) => -slope - (collectorSlope[i] ?? 0));
  return {
    terminals: [element.base, element.collector, element.emitter],
    currentA: [sign * base, sign * collector, -sign * (base + collector)],
    slopeS: [baseSlope, collectorSlope, emitterSlope],
  };
}

/**
 * Square-law field effect: K from the on-resistance at its stated gate voltage, `K = 1/(Ron·(Vgs − Vth))`; drain and
 * source change roles where the voltage is reversed. The body diode is a finding's matter, not the solver's.
 */
function fieldEffect(element: Extract<Element, { kind: 'nmos' | 'pmos' }>, volts: (node: string) => number): Stamp {
  const sign = element.kind === 'nmos' ? 1 : -1;
  const [vg, vd, vs] = [element.gate, element.drain, element.source].map((node) => sign * volts(node)) as [
    number,
    number,
    number,
  ];
  const k = 1 / (element.onOhm * (element.atGateV - element.thresholdV));
  const swapped = vd < vs;
  const [high, low] = swapped ? [vs, vd] : [vd, vs];
  const over = vg - low - element.thresholdV;
  const across = high - low;
  let [current, byGate, byDrain] = [0, 0, 0];
  if (over > 0 && across < over) {
    current = k * (over - across / 2) * across;
    byGate = k * across;
    byDrain = k * (over - across);
  } else if (over > 0) {
    current = (k / 2) * over * over;
    byGate = k * over;
  }
  const drain = swapped ? [-byGate, byGate + byDrain, -byDrain] : [byGate, byDrain, -byGate - byDrain];
  const drainA = sign * (swapped ? -current : current);
  return {
    terminals: [element.gate, element.drain, element.source],
    currentA: [0, drainA, -drainA],
    slopeS: [[0, 0, 0], drain, drain.map((slope) => -slope)],
  };
}

const SWITCH_OHM = 1e-3;
/** What is said to resist nothing resists this. */
export const LEAST_OHM = 1e-6;

/** What an element draws at these node voltages. `powerShare` is the part of a power load that is switched on yet. */
export function stampOf(
  element: Exclude<Element, Holding>,
  volts: (node: string) => number,
  powerShare: number,
): Stamp {
  switch (element.kind) {
    case 'resistor':
    case 'switch': {
      const slopeS =
        element.kind === 'switch' ? (element.closed ? 1 / SWITCH_OHM : 0) : 1 / Math.max(LEAST_OHM, element.ohm);
      return between([element.a, element.b], { currentA: (volts(element.a) - volts(element.b)) * slopeS, slopeS });
    }
    case 'current':
      return between([element.from, element.to], { currentA: element.amps, slopeS: 0 });
    case 'diode':
      return between(
        [element.anode, element.cathode],
        lightAt(element.curve, volts(element.anode) - volts(element.cathode)),
      );
    case 'npn':
    case 'pnp':
      return bipolar(element, volts);
    case 'nmos':
    case 'pmos':
      return fieldEffect(element, volts);
    case 'power load': {
      const across = volts(element.plus) - volts(element.minus);
      const watts = element.watts * powerShare;
      const point =
        across >= element.leastV
          ? { currentA: watts / across, slopeS: -watts / across ** 2 }
          : { currentA: (watts * across) / element.leastV ** 2, slopeS: watts / element.leastV ** 2 };
      return between([element.plus, element.minus], point);
    }
    case 'falling load': {
      const across = volts(element.plus) - volts(element.minus);
      const slopeS = element.amps / Math.max(1e-9, element.fullAboveV);
      const point =
        across >= element.fullAboveV
          ? { currentA: element.amps, slopeS: 0 }
          : { currentA: Math.max(0, across) * slopeS, slopeS: across > 0 ? slopeS : 0 };
      return between([element.plus, element.minus], point);
    }
  }
}
