import type { LedCurve } from './ledCurve.ts';

/** A circuit element between named nodes; node `0` is the common minus. Currents are counted into the first node. */
export type Element =
  | { readonly kind: 'resistor'; readonly name: string; readonly a: string; readonly b: string; readonly ohm: number }
  | {
      readonly kind: 'switch';
      readonly name: string;
      readonly a: string;
      readonly b: string;
      readonly closed: boolean;
    }
  | {
      readonly kind: 'voltage';
      readonly name: string;
      readonly plus: string;
      readonly minus: string;
      readonly volts: number;
    }
  /** Drives its current through itself from `from` to `to`. */
  | {
      readonly kind: 'current';
      readonly name: string;
      readonly from: string;
      readonly to: string;
      readonly amps: number;
      /** It is a load: with less than this across it there is no operating point. */
      readonly leastV?: number;
    }
  | {
      readonly kind: 'diode';
      readonly name: string;
      readonly anode: string;
      readonly cathode: string;
      readonly curve: LedCurve;
    }
  | {
      readonly kind: 'npn' | 'pnp';
      readonly name: string;
      readonly base: string;
      readonly collector: string;
      readonly emitter: string;
      /** Small-signal gain, as the data sheet gives it. */
      readonly gain: number;
      readonly saturationA: number;
    }
  | {
      readonly kind: 'nmos' | 'pmos';
      readonly name: string;
      readonly gate: string;
      readonly drain: string;
      readonly source: string;
      readonly thresholdV: number;
      /** On-resistance, and the gate voltage that it is promised at. */
      readonly onOhm: number;
      readonly atGateV: number;
    }
  /** A converter's input: the same power at any voltage down to `leastV`, where it drops out. */
  | {
      readonly kind: 'power load';
      readonly name: string;
      readonly plus: string;
      readonly minus: string;
      readonly watts: number;
      readonly leastV: number;
    }
  /** A converter that keeps its output: takes in the power that this asks, and what it draws by itself. */
  | ConverterElement
  /** A linear regulator: passes its current on, and follows its input down below its drop-out. */
  | {
      readonly kind: 'regulator';
      readonly name: string;
      readonly input: string;
      readonly output: string;
      readonly minus: string;
      readonly volts: number;
      readonly dropOutV: number;
      readonly idleA: number;
    }
  /** A pixel: its full current above `fullAboveV`, in proportion below. */
  | {
      readonly kind: 'falling load';
      readonly name: string;
      readonly plus: string;
      readonly minus: string;
      readonly amps: number;
      readonly fullAboveV: number;
    };

/** A converter as two ports: what it takes at the one follows from what it gives at the other. */
export interface ConverterElement {
  readonly kind: 'converter';
  readonly name: string;
  readonly inPlus: string;
  readonly inMinus: string;
  readonly outPlus: string;
  readonly outMinus: string;
  /** Held at the output. */
  readonly volts: number;
  /** Taken in with nothing at the output. */
  readonly idleA: number;
  /** Below this it drops out: an operating point there is none. */
  readonly leastV: number;
  /** How its efficiency changes with load and input. */
  readonly law: EfficiencyLaw;
}

/** Efficiency of a converter: straight lines over its output current, and a straight line over its input voltage. */
export interface EfficiencyLaw {
  /** Share of the full output current and efficiency, rising; held before the first and past the last. */
  readonly table: readonly (readonly [number, number])[];
  /** Output current at which the stated efficiency holds. */
  readonly fullA: number;
  /** Input voltage at which it holds. */
  readonly statedInputV: number;
  /** What a volt more at the input adds to it. */
  readonly perVolt: number;
  /** Never below, 0 to 1. */
  readonly least: number;
  /** Never above, 0 to 1. */
  readonly most: number;
}

/** A circuit of named nodes; node 0 is the minus that all voltages are counted from. */
export type Netlist = readonly Element[];

/** The nodes that an element touches. */
export function nodesOf(element: Element): readonly string[] {
  switch (element.kind) {
    case 'resistor':
    case 'switch':
      return [element.a, element.b];
    case 'current':
      return [element.from, element.to];
    case 'diode':
      return [element.anode, element.cathode];
    case 'npn':
    case 'pnp':
      return [element.base, element.collector, element.emitter];
    case 'nmos':
    case 'pmos':
      return [element.gate, element.drain, element.source];
    case 'converter':
      return [element.inPlus, element.inMinus, element.outPlus, element.outMinus];
    case 'regulator':
      return [element.input, element.output, element.minus];
    default:
      return [element.plus, element.minus];
  }
}
