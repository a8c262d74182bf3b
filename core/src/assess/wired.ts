import { currentOfLead, type LeadFeed, type Tap, type TappedLead, tabulate } from '../circuit/index.ts';
import type { LightItem, PlacedGroup, PlacedLeds, PlacedPlain, PlacedTape, ScanLine } from '../items/index.ts';
import {
  channelsApart,
  type Driven,
  extraFeeds,
  isProgrammed,
  type Loop,
  loopCurrentA,
  pieceRunId,
  pieceStarts,
  type Scan,
  scanRunId,
  stringsOf,
  type WireRun,
  wireCoreOhm,
} from '../network/index.ts';
import { type Consumer, type Follows, followAlone } from './consumers.ts';
import { lawOfChain } from './tapeVoltage.ts';

/** What the wires of lights are known by. */
interface WiredInput {
  readonly placed: readonly PlacedGroup[];
  readonly driven: readonly Driven[];
  readonly chains: readonly (readonly PlacedTape[])[];
  readonly runs: readonly WireRun[];
  /** Of a rail, half spent; 0 where that is not known. */
  readonly nominalV: (railId: string | null) => number;
}

/**
 * The consumers again, each with what its own wires and rails lose on the way from where it is fed: what it draws at any
 * voltage of its rail, and so at full and lit without a program.
 */
export function wireConsumers(consumers: readonly Consumer[], input: WiredInput): Consumer[] {
  const runOf = new Map(input.runs.map((run) => [run.id, run]));
  const groups = new Map(input.placed.map((group) => [group.id, group]));
  const lines = followChains(consumers, input);
  return consumers.map((consumer) => {
    const group = groups.get(consumer.id);
    if (!group) return consumer;
    // Pixels are reckoned by what they ask; how they fade follows from their rail.
    if (group.shape === 'pixels') return { ...consumer, follows: lines.get(consumer.id) ?? null };
    const atRail = currentAtRail(group, input, runOf);
    if (!atRail) return consumer;
    // What is kept while a pin says dark is there already: lit, it is part of what flows.
    const aboveRest = (railV: number): number => Math.max(0, atRail(railV) - consumer.restA);
    return scaleTo({ ...consumer, follows: followAlone(aboveRest) }, aboveRest(input.nominalV(consumer.railId)));
  });
}

/** Tapes of one line lose their voltage together: one law for all of them. */
function followChains(consumers: readonly Consumer[], { chains, runs }: WiredInput): ReadonlyMap<string, Follows> {
  const byId = new Map(consumers.map((consumer) => [consumer.id, consumer]));
  return new Map(
    chains.flatMap((chain) => {
      if (chain.every(({ cut }) => cut.lights === 0)) return [];
      const law = lawOfChain({ chain, runs, consumers: byId });
      return chain.map(({ id }, slot): [string, Follows] => [id, { law, slot, slots: chain.length }]);
    }),
  );
}

/** All its lights at full, whatever lights them, come to so much from their rail. */
function scaleTo(consumer: Consumer, litA: number): Consumer {
  const boardA = consumer.byBoard?.fullA ?? 0;
  const whole = consumer.fullA + consumer.steadyA - boardA;
  const scale = whole <= 0 ? 1 : litA / whole;
  return {
    ...consumer,
    fullA: (consumer.fullA - boardA) * scale + boardA,
    steadyA: consumer.steadyA * scale,
    steadyPeakA: consumer.steadyPeakA * scale,
  };
}

function currentAtRail(
  group: PlacedLeds | PlacedPlain,
  input: WiredInput,
  runOf: RunOf,
): ((railV: number) => number) | null {
  const driven = input.driven.filter((each) => each.itemId === group.id);
  const [only] = driven;
  if (only?.scan) return currentOfTurns(only, only.scan, runOf);
  const held = group.shape === 'lights' ? currentOfString(group, driven, runOf) : null;
  if (held) return held;
  const lead = group.shape === 'lights' ? leadOfLights(group, driven, runOf) : leadOfPlain(group, driven, runOf);
  const [first, ...others] = driven;
  if (!lead || !first) return null;
  const lit = currentOfLead(lead);
  return (railV) =>
    first.takenA(lit(first.hubV(railV)), railV) + others.reduce((sum, each) => sum + each.takenA(0, railV), 0);
}

/** Wires by their run. */
export type RunOf = ReadonlyMap<string, WireRun>;

