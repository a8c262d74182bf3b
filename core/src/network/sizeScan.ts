import { type LedCurve, shiftCurve, solveString, tabulate } from '../circuit/index.ts';
import {
  aloneOnIt,
  asKept,
  bearsInTurns,
  type Currents,
  chooseResistor,
  currentsWithout,
  type Feed,
  meanOfScan,
  nextStandard,
  SEEN_IN_THE_DARK_A,
  timeScan,
} from '../drive/index.ts';
import { layOutScan, type RailRange, type ScanLayout } from '../items/index.ts';
import { curveOfPart } from '../lights/index.ts';
import { findPart, type LedPart, type ScanDriverPart, type TransistorPart } from '../parts/index.ts';
import { aboveChipV, chipRange, type Driven, type Scan, workingRange } from './driven.ts';
import { isFullOn, type OnOhm, onOhmOf, steadyOhm } from './halfOn.ts';
import { hubOf } from './hub.ts';
import { type Loop, loopCurrentA } from './loop.ts';
import type { Sizing } from './sizing.ts';
import { isResistorInside } from './strings.ts';
import type { Board, Switched } from './switching.ts';
import { chooseTransistor, type TransistorSwitch } from './transistors.ts';

/** Lost in the diode behind each light (typical of a silicon one). */
export const DIODE_V = 0.7;

/** What stands at both ends of a light's path while its turn is on. */
interface Ends {
  /** Shared by all lights of a turn. */
  readonly sharedOhm: OnOhm;
  /** Of each light's own column. */
  readonly ownOhm: OnOhm;
  readonly dropV: number;
}

/** What flows through a dark light of the lowest drop of its kind, with so many volts across it and what stands before it. */
const glowAt = ({ curve, known }: Sizing, acrossV: number, ohm: number): number =>
  acrossV <= 0
    ? 0
    : solveString({ supplyV: acrossV, resistanceOhm: ohm, curve: shiftCurve(curve, -known.forwardV.spread) });

/** What holds its columns or pins, and how its currents follow. */
interface Held extends Pick<Driven, 'resistor' | 'corners' | 'feed' | 'loop' | 'onOhm'> {}

/**
 * A resistor at each column; at each pin that lights share, so that two of them stand in every path.
 * @param kept the one that is taken already, whatever it gives between these ends
 */
function heldByResistors(
  sizing: Sizing,
  range: RailRange,
  ends: Ends,
  layout: ScanLayout,
  kept: Driven['resistor'] = null,
): Held {
  const { curve, known, leds } = sizing;
  const { group } = leds;
  const light = { curve, forwardSpreadV: known.forwardV.spread, ratedCurrentA: bearsInPulses(sizing, layout) };
  const isShared = layout.lines.some(({ kind }) => kind === 'shared pin');
  const feed = (otherOhm: number): Feed => {
    const of = (when: keyof OnOhm): number => ends.sharedOhm[when] * layout.atOnce + ends.ownOhm[when] + otherOhm;
    return {
      ...range,
      seriesOhm: of('likelyOhm'),
      endsOhm: { spentOhm: of('spentOhm'), freshOhm: of('freshOhm') },
      dropV: ends.dropV,
    };
  };
  if (isResistorInside(leds))
    return {
      resistor: null,
      corners: currentsWithout(light, feed(0), aloneOnIt),
      feed: feed(0),
      loop: loopOf(curve, ends),
      onOhm: ends.sharedOhm,
    };
  const choose = (otherOhm: number, overruledOhm: number | null) =>
    chooseResistor({
      light,
      feed: feed(otherOhm),
      wantedCurrentA: group.wantedCurrentA,
      overruledOhm,
      hung: aloneOnIt,
    });
  const half = isShared ? (group.resistorOhm ?? halfOf(choose(0, null).resistorOhm)) : 0;
  const own = choose(half, kept?.resistorOhm ?? (isShared ? half : group.resistorOhm));
  const chosen = kept ? asKept(kept, own) : own;
  // One at a column has every turn, one at a shared pin those of its own lights.
  const ofTime = isShared ? Math.max(...layout.lines.map(({ joins }) => joins.length)) / layout.turns : 1;
  const resistor = { ...chosen, overruled: group.resistorOhm !== null, heatW: chosen.heatW * Math.min(1, ofTime) };
  return {
    resistor,
    corners: resistor,
    feed: feed(half),
    loop: { ...loopOf(curve, ends), ohm: resistor.resistorOhm + half + ends.ownOhm.likelyOhm },
    onOhm: ends.sharedOhm,
  };
}

