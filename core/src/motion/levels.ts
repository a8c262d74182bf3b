import { boardsAt, type CellsMove } from './cells.ts';
import { chanceByte } from './chance.ts';
import { type CompiledMove, FLICKER_SLOTS, NO_CONTROL } from './compileMove.ts';
import { breathTable } from './tables.ts';

/** What a control reads, 0…255, by its number in the show; what is not there counts as full. */
export type Reads = readonly { readonly level: number }[];

/** Where in its period a move stands, of 65,536. */
export const phaseOf = (tMs: number, periodMs: number): number => Math.trunc(((tMs % periodMs) * 65_536) / periodMs);

/** There and back: 0 → 65,534 → 0 over a period. */
const triangle = (phase: number): number => (phase < 32_768 ? phase * 2 : (65_535 - phase) * 2);

export const waveAt = (phase: number): number => {
  const [at, part] = [phase >> 8, phase & 255];
  return ((breathTable[at] ?? 0) * (256 - part) + (breathTable[at + 1] ?? 0) * part) >> 8;
};

/** A beat that rises at once and dies away over its part of the period. */
function beat(phase: number, from: number, rise: number, fall: number, height: number): number {
  if (phase < from || phase >= from + rise + fall) return 0;
  if (phase < from + rise) return Math.trunc((height * (phase - from)) / rise);
  const left = from + rise + fall - phase;
  return Math.trunc((height * Math.trunc((left * 255) / fall) ** 2) / 65_025);
}

/** Height of a breath at a phase, 0…255. */
function breathShape(curve: Extract<CompiledMove, { kind: 'breathe' }>['curve'], phase: number): number {
  switch (curve) {
    case 'soft':
      return waveAt(phase);
    case 'even':
      return Math.trunc(triangle(phase) / 257);
    case 'sharp':
      return beat(phase, 0, 4096, 61_440, 255);
    default:
      return Math.max(beat(phase, 0, 3072, 12_288, 255), beat(phase, 15_360, 3072, 20_480, 170));
  }
}

/** The breath's level at a time, between low and high. */
function breathLevel(move: Extract<CompiledMove, { kind: 'breathe' }>, tMs: number): number {
  const rise = (move.high - move.low) * breathShape(move.curve, phaseOf(tMs, move.periodMs));
  // Half a step is added toward the rise's own side, so that a falling breath rounds like a rising one.
  return move.low + Math.trunc((rise + (rise < 0 ? -127 : 127)) / 255);
}

/** Part of 256 of a light in a sweep: the head glides from light to light, the tail falls off behind it. */
function sweepShare(phase: number, place256: number, length: number, tail: number): number {
  const head = Math.trunc((triangle(phase) * (length - 1) * 256) / 65_535);
  const ahead = phase < 32_768 ? place256 - head : head - place256;
  return Math.max(0, ahead >= 0 ? 256 - ahead : 256 - Math.trunc(-ahead / (tail + 1)));
}

/** Part of 256 of a light at a place when so many 256ths of a light are full. */
const fullShare = (full256: number, place256: number): number => Math.min(256, Math.max(0, full256 - place256));

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

/** Part of 256 of a cell: whole in a life, gliding at birth and death where the move melts. */
function cellShare(move: CellsMove, tMs: number, cell: number): number {
  const { now, next } = boardsAt(move, tMs);
  const lives = now[cell] ?? 0;
  if (!move.melts) return lives * 256;
  const part = Math.trunc(((tMs % move.stepMs) * 256) / move.stepMs);
  return lives * (256 - part) + (next[cell] ?? 0) * part;
}

export const readOf = (reads: Reads, control: number): number =>
  control === NO_CONTROL ? 255 : (reads[control]?.level ?? 255);

/** Which of so many steps a value stands on. */
export const stepOf = (value: number, count: number): number => Math.trunc((value * count) / 256);

/** Where a light of a layer stands, and among how many. */
export interface Standing {
  readonly point: number;
  /** In 256ths of a light from the first. */
  readonly place256: number;
  readonly length: number;
}

/** The level of one light in a move that has one colour. Cells take the number of the cell as their place. */
export function levelOf(
  move: Exclude<CompiledMove, { kind: 'drift' }>,
  tMs: number,
  { point, place256, length }: Standing,
  reads: Reads,
): number {
  switch (move.kind) {
    case 'steady':
      return move.level;
    case 'breathe':
      return breathLevel(move, tMs);
    case 'chase': {
      const step = Math.trunc(tMs / move.stepMs) % move.groups;
      const lit = move.sense === 1 ? step : (move.groups - step) % move.groups;
      return ((place256 + 128) >> 8) % move.groups === lit ? move.level : 0;
    }
    case 'sweep':
      return (move.level * sweepShare(phaseOf(tMs, move.periodMs), place256, length, move.tail)) >> 8;
    case 'fill': {
      const full = Math.trunc((triangle(phaseOf(tMs, move.periodMs)) * length * 256) / 65_535);
      return (move.level * fullShare(full, place256)) >> 8;
    }
    case 'gauge': {
      const full = Math.trunc((readOf(reads, move.control) * length * 256) / 255);
      return (move.level * fullShare(full, place256)) >> 8;
    }
    case 'steps': {
      const step = stepOf(readOf(reads, move.control), move.count);
      return move.low + Math.trunc(((move.level - move.low) * step) / (move.count - 1));
    }
    case 'sparkle':
      return (move.level * sparkleShare(move, tMs, point)) >> 8;
    case 'flicker':
      return flickerLevel(move, tMs, point);
    case 'shots':
      return shotLevel(move, tMs);
    case 'cells':
      return (move.level * cellShare(move, tMs, place256)) >> 8;
    case 'build-up':
      return move.low + Math.trunc(((move.level - move.low) * Math.min(tMs, move.periodMs)) / move.periodMs);
  }
}
