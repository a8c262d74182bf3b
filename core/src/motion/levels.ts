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

export const readOf = (reads: Reads, control: number): number =>
  control === NO_CONTROL ? 255 : (reads[control]?.level ?? 255);

/** Which of so many steps a value stands on. */
export const stepOf = (value: number, count: number): number => Math.trunc((value * count) / 256);

function shotLevel(move: Extract<CompiledMove, { kind: 'shots' }>, tMs: number): number {
  const inPeriod = tMs % move.periodMs;
  const both = move.onMs + move.offMs;
  return inPeriod < move.count * both && inPeriod % both < move.onMs ? move.level : 0;
}

/** What of a move is the same for all its lights at a moment, so that it is worked out once a frame. */
export interface Moment {
  tMs: number;
  /** Of the moves in which all lights are alike. */
  level: number;
  /** Of the chase, which light of each group is lit; else how far a slot has gone. */
  part: number;
  /** Of chance. */
  slot: number;
  /** Of a sweep, its head; of what fills, how far: in 256ths of a light. */
  at256: number;
  /** A sweep on its way there, not back. */
  rises: boolean;
  boards: ReturnType<typeof boardsAt> | null;
}

export const makeMoment = (): Moment => ({
  tMs: 0,
  level: 0,
  part: 0,
  slot: 0,
  at256: 0,
  rises: false,
  boards: null,
});

const between = (low: number, high: number, part: number, whole: number): number =>
  low + Math.trunc(((high - low) * part) / whole);

/** Works out the moment of a move on so many lights. A drift is painted by itself. */
export function beginMoment(
  moment: Moment,
  move: Exclude<CompiledMove, { kind: 'drift' }>,
  tMs: number,
  length: number,
  reads: Reads,
): void {
  moment.tMs = tMs;
  switch (move.kind) {
    case 'steady':
      moment.level = move.level;
      break;
    case 'breathe':
      moment.level = breathLevel(move, tMs);
      break;
    case 'shots':
      moment.level = shotLevel(move, tMs);
      break;
    case 'build-up':
      moment.level = between(move.low, move.level, Math.min(tMs, move.periodMs), move.periodMs);
      break;
    case 'steps':
      moment.level = between(move.low, move.level, stepOf(readOf(reads, move.control), move.count), move.count - 1);
      break;
    case 'gauge':
      moment.at256 = Math.trunc((readOf(reads, move.control) * length * 256) / 255);
      break;
    default:
      beginRunning(moment, move, tMs, length);
  }
}

function beginRunning(
  moment: Moment,
  move: Extract<CompiledMove, { kind: 'chase' | 'sweep' | 'fill' | 'sparkle' | 'flicker' | 'cells' }>,
  tMs: number,
  length: number,
): void {
  const inPeriod = tMs % move.periodMs;
  switch (move.kind) {
    case 'chase': {
      const step = Math.trunc(tMs / move.stepMs) % move.groups;
      moment.part = move.sense === 1 ? step : (move.groups - step) % move.groups;
      break;
    }
    case 'sweep': {
      const phase = phaseOf(tMs, move.periodMs);
      moment.at256 = Math.trunc((triangle(phase) * (length - 1) * 256) / 65_535);
      moment.rises = phase < 32_768;
      break;
    }
    case 'fill':
      moment.at256 = Math.trunc((triangle(phaseOf(tMs, move.periodMs)) * length * 256) / 65_535);
      break;
    case 'sparkle': {
      const part = Math.trunc(((inPeriod % move.stepMs) * 512) / move.stepMs);
      moment.slot = Math.trunc(inPeriod / move.stepMs);
      moment.part = part < 256 ? part : 512 - part;
      break;
    }
    case 'flicker':
      moment.slot = Math.trunc(inPeriod / move.stepMs);
      moment.part = Math.trunc(((inPeriod % move.stepMs) * 256) / move.stepMs);
      break;
    default:
      moment.boards = boardsAt(move, tMs);
      moment.part = Math.trunc(((tMs % move.stepMs) * 256) / move.stepMs);
  }
}

/** Part of 256 of a light in a sweep: the head glides from light to light, the tail falls off behind it. */
function sweepShare(moment: Moment, place256: number, tail: number): number {
  const ahead = moment.rises ? place256 - moment.at256 : moment.at256 - place256;
  return Math.max(0, ahead >= 0 ? 256 - ahead : 256 - Math.trunc(-ahead / (tail + 1)));
}

function flickerLevel(move: Extract<CompiledMove, { kind: 'flicker' }>, { slot, part }: Moment, point: number): number {
  const light = move.alike ? 0 : point;
  const now = chanceByte(move.seed, light, slot);
  if (move.threshold > 0) return now < move.threshold ? move.low : move.level;
  const next = chanceByte(move.seed, light, (slot + 1) % FLICKER_SLOTS);
  const value = (now * (256 - part) + next * part) >> 8;
  return between(move.low, move.level, value, 255);
}

/** Part of 256 of a cell: whole in a life, gliding at birth and death where the move melts. */
function cellShare(move: CellsMove, { boards, part }: Moment, cell: number): number {
  const lives = boards?.now[cell] ?? 0;
  return move.melts ? lives * (256 - part) + (boards?.next[cell] ?? 0) * part : lives * 256;
}

/** The level of one light at a moment. `place256` is in 256ths of a light; for cells it is the number of the cell. */
export function levelOf(
  move: Exclude<CompiledMove, { kind: 'drift' }>,
  moment: Moment,
  point: number,
  place256: number,
): number {
  switch (move.kind) {
    case 'chase':
      return ((place256 + 128) >> 8) % move.groups === moment.part ? move.level : 0;
    case 'sweep':
      return (move.level * sweepShare(moment, place256, move.tail)) >> 8;
    case 'fill':
    case 'gauge':
      return (move.level * Math.min(256, Math.max(0, moment.at256 - place256))) >> 8;
    case 'sparkle':
      return chanceByte(move.seed, point, moment.slot) >= move.share256 ? 0 : (move.level * moment.part) >> 8;
    case 'flicker':
      return flickerLevel(move, moment, point);
    case 'cells':
      return (move.level * cellShare(move, moment, place256)) >> 8;
    default:
      return moment.level;
  }
}