/** The loop of one light between its ends, before what holds its current. */
const loopOf = (curve: LedCurve, { sharedOhm, ownOhm, dropV }: Ends): Loop => ({
  curve,
  inSeries: 1,
  ohm: ownOhm.likelyOhm,
  sharedOhm: sharedOhm.likelyOhm,
  dropV,
  heldA: null,
  dropOutV: 0,
});

/** The standard value of which two in a row are at least so much. */
const halfOf = (ohm: number): number => nextStandard((ohm / 2) * 0.999);

/** What a light bears while its turn is on: as a pulse, and over time no more than it is rated for. */
const bearsInPulses = ({ leds }: Pick<Sizing, 'leds'>, { turns }: ScanLayout): number =>
  bearsInTurns(leds.part.ratedCurrentA, turns);

function finish(
  sizing: Sizing,
  held: Held,
  scanned: {
    readonly scan: Omit<Scan, 'meanA' | 'ratedA' | 'glowA'>;
    readonly transistor: TransistorSwitch | null;
  },
): Driven {
  const { known, switched, input, rail, leds } = sizing;
  const { transistor } = scanned;
  const { layout, litOfTurn, columnSwitch } = scanned.scan;
  const { corners, loop } = held;
  const row = layout.atOnce;
  const hub = hubOf(
    switched,
    transistor,
    1,
    input,
    columnSwitch && { on: columnSwitch, count: leds.places.length / layout.turns },
  );
  return {
    ...known,
    channels: [0],
    lightsOnChannel: [leds.places.length],
    loopsOnChannel: [row],
    ratedCurrentA: bearsInPulses(sizing, layout),
    hung: aloneOnIt,
    ...held,
    channelA: corners.currentA * row,
    channelBrightestA: corners.mostA * row,
    totalA: corners.currentA * row * litOfTurn,
    transistor,
    holdA:
      litOfTurn *
      (hub.takenA(0, rail.nominalV) + hub.boardA(input.rangeOf(switched.board?.railId ?? null)?.nominalV ?? 0)),
    die: null,
    tape: null,
    scan: {
      ...scanned.scan,
      meanA: meanOfScan.reckon({ Ip: corners.currentA, r: layout.turns, s: litOfTurn }),
      ratedA: leds.part.ratedCurrentA,
      glowA: glowAt(
        sizing,
        scanned.scan.acrossOffV - (scanned.scan.hasDiodes ? DIODE_V : 0),
        loop.heldA === null ? loop.ohm : 1,
      ),
    },
    ...hub,
    boardA: (boardV) => litOfTurn * hub.boardA(boardV),
    atRail: tabulate((railV) => litOfTurn * hub.takenA(row * loopCurrentA(loop, row, hub.hubV(railV)), railV)),
  };
}

/** Lights that take turns on the pins of a board, or between pins that they share. */
function scanByBoard(sizing: Sizing, board: Board, layout: ScanLayout): Driven | null {
  const { switched, rail, leds } = sizing;
  const { way, said } = switched;
  const hasDiodes = leds.group.diodes === true;
  const diodeV = hasDiodes ? DIODE_V : 0;
  const { pinOhm } = board.part;
  const common = {
    layout,
    ...timeScan(board.part, layout.turns),
    driver: null,
    hasDiodes,
  };
  if (way.throughPin === 'given') {
    const ends = { sharedOhm: steadyOhm(pinOhm), ownOhm: steadyOhm(pinOhm), dropV: diodeV };
    // Beside each light that is lit between shared pins lie two others, one behind the other.
    const acrossOffV = way.scans === 'one by one' ? sizing.known.forwardV.likely / 2 : 0;
    return finish(sizing, heldByResistors(sizing, workingRange(switched, rail), ends, layout), {
      scan: { ...common, columnSwitch: null, acrossOffV },
      transistor: null,
    });
  }
  const chosen = chooseEnds(sizing, board, layout, { hasDiodes, said });
  if (!chosen) return null;
  const { rowSwitch, columnSwitch } = chosen;
  const full = heldByResistors(sizing, rail, chosen.ends, layout);
  const isFull = isFullOn(rowSwitch) && (!columnSwitch || isFullOn(columnSwitch));
  return finish(sizing, isFull ? full : heldHalfOn(sizing, chosen, full, layout), {
    scan: { ...common, columnSwitch, acrossOffV: chosen.acrossOffV },
    transistor: rowSwitch,
  });
}

