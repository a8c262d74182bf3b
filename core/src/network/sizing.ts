import { forwardVoltageV, type LedCurve, shiftCurve, solveString, tabulate } from '../circuit/index.ts';
import {
  chooseResistor,
  type Feed,
  LEAST_HEAD_ROOM_V,
  type ResistorChoice,
  standardNeighbours,
} from '../drive/index.ts';
import { curveOfGroup, curveOfPart, type PlacedLeds, type PlacedPlain } from '../lights/index.ts';
import {
  builtInLibrary,
  type Figure,
  findPart,
  type Library,
  type PlainTapePart,
  type TransistorPart,
  transistors,
} from '../parts/index.ts';
import { defineFormula } from '../units/index.ts';
import { chipInputA, chipVoltageV, rangeOfChip } from './chip.ts';
import type { RailRange } from './rails.ts';
import type { Board, Switched } from './switching.ts';
import type { Way } from './ways.ts';

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

/** The transistor of a channel, with what stands before it. */
export interface TransistorSwitch {
  readonly part: TransistorPart;
  /** From the pin, or from its helper, to base or gate. */
  readonly gateOhm: number;
  /** What the pin gives for it, or takes where light is a low pin. */
  readonly pinA: number;
  /** A small transistor between the pin and one above whose rail is more than the chip bears. */
  readonly helper: TransistorPart | null;
  /** What the pin gives that helper. */
  readonly helperA: number;
  /** What holds it on flows through this, from the pin below, from the rail above; of a gate through its pull. */
  readonly holdOhm: number;
  /** Base to emitter; none at a gate. */
  readonly junctionV: number;
}

/** What is spent to hold a transistor on, where its chip and its rail have these voltages. */
const holdA = (on: TransistorSwitch, chipV: number, railV: number): number =>
  on.helperA + Math.max(0, (on.part.side === 'low' ? chipV : railV) - on.junctionV) / on.holdOhm;

/** Currents of one light or one unit of tape at full: likely, and at the two corners of all tolerances. */
export interface Corners {
  readonly currentA: number;
  readonly brightestA: number;
  readonly dimmestA: number;
}

/** What of one item is switched alike, sized: its currents, its resistor, and what stands between it and its pin. */
export interface Driven {
  readonly itemId: string;
  readonly name: string;
  readonly way: Way;
  readonly railId: string | null;
  readonly board: Board | null;
  /** Numbers of its channels, from 0. */
  readonly channels: readonly number[];
  /** Lights, or units of tape between two cut marks, on each of them. */
  readonly lightsOnChannel: readonly number[];
  readonly forwardV: Figure;
  readonly ratedCurrentA: number;
  /** Each light's own; null where a driver holds the current, or the tape has its own. */
  readonly resistor: ResistorChoice | null;
  readonly corners: Corners;
  /** What the fullest channel draws: likely and at the brightest corner. */
  readonly channelA: number;
  readonly channelBrightestA: number;
  /** All channels at full. */
  readonly totalA: number;
  readonly transistor: TransistorSwitch | null;
  /** Spent beside the light to hold its transistors on, all channels at full. */
  readonly holdA: number;
  /** Of a plain tape: this colour of it, and both its rails from one unit to the next. */
  readonly tape: { readonly colour: string; readonly colours: number; readonly railOhm: number } | null;
  /** What the loop of one light works against. */
  readonly feed: Feed;
  /** The loop of one light, for whoever solves it at another voltage. */
  readonly loop: Loop;
  /** Taken from its rail with all its channels at full, and what holds them on, where the rail has this voltage. */
  readonly atRail: (railV: number) => number;
  /** What the hub gives its lights where its rail has this voltage. */
  readonly hubV: (railV: number) => number;
  /** What its rail gives for so much in the lights, with what holds its channels on. */
  readonly takenA: (litA: number, railV: number) => number;
}

/** Lights in series with a resistor. */
export interface Loop {
  readonly curve: LedCurve;
  readonly inSeries: number;
  readonly ohm: number;
  /** In a pin or transistor that all lights of a channel share. */
  readonly sharedOhm: number;
  readonly dropV: number;
  /** The driver that holds its current, and what that needs for itself. */
  readonly heldA: number | null;
  readonly dropOutV: number;
}

