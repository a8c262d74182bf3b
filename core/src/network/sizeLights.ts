import { type LedCurve, shiftCurve, tabulate } from '../circuit/index.ts';
import { asKept, chooseResistor, currentsWithout, type Feed, LEAST_HEAD_ROOM_V } from '../drive/index.ts';
import type { PlacedLeds, RailRange } from '../items/index.ts';
import { curveOfGroup } from '../lights/index.ts';
import { type DieColour, dieOf, type TransistorPart } from '../parts/index.ts';
import {
  aboveChipV,
  type Corners,
  chipRange,
  type Driven,
  drawnFrom,
  type SizingInput,
  workingRange,
} from './driven.ts';
import { isFullOn, type OnOhm, onOhmOf, steadyOhm } from './halfOn.ts';
import { hubOf } from './hub.ts';
import { type Loop, loopCurrentA } from './loop.ts';
import { sizeScan } from './sizeScan.ts';
import type { Sizing } from './sizing.ts';
import { channelsApart, hungOf, isEven, isResistorInside } from './strings.ts';
import type { Switched } from './switching.ts';
import { chooseTransistor, type TransistorSwitch } from './transistors.ts';
import { canSwitch } from './ways.ts';

/** Light i on channel i mod `channels`. @example 7 lights on 3 channels: 3, 2 and 2 */
export function spreadOverChannels(lights: number, channels: number): number[] {
  return Array.from({ length: Math.max(1, Math.min(channels, lights)) }, (_, channel) =>
    Math.ceil(Math.max(0, lights - channel) / Math.min(channels, Math.max(1, lights))),
  );
}

const listOnChannels = ({ places, group }: PlacedLeds, { way }: Switched, die: DieColour | null): number[] =>
  die ? [places.length] : spreadOverChannels(places.length, channelsApart(way, group.channels));

/** The die of a many-coloured light that a channel lights; null for lights of one die. */
const dieOfChannel = ({ part }: PlacedLeds, { channel }: Switched): DieColour | null => part.dice?.[channel] ?? null;

function beginSizing(leds: PlacedLeds, switched: Switched, input: SizingInput): Sizing | null {
  const { group, part } = leds;
  const railId = drawnFrom(switched);
  const rail = input.rangeOf(railId);
  if (!rail || !canSwitch(switched.way, part) || leds.places.length === 0) return null;
  const die = dieOfChannel(leds, switched);
  const { curve, forwardV } = curveOfGroup(die ? dieOf(die) : part, group);
  const lightsOnChannel = listOnChannels(leds, switched, die);
  const known = {
    itemId: leds.id,
    name: die ? `${leds.name}, ${die}` : leds.name,
    die,
    way: switched.way,
    railId,
    board: switched.board,
    channels: die ? [switched.channel] : lightsOnChannel.map((_, i) => i),
    lightsOnChannel,
    forwardV,
    ratedCurrentA: part.ratedCurrentA,
  };
  return { leds, switched, input, rail, curve, known };
}

/** Sizes a group of single lights, or one die of a many-coloured one, in the way that it is switched; null while its supply is not known. */
export function sizeLights(leds: PlacedLeds, switched: Switched, input: SizingInput): Driven | null {
  const sizing = beginSizing(leds, switched, input);
  if (!sizing) return null;
  const { known, curve, rail } = sizing;
  if (switched.way.scans) return sizeScan(sizing);
  if (switched.driver && switched.by) {
    // A driver holds one current, which is never shared out between dice of unlike drops.
    if (known.die) return null;
    const setA = 'setA' in switched.by ? switched.by.setA : null;
    const heldA = (setA ?? switched.driver.setA) / Math.max(1, input.stringsOn(switched.by.id));
    return holdBy(known, heldA, switched.driver.dropOutV, curve, rail);
  }
  // A shorter string on the same resistor would take far more: it is asked about instead.
  return isEven(known.lightsOnChannel, hungOf(leds)) ? sizeLoops(sizing) : null;
}

/** Loops of lights behind a pin, a transistor, or nothing but their supply. */
function sizeLoops(sizing: Sizing): Driven | null {
  const { leds, switched, input, rail, known } = sizing;
  const most = Math.max(0, ...known.lightsOnChannel) / hungOf(leds).inSeries;
  const { board, way } = switched;
  if (way.transistor === null || !board)
    return withFeed(
      sizing,
      {
        ...workingRange(switched, rail),
        // A pin carries all its lights, so each light sees the pin's resistance that many times.
        seriesOhm: way.throughPin === 'not' ? 0 : (board?.part.pinOhm ?? 0) * most,
        dropV: 0,
      },
      null,
    );
  const behind = (each: TransistorPart): Feed => ({ ...rail, seriesOhm: each.onOhm * most, dropV: each.onDropV });
  const chosen = chooseTransistor(
    {
      side: way.transistor,
      wantedA: leds.group.wantedCurrentA * most,
      brightestBehind: (each) => {
        const { channelA, channelBrightestA } = withFeed(sizing, behind(each), null);
        return { channelA, brightestA: channelBrightestA };
      },
    },
    board,
    { chip: chipRange(board, rail, input), rail, aboveV: aboveChipV(switched, board, rail, input) },
    input.library,
    'part' in switched.said ? switched.said.part : null,
  );
  if (!chosen) return null;
  const full = withFeed(sizing, behind(chosen.part), chosen);
  if (isFullOn(chosen)) return full;
  const halfOn = (on: OnOhm): Feed => ({
    ...full.feed,
    seriesOhm: on.likelyOhm * most,
    endsOhm: { spentOhm: on.spentOhm * most, freshOhm: on.freshOhm * most },
  });
  const on = onOhmOf(chosen, (tried) => {
    const { currentA, mostA, leastA } = resistorFor(sizing, halfOn(tried), full.resistor).corners;
    return { spentA: leastA * most, likelyA: currentA * most, freshA: mostA * most };
  });
  return withFeed(sizing, halfOn(on), chosen, full.resistor);
}

