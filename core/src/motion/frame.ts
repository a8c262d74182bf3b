import type { CompiledMove, Show, ShowGroup } from './show.ts';
import { breathTable, gammaTable } from './tables.ts';

/** Colour channel times level, both perceptual: whole numbers only, rounded. */
const mix = (channel: number, level: number): number => Math.trunc((channel * level + 127) / 255);

/** The breath's level at a time: the raised cosine between low and high. */
function breathLevel(move: Extract<CompiledMove, { kind: 'breathe' }>, tMs: number): number {
  const phase = Math.trunc(((tMs % move.periodMs) * 65_536) / move.periodMs);
  const [at, part] = [phase >> 8, phase & 255];
  const wave = ((breathTable[at] ?? 0) * (256 - part) + (breathTable[at + 1] ?? 0) * part) >> 8;
  const rise = (move.high - move.low) * wave;
  // Half a step is added toward the rise's own side, so that a falling breath rounds like a rising one.
  return move.low + Math.trunc((rise + (rise < 0 ? -127 : 127)) / 255);
}

interface Paint {
  readonly out: Uint8Array;
  readonly group: ShowGroup;
  readonly brightness256: number;
}

function paintPoint(
  { out, group, brightness256 }: Paint,
  point: number,
  rgb: readonly [number, number, number],
  level: number,
): void {
  const at = group.offset + point * group.bytesPerPoint;
  if (group.bytesPerPoint === 1) {
    out[at] = ((gammaTable[level] ?? 0) * brightness256 + 128) >> 8;
    return;
  }
  out[at] = ((gammaTable[mix(rgb[0], level)] ?? 0) * brightness256 + 128) >> 8;
  out[at + 1] = ((gammaTable[mix(rgb[1], level)] ?? 0) * brightness256 + 128) >> 8;
  out[at + 2] = ((gammaTable[mix(rgb[2], level)] ?? 0) * brightness256 + 128) >> 8;
}

function paintMove(paint: Paint, move: CompiledMove, tMs: number): void {
  const { group } = paint;
  if (move.kind === 'dark') {
    paint.out.fill(0, group.offset, group.offset + group.points * group.bytesPerPoint);
    return;
  }
  if (move.kind === 'chase') {
    const step = Math.trunc(tMs / move.stepMs) % move.groups;
    const lit = move.sense === 1 ? step : (move.groups - step) % move.groups;
    for (let i = 0; i < group.points; i += 1) paintPoint(paint, i, move.rgb, i % move.groups === lit ? move.level : 0);
    return;
  }
  const level = move.kind === 'breathe' ? breathLevel(move, tMs) : move.level;
  for (let i = 0; i < group.points; i += 1) paintPoint(paint, i, move.rgb, level);
}

/**
 * The frame of a mood at a time since it began, in whole milliseconds, written into `out` (`show.frameBytes` long).
 * Integer arithmetic throughout. An unknown mood is dark.
 */
export function paintFrame(show: Show, moodIndex: number, tMs: number, out: Uint8Array): void {
  const mood = show.moods[moodIndex];
  if (!mood) {
    out.fill(0);
    return;
  }
  for (let g = 0; g < show.groups.length; g += 1) {
    const [group, move] = [show.groups[g], mood.moves[g]];
    if (group && move) paintMove({ out, group, brightness256: mood.brightness256 }, move, tMs);
  }
}

/** The same for one group alone, in a frame of its own that begins at 0. */
export function paintGroup(options: {
  readonly group: ShowGroup;
  readonly move: CompiledMove;
  readonly brightness256: number;
  readonly tMs: number;
  readonly out: Uint8Array;
}): void {
  paintMove(
    { out: options.out, group: { ...options.group, offset: 0 }, brightness256: options.brightness256 },
    options.move,
    options.tMs,
  );
}

/** Mixes two frames: `share256` of 256 parts of the second. The sum of levels moves in a straight line, and so does the current. */
export function crossFade(from: Uint8Array, to: Uint8Array, share256: number, out: Uint8Array): void {
  for (let i = 0; i < out.length; i += 1)
    out[i] = ((from[i] ?? 0) * (256 - share256) + (to[i] ?? 0) * share256 + 128) >> 8;
}