/** Current of one loop of a channel with this many lights, from this voltage. */
export function loopCurrentA(loop: Loop, lights: number, volts: number): number {
  if (loop.heldA !== null) {
    const free = solveString({
      supplyV: volts,
      curve: loop.curve,
      count: loop.inSeries,
      resistanceOhm: loop.dropOutV / loop.heldA + loop.ohm,
    });
    return Math.min(loop.heldA, free);
  }
  return solveString({
    supplyV: volts,
    curve: loop.curve,
    count: loop.inSeries,
    resistanceOhm: loop.ohm + loop.sharedOhm * lights,
    switchDropV: loop.dropV,
  });
}

/** What a hub gives its channels, and what its rail gives for it: by way of the chip behind a pin that gives. */
function hubOf(
  switched: Switched,
  transistor: TransistorSwitch | null,
  channels: number,
  input: SizingInput,
): Pick<Driven, 'hubV' | 'takenA'> {
  const { board, way } = switched;
  if (!board) return { hubV: (railV) => railV, takenA: (litA) => litA };
  if (way.throughPin === 'given')
    return {
      hubV: (railV) => chipVoltageV(board.part, railV),
      takenA: (litA, railV) => chipInputA(board.part, litA, railV),
    };
  const isOfRail = board.railId === switched.railId;
  const boardV = input.rangeOf(board.railId)?.nominalV ?? 0;
  const chipV = (railV: number): number => chipVoltageV(board.part, isOfRail ? railV : boardV);
  return {
    hubV: (railV) => railV,
    takenA: (litA, railV) => litA + (transistor ? channels * holdA(transistor, chipV(railV), railV) : 0),
  };
}

/** What is left in hand of a transistor's limit over the current that is wanted of it. */
const SWITCH_MARGIN = 1.5;
/** A rail this far above the chip's supply can no longer be switched off by a pin straight. */
const STRAIGHT_ABOVE_V = 0.3;

const smallNpn = (library: Library): TransistorPart | null =>
  findPart(library, 'transistor', 'transistor-npn-small') ??
  findPart(builtInLibrary, 'transistor', 'transistor-npn-small') ??
  null;

/** The voltage that drives a transistor's gate or base at the lowest pack: the pin's, or above the rail's. */
const drivingV = (part: TransistorPart, chip: RailRange, rail: RailRange): number =>
  part.side === 'low' ? chip.leastV : rail.leastV;

function standBefore(
  part: TransistorPart,
  chip: RailRange,
  rail: RailRange,
  channelA: number,
  library: Library,
): TransistorSwitch {
  const isHelped = part.side === 'high' && rail.mostV > chip.leastV + STRAIGHT_ABOVE_V;
  const helper = isHelped ? smallNpn(library) : null;
  const helperA = helper ? 0.001 : 0;
  if (part.type === 'field-effect')
    return { part, gateOhm: GATE_OHM, pinA: helperA, helper, helperA, holdOhm: GATE_OHM + PULL_OHM, junctionV: 0 };
  const volts = part.side === 'low' ? chip.nominalV : rail.nominalV;
  // Round down: more base current keeps it full on, as long as the pin can give it.
  const gateOhm = standardNeighbours(
    Math.max(1, baseResistor.reckon({ Vp: volts, Vbe: part.gateV, g: FORCED_GAIN, Ic: Math.max(1e-6, channelA) })),
  ).below;
  return {
    part,
    gateOhm,
    pinA: helper ? helperA : Math.max(0, (volts - part.gateV) / gateOhm),
    helper,
    helperA,
    holdOhm: gateOhm,
    junctionV: part.gateV,
  };
}

/** A channel as far as a transistor is chosen for it: what it asks, and what it comes to behind each. */
interface ChannelAsk {
  readonly side: TransistorPart['side'];
  readonly wantedA: number;
  readonly brightestBehind: (part: TransistorPart) => { readonly channelA: number; readonly brightestA: number };
}

/**
 * The first transistor of the catalogue that the pin drives full on with the pack at its lowest and that bears the
 * channel; the strongest where none does, and a finding then says so. Null where none can be driven at all.
 */
