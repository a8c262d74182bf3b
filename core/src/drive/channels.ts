import { curveOfGroup, type PlacedLeds } from '../lights/index.ts';
import { type ControllerPart, type Figure, type TransistorPart, transistors } from '../parts/index.ts';
import { defineFormula } from '../units/index.ts';
import { chooseResistor, type Feed, LEAST_HEAD_ROOM_V, type ResistorChoice } from './resistor.ts';
import { standardNeighbours } from './standardValues.ts';

/** The rail that lights are fed from, over the life of the pack. */
export interface RailRange {
  readonly leastV: number;
  readonly nominalV: number;
  readonly mostV: number;
}

/** A group of single lights with what drives it. All channels of a group are alike but for their number of lights. */
export interface DrivenLeds {
  readonly groupId: string;
  readonly name: string;
  readonly forwardV: Figure;
  readonly ratedCurrentA: number;
  readonly resistor: ResistorChoice;
  readonly lightsOnChannel: readonly number[];
  /** What the fullest channel draws: likely and at the brightest corner. */
  readonly channelA: number;
  readonly channelBrightestA: number;
  /** All lights of the group at full. */
  readonly totalA: number;
  readonly by:
    | { readonly kind: 'pin' }
    | { readonly kind: 'transistor'; readonly part: TransistorPart; readonly gateOhm: number; readonly pinA: number };
  readonly feed: Feed;
}

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

/** Light i hangs on channel i mod `channels`. @example 7 lights on 3 channels: 3, 2 and 2 */
export function spreadOverChannels(lights: number, channels: number): number[] {
  return Array.from({ length: Math.max(1, Math.min(channels, lights)) }, (_, channel) =>
    Math.ceil(Math.max(0, lights - channel) / Math.min(channels, Math.max(1, lights))),
  );
}

/** What is left in hand of a transistor's limit over the current that is wanted of it. */
const SWITCH_MARGIN = 1.5;

/** Transistors that a pin of this controller switches full on, in the order of the catalogue: the most usual first. */
const switchedBy = (controller: ControllerPart): TransistorPart[] =>
  transistors.filter((part) => part.side === 'low' && part.gateV <= controller.logicV);

function switchWith(part: TransistorPart, controller: ControllerPart, channelA: number): DrivenLeds['by'] {
  if (part.type === 'field-effect') return { kind: 'transistor', part, gateOhm: GATE_OHM, pinA: 0 };
  // Round down: more base current keeps it full on, as long as the pin can give it.
  const gateOhm = standardNeighbours(
    baseResistor.reckon({ Vp: controller.logicV, Vbe: part.gateV, g: FORCED_GAIN, Ic: channelA }),
  ).below;
  return { kind: 'transistor', part, gateOhm, pinA: (controller.logicV - part.gateV) / gateOhm };
}

/** Whether the transistor bears the channel, and the pin the transistor. */
const isBorne = ({ by, channelBrightestA }: DrivenLeds, wantedA: number, controller: ControllerPart): boolean =>
  by.kind === 'transistor' &&
  Math.max(wantedA * SWITCH_MARGIN, channelBrightestA) <= by.part.currentLimitA &&
  by.pinA <= controller.pinLimitA;

const feedFromPin = (controller: ControllerPart, lights: number): Feed => ({
  leastV: controller.logicV * 0.95,
  nominalV: controller.logicV,
  mostV: controller.logicV * 1.05,
  // The pin carries all its lights, so each light sees the pin's resistance that many times.
  seriesOhm: controller.pinOhm * lights,
  dropV: 0,
});

const feedFromRail = (rail: RailRange, part: TransistorPart, lights: number): Feed => ({
  ...rail,
  seriesOhm: part.onOhm * lights,
  dropV: part.onDropV,
});

/**
 * Sizes what drives a group: straight from the pin where it carries the fullest channel at its brightest and has
 * head-room, else from the rail through the first transistor that bears it; then each light's own resistor.
 * Where none of the catalogue bears it, through the strongest: a finding then says so.
 */
export function driveLeds(leds: PlacedLeds, controller: ControllerPart, rail: RailRange): DrivenLeds {
  const { group, part } = leds;
  const { curve, forwardV } = curveOfGroup(part, group);
  const lightsOnChannel = spreadOverChannels(leds.places.length, group.channels);
  const most = Math.max(0, ...lightsOnChannel);
  const light = { curve, forwardSpreadV: forwardV.spread, ratedCurrentA: part.ratedCurrentA };
  const choose = (feed: Feed): ResistorChoice =>
    chooseResistor({ light, feed, wantedCurrentA: group.wantedCurrentA, overruledOhm: group.resistorOhm });

  const finish = (feed: Feed, chooseBy: (resistor: ResistorChoice) => DrivenLeds['by']): DrivenLeds => {
    const resistor = choose(feed);
    return {
      groupId: leds.id,
      name: leds.name,
      forwardV,
      ratedCurrentA: part.ratedCurrentA,
      resistor,
      lightsOnChannel,
      channelA: resistor.currentA * most,
      channelBrightestA: resistor.brightestA * most,
      totalA: resistor.currentA * leds.places.length,
      by: chooseBy(resistor),
      feed,
    };
  };
  const direct = finish(feedFromPin(controller, most), () => ({ kind: 'pin' }));
  const pinSuits = direct.channelBrightestA <= controller.pinLimitA && direct.resistor.headRoomV >= LEAST_HEAD_ROOM_V;
  if (group.drivenBy === 'pin' || (group.drivenBy === 'auto' && pinSuits)) return direct;
  const wantedA = group.wantedCurrentA * most;
  let strongest = direct;
  for (const part of switchedBy(controller)) {
    const switched = finish(feedFromRail(rail, part, most), (resistor) =>
      switchWith(part, controller, Math.max(wantedA, resistor.currentA * most)),
    );
    if (isBorne(switched, wantedA, controller)) return switched;
    if (strongest.by.kind === 'pin' || strongest.by.part.currentLimitA < part.currentLimitA) strongest = switched;
  }
  return strongest;
}
