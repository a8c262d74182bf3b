import type { Assessment } from '../assess.ts';
import type { LedCurve } from '../circuit/index.ts';
import type { PlacedLeds, PlacedPlain } from '../items/index.ts';
import {
  channelsApart,
  commonLeg,
  type Driven,
  dieLeg,
  dieResistor,
  extraFeeds,
  isProgrammed,
  type Loop,
  padsBefore,
  padsOut,
  pieceStarts,
  plusAtHub,
  type Switched,
  stringsOf,
  wireCoreOhm,
} from '../network/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';
import { drawScan } from './scan.ts';
import { curveShare, drawTransistor } from './switches.ts';

/** A channel in one condition. */
interface Channel {
  readonly switched: Switched;
  readonly driven: Driven;
  /** Of the time: currents are told of as their mean over it, voltages as they are while it is lit. */
  readonly share: number;
  readonly isLit: boolean;
}

/** Lights in series are one light of so many times the voltage. */
const curveInSeries = (curve: LedCurve, count: number): LedCurve => ({
  ...curve,
  nVtV: curve.nVtV * count,
  seriesOhm: curve.seriesOhm * count,
});

/** How a channel stands in a condition; null while its currents are not known. */
function channelIn(assessment: Assessment, conditions: Conditions, switched: Switched): Channel | null {
  const { itemId, channel, way } = switched;
  const driven = assessment.driven.find((each) => each.itemId === itemId && each.channels.includes(channel));
  if (!driven) return null;
  const asked = isProgrammed(way) ? conditions.shareOf(itemId) : 1;
  // Of a tape of several colours only the common plus is known: what would feed it from above is told of elsewhere.
  if (driven.tape && driven.tape.colours > 1 && way.plusSide !== 'rail plus') return null;
  return { switched, driven, share: asked > 0 ? asked : 1, isLit: asked > 0 && conditions.isLive(driven.railId) };
}

/** Whatever is switched: single lights, plain tape, and what stands between them and their pins. */
export function drawLights(sketch: Sketch, assessment: Assessment, conditions: Conditions): void {
  for (const group of assessment.placed) {
    if (group.shape === 'pixels') continue;
    for (const switched of assessment.switched.get(group.id) ?? []) {
      const channel = channelIn(assessment, conditions, switched);
      if (channel) drawChannel(sketch, channel, group, assessment);
    }
  }
}

function drawChannel(sketch: Sketch, channel: Channel, group: PlacedLeds | PlacedPlain, assessment: Assessment): void {
  const { driven } = channel;
  if (driven.scan && group.shape === 'lights') {
    drawScan(sketch, channel, group, (runId) => wireCoreOhm(assessment.runs.find((run) => run.id === runId)));
    return;
  }
  drawSwitching(sketch, channel);
  if (group.shape === 'units') {
    drawUnits(sketch, channel, group, assessment.driven.find((each) => each.itemId === group.id) === driven);
    return;
  }
  if (group.part.dice) drawDice(sketch, channel, group);
  else drawSingleLights(sketch, channel, group.group.places, assessment);
  drawWhileDark(sketch, channel, assessment);
}

/** What is left of a rail over lights between it and a pin, in the time in which the pin says dark. */
function drawWhileDark(sketch: Sketch, { switched, driven, share, isLit }: Channel, { rails }: Assessment): void {
  const { itemId, channel, way, board, railId } = switched;
  const loops = driven.loopsOnChannel[driven.channels.indexOf(channel)] ?? 0;
  const darkShare = 1 - share;
  if (way.throughPin !== 'taken' || !board || railId === null || !isLit || loops === 0 || darkShare <= 0) return;
  const id = `channel:${itemId}:${channel + 1}`;
  const { item, port } = plusAtHub(rails, board.item, railId);
  const behind = sketch.at(id, 'light while dark');
  const { curve, inSeries, ohm, sharedOhm } = driven.loop;
  const worth = darkShare * loops;
  sketch.add(
    itemId,
    {
      kind: 'diode',
      name: `${id}: light while dark`,
      anode: sketch.at(item, port),
      cathode: behind,
      curve: curveShare(curveInSeries(curve, inSeries), worth),
    },
    {
      kind: 'resistor',
      name: `${id}: resistor and pin while dark`,
      a: behind,
      b: sketch.at(board.id, 'chip plus'),
      ohm: ohm / worth + sharedOhm / darkShare,
    },
  );
}

/** Single lights of one channel with their resistors; on a driver one behind the other. */
function drawSingleLights(
  sketch: Sketch,
  { switched, driven, share }: Channel,
  places: readonly { readonly id: string }[],
  assessment: Assessment,
): void {
  const { itemId, channel } = switched;
  const channels = channelsApart(switched.way, assessment.switched.get(itemId)?.length ?? 1);
  places.forEach((_, i) => {
    if (i % channels !== channel) return;
    sketch.add(itemId, {
      kind: 'diode',
      name: `${itemId}: light ${i + 1}`,
      anode: sketch.at(itemId, `plus ${i + 1}`),
      cathode: sketch.at(itemId, `minus ${i + 1}`),
      curve: curveShare(driven.loop.curve, share),
    });
  });
  if (!driven.resistor) return;
  for (const { placeId } of stringsOf(places, driven.hung, channel, channels)) {
    const resistor = `resistor:${itemId}:${placeId}`;
    sketch.add(itemId, {
      kind: 'resistor',
      name: resistor,
      a: sketch.at(resistor, 'a'),
      b: sketch.at(resistor, 'b'),
      ohm: driven.resistor.resistorOhm / share,
    });
  }
}