function chooseTransistor(
  ask: ChannelAsk,
  board: Board,
  rail: RailRange,
  library: Library,
  own: string | null,
): TransistorSwitch | null {
  const chip = rangeOfChip(board.part, rail);
  const named = own === null ? undefined : findPart(library, 'transistor', own);
  const able = named
    ? [named]
    : transistors.filter((part) => part.side === ask.side && part.gateV <= drivingV(part, chip, rail) + 1e-9);
  let strongest: TransistorSwitch | null = null;
  for (const part of able) {
    const { channelA, brightestA } = ask.brightestBehind(part);
    const stood = standBefore(part, chip, rail, Math.max(ask.wantedA, channelA), library);
    if (Math.max(ask.wantedA * SWITCH_MARGIN, brightestA) <= part.currentLimitA && stood.pinA <= board.part.pinLimitA)
      return stood;
    if (!strongest || strongest.part.currentLimitA < part.currentLimitA) strongest = stood;
  }
  return strongest;
}

/** Light i on channel i mod `channels`. @example 7 lights on 3 channels: 3, 2 and 2 */
export function spreadOverChannels(lights: number, channels: number): number[] {
  return Array.from({ length: Math.max(1, Math.min(channels, lights)) }, (_, channel) =>
    Math.ceil(Math.max(0, lights - channel) / Math.min(channels, Math.max(1, lights))),
  );
}

/** What the sizing of an item may look at. */
export interface SizingInput {
  readonly library: Library;
  readonly rangeOf: (railId: string | null) => RailRange | null;
  /** How many strings of lights share what one driver holds. */
  readonly stringsOn: (driverId: string) => number;
}

/** The range that a loop works against: the chip's behind a pin that gives, else the rail's. */
const workingRange = (switched: Switched, rail: RailRange): RailRange =>
  switched.way.throughPin === 'given' && switched.board ? rangeOfChip(switched.board.part, rail) : rail;

/** The rail that a channel draws from: what feeds the board where the pin gives the current. */
export const drawnFrom = (switched: Switched): string | null =>
  switched.way.throughPin === 'given' ? (switched.board?.railId ?? null) : switched.railId;

/** Sizes a group of single lights in the way that it is switched; null while its supply is not known. */
export function sizeLights(leds: PlacedLeds, switched: Switched, input: SizingInput): Driven | null {
  const { group, part } = leds;
  const railId = drawnFrom(switched);
  const rail = input.rangeOf(railId);
  if (!rail || switched.way.id === 'undecided' || leds.places.length === 0) return null;
  const { curve, forwardV } = curveOfGroup(part, group);
  const lightsOnChannel = spreadOverChannels(leds.places.length, group.channels);
  const most = Math.max(0, ...lightsOnChannel);
  const light = { curve, forwardSpreadV: forwardV.spread, ratedCurrentA: part.ratedCurrentA };
  const common = {
    itemId: leds.id,
    name: leds.name,
    way: switched.way,
    railId,
    board: switched.board,
    channels: lightsOnChannel.map((_, i) => i),
    forwardV,
    ratedCurrentA: part.ratedCurrentA,
  };
  if (switched.driver && switched.by?.kind === 'driver') {
    const heldA = (switched.by.setA ?? switched.driver.setA) / Math.max(1, input.stringsOn(switched.by.id));
    return holdBy({ ...common, lightsOnChannel }, heldA, switched.driver.dropOutV, curve, rail);
  }
  const range = workingRange(switched, rail);
  const finish = (feed: Feed, transistor: (resistor: ResistorChoice) => TransistorSwitch | null): Driven => {
    const resistor = chooseResistor({
      light,
      feed,
      wantedCurrentA: group.wantedCurrentA,
      overruledOhm: group.resistorOhm,
    });
    const loop: Loop = {
      curve,
      inSeries: 1,
      ohm: resistor.resistorOhm,
      sharedOhm: feed.seriesOhm / Math.max(1, most),
      dropV: feed.dropV,
      heldA: null,
      dropOutV: 0,
    };
    const on = transistor(resistor);
    const hub = hubOf(switched, on, lightsOnChannel.length, input);
    return {
      ...common,
      lightsOnChannel,
      resistor,
      corners: resistor,
      channelA: resistor.currentA * most,
      channelBrightestA: resistor.brightestA * most,
      totalA: resistor.currentA * leds.places.length,
      transistor: on,
      holdA: hub.takenA(0, rail.nominalV),
      tape: null,
      feed,
      loop,
      ...hub,
      atRail: tabulate((railV) => {
        const volts = hub.hubV(railV);
        const lit = lightsOnChannel.reduce((sum, lights) => sum + lights * loopCurrentA(loop, lights, volts), 0);
        return hub.takenA(lit, railV);
      }),
    };
  };
  if (switched.way.transistor === null || !switched.board)
    return finish(
      {
        ...range,
        // A pin carries all its lights, so each light sees the pin's resistance that many times.
        seriesOhm: switched.way.throughPin === 'not' ? 0 : (switched.board?.part.pinOhm ?? 0) * most,
        dropV: 0,
      },
      () => null,
    );
  const behind = (each: TransistorPart): Feed => ({ ...rail, seriesOhm: each.onOhm * most, dropV: each.onDropV });
  const chosen = chooseTransistor(
    {
      side: switched.way.transistor,
      wantedA: group.wantedCurrentA * most,
      brightestBehind: (each) => {
        const { channelA, channelBrightestA } = finish(behind(each), () => null);
        return { channelA, brightestA: channelBrightestA };
      },
    },
    switched.board,
    rail,
    input.library,
    'part' in switched.said ? switched.said.part : null,
  );
  return chosen && finish(behind(chosen.part), () => chosen);
}

