import { type CompiledMove, FLICKER_SLOTS, type Show, type ShowGroup } from './show.ts';
import { breathTable, gammaTable } from './tables.ts';

/** Colour channel times level, both perceptual: whole numbers only, rounded. */
const mix = (channel: number, level: number): number => Math.trunc((channel * level + 127) / 255);

/** The breath's level at a time: the raised cosine between low and high. */
function breathLevel(move: Extract<CompiledMove, { kind: 'breathe' }>, tMs: number): number {
  const rise = (move.high - move.low) * waveAt(phaseOf(tMs, move.periodMs));
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

/** Where in its period a move stands, of 65,536. */
const phaseOf = (tMs: number, periodMs: number): number => Math.trunc(((tMs % periodMs) * 65_536) / periodMs);

/** There and back: 0 → 65,534 → 0 over a period. */
const triangle = (phase: number): number => (phase < 32_768 ? phase * 2 : (65_535 - phase) * 2);

/** A byte of chance for a light and a slot: a 32-bit mix, the same in every language that has 32-bit multiplication. */
export function chanceByte(seed: number, light: number, slot: number): number {
  let x = (seed ^ Math.imul(light, 0x9e3779b1) ^ Math.imul(slot, 0x85ebca77)) | 0;
  x = Math.imul(x ^ (x >>> 15), 0x2c1b3c6d);
  x = Math.imul(x ^ (x >>> 12), 0x297a2d39);
  return (x ^ (x >>> 15)) & 255;
}

const waveAt = (phase: number): number => {
  const [at, part] = [phase >> 8, phase & 255];
  return ((breathTable[at] ?? 0) * (256 - part) + (breathTable[at + 1] ?? 0) * part) >> 8;
};

/** Part of 256 of a light in a sweep: the head glides from light to light, the tail falls off behind it. */
function sweepShare(phase: number, point: number, points: number, tail: number): number {
  const head = Math.trunc((triangle(phase) * (points - 1) * 256) / 65_535);
  const ahead = phase < 32_768 ? point * 256 - head : head - point * 256;
  return Math.max(0, ahead >= 0 ? 256 - ahead : 256 - Math.trunc(-ahead / (tail + 1)));
}

function fillShare(phase: number, point: number, points: number): number {
  const full = Math.trunc((triangle(phase) * points * 256) / 65_535);
  return Math.min(256, Math.max(0, full - point * 256));
}

function sparkleShare(move: Extract<CompiledMove, { kind: 'sparkle' }>, tMs: number, point: number): number {
  const inPeriod = tMs % move.periodMs;
  if (chanceByte(move.seed, point, Math.trunc(inPeriod / move.stepMs)) >= move.share256) return 0;
  const part = Math.trunc(((inPeriod % move.stepMs) * 512) / move.stepMs);
  return part < 256 ? part : 512 - part;
}

function flickerLevel(move: Extract<CompiledMove, { kind: 'flicker' }>, tMs: number, point: number): number {
  const inPeriod = tMs % move.periodMs;
  const slot = Math.trunc(inPeriod / move.stepMs);
  const light = move.alike ? 0 : point;
  const now = chanceByte(move.seed, light, slot);
  if (move.threshold > 0) return now < move.threshold ? move.low : move.level;
  const next = chanceByte(move.seed, light, (slot + 1) % FLICKER_SLOTS);
  const part = Math.trunc(((inPeriod % move.stepMs) * 256) / move.stepMs);
  const value = (now * (256 - part) + next * part) >> 8;
  return move.low + Math.trunc(((move.level - move.low) * value) / 255);
}

function shotLevel(move: Extract<CompiledMove, { kind: 'shots' }>, tMs: number): number {
  const inPeriod = tMs % move.periodMs;
  const both = move.onMs + move.offMs;
  return inPeriod < move.count * both && inPeriod % both < move.onMs ? move.level : 0;
}

/** The level of one light in a move that has one colour. */
function levelOf(
  move: Exclude<CompiledMove, { kind: 'dark' | 'drift' }>,
  tMs: number,
  point: number,
  points: number,
): number {
  switch (move.kind) {
    case 'steady':
      return move.level;
    case 'breathe':
      return breathLevel(move, tMs);
    case 'chase': {
      const step = Math.trunc(tMs / move.stepMs) % move.groups;
      const lit = move.sense === 1 ? step : (move.groups - step) % move.groups;
      return point % move.groups === lit ? move.level : 0;
    }
    case 'sweep':
      return (move.level * sweepShare(phaseOf(tMs, move.periodMs), point, points, move.tail)) >> 8;
    case 'fill':
      return (move.level * fillShare(phaseOf(tMs, move.periodMs), point, points)) >> 8;
    case 'sparkle':
      return (move.level * sparkleShare(move, tMs, point)) >> 8;
    case 'flicker':
      return flickerLevel(move, tMs, point);
    case 'shots':
      return shotLevel(move, tMs);
    case 'build-up':
      return move.low + Math.trunc(((move.level - move.low) * Math.min(tMs, move.periodMs)) / move.periodMs);
  }
}

/** Two colours mixed for each light by where it stands on the wave. One scratch triple, so that no frame allocates. */
const driftRgb: [number, number, number] = [0, 0, 0];

function paintDrift(paint: Paint, move: Extract<CompiledMove, { kind: 'drift' }>, tMs: number): void {
  const phase = phaseOf(tMs, move.periodMs);
  for (let i = 0; i < paint.group.points; i += 1) {
    const wave = waveAt((phase + i * move.shift) & 65_535);
    for (let k = 0; k < 3; k += 1) {
      const [from, to] = [move.rgb[k] ?? 0, move.second[k] ?? 0];
      driftRgb[k] = Math.trunc((from * (255 - wave) + to * wave + 127) / 255);
    }
    // A single light has one colour: the drift is its level.
    paintPoint(paint, i, driftRgb, paint.group.bytesPerPoint === 1 ? mix(move.level, wave) : move.level);
  }
}

/** Moves in which every light shows the same: one level serves them all. */
export const isAlike = (move: CompiledMove): boolean =>
  move.kind === 'dark' ||
  move.kind === 'steady' ||
  move.kind === 'breathe' ||
  move.kind === 'shots' ||
  move.kind === 'build-up' ||
  (move.kind === 'flicker' && move.alike);

function paintMove(paint: Paint, move: CompiledMove, tMs: number): void {
  const { group } = paint;
  if (move.kind === 'dark') {
    paint.out.fill(0, group.offset, group.offset + group.points * group.bytesPerPoint);
    return;
  }
  if (move.kind === 'drift') {
    paintDrift(paint, move, tMs);
    return;
  }
  const alike = isAlike(move);
  let level = alike ? levelOf(move, tMs, 0, group.points) : 0;
  for (let i = 0; i < group.points; i += 1) {
    if (!alike) level = levelOf(move, tMs, i, group.points);
    paintPoint(paint, i, move.rgb, level);
  }
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
