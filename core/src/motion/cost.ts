import { isAlike, moveBytes, moveOf } from '../moves/index.ts';
import { isByRail, limitsOfSupply, type ShowLimit } from './limit.ts';
import { diceOf, type Show, type ShowLayer, type ShowMood } from './show.ts';
import { type EnginePart, type Uses, usesOf } from './uses.ts';

/**
 * Cycles of an eight-bit controller for one pixel of a move whose lights are all alike, as the moves say them of the others:
 * measured on the exported program, run instruction by instruction in a chip simulator (firmware/test/chip.test.ts holds
 * the model to it).
 */
const ALIKE_CYCLES = 195;

/** Every byte of a frame is cleared, dimmed and counted, whatever moves. */
const CYCLES_A_BYTE = 60;
const CYCLES_A_FRAME = 700;
const CYCLES_A_LAYER = 1300;
/** Mixing two frames, a byte; one that keeps the look searches a table for each. */
const FADE_CYCLES_A_BYTE = { current: 90, look: 900 } as const;
/** A single light is one byte of a pixel's three; of a cell most is to find out whether it lives. */
const CHANNEL_SHARE = { mixed: 0.5, cells: 0.56 } as const;

const cyclesOfLayers = (show: Show, layers: readonly ShowLayer[]): number =>
  layers.reduce((sum, { set, move }) => {
    const ground = show.sets[set];
    const share = moveOf(move.kind).cells ? CHANNEL_SHARE.cells : CHANNEL_SHARE.mixed;
    const points = (ground?.points ?? 0) * (ground?.bytesPerPoint === 1 ? share : 1);
    const cycles = isAlike(move) ? ALIKE_CYCLES : (moveOf(move.kind).cyclesAPixel ?? ALIKE_CYCLES);
    return sum + CYCLES_A_LAYER + points * cycles;
  }, 0);

/** Cycles that the frame of a mood takes an eight-bit controller, with every sign on. */
export const cyclesOfMood = (show: Show, mood: ShowMood): number =>
  CYCLES_A_FRAME +
  show.frameBytes * CYCLES_A_BYTE +
  cyclesOfLayers(show, mood.layers) +
  show.signs.reduce((sum, sign) => sum + cyclesOfLayers(show, sign.layers), 0);

/** Cycles of the hardest frame of a show: two moods at once while one fades into the other, where any cue fades. */
export function cyclesAtWorst(show: Show): number {
  const moods = show.moods.map((mood) => cyclesOfMood(show, mood)).sort((a, b) => b - a);
  const [most = 0, second = 0] = moods;
  const keepsLook = show.cues.some((cue) => cue.keepsLook && cue.fadeMs > 0);
  const fades =
    show.cues.some((cue) => cue.fadeMs > 0) ||
    show.moods.some((mood) => (mood.fadeInMs ?? 0) + (mood.fadeOutMs ?? 0) > 0);
  if (!fades || moods.length < 2) return most;
  return most + second + show.frameBytes * FADE_CYCLES_A_BYTE[keepsLook ? 'look' : 'current'];
}

/** How many there are of what a board file has code and pins for. */
function countParts(show: Show): { readonly channels: number; readonly tapes: number; readonly controls: number } {
  const points = (bytesPerPoint: number, count: (points: number) => number): number =>
    show.groups.reduce(
      (sum, group) => sum + (group.bytesPerPoint === bytesPerPoint && !group.scan ? count(group.points) : 0),
      0,
    );
  return {
    // One point of three bytes is a tape whose colours are channels, or a single pixel: the more of both is counted.
    channels:
      points(1, (all) => all) +
      show.groups.reduce(
        (sum, group) => sum + (group.bytesPerPoint === 3 && group.points === 1 ? diceOf(group) : 0),
        0,
      ),
    tapes: points(3, (all) => Math.min(1, all)),
    controls: show.controls.length,
  };
}

/** What lights that take turns add to a program. */
interface ScanCost {
  readonly memoryBytes: number;
  readonly programBytes: number;
  /** To hand over the lights of a frame. */
  readonly cycles: number;
}

/** What the rows of a grid take, by how a board's lines stand on its ports. */
export interface RowsCost {
  /** For each turn: what its lines are to be in each of eight steps, of two pictures. */
  readonly turnBytes: number;
  readonly programBytes: number;
}
/** Of a board that is not said: lines on three ports of eight. */
const THREE_PORTS: RowsCost = { turnBytes: 51, programBytes: 1460 };

const NO_SCAN: ScanCost = { memoryBytes: 0, programBytes: 0, cycles: 0 };

/** By turns and lights, measured as above: a table of what each port is in each step, or a byte a light and four a pin. */
function costOfScan({ scan, points }: Show['groups'][number], rows: RowsCost): ScanCost {
  if (!scan) return NO_SCAN;
  const { turns, atOnce, how } = scan;
  if (how === 'told') return { memoryBytes: 3, programBytes: 120, cycles: 300 + 195 * points };
  if (how === 'one by one') {
    const pins = Math.ceil((1 + Math.sqrt(1 + 4 * points)) / 2);
    return { memoryBytes: 11 + points + 4 * pins, programBytes: 555, cycles: 60 * points };
  }
  return {
    memoryBytes: 13 + rows.turnBytes * turns + atOnce,
    programBytes: rows.programBytes + 9 * turns,
    cycles: 600 * turns + 290 * points,
  };
}

const sumOfScans = (show: Show, of: (cost: ScanCost) => number, rows = THREE_PORTS): number =>
  show.groups.reduce((sum, group) => sum + of(costOfScan(group, rows)), 0);