/** Whether a pin itself carries a group of lights: within its limit, with head-room for the resistor. */
export const isPinEnough = (driven: Driven): boolean =>
  driven.board !== null &&
  driven.channelBrightestA <= driven.board.part.pinLimitA &&
  (driven.resistor?.headRoomV ?? 0) >= LEAST_HEAD_ROOM_V;

/** Lights in series on a driver that holds their current. */
function holdBy(
  common: Pick<
    Driven,
    'itemId' | 'name' | 'way' | 'railId' | 'board' | 'channels' | 'forwardV' | 'ratedCurrentA' | 'lightsOnChannel'
  >,
  heldA: number,
  dropOutV: number,
  curve: LedCurve,
  rail: RailRange,
): Driven {
  const inSeries = Math.max(1, ...common.lightsOnChannel);
  const loop: Loop = { curve, inSeries, ohm: 0, sharedOhm: 0, dropV: 0, heldA, dropOutV };
  const at = (volts: number, shiftV: number): number =>
    loopCurrentA({ ...loop, curve: shiftCurve(curve, shiftV) }, 1, volts);
  const corners: Corners = {
    currentA: at(rail.nominalV, 0),
    brightestA: at(rail.mostV, -common.forwardV.spread),
    dimmestA: at(rail.leastV, common.forwardV.spread),
  };
  const channels = common.lightsOnChannel.length;
  return {
    ...common,
    resistor: null,
    corners,
    channelA: corners.currentA,
    channelBrightestA: corners.brightestA,
    totalA: corners.currentA * channels,
    transistor: null,
    holdA: 0,
    tape: null,
    feed: { ...rail, seriesOhm: 0, dropV: dropOutV },
    loop,
    hubV: (railV) => railV,
    takenA: (litA) => litA,
    atRail: tabulate((railV) => channels * loopCurrentA(loop, 1, railV)),
  };
}

/** The die that stands for each colour of a tape: red drops less than the others. */
const diceOfTape: Readonly<Record<number, readonly string[]>> = {
  1: ['white'],
  3: ['red', 'green', 'blue'],
  4: ['red', 'green', 'blue', 'white'],
};
const curveOfColour = (colour: string): LedCurve => {
  const part = findPart(builtInLibrary, 'led', `led-5mm-${colour}`) ?? findPart(builtInLibrary, 'led', 'led-5mm-white');
  if (!part) throw new Error('The library has no white light to take a tape’s curve from');
  return curveOfPart(part);
};

/** Names of the colours of a plain tape, in the order of its cores. */
export const coloursOfTape = (part: PlainTapePart): readonly string[] => diceOfTape[part.colours] ?? ['white'];

/** One colour of a plain tape, unit by unit: dice in series with the resistor that its stated power asks for. */
function loopOfTape(
  part: PlainTapePart,
  wattsPerMetre: number,
  colour: string,
): { readonly loop: Loop; readonly unitA: number } {
  const curve = curveOfColour(colour);
  const unitA = (wattsPerMetre / part.perMetre / part.colours / part.voltageV) * part.lightsPerJoint;
  // What a unit takes is spread over as many strings of dice as there are lights for.
  const strings = Math.max(1, part.lightsPerJoint / part.diceInSeries);
  const eachA = unitA / strings;
  const dropV = part.diceInSeries * forwardVoltageV(curve, eachA);
  const ohm = Math.max(1, (part.voltageV - dropV) / eachA) / strings;
  const shared: LedCurve = { ...curve, saturationA: curve.saturationA * strings, seriesOhm: curve.seriesOhm / strings };
  return {
    loop: { curve: shared, inSeries: part.diceInSeries, ohm, sharedOhm: 0, dropV: 0, heldA: null, dropOutV: 0 },
    unitA,
  };
}

