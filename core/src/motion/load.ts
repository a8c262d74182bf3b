import { type CompiledMove, FLICKER_SLOTS, SPARKLE_SLOTS } from './compileMove.ts';
import { type Flashing, findFlashing, noFlashing } from './flashes.ts';
import { isAlike, paintFrame, paintLayer, paintLayers } from './frame.ts';
import { limitFrame, litOf, type ShowLimit } from './limit.ts';
import type { Show, ShowGroup, ShowLayer, ShowMood } from './show.ts';

/** What the moves of a mood ask of a group at full brightness, as shares of all its bytes at 255. */
export interface GroupLoad {
  readonly mean: number;
  readonly peak: number;
  readonly flashing: Flashing;
}

const none: GroupLoad = { mean: 0, peak: 0, flashing: noFlashing };

const SAMPLES = 48;

/** Times that stand for one period: each step of a chase once, a breath at equal distances, anything steady once. */
function sampleTimes(move: CompiledMove): number[] {
  const evenly = (samples: number): number[] =>
    Array.from({ length: samples }, (_, i) => Math.trunc((i * move.periodMs) / samples));
  switch (move.kind) {
    case 'steady':
    case 'gauge':
    case 'steps':
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
    case 'cells':
      return evenly((move.melts ? 2 : 1) * Math.trunc(move.periodMs / move.stepMs));
    // Lit and dark: how long each lasts is known exactly.
    case 'shots':
      return Array.from({ length: move.count }, (_, i) => i * (move.onMs + move.offMs)).flatMap((start) => [
        start,
        start + move.onMs,
      ]);
    default:
      return evenly(SAMPLES);
  }
}

/** Light of a group's bytes as a share of all of them at 255; `weights` says how many lights hang on each point. */
function sumWeighted(frame: Uint8Array, group: ShowGroup, weights: readonly number[] = []): number {
  let [light, most] = [0, 0];
  for (let i = 0; i < group.points * group.bytesPerPoint; i += 1) {
    const weight = weights[Math.trunc(i / group.bytesPerPoint)] ?? 1;
    light += (frame[group.offset + i] ?? 0) * weight;
    most += 255 * weight;
  }
  return most === 0 ? 0 : light / most;
}

/** One move alone on its group: its own period says all. */
function measureAlone(show: Show, group: ShowGroup, layer: ShowLayer, weights?: readonly number[]): GroupLoad {
  const { move } = layer;
  const set = show.sets[layer.set];
  if (!set) return none;
  // Where every point shows the same, one stands for all.
  const points = isAlike(move) ? Math.min(1, group.points) : group.points;
  const sample = { ...group, points, offset: 0 };
  const ground = { ...set, points, offset: 0 };
  const frame = new Uint8Array(points * group.bytesPerPoint);
  const times = sampleTimes(move);
  const lights = times.map((tMs) => {
    frame.fill(0);
    paintLayer(frame, ground, layer, tMs, []);
    return sumWeighted(frame, sample, weights);
  });
  const peak = Math.max(...lights);
  const mean =
    move.kind === 'shots'
      ? (peak * move.count * move.onMs) / move.periodMs
      : lights.reduce((sum, light) => sum + light, 0) / lights.length;
  return { mean, peak, flashing: findFlashing(times, lights, move.periodMs) };
}

/** Frames that are looked at one after another for what flashes, and how far apart. */
const SERIES = 400;
const SERIES_MS = 25;
/** Moments that stand for a long evening: by the golden ratio they meet the moves of a stack in every combination. */
const MOMENTS = 64;
const EVENING_MS = 3_600_000;
const GOLDEN = 0.618_033_988_749_894_9;

const momentMs = (i: number): number => Math.trunc((((i + 1) * GOLDEN) % 1) * EVENING_MS);

/** Several moves on the same lights: looked at together, over many moments of a long evening and frame by frame. */
function measureTogether(
  show: Show,
  group: ShowGroup,
  layers: readonly ShowLayer[],
  weights?: readonly number[],
): GroupLoad {
  const frame = new Uint8Array(show.frameBytes);
  const lightAt = (tMs: number): number => {
    frame.fill(0);
    paintLayers(show, layers, tMs, [], frame);
    return sumWeighted(frame, group, weights);
  };
  const moments = Array.from({ length: MOMENTS }, (_, i) => lightAt(momentMs(i)));
  const times = Array.from({ length: SERIES }, (_, i) => i * SERIES_MS);
  const series = times.map(lightAt);
  return {
    mean: moments.reduce((sum, light) => sum + light, 0) / MOMENTS,
    peak: Math.max(...moments, ...series),
    flashing: findFlashing(times, series, null),
  };
}

/** Whether a layer paints any light of a group. */
function touches(show: Show, layer: ShowLayer, groupIndex: number): boolean {
  if (layer.set === groupIndex) return true;
  const [group, offsets] = [show.groups[groupIndex], show.sets[layer.set]?.offsets];
  if (!group || !offsets) return false;
  const end = group.offset + group.points * group.bytesPerPoint;
  return offsets.some((offset) => offset >= group.offset && offset < end);
}

/**
 * What a mood asks of one group, and how it flashes, taken from the engine's own frames at full brightness. Gauges count
 * as full. `weights` says how many lights hang on each point, where that is not the same for all.
 */
export function measureGroup(
  show: Show,
  mood: Pick<ShowMood, 'layers'>,
  groupIndex: number,
  weights?: readonly number[],
): GroupLoad {
  const group = show.groups[groupIndex];
  const layers = mood.layers.filter((layer) => touches(show, layer, groupIndex));
  const [only] = layers;
  if (!group || group.points === 0 || !only) return none;
  return layers.length === 1 && only.set === groupIndex
    ? measureAlone(show, group, only, weights)
    : measureTogether(show, group, layers, weights);
}

/** Mean and height of a mood's current once the limiter has seen each frame, in amperes. */
export function measureLimited(
  show: Show,
  moodIndex: number,
  limit: ShowLimit,
): { readonly meanA: number; readonly peakA: number } {
  const frame = new Uint8Array(show.frameBytes);
  // Where nothing moves, one moment says all.
  const isStill = show.moods[moodIndex]?.throughMs === 1;
  const currents = Array.from({ length: isStill ? 1 : MOMENTS }, (_, i) => {
    paintFrame(show, moodIndex, momentMs(i), frame);
    limitFrame(show, limit, frame);
    return (limit.restMicroA + litOf(show, limit, frame) / 255) / 1e6;
  });
  return {
    meanA: currents.reduce((sum, currentA) => sum + currentA, 0) / currents.length,
    peakA: Math.max(...currents),
  };
}
