import { isAlike, paintGroup } from './frame.ts';
import { type CompiledMove, FLICKER_SLOTS, type ShowGroup, SPARKLE_SLOTS } from './show.ts';

/** What a move asks of a group at full brightness, as shares of all its bytes at 255: over one period, and at its height. */
export interface MoveLoad {
  readonly mean: number;
  readonly peak: number;
  /** Opposing changes of the group's light by a tenth or more, pairs per second (WCAG 2.2, 2.3.1). */
  readonly flashesPerS: number;
}

const SAMPLES = 48;
const FULL = 256;

/** Times that stand for one period: each step of a chase once, a breath at equal distances, anything steady once. */
function sampleTimes(move: CompiledMove): number[] {
  const evenly = (samples: number): number[] =>
    Array.from({ length: samples }, (_, i) => Math.trunc((i * move.periodMs) / samples));
  switch (move.kind) {
    case 'dark':
    case 'steady':
      return [0];
    case 'chase':
      return Array.from({ length: move.groups }, (_, i) => i * move.stepMs);
    // It stays at its height for the rest of the mood.
    case 'build-up':
      return [move.periodMs];
    case 'flicker':
      return evenly(FLICKER_SLOTS);
    case 'sparkle':
      return evenly(2 * SPARKLE_SLOTS);
    // Lit and dark: how long each lasts is known exactly.
    case 'shots':
      return [0, move.onMs];
    default:
      return evenly(SAMPLES);
  }
}

/** Where every point of a group shows the same, one stands for all. */
const representative = (group: ShowGroup, move: CompiledMove): ShowGroup =>
  isAlike(move) ? { ...group, points: Math.min(1, group.points) } : group;

/**
 * The load and the flashing of one move on one group, taken from the engine's own frames. `weights` says how many
 * lights hang on each point, where that is not the same for all.
 */
export function measureMove(group: ShowGroup, move: CompiledMove, weights?: readonly number[]): MoveLoad {
  const sample = representative(group, move);
  const bytes = sample.points * sample.bytesPerPoint;
  if (bytes === 0) return { mean: 0, peak: 0, flashesPerS: 0 };
  const out = new Uint8Array(bytes);
  const lights = sampleTimes(move).map((tMs) => {
    paintGroup({ group: sample, move, brightness256: FULL, tMs, out });
    return sumWeighted(out, sample.bytesPerPoint, weights);
  });
  const peak = Math.max(...lights);
  if (move.kind === 'shots')
    return {
      mean: (peak * move.count * move.onMs) / move.periodMs,
      peak,
      flashesPerS: countFlashes(lights) === 0 ? 0 : shotsInWorstSecond(move),
    };
  const mean = lights.reduce((sum, light) => sum + light, 0) / lights.length;
  return { mean, peak, flashesPerS: countFlashes(lights) / (move.periodMs / 1000) };
}

/** Most shots that begin within any one second: a burst counts by its own pace, not by the pauses between bursts. */
function shotsInWorstSecond(move: Extract<CompiledMove, { kind: 'shots' }>): number {
  const { count, onMs, offMs, periodMs } = move;
  const rounds = 1 + Math.ceil(1000 / periodMs);
  const starts = Array.from(
    { length: count * rounds },
    (_, i) => Math.trunc(i / count) * periodMs + (i % count) * (onMs + offMs),
  );
  return Math.max(...starts.map((from) => starts.filter((each) => each >= from && each < from + 1000).length));
}

function sumWeighted(bytes: Uint8Array, bytesPerPoint: number, weights: readonly number[] = []): number {
  let [light, most] = [0, 0];
  for (let i = 0; i < bytes.length; i += 1) {
    const weight = weights[Math.trunc(i / bytesPerPoint)] ?? 1;
    light += (bytes[i] ?? 0) * weight;
    most += 255 * weight;
  }
  return most === 0 ? 0 : light / most;
}

/** Pairs of opposing changes of at least a tenth of full light in one closed period. */
function countFlashes(lights: readonly number[]): number {
  const [low, high] = [Math.min(...lights), Math.max(...lights)];
  if (high - low < 0.1 || low >= 0.8) return 0;
  const middle = (high + low) / 2;
  return lights.filter((light, i) => light >= middle && (lights[i - 1] ?? lights[lights.length - 1] ?? 0) < middle)
    .length;
}