/** Sizes one colour of a plain tape; null while its supply is not known. */
export function sizeTape(tape: PlacedPlain, switched: Switched, input: SizingInput): Driven | null {
  const { part } = tape;
  const railId = drawnFrom(switched);
  const rail = input.rangeOf(railId);
  if (!rail || switched.way.id === 'undecided' || tape.cut.lights === 0) return null;
  const power = tape.tape.powerPerMetreW ?? {
    likely: part.powerPerMetreW,
    spread: part.powerPerMetreW * 0.1,
    origin: 'typical' as const,
  };
  const units = tape.cut.lights / part.lightsPerJoint;
  const colour = coloursOfTape(part)[switched.channel] ?? 'white';
  const { loop: bare, unitA } = loopOfTape(part, power.likely, colour);
  const spread = power.spread / power.likely;
  const range = workingRange(switched, rail);
  const finish = (onOhm: number, dropV: number, transistor: TransistorSwitch | null): Driven => {
    const loop: Loop = { ...bare, sharedOhm: onOhm, dropV };
    const unit = (volts: number): number => loopCurrentA(loop, units, volts);
    const hub = hubOf(switched, transistor, 1, input);
    const corners: Corners = {
      currentA: unit(range.nominalV),
      brightestA: unit(range.mostV) * (1 + spread),
      dimmestA: unit(range.leastV) * (1 - spread),
    };
    return {
      itemId: tape.id,
      name: part.colours > 1 ? `${tape.name}, ${colour}` : tape.name,
      way: switched.way,
      railId,
      board: switched.board,
      channels: [switched.channel],
      lightsOnChannel: [units],
      forwardV: {
        likely: forwardVoltageV(loop.curve, unitA) * loop.inSeries,
        spread: 0.2 * loop.inSeries,
        origin: 'typical',
      },
      ratedCurrentA: unitA * 1.25,
      resistor: null,
      corners,
      channelA: corners.currentA * units,
      channelBrightestA: corners.brightestA * units,
      totalA: corners.currentA * units,
      transistor,
      holdA: hub.takenA(0, rail.nominalV),
      tape: { colour, colours: part.colours, railOhm: (part.railOhmPerMetre * part.lightsPerJoint) / part.perMetre },
      feed: { ...range, seriesOhm: onOhm * units, dropV },
      loop,
      ...hub,
      atRail: tabulate((railV) => hub.takenA(units * unit(hub.hubV(railV)), railV)),
    };
  };
  if (switched.way.transistor === null || !switched.board)
    return finish(switched.way.throughPin === 'not' ? 0 : (switched.board?.part.pinOhm ?? 0), 0, null);
  const chosen = chooseTransistor(
    {
      side: switched.way.transistor,
      wantedA: unitA * units,
      brightestBehind: (each) => {
        const { channelA, channelBrightestA } = finish(each.onOhm, each.onDropV, null);
        return { channelA, brightestA: channelBrightestA };
      },
    },
    switched.board,
    rail,
    input.library,
    'part' in switched.said ? switched.said.part : null,
  );
  return chosen && finish(chosen.part.onOhm, chosen.part.onDropV, chosen);
}

/** What is left of a rail over a light that hangs between plus and a pin driven to the chip's supply, or let go. */
export function unlitOverPin(
  driven: Driven,
  railV: number,
): { readonly drivenHighA: number; readonly releasedA: number } | null {
  if (driven.way.throughPin !== 'taken' || !driven.board) return null;
  const chipV = chipVoltageV(driven.board.part, railV);
  const at = (highV: number): number => loopCurrentA(driven.loop, 1, Math.max(0, railV - highV));
  // Let go, the pin is held by the chip's clamp a junction above its supply.
  return { drivenHighA: at(chipV), releasedA: at(chipV + CLAMP_V) };
}

/** The clamp of a pin conducts from here above the chip's supply (typical). */
const CLAMP_V = 0.5;