/** Lights that take turns: each row with the wires of its own, or each pair of shared pins, and the mean of all turns. */
function currentOfTurns(driven: Driven, scan: Scan, runOf: RunOf): (railV: number) => number {
  const { itemId, loop, takenA, hubV } = driven;
  const { layout, litOfTurn } = scan;
  const ohmOf = (line: ScanLine): number => wireCoreOhm(runOf.get(scanRunId(itemId, line)));
  const lineAt = (light: number, side: 'plus' | 'minus'): number => {
    const line = layout.lines.find(({ joins }) => joins.some((join) => join.light === light && join.side === side));
    return line ? ohmOf(line) : 0;
  };
  const rows = layout.lines.filter(({ kind }) => kind === 'row');
  const lights = Array.from({ length: layout.turns }, (_, light) => light);
  const turns =
    rows.length > 0
      ? rows.map((row) =>
          turnOf(
            loop,
            ohmOf(row),
            row.joins.map(({ light }) => lineAt(light, 'minus')),
          ),
        )
      : lights.map((light) => turnOf(loop, lineAt(light, 'plus'), [lineAt(light, 'minus')]));
  return (railV) => {
    const lit = turns.reduce((sum, turn) => sum + turn(hubV(railV)), 0) / turns.length;
    return litOfTurn * takenA(lit, railV);
  };
}

/** What the lights of one turn draw together, each behind wires of its own and all behind one. */
function turnOf(loop: Loop, sharedOhm: number, ownOhm: readonly number[]): (volts: number) => number {
  if (loop.heldA !== null)
    return tabulate((volts) =>
      ownOhm.reduce(
        (sum, ohm) => sum + loopCurrentA({ ...loop, ohm: loop.ohm + ohm + sharedOhm * ownOhm.length }, 1, volts),
        0,
      ),
    );
  return currentOfLead({
    taps: ownOhm.map((ohm): Tap => ({ place: 0, channel: 0, ownOhm: ohm })),
    stepOhm: [0],
    sharedOhm: 0,
    channels: [
      {
        curve: loop.curve,
        inSeries: loop.inSeries,
        ohm: loop.ohm,
        hubOhm: loop.sharedOhm + sharedOhm,
        hubDropV: loop.dropV,
      },
    ],
  });
}

const channelsOf = (driven: readonly Driven[]): TappedLead['channels'] =>
  driven.map(({ loop }) => ({
    curve: loop.curve,
    inSeries: loop.inSeries,
    ohm: loop.ohm,
    hubOhm: loop.sharedOhm,
    hubDropV: loop.dropV,
  }));

/** Lights one behind the other on a driver: their wires count only where it drops out. Null where none holds them. */
function currentOfString(
  { group }: PlacedLeds,
  driven: readonly Driven[],
  runOf: RunOf,
): ((railV: number) => number) | null {
  const [only] = driven;
  if (!only || only.loop.heldA === null) return null;
  const entering = group.places.map((place) => runOf.get(`light:${group.id}:${place.id}`));
  const back = only.channels.map((channel) => runOf.get(`back:${group.id}:${channel + 1}`));
  const wires = [...entering, ...back].reduce((sum, run) => sum + (run?.joins.length ?? 0) * wireCoreOhm(run), 0);
  const strings = only.channels.length;
  const loop = { ...only.loop, ohm: only.loop.ohm + wires / strings };
  return tabulate((railV) => strings * loopCurrentA(loop, 1, railV));
}

/** Single lights: one lead that passes them in turn, or a pair each; null on a driver, which holds their current. */
function leadOfLights({ group }: PlacedLeds, driven: readonly Driven[], runOf: RunOf): TappedLead | null {
  const [only] = driven;
  if (!only || only.loop.heldA !== null) return null;
  if (only.die !== null) return leadOfDice(group, driven, runOf);
  const channels = channelsApart(only.way, only.lightsOnChannel.length);
  if (only.hung.inSeries > 1 || only.hung.sideBySide > 1)
    return {
      taps: Array.from({ length: channels }, (_, channel) =>
        stringsOf(group.places, only.hung, channel, channels).flatMap(({ strings }) =>
          wiresOfStrings(group, strings, runOf).map((ownOhm): Tap => ({ place: 0, channel, ownOhm })),
        ),
      ).flat(),
      stepOhm: [0],
      sharedOhm: 0,
      channels: Array.from({ length: channels }, () => channelsOf(driven)).flat(),
    };
  const runs = group.places.map((place) => runOf.get(`light:${group.id}:${place.id}`));
  const isBus = runs[1]?.from.itemId === group.id;
  return {
    taps: runs.map(
      (run, i): Tap => ({
        place: isBus ? i : 0,
        channel: i % channels,
        ownOhm: isBus ? 0 : 2 * wireCoreOhm(run),
      }),
    ),
    stepOhm: isBus ? runs.map(wireCoreOhm) : [0],
    sharedOhm: 0,
    channels: Array.from({ length: channels }, () => channelsOf(driven)).flat(),
  };
}

