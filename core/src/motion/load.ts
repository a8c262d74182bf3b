import { paintGroup } from './frame.ts';
import type { CompiledMove, ShowGroup } from './show.ts';

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
  if (move.kind === 'breathe')
    return Array.from({ length: SAMPLES }, (_, i) => Math.trunc((i * move.periodMs) / SAMPLES));
  if (move.kind === 'chase') return Array.from({ length: move.groups }, (_, i) => i * move.stepMs);
  return [0];
}

/** Every point of a group shows the same unless a chase runs, so one point stands for all. */
const representative = (group: ShowGroup, move: CompiledMove): ShowGroup =>
  move.kind === 'chase' ? group : { ...group, points: Math.min(1, group.points) };

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
  const mean = lights.reduce((sum, light) => sum + light, 0) / lights.length;
  return { mean, peak: Math.max(...lights), flashesPerS: countFlashes(lights) / (move.periodMs / 1000) };
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
