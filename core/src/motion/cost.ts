import type { CompiledMove } from './compileMove.ts';
import type { Show, ShowLayer, ShowMood } from './show.ts';

/**
 * Cycles of an eight-bit controller for one pixel of a move: measured on the exported program, run instruction by
 * instruction in a chip simulator (firmware/test/chip.test.ts holds the model to it).
 */
const cyclesAPixel: Readonly<Record<CompiledMove['kind'], number>> = {
  steady: 270,
  breathe: 270,
  shots: 270,
  steps: 270,
  'build-up': 270,
  fill: 640,
  gauge: 640,
  drift: 740,
  sweep: 800,
  chase: 820,
  sparkle: 1310,
  flicker: 2800,
  cells: 3340,
};

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
    const alike = move.kind === 'flicker' && move.alike ? 270 : cyclesAPixel[move.kind];
    return sum + CYCLES_A_LAYER + points * alike;
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
    show.cues.some((cue) => cue.fadeMs > 0) || show.moods.some((mood) => mood.fadeInMs ?? mood.fadeOutMs ?? 0);
  if (!fades || moods.length < 2) return most;
  return most + second + show.frameBytes * FADE_CYCLES_A_BYTE[keepsLook ? 'look' : 'current'];
}

/** Memory that the program takes beside its stack, in bytes: two frames, the controls, the boards of the cells. */
export const memoryOfShow = (show: Show): number => 241 + 2 * show.frameBytes + 22 * show.controls.length;

/** Size of the engine on an eight-bit controller with its board file; a 32-bit one takes about as much. */
const ENGINE_BYTES = 14_300;

/** Size of the whole program in the controller's flash, in bytes: the engine and the tables of the show. */
export function programOfShow(show: Show): number {
  const layers = [...show.moods, ...show.signs].flatMap((each) => each.layers);
  const lists = [
    ...layers.map((layer) => layer.places?.length ?? 0),
    ...show.sets.map((set) => set.offsets?.length ?? 0),
  ];
  return (
    ENGINE_BYTES +
    62 * layers.length +
    9 * (show.groups.length + show.sets.length) +
    49 * show.moods.length +
    21 * show.cues.length +
    17 * show.controls.length +
    2 * lists.reduce((sum, length) => sum + length, 0)
  );
}
