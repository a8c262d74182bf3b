import { forwardVoltageV, type LedCurve, tabulate } from '../circuit/index.ts';
import { aloneOnIt } from '../drive/index.ts';
import { coloursOfTape, type PlacedPlain, railsOhm } from '../items/index.ts';
import { curveOfPart } from '../lights/index.ts';
import { dieOf, type PlainTapePart } from '../parts/index.ts';
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
import type { Switched } from './switching.ts';
import { chooseTransistor, type TransistorSwitch } from './transistors.ts';

/** The die that stands for a colour of a tape: red drops less than the others. */
const curveOfColour = (colour: string): LedCurve => curveOfPart(dieOf(colour));

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
  const finish = (on: OnOhm, dropV: number, transistor: TransistorSwitch | null): Driven => {
    const loop: Loop = { ...bare, sharedOhm: on.likelyOhm, dropV };
    const unit = (volts: number, sharedOhm = on.likelyOhm): number =>
      loopCurrentA({ ...loop, sharedOhm }, units, volts);
    const hub = hubOf(switched, transistor, 1, input);
    const ends = {
      brightestA: unit(range.mostV, on.freshOhm) * (1 + spread),
      dimmestA: unit(range.leastV, on.spentOhm) * (1 - spread),
    };
    const corners: Corners = {
      currentA: unit(range.nominalV),
      ...ends,
      mostA: ends.brightestA,
      leastA: ends.dimmestA,
    };
    return {
      itemId: tape.id,
      name: part.colours > 1 ? `${tape.name}, ${colour}` : tape.name,
      way: switched.way,
      railId,
      board: switched.board,
      channels: [switched.channel],
      scan: null,
      lightsOnChannel: [units],
      loopsOnChannel: [units],
      hung: aloneOnIt,
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
      onOhm: on,
      holdA: hub.takenA(0, rail.nominalV) + hub.boardA(input.rangeOf(switched.board?.railId ?? null)?.nominalV ?? 0),
      die: null,
      tape: { colour, colours: part.colours, railOhm: railsOhm(part, part.lightsPerJoint) },
      feed: {
        ...range,
        seriesOhm: on.likelyOhm * units,
        endsOhm: { spentOhm: on.spentOhm * units, freshOhm: on.freshOhm * units },
        dropV,
      },
      loop,
      ...hub,
      atRail: tabulate((railV) => hub.takenA(units * unit(hub.hubV(railV)), railV)),
    };
  };
  if (switched.way.transistor === null || !switched.board)
    return finish(steadyOhm(switched.way.throughPin === 'not' ? 0 : (switched.board?.part.pinOhm ?? 0)), 0, null);
  const chosen = chooseTransistor(
    {
      side: switched.way.transistor,
      wantedA: unitA * units,
      brightestBehind: (each) => {
        const { channelA, channelBrightestA } = finish(steadyOhm(each.onOhm), each.onDropV, null);
        return { channelA, brightestA: channelBrightestA };
      },
    },
    switched.board,
    { chip: chipRange(switched.board, rail, input), rail, aboveV: aboveChipV(switched, switched.board, rail, input) },
    input.library,
    'part' in switched.said ? switched.said.part : null,
  );
  if (!chosen) return null;
  const { onOhm, onDropV } = chosen.part;
  const full = finish(steadyOhm(onOhm), onDropV, chosen);
  if (isFullOn(chosen)) return full;
  const on = onOhmOf(chosen, (tried) => {
    const { currentA, mostA, leastA } = finish(tried, onDropV, chosen).corners;
    return { spentA: leastA * units, likelyA: currentA * units, freshA: mostA * units };
  });
  return finish(on, onDropV, chosen);
}