/** One colour of many-coloured lights, each die with its resistor at its own leg. */
function drawDice(sketch: Sketch, { driven, share }: Channel, { id, group, part }: PlacedLeds): void {
  const { die, resistor, loop } = driven;
  if (die === null || resistor === null) return;
  group.places.forEach((place, i) => {
    const [common, own] = [sketch.at(id, commonLeg(id, i).port), sketch.at(id, dieLeg(id, die, i).port)];
    const [anode, cathode] = part.common === 'plus' ? [common, own] : [own, common];
    const name = dieResistor(id, place.id, die);
    sketch.add(
      id,
      { kind: 'diode', name: `${id}: light ${i + 1}, ${die}`, anode, cathode, curve: curveShare(loop.curve, share) },
      {
        kind: 'resistor',
        name,
        a: sketch.at(name, 'a'),
        b: sketch.at(name, 'b'),
        ohm: resistor.resistorOhm / share,
      },
    );
  });
}

/** One colour of a plain tape: unit after unit between its two rails, each its dice in series with their resistor. */
function drawUnits(sketch: Sketch, { switched, driven, share }: Channel, group: PlacedPlain, isFirst: boolean): void {
  const { part } = group;
  const common = part.colours > 1 ? 'common' : 'plus';
  const { itemId } = switched;
  const { colour, railOhm } = driven.tape ?? { colour: 'minus', railOhm: 0 };
  const minus = part.colours > 1 ? colour : 'minus';
  const units = driven.lightsOnChannel[0] ?? 0;
  const { loop } = driven;
  const halfOhm = railOhm / 2;
  const starts = pieceStarts(group.pieces).map((light) => light / part.lightsPerJoint);
  const fed = extraFeeds(group).map(({ light }) => light / part.lightsPerJoint);
  // The first unit of each piece, and one before which the tape is fed, sits right at its pads.
  const at = (side: string, unit: number): string => {
    const isAtPads = starts.includes(unit) || fed.includes(unit);
    return sketch.at(
      itemId,
      isAtPads ? padsBefore(group, side, unit * part.lightsPerJoint) : `${side} of unit ${unit + 1}`,
    );
  };
  /** Where the rail of the unit before ends: at this one, or at the end of the piece before. */
  const endBefore = (side: string, unit: number): string => {
    const piece = starts.indexOf(unit);
    return piece > 0 ? sketch.at(itemId, padsOut(group, side, piece - 1)) : at(side, unit);
  };
  // From the last unit on to its far end, where that is fed.
  for (const side of fed.includes(units) ? [minus, ...(isFirst ? [common] : [])] : [])
    sketch.add(itemId, {
      kind: 'resistor',
      name: `${itemId}: ${side} rail to its end`,
      a: at(side, units - 1),
      b: sketch.at(itemId, padsOut(group, side, group.pieces.length - 1)),
      ohm: halfOhm / share,
    });
  for (let unit = 0; unit < units; unit += 1) {
    const name = `${itemId}: ${colour}, unit ${unit + 1}`;
    const behind = sketch.at(itemId, `${colour} dice of unit ${unit + 1}`);
    sketch.add(
      itemId,
      { kind: 'resistor', name: `${name}, resistor`, a: at(common, unit), b: behind, ohm: loop.ohm / share },
      {
        kind: 'diode',
        name: `${name}, dice`,
        anode: behind,
        cathode: at(minus, unit),
        curve: curveShare(curveInSeries(loop.curve, loop.inSeries), share),
      },
    );
    if (unit === 0 || halfOhm === 0) continue;
    sketch.add(itemId, {
      kind: 'resistor',
      name: `${name}, ${minus} rail`,
      a: at(minus, unit - 1),
      b: endBefore(minus, unit),
      ohm: halfOhm / share,
    });
    // The plus that several colours share is drawn once, by the first of them.
    if (isFirst)
      sketch.add(itemId, {
        kind: 'resistor',
        name: `${name}, ${common} rail`,
        a: at(common, unit - 1),
        b: endBefore(common, unit),
        ohm: halfOhm / share,
      });
  }
}

/** What closes the path of a channel: a pin, a transistor, a gate, a box, a driver. */
function drawSwitching(sketch: Sketch, channel: Channel): void {
  const { switched, driven, share, isLit } = channel;
  const { way, itemId, board, by } = switched;
  const id = `channel:${itemId}:${switched.channel + 1}`;
  const out = sketch.at(id, 'out');
  if (way.throughPin !== 'not' && board) {
    const [chip, minus] = [sketch.at(board.id, 'chip plus'), sketch.at(board.id, 'minus')];
    const isHigh = isLit !== way.isLitLow;
    const ohm = driven.loop.sharedOhm / (isLit ? share : 1);
    sketch.add(itemId, { kind: 'resistor', name: `${id}: pin`, a: out, b: isHigh ? chip : minus, ohm });
    return;
  }
  if (way.transistor !== null) {
    drawTransistor(sketch, { itemId, board, isLit, share, isBelow: way.transistor === 'low' }, driven.transistor, id);
    return;
  }
  if (by && driven.loop.heldA !== null) drawDriver(sketch, driven.loop, by.id, id, isLit ? share : 0);
}

/** A linear driver holds its current as long as it has its drop-out. */
function drawDriver(sketch: Sketch, loop: Loop, driverId: string, id: string, share: number): void {
  const minus = sketch.at(driverId, 'minus');
  sketch.join(sketch.at(driverId, 'out plus'), sketch.at(driverId, 'plus in'));
  sketch.add(driverId, {
    kind: 'falling load',
    name: `${id}: driver`,
    plus: sketch.at(driverId, 'out minus'),
    minus,
    amps: (loop.heldA ?? 0) * share,
    fullAboveV: Math.max(1e-3, loop.dropOutV),
  });
}