/** Cycles that it takes to hand a frame to what scans its lights. */
export const cyclesToScan = (show: Show): number => sumOfScans(show, ({ cycles }) => cycles);

/** What it adds to keep more than one limit, measured as above: the loop over them, and what weighs rails of one supply. */
const LIMITS_BYTES = { supplies: 100, rails: 930 } as const;

/** What several limits add to a program: the code, a row for each limit, what each group says of it; and time. */
export function costOfLimits(show: Show, limit: ShowLimit): { readonly programBytes: number; readonly cycles: number } {
  const count = limit.supplies.flatMap(limitsOfSupply).length;
  if (count < 2) return { programBytes: 0, cycles: 0 };
  return {
    programBytes: LIMITS_BYTES[isByRail(limit) ? 'rails' : 'supplies'] + 10 * count + 5 * show.groups.length,
    // Every byte is counted once more where rails are weighed together, and then cut.
    cycles: limit.supplies.some(({ together }) => together) ? 95 * show.frameBytes : 0,
  };
}

/** Memory of cells that live: two boards of 256, this generation and the next, for the two moves last looked at. */
const CELLS_MEMORY = 137;

/** Memory of the frame that is sent, in bytes, with what the program keeps at least: fades hold a second one. */
export const memoryOfFrames = (frameBytes: number, fades: boolean): number => 92 + (fades ? 2 : 1) * (frameBytes + 1);

/** Memory that the program takes beside its stack, in bytes: its frames, the boards of the cells, controls and pins. */
export function memoryOfShow(show: Show, rows?: RowsCost): number {
  const { channels, tapes, controls } = countParts(show);
  const { kinds, parts } = usesOf(show);
  // A pin and a level for each channel.
  return (
    memoryOfFrames(show.frameBytes, parts.has('fades')) +
    (kinds.some((kind) => moveOf(kind).cells) ? CELLS_MEMORY : 0) +
    23 * controls +
    2 * channels +
    tapes +
    sumOfScans(show, ({ memoryBytes }) => memoryBytes, rows)
  );
}

/**
 * Bytes of an eight-bit controller's flash: the engine without anything, and what each part of it adds. The least figures
 * that are never below what was built, over some three hundred random plans (a linear program) and each kind of move by
 * itself: what parts share is counted where it costs most. A 32-bit controller takes about as much.
 */
const ENGINE_BYTES = 1850;
const PART_BYTES: Readonly<Record<EnginePart, number>> = {
  colours: 460,
  places: 105,
  signs: 30,
  switches: 20,
  dimming: 215,
  contacts: 615,
  held: 280,
  sensors: 520,
  cues: 575,
  random: 380,
  fades: 1090,
  'look fades': 750,
};
/** To say what it does on a serial line, and the charge where a sensor may read it. */
const SAYS_BYTES = 470;
const SAYS_CHARGE_BYTES = 300;
/** To ask each light for its level, where any move does. */
const LEVELS_BYTES = 775;

const engineBytes = ({ kinds, parts }: Uses): number =>
  ENGINE_BYTES +
  [...parts].reduce((sum, part) => sum + PART_BYTES[part], 0) +
  (kinds.some((kind) => moveOf(kind).level) ? LEVELS_BYTES : 0) +
  kinds.reduce((sum, kind) => sum + (moveOf(kind).programBytes ?? 0), 0);

/** A row of a layer beside its move. */
const LAYER_BYTES = 9;
/** What the board file adds for the first of a kind, and for all further ones: as above. */
const BOARD_BYTES = { channels: [0, 600], tapes: [0, 200], controls: [0, 330] } as const;

/** To give pulses instead of light, whatever the count of those that are led by them. */
const PULSES_BYTES = 160;

/**
 * By so many bytes at most is a program smaller than what was reckoned for it: the most of 165 that were built of random plans
 * and of the examples is 2,566.
 */
export const RECKONED_OVER_BYTES = 2800;

/**
 * Size of the whole program in the controller's flash, in bytes, rather too much than too little.
 * @param says whether its board has a line to say things on
 */
export function programOfShow(show: Show, says: boolean, rows?: RowsCost): number {
  const layers = [...show.moods, ...show.signs].flatMap((each) => each.layers);
  const lists = [
    ...layers.map((layer) => layer.places?.length ?? 0),
    ...show.sets.map((set) => set.offsets?.length ?? 0),
  ];
  const counts = countParts(show);
  const uses = usesOf(show);
  const board = (['channels', 'tapes', 'controls'] as const).reduce((sum, kind) => {
    const [first, further] = BOARD_BYTES[kind];
    return sum + (counts[kind] > 0 ? first : 0) + (counts[kind] > 1 ? further : 0);
  }, 0);
  // A table without a row holds an empty one.
  const table = (rowBytes: number, count: number): number => rowBytes * Math.max(1, count);
  return (
    engineBytes(uses) +
    (says ? SAYS_BYTES + (uses.parts.has('sensors') ? SAYS_CHARGE_BYTES : 0) : 0) +
    board +
    sumOfScans(show, ({ programBytes }) => programBytes, rows) +
    (show.groups.some(({ pulses }) => pulses) ? PULSES_BYTES : 0) +
    31 +
    table(LAYER_BYTES + moveBytes(uses.kinds), layers.length) +
    table(11, show.groups.length) +
    table(7, show.sets.length) +
    table(50, show.moods.length) +
    table(5, show.signs.length) +
    table(21, show.cues.length) +
    table(16, show.controls.length) +
    table(10, counts.tapes) +
    table(3, counts.channels) +
    2 * lists.reduce((sum, length) => sum + length, 0)
  );
}