/** Many-coloured lights: a die of each colour at every place of the lead, or at the end of wires of its own. */
function leadOfDice(group: LightItem, driven: readonly Driven[], runOf: RunOf): TappedLead {
  const runs = group.places.map((place) => runOf.get(`light:${group.id}:${place.id}`));
  const isBus = runs[1]?.from.itemId === group.id;
  const isApart = driven.every((each) => isProgrammed(each.way));
  // Colours that nothing switches apart go by the same two cores, which so carry them all.
  const times = isApart ? 1 : driven.length;
  return {
    taps: driven.flatMap((_, channel) =>
      runs.map(
        (run, i): Tap => ({ place: isBus ? i : 0, channel, ownOhm: isBus ? 0 : (1 + times) * wireCoreOhm(run) }),
      ),
    ),
    stepOhm: isBus ? runs.map((run) => wireCoreOhm(run) * times) : [0],
    sharedOhm: 0,
    channels: channelsOf(driven),
  };
}

/**
 * What the wires of each string on one resistor come to, out, through and back. Where a lead passes several in turn, each
 * stretch of it carries all that lie beyond: it counts that many times.
 */
function wiresOfStrings(
  { id, places }: LightItem,
  strings: readonly (readonly number[])[],
  runOf: RunOf,
): readonly number[] {
  const enteringOhm = (light: number): number => {
    const run = runOf.get(`light:${id}:${places[light]?.id ?? ''}`);
    return (run?.joins.length ?? 0) * wireCoreOhm(run);
  };
  let passedOhm = 0;
  return strings.map((lights, k) => {
    const [head = 0] = lights;
    const run = runOf.get(`light:${id}:${places[head]?.id ?? ''}`);
    const isPassed = run?.from.itemId === id || (k === 0 && strings.length > 1 && isLedOn(places, strings, id, runOf));
    const ownOhm = enteringOhm(head) * (isPassed ? strings.length - k : 1);
    if (isPassed) passedOhm += ownOhm;
    const within = lights.slice(1).reduce((sum, light) => sum + enteringOhm(light), 0);
    const backOhm = wireCoreOhm(runOf.get(`back:${id}:${places[head]?.id ?? ''}`));
    return (isPassed ? passedOhm : ownOhm) + within + backOhm;
  });
}

/** Whether the second string is led on from the first. */
function isLedOn(
  places: LightItem['places'],
  strings: readonly (readonly number[])[],
  id: string,
  runOf: RunOf,
): boolean {
  const second = places[strings[1]?.[0] ?? 0];
  return runOf.get(`light:${id}:${second?.id ?? ''}`)?.from.itemId === id;
}

/** Plain tape: a unit of each colour at every step, behind the lead that feeds it. */
export function leadOfPlain(group: PlacedPlain, driven: readonly Driven[], runOf: RunOf): TappedLead | null {
  const { id, part, pieces, cut } = group;
  const [first] = driven;
  if (!first?.tape) return null;
  const units = first.lightsOnChannel[0] ?? 0;
  const { railOhm } = first.tape;
  const lead = runOf.get(`feed:${id}`);
  const leadOhm = wireCoreOhm(lead);
  // Colours that are not switched apart share the minus core of their lead too.
  const isApart = isProgrammed(first.way) || (lead?.cores.length ?? 0) > 2;
  const jumperOhm = new Map(
    pieceStarts(pieces).map((light, piece) => [
      light / part.lightsPerJoint,
      wireCoreOhm(runOf.get(pieceRunId(id, piece - 1))),
    ]),
  );
  const extra = extraFeeds(group);
  // Its far end lies one more stretch of copper on.
  const places = units + (extra.some(({ light }) => light === cut.lights) ? 1 : 0);
  const isBridged = !isApart && driven.length > 1;
  const feedAt = (place: number, ohm: number): LeadFeed => ({ place, ohm, isBridged });
  return {
    taps: driven.flatMap((_, channel) =>
      Array.from({ length: units }, (_unit, place) => ({ place, channel, ownOhm: 0 })),
    ),
    stepOhm: Array.from({ length: places }, (_, i) =>
      i === 0 ? (isApart ? leadOhm : 0) : railOhm / 2 + (jumperOhm.get(i) ?? 0),
    ),
    sharedOhm: isApart ? 0 : 2 * leadOhm,
    ...(extra.length > 0 && {
      feeds: [
        feedAt(0, leadOhm),
        ...extra.map(({ light, runId }) => feedAt(light / part.lightsPerJoint, wireCoreOhm(runOf.get(runId)))),
      ],
    }),
    channels: channelsOf(driven),
  };
}