/**
 * The resistor of what hangs on it, where it has none inside.
 * @param kept the one that is taken already, whatever it gives behind this feed
 */
function resistorFor(
  { leds, curve, known }: Sizing,
  feed: Feed,
  kept: Driven['resistor'],
): Pick<Driven, 'resistor' | 'corners'> {
  const { group } = leds;
  const { die, forwardV, ratedCurrentA } = known;
  const light = { curve, forwardSpreadV: forwardV.spread, ratedCurrentA };
  const hung = hungOf(leds);
  if (isResistorInside(leds)) return { resistor: null, corners: currentsWithout(light, feed, hung) };
  const resistor = chooseResistor({
    light,
    feed,
    wantedCurrentA: group.wantedCurrentA,
    overruledOhm: kept?.resistorOhm ?? (die ? (group.dieResistorsOhm?.[die] ?? null) : group.resistorOhm),
    hung,
  });
  const taken = kept ? asKept(kept, resistor) : resistor;
  return { resistor: taken, corners: taken };
}

/** What comes of it behind a feed, with the transistor that switches it, and the resistor where one is taken already. */
function withFeed(
  sizing: Sizing,
  feed: Feed,
  transistor: TransistorSwitch | null,
  kept: Driven['resistor'] = null,
): Driven {
  const { leds, switched, input, rail, curve, known } = sizing;
  const hung = hungOf(leds);
  const loopsOnChannel = known.lightsOnChannel.map((lights) => lights / hung.inSeries);
  const most = Math.max(0, ...loopsOnChannel);
  const { resistor, corners } = resistorFor(sizing, feed, kept);
  const loop: Loop = {
    curve,
    inSeries: hung.inSeries,
    // Strings that are alike share it as if each had one of so many times the value.
    ohm: (resistor?.resistorOhm ?? 0) * hung.sideBySide,
    sharedOhm: feed.seriesOhm / Math.max(1, most),
    dropV: feed.dropV,
    heldA: null,
    dropOutV: 0,
  };
  const hub = hubOf(switched, transistor, known.lightsOnChannel.length, input);
  return {
    ...known,
    loopsOnChannel,
    hung,
    resistor,
    corners,
    channelA: corners.currentA * most,
    channelBrightestA: corners.mostA * most,
    totalA: corners.currentA * loopsOnChannel.reduce((sum, each) => sum + each, 0),
    transistor,
    onOhm: {
      spentOhm: (feed.endsOhm?.spentOhm ?? feed.seriesOhm) / Math.max(1, most),
      likelyOhm: loop.sharedOhm,
      freshOhm: (feed.endsOhm?.freshOhm ?? feed.seriesOhm) / Math.max(1, most),
    },
    holdA: hub.takenA(0, rail.nominalV) + hub.boardA(input.rangeOf(switched.board?.railId ?? null)?.nominalV ?? 0),
    tape: null,
    scan: null,
    feed,
    loop,
    ...hub,
    atRail: tabulate((railV) => {
      const volts = hub.hubV(railV);
      const lit = loopsOnChannel.reduce((sum, each) => sum + each * loopCurrentA(loop, each, volts), 0);
      return hub.takenA(lit, railV);
    }),
  };
}

/** Whether a pin itself carries a group of lights: within its limit, with head-room for the resistor. */
export const isPinEnough = (driven: Driven): boolean =>
  driven.board !== null &&
  driven.channelBrightestA <= driven.board.part.pinLimitA &&
  // What has its resistor inside is asked by the voltage that it was made for.
  (driven.resistor ? driven.resistor.headRoomV >= LEAST_HEAD_ROOM_V : driven.corners.currentA > 0);

/** Lights in series on a driver that holds their current. */
function holdBy(known: Sizing['known'], heldA: number, dropOutV: number, curve: LedCurve, rail: RailRange): Driven {
  const inSeries = Math.max(1, ...known.lightsOnChannel);
  const loop: Loop = { curve, inSeries, ohm: 0, sharedOhm: 0, dropV: 0, heldA, dropOutV };
  const at = (volts: number, shiftV: number): number =>
    loopCurrentA({ ...loop, curve: shiftCurve(curve, shiftV) }, 1, volts);
  const ends = {
    brightestA: at(rail.mostV, -known.forwardV.spread),
    dimmestA: at(rail.leastV, known.forwardV.spread),
  };
  const corners: Corners = {
    currentA: at(rail.nominalV, 0),
    ...ends,
    mostA: ends.brightestA,
    leastA: ends.dimmestA,
  };
  const channels = known.lightsOnChannel.length;
  return {
    ...known,
    loopsOnChannel: known.lightsOnChannel.map(() => 1),
    hung: { inSeries, sideBySide: 1 },
    resistor: null,
    corners,
    channelA: corners.currentA,
    channelBrightestA: corners.brightestA,
    totalA: corners.currentA * channels,
    transistor: null,
    onOhm: steadyOhm(0),
    holdA: 0,
    boardA: () => 0,
    tape: null,
    scan: null,
    feed: { ...rail, seriesOhm: 0, dropV: dropOutV },
    loop,
    hubV: (railV) => railV,
    takenA: (litA) => litA,
    atRail: tabulate((railV) => channels * loopCurrentA(loop, 1, railV)),
  };
}