/** What of a grid holds where its pins do not turn its transistors full on: the same resistors, less current. */
function heldHalfOn(
  sizing: Sizing,
  { rowSwitch, columnSwitch, ends }: ChosenEnds,
  full: Held,
  layout: ScanLayout,
): Held {
  const between = (tried: Partial<Ends>): Held =>
    heldByResistors(sizing, sizing.rail, { ...ends, ...tried }, layout, full.resistor);
  const through = ({ corners }: Held, lights: number) => ({
    spentA: corners.leastA * lights,
    likelyA: corners.currentA * lights,
    freshA: corners.mostA * lights,
  });
  const sharedOhm = isFullOn(rowSwitch)
    ? ends.sharedOhm
    : onOhmOf(rowSwitch, (tried) => through(between({ sharedOhm: tried }), layout.atOnce));
  const ownOhm =
    !columnSwitch || isFullOn(columnSwitch)
      ? ends.ownOhm
      : onOhmOf(columnSwitch, (tried) => through(between({ sharedOhm, ownOhm: tried }), 1));
  return between({ sharedOhm, ownOhm });
}

interface ChosenEnds {
  readonly rowSwitch: TransistorSwitch;
  readonly columnSwitch: TransistorSwitch | null;
  readonly ends: Ends;
  readonly acrossOffV: number;
}

/** What switches a row, and what takes a column: a pin where it bears a light and leaves the others dark, else a transistor. */
function chooseEnds(
  sizing: Sizing,
  board: Board,
  layout: ScanLayout,
  { hasDiodes, said }: { readonly hasDiodes: boolean; readonly said: Switched['said'] },
): ChosenEnds | null {
  const { rail, input, leds } = sizing;
  // Over every dark light of a row that is lit: the row is at its rail, a column at rest at the chip's supply.
  const acrossOffV = aboveChipV(sizing.switched, board, rail, input);
  const between = { chip: chipRange(board, rail, input), rail, aboveV: acrossOffV };
  const diodeV = hasDiodes ? DIODE_V : 0;
  const currentsAt = (ends: Ends): Currents =>
    heldByResistors(sizing, rail, { ...ends, dropV: ends.dropV + diodeV }, layout).corners;
  const choose = (
    side: TransistorPart['side'],
    lights: number,
    behind: (part: TransistorPart) => Ends,
    own: string | null,
  ): TransistorSwitch | null =>
    chooseTransistor(
      {
        side,
        wantedA: leds.group.wantedCurrentA * lights,
        brightestBehind: (part) => {
          const { currentA, mostA } = currentsAt(behind(part));
          return { channelA: currentA * lights, brightestA: mostA * lights };
        },
        isQuick: true,
      },
      board,
      between,
      input.library,
      own,
    );
  const { pinOhm, pinLimitA } = board.part;
  const rowPart = said.way === 'scanned grid' ? said.part : null;
  const columnsBy = said.way === 'scanned grid' ? said.columnsBy : null;
  const rowEnds = (part: TransistorPart, ownOhm: number, dropV = 0): Ends => ({
    sharedOhm: steadyOhm(part.onOhm),
    ownOhm: steadyOhm(ownOhm),
    dropV: part.onDropV + dropV,
  });
  const rowSwitch = choose('high', layout.atOnce, (part) => rowEnds(part, pinOhm), rowPart);
  if (!rowSwitch) return null;
  const onPin = rowEnds(rowSwitch.part, pinOhm, diodeV);

  const isPinEnough =
    currentsAt(rowEnds(rowSwitch.part, pinOhm)).mostA <= pinLimitA &&
    glowAt(sizing, acrossOffV - diodeV, 1) < SEEN_IN_THE_DARK_A;
  if (columnsBy === 'pin' || (columnsBy === null && isPinEnough))
    return { rowSwitch, columnSwitch: null, ends: onPin, acrossOffV };
  const columnSwitch = choose('low', 1, (part) => rowEnds(rowSwitch.part, part.onOhm, part.onDropV), null);
  if (!columnSwitch) return null;
  const { onOhm, onDropV } = columnSwitch.part;
  return {
    rowSwitch,
    columnSwitch,
    ends: rowEnds(rowSwitch.part, onOhm, onDropV + diodeV),
    acrossOffV: 0,
  };
}

