import { type CompiledBase, isAlike, makeMoment, moveOf, PLACE_STEPS, type Reads, type Rgb } from '../moves/index.ts';
import type { ShowSet } from './arrange.ts';
import type { Show, ShowLayer } from './show.ts';
import { gammaTable } from './tables.ts';

/** Colour channel times level, both perceptual: whole numbers only, rounded. */
const mix = (channel: number, level: number): number => Math.trunc((channel * level + 127) / 255);

const lightOf = (level: number): number => gammaTable[level] ?? 0;

/** A colour between two, `part` of 255 of the way to the second. */
const between = (from: number, to: number, part: number): number =>
  Math.trunc((from * (255 - part) + to * part + 127) / 255);

/** Lays light upon what is there. Over: as much of the lower is covered as the upper's level says. */
function blendByte(out: Uint8Array, at: number, light: number, layer: ShowLayer, level: number): void {
  const below = out[at] ?? 0;
  // Most light is laid upon darkness.
  if (below === 0) out[at] = light;
  else if (layer.how === 'over') out[at] = light + Math.trunc((below * (255 - level) + 127) / 255);
  else if (layer.how === 'add') out[at] = Math.min(255, below + light);
  else out[at] = Math.max(below, light);
}

/** One scratch each, so that no frame allocates: the moment of a move, its colour, and its light in three colours. */
const moment = makeMoment();
const colour: [number, number, number] = [0, 0, 0];
const lights: [number, number, number] = [0, 0, 0];
const black: Rgb = [0, 0, 0];

/** Where a light stands, in 256ths of a light; for cells the number of its cell. */
function placeOf(places: ShowLayer['places'], isCell: boolean, point: number): number {
  const counted = places ? (places[point] ?? 0) : null;
  if (isCell) return counted ?? point;
  return counted === null ? point * 256 : (counted * 256) / PLACE_STEPS;
}

/** The light of a level in one colour or in three, into `lights`. */
function lightUp(level: number, bytesPerPoint: 1 | 3): void {
  for (let k = 0; k < bytesPerPoint; k += 1)
    lights[k] = lightOf(bytesPerPoint === 1 ? level : mix(colour[k] ?? 0, level));
}

const atOf = (set: ShowSet, point: number): number =>
  set.offsets ? (set.offsets[point] ?? 0) : set.offset + point * set.bytesPerPoint;

/** A colour between that of a move and its second, `part` of 255 of the way, as light. */
function blended({ rgb, level, second, keepsCurrent }: Blended, k: number, part: number): number {
  const [from, to] = [rgb[k] ?? 0, second?.[k] ?? 0];
  return keepsCurrent
    ? between(lightOf(mix(from, level)), lightOf(mix(to, level)), part)
    : lightOf(mix(between(from, to, part), level));
}

/** What a move has whose lights differ by colour. */
type Blended = CompiledBase & { readonly second?: Rgb; readonly keepsCurrent?: boolean };

/** Paints a move whose lights differ by colour, each by how far it has gone toward the second. */
function paintBlended(out: Uint8Array, set: ShowSet, layer: ShowLayer, blendOf: (place256: number) => number): void {
  const move: Blended = layer.move;
  for (let i = 0; i < set.points; i += 1) {
    const part = blendOf(placeOf(layer.places, false, i));
    const at = atOf(set, i);
    // A single light has one colour: the blend is its level.
    if (set.bytesPerPoint === 1) {
      const level = mix(move.level, part);
      blendByte(out, at, lightOf(level), layer, level);
      continue;
    }
    for (let k = 0; k < 3; k += 1) blendByte(out, at + k, blended(move, k, part), layer, move.level);
  }
}

/** The one colour of a move at its moment. */
function colourOf(move: Blended): void {
  const second = move.second ?? black;
  for (let k = 0; k < 3; k += 1) colour[k] = between(second[k] ?? 0, move.rgb[k] ?? 0, moment.blend);
}

/** Paints one layer upon the frame. Whole-number arithmetic throughout. */
export function paintLayer(out: Uint8Array, set: ShowSet, layer: ShowLayer, tMs: number, reads: Reads): void {
  const { move, places } = layer;
  const { begin, level: levelAt, blend, cells } = moveOf(move.kind);
  moment.tMs = tMs;
  moment.level = move.level;
  moment.blend = 255;
  begin(moment, move, reads, layer.length);
  if (blend) {
    paintBlended(out, set, layer, (place256) => blend(move, moment, place256));
    return;
  }
  colourOf(move);
  const { bytesPerPoint } = set;
  const alike = isAlike(move);
  const isCell = cells !== undefined;
  let level = -1;
  for (let i = 0; i < set.points; i += 1) {
    const next = alike && i > 0 ? level : levelAt ? levelAt(move, moment, i, placeOf(places, isCell, i)) : moment.level;
    if (next !== level) {
      level = next;
      lightUp(level, bytesPerPoint);
    }
    const at = atOf(set, i);
    for (let k = 0; k < bytesPerPoint; k += 1) blendByte(out, at + k, lights[k] ?? 0, layer, level);
  }
}

/** Paints layers into a frame, one upon another, in their order. */
export function paintLayers(
  show: Show,
  layers: readonly ShowLayer[],
  tMs: number,
  reads: Reads,
  out: Uint8Array,
): void {
  for (const layer of layers) {
    const set = show.sets[layer.set];
    if (set) paintLayer(out, set, layer, tMs, reads);
  }
}

/** What is on or off is on while anything is left of its byte: neither a mood’s brightness nor a fade dims it. */
export function switchFrame(show: Show, frame: Uint8Array): void {
  for (const { switches, offset, points, bytesPerPoint } of show.groups) {
    if (!switches) continue;
    const end = offset + points * bytesPerPoint;
    for (let i = offset; i < end; i += 1) if (frame[i] !== 0) frame[i] = 255;
  }
}

/** Light of a group, or of all, times a share of 256; what is only on or off stays as it is. */
function dimGroups(show: Show, numbers: readonly number[] | null, share256: number, frame: Uint8Array): void {
  for (const [g, { switches, offset, points, bytesPerPoint }] of show.groups.entries()) {
    if (switches || (numbers && !numbers.includes(g))) continue;
    const end = offset + points * bytesPerPoint;
    for (let i = offset; i < end; i += 1) frame[i] = ((frame[i] ?? 0) * share256 + 128) >> 8;
  }
}

/** What is turned down: of its light as much is left as looks like the turn of its knob. Signs come after, undimmed. */
export function dimFrame(show: Show, reads: Reads, frame: Uint8Array): void {
  for (const [c, { dims }] of show.controls.entries()) {
    if (!dims) continue;
    const light = lightOf(reads[c]?.level ?? 255);
    dimGroups(show, dims, light + (light >> 7), frame);
  }
}

const nothingRead: Reads = [];

/**
 * Computes the frame of a mood at a time since the mood began, into `out` (length `show.frameBytes`): light, after the
 * gamma curve and the mood's brightness. An unknown mood is dark. What a gauge shows is in `reads`; what is not counts
 * as full.
 */
export function paintFrame(
  show: Show,
  moodIndex: number,
  tMs: number,
  out: Uint8Array,
  reads: Reads = nothingRead,
): void {
  out.fill(0);
  const mood = show.moods[moodIndex];
  if (!mood) return;
  paintLayers(show, mood.layers, tMs, reads, out);
  if (mood.brightness256 !== 256) dimGroups(show, null, mood.brightness256, out);
  switchFrame(show, out);
}
