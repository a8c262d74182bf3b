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

/** What is taken where no transistor of the catalogue suits: a finding then says so. */
const strongest = transistors.find((part) => part.id === 'transistor-fet-logic');

function chooseTransistor(channelA: number, controller: ControllerPart): DrivenLeds['by'] {
  const able = transistors.find(
    (part) => part.side === 'low' && channelA * 1.5 <= part.currentLimitA && part.gateV <= controller.logicV,
  );
  const part = able ?? strongest;
  if (!part) return { kind: 'pin' };
  if (part.type === 'field-effect') return { kind: 'transistor', part, gateOhm: GATE_OHM, pinA: 0 };
  // Round down: more base current keeps it full on, as long as the pin can give it.
  const gateOhm = standardNeighbours(
    baseResistor.reckon({ Vp: controller.logicV, Vbe: part.gateV, g: FORCED_GAIN, Ic: channelA }),
  ).below;
  return { kind: 'transistor', part, gateOhm, pinA: (controller.logicV - part.gateV) / gateOhm };
}

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
 * head-room, else through a transistor from the rail; then each light's own resistor.
 */
export function driveLeds(leds: PlacedLeds, controller: ControllerPart, rail: RailRange): DrivenLeds {
  const { group, part } = leds;
  const { curve, forwardV } = curveOfGroup(part, group);
  const lightsOnChannel = spreadOverChannels(leds.places.length, group.channels);
  const most = Math.max(0, ...lightsOnChannel);
  const light = { curve, forwardSpreadV: forwardV.spread, ratedCurrentA: part.ratedCurrentA };
  const choose = (feed: Feed): ResistorChoice =>
    chooseResistor({ light, feed, wantedCurrentA: group.wantedCurrentA, overruledOhm: group.resistorOhm });

  const finish = (by: DrivenLeds['by'], feed: Feed): DrivenLeds => {
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
      by,
      feed,
    };
  };
  const direct = finish({ kind: 'pin' }, feedFromPin(controller, most));
  const pinSuits = direct.channelBrightestA <= controller.pinLimitA && direct.resistor.headRoomV >= LEAST_HEAD_ROOM_V;
  if (group.drivenBy === 'pin' || (group.drivenBy === 'auto' && pinSuits)) return direct;
  const by = chooseTransistor(group.wantedCurrentA * most, controller);
  return by.kind === 'transistor' ? finish(by, feedFromRail(rail, by.part, most)) : direct;
}
