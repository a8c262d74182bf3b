import { isAlike, moveBytes, moveOf } from '../moves/index.ts';
import { diceOf, type Show, type ShowLayer, type ShowMood } from './show.ts';

/**
 * Cycles of an eight-bit controller for one pixel of a move whose lights are all alike, as the moves say them of the others:
 * measured on the exported program, run instruction by instruction in a chip simulator (firmware/test/chip.test.ts holds
 * the model to it).
 */
const ALIKE_CYCLES = 270;

/** Every byte of a frame is cleared, dimmed and counted, whatever moves. */
const CYCLES_A_BYTE = 95;
const CYCLES_A_FRAME = 1300;
const CYCLES_A_LAYER = 1500;
/** Mixing two frames, a byte; one that keeps the look searches a table for each. */
const FADE_CYCLES_A_BYTE = { current: 90, look: 900 } as const;
/** A single light is one byte of a pixel's three. */
const CHANNEL_SHARE = 0.5;

const cyclesOfLayers = (show: Show, layers: readonly ShowLayer[]): number =>
  layers.reduce((sum, { set, move }) => {
    const ground = show.sets[set];
    const points = (ground?.points ?? 0) * (ground?.bytesPerPoint === 1 ? CHANNEL_SHARE : 1);
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
    show.groups.reduce((sum, group) => sum + (group.bytesPerPoint === bytesPerPoint ? count(group.points) : 0), 0);
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

/** Memory that the program takes beside its stack, in bytes: two frames, the boards of the cells, controls and pins. */
export function memoryOfShow(show: Show): number {
  const { channels, tapes, controls } = countParts(show);
  // A pin and a level for each channel.
  return 241 + 2 * show.frameBytes + 23 * controls + 2 * channels + tapes;
}

/** Bytes of the engine in the flash of an eight-bit controller; a 32-bit one takes about as much. */
const ENGINE_BYTES = 14_540;
/** A row of a layer beside its move. */
const LAYER_BYTES = 9;
/** What the board file adds for the first of a kind, and for all further ones: measured as above, the most of each. */
const BOARD_BYTES = { channels: [40, 410], tapes: [340, 110], controls: [150, 240] } as const;

/** Size of the whole program in the controller's flash, in bytes, rather too much than too little. */
export function programOfShow(show: Show): number {
  const layers = [...show.moods, ...show.signs].flatMap((each) => each.layers);
  const lists = [
    ...layers.map((layer) => layer.places?.length ?? 0),
    ...show.sets.map((set) => set.offsets?.length ?? 0),
  ];
  const counts = countParts(show);
  const board = (['channels', 'tapes', 'controls'] as const).reduce((sum, kind) => {
    const [first, further] = BOARD_BYTES[kind];
    return sum + (counts[kind] > 0 ? first : 0) + (counts[kind] > 1 ? further : 0);
  }, 0);
  // A table without a row holds an empty one.
  const table = (rowBytes: number, count: number): number => rowBytes * Math.max(1, count);
  return (
    ENGINE_BYTES +
    board +
    31 +
    table(LAYER_BYTES + moveBytes(), layers.length) +
    table(10, show.groups.length) +
    table(7, show.sets.length) +
    table(50, show.moods.length) +
    table(5, show.signs.length) +
    table(21, show.cues.length) +
    table(15, show.controls.length) +
    table(10, counts.tapes) +
    table(3, counts.channels) +
    2 * lists.reduce((sum, length) => sum + length, 0)
  );
}