/** Lights on a part that scans by itself and holds the current of each column. */
function scanByDriver(sizing: Sizing, part: ScanDriverPart, layout: ScanLayout): Driven {
  const { rail, curve, known, leds, switched } = sizing;
  const { by } = switched;
  const own = by && 'idleBelowV' in by ? by : null;
  const heldA = Math.min(part.mostA, own?.setA ?? leds.group.wantedCurrentA);
  const hasDiodes = leds.group.diodes === true;
  const diodeV = hasDiodes ? DIODE_V : 0;
  const dropOutV = part.dropOutV + diodeV;
  const loop: Loop = {
    curve,
    inSeries: 1,
    ohm: part.rowOhm * layout.atOnce,
    sharedOhm: 0,
    dropV: 0,
    heldA,
    dropOutV,
  };
  const at = (volts: number, shiftV: number): number =>
    loopCurrentA({ ...loop, curve: shiftCurve(curve, shiftV) }, 1, volts);
  const [mostA, leastA] = [at(rail.mostV, -known.forwardV.spread), at(rail.leastV, known.forwardV.spread)];
  const acrossOffV = own?.idleBelowV ?? part.idleBelowV;
  return finish(
    sizing,
    {
      resistor: null,
      corners: { currentA: at(rail.nominalV, 0), brightestA: mostA, dimmestA: leastA, mostA, leastA },
      feed: { ...rail, seriesOhm: part.rowOhm * layout.atOnce, dropV: dropOutV },
      loop,
      onOhm: steadyOhm(0),
    },
    {
      scan: {
        layout,
        unitTicks: 0,
        picturesPerS: part.picturesPerS,
        litOfTurn: 1,
        ofChip: 0,
        columnSwitch: null,
        driver: part,
        hasDiodes,
        acrossOffV,
      },
      transistor: null,
    },
  );
}

/** Sizes a group of which the lights take turns; null while what scans it is not known. */
export function sizeScan(sizing: Sizing): Driven | null {
  const { leds, switched, input } = sizing;
  const layout = layOutScan(leds.places.length, switched.said);
  if (!layout) return null;
  const { by, board } = switched;
  if (switched.way.id === 'scan driver') {
    const part = findPart(input.library, 'scan-driver', by && 'part' in by ? by.part : null);
    return part ? scanByDriver(sizing, part, layout) : null;
  }
  return board && scanByBoard(sizing, board, layout);
}

/** What a colour of light does where so much stands over it while it should be dark. */
export interface GlowOfColour {
  readonly name: string;
  /** Of a light as is typical of its kind. */
  readonly currentA: number;
  readonly isSeen: boolean;
}

/**
 * Which colours glow at so many volts: low drops before high ones.
 * @example 1.65 V: amber 0.093 mA, seen in the dark; white nothing
 */
export const glowByColour = (volts: number, parts: readonly LedPart[]): readonly GlowOfColour[] =>
  parts.map((part) => {
    const currentA = volts <= 0 ? 0 : solveString({ supplyV: volts, resistanceOhm: 1, curve: curveOfPart(part) });
    return { name: part.name, currentA, isSeen: currentA >= SEEN_IN_THE_DARK_A && part.invisible !== 'infrared' };
  });
