import { standardNeighbours } from '../drive/index.ts';
import type { RailRange } from '../items/index.ts';
import {
  builtInLibrary,
  findPart,
  helperTransistorId,
  type Library,
  type TransistorPart,
  transistors,
} from '../parts/index.ts';
import { defineFormula } from '../units/index.ts';
import type { Board } from './switching.ts';

/** Resistor before a base that keeps it full on. @example 5 V, 0.7 V, forced gain 10, 100 mA: 430 Ω */
export const baseResistor = defineFormula({
  name: 'Base resistor',
  gives: { meaning: 'resistance', kind: 'resistanceOhm' },
  symbols: {
    Vp: { meaning: 'pin, high', kind: 'voltageV' },
    Vbe: { meaning: 'base to emitter', kind: 'voltageV' },
    g: { meaning: 'forced gain', kind: 'count' },
    Ic: { meaning: 'current switched', kind: 'currentA' },
  },
  form: '{Rb} = ({Vp} − {Vbe}) · {g} / {Ic}',
  source: 'full on needs a tenth of the switched current in the base, whatever the small-signal gain',
  reckon: ({ Vp, Vbe, g, Ic }) => ((Vp - Vbe) * g) / Ic,
});

const FORCED_GAIN = 10;
const GATE_OHM = 220;
/** Holds a gate or base while the controller starts: to minus below, to plus above. */
export const PULL_OHM = 100_000;

/** The same above a row that must let go before the next is lit, where no pin itself pulls it up. */
const QUICK_PULL_OHM = 2200;

/** Before the base of a helper: about a milliampere of any pin. */
export const HELPER_BASE_OHM = 4700;

/** The transistor of a channel, with what stands before it. */
export interface TransistorSwitch {
  readonly part: TransistorPart;
  /** From the pin, or from its helper, to base or gate. */
  readonly gateOhm: number;
  /** What drives its base or gate, over the pack's life. */
  readonly driven: RailRange;
  /** What the pin gives for it, or takes where light is a low pin. */
  readonly pinA: number;
  /** A small transistor between the pin and one above whose rail is more than the chip bears. */
  readonly helper: TransistorPart | null;
  /** What the pin gives that helper. */
  readonly helperA: number;
  /** What holds its base or gate while nothing drives it. */
  readonly pullOhm: number;
  /** What holds it on flows through this, from the pin below, from the rail above; of a gate through its pull. */
  readonly holdOhm: number;
  /** Base to emitter; none at a gate. */
  readonly junctionV: number;
}

/** What is spent to hold a transistor on: out of the chip's supply, and out of the rail of its lights. */
export const holdA = (
  on: TransistorSwitch,
  chipV: number,
  railV: number,
): { readonly chipA: number; readonly railA: number } => {
  const through = (volts: number): number => Math.max(0, volts - on.junctionV) / on.holdOhm;
  return on.part.side === 'low'
    ? { chipA: on.helperA + through(chipV), railA: 0 }
    : { chipA: on.helperA, railA: through(railV) };
};

/** What is left in hand of a transistor's limit over the current that is wanted of it. */
const SWITCH_MARGIN = 1.5;
/** A rail this far above the chip's supply can no longer be switched off by a pin straight. */
const STRAIGHT_ABOVE_V = 0.3;

const helperOf = (library: Library): TransistorPart | null =>
  findPart(library, 'transistor', helperTransistorId) ??
  findPart(builtInLibrary, 'transistor', helperTransistorId) ??
  null;

/** What drives a transistor's gate or base: the pin, or above the rail. */
const drivingOf = (part: TransistorPart, chip: RailRange, rail: RailRange): RailRange =>
  part.side === 'low' ? chip : rail;

/** A transistor with what stands before its gate or base there. */
export function standBefore(
  part: TransistorPart,
  { chip, rail, aboveV }: Between,
  channelA: number,
  library: Library,
  isQuick: boolean,
): TransistorSwitch {
  const isHelped = part.side === 'high' && aboveV > STRAIGHT_ABOVE_V;
  const helper = isHelped ? helperOf(library) : null;
  const helperA = helper ? 0.001 : 0;
  const pullOhm = isQuick && helper ? QUICK_PULL_OHM : PULL_OHM;
  const driven = drivingOf(part, chip, rail);
  if (part.type === 'field-effect')
    return {
      part,
      gateOhm: GATE_OHM,
      driven,
      pinA: helperA,
      helper,
      helperA,
      pullOhm,
      holdOhm: GATE_OHM + pullOhm,
      junctionV: 0,
    };
  const volts = driven.nominalV;
  // Round down: more base current keeps it full on, as long as the pin can give it.
  const gateOhm = standardNeighbours(
    Math.max(1, baseResistor.reckon({ Vp: volts, Vbe: part.gateV, g: FORCED_GAIN, Ic: Math.max(1e-6, channelA) })),
  ).below;
  return {
    part,
    gateOhm,
    driven,
    pinA: helper ? helperA : Math.max(0, (volts - part.gateV) / gateOhm),
    helper,
    helperA,
    pullOhm,
    holdOhm: gateOhm,
    junctionV: part.gateV,
  };
}

/** A channel as far as a transistor is chosen for it: what it asks, and what it comes to behind each. */
interface ChannelAsk {
  readonly side: TransistorPart['side'];
  readonly wantedA: number;
  readonly brightestBehind: (part: TransistorPart) => { readonly channelA: number; readonly brightestA: number };
  /** It must let go within a few microseconds. */
  readonly isQuick?: true;
}

/** What a transistor stands between: the supply of the chip that drives it, and the rail of its lights. */
interface Between {
  readonly chip: RailRange;
  readonly rail: RailRange;
  /** How far the rail may lie above the chip's supply. */
  readonly aboveV: number;
}

/**
 * The first transistor of the catalogue that the pin drives full on with the pack at its lowest and that bears the
 * channel; the strongest where none does, and a finding then says so. Null where none can be driven at all.
 */
export function chooseTransistor(
  ask: ChannelAsk,
  board: Board,
  between: Between,
  library: Library,
  own: string | null,
): TransistorSwitch | null {
  const named = own === null ? undefined : findPart(library, 'transistor', own);
  const able = named
    ? [named]
    : transistors.filter(
        (part) => part.side === ask.side && part.gateV <= drivingOf(part, between.chip, between.rail).leastV + 1e-9,
      );
  let strongest: TransistorSwitch | null = null;
  for (const part of able) {
    const { channelA, brightestA } = ask.brightestBehind(part);
    const stood = standBefore(part, between, Math.max(ask.wantedA, channelA), library, ask.isQuick === true);
    if (Math.max(ask.wantedA * SWITCH_MARGIN, brightestA) <= part.currentLimitA && stood.pinA <= board.part.pinLimitA)
      return stood;
    if (!strongest || strongest.part.currentLimitA < part.currentLimitA) strongest = stood;
  }
  return strongest;
}
