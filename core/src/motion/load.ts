import { screenWeights } from '../lights/index.ts';
import { type CompiledMove, isAlike, moveOf } from '../moves/index.ts';
import type { ShowSet } from './arrange.ts';
import { type Flashing, findFlashing, noFlashing, redFlash } from './flashes.ts';
import { paintFrame, paintLayer, paintLayers } from './frame.ts';
import { lightsOf, limitFrame, type ShowLimit } from './limit.ts';
import { remember } from './remember.ts';
import { diceOf, type Show, type ShowGroup, type ShowLayer, type ShowMood } from './show.ts';
import { whiteOf } from './white.ts';

/** What the moves of a mood ask of a group at full brightness, as shares of all its bytes at 255. */
export interface GroupLoad {
  /** Share of full light over time. */
  readonly mean: number;
  /** Highest share, at one moment. */
  readonly peak: number;
  /** The busiest second. */
  readonly flashing: Flashing;
}

/** Groups that one move, or one stack of moves, paints: what each is lit at the same moments, as shares of its bytes. */
interface LoadCluster {
  readonly groups: readonly { readonly index: number; readonly bytes: readonly number[] }[];
}

/** What a mood asks for: of each group in the order of the show, and of those that move as one. */
export interface MoodLoad {
  /** In the order of the show. */
  readonly groups: readonly GroupLoad[];
  /** Moments that stand for all, each with how much of the time it stands for. */
  readonly clusters: readonly LoadCluster[];
}

const none: GroupLoad = { mean: 0, peak: 0, flashing: noFlashing };

/** Times that stand for one period: each step of a chase once, a breath at equal distances, anything steady once. */
const sampleTimes = (move: CompiledMove): readonly number[] => moveOf(move.kind).sampleMs(move);

/** What a frame of a group comes to, each as a share of all its lights at full. */
interface Glow {
  /** Of the bytes, which is what draws current. */
  readonly bytes: number;
  /** Relative luminance. */
  readonly luminance: number;
  /** Red over green and blue together; negative where those are more. */
  readonly red: number;
}

/** Luminance of the colours of a pixel by the weights of a screen; a single light is as bright as it is lit. */
const weightsOf = (bytesPerPoint: 1 | 3): readonly number[] =>
  bytesPerPoint === 1 ? [1] : [screenWeights.red, screenWeights.green, screenWeights.blue];

/** What is on or off is full on with anything left of its byte. */
const byteOf = ({ switches }: ShowGroup, byte: number): number => (switches && byte > 0 ? 255 : byte);

/**
 * Sums up a frame of a group; `lightsAt` says how many lights hang on each point, or what each die of a colour weighs beside
 * the others.
 */
function sumGlow(frame: Uint8Array, group: ShowGroup, lightsAt: readonly number[] = []): Glow {
  const weights = weightsOf(group.bytesPerPoint);
  const [k, points, dice] = [group.bytesPerPoint, group.points, diceOf(group)];
  const isByDie = dice > 1 && lightsAt.length === points * dice;
  const countOf = (i: number, c: number): number => (isByDie ? lightsAt[i * dice + c] : lightsAt[i]) ?? 1;
  let [bytes, luminance, red, weight] = [0, 0, 0, 0];
  for (let i = 0; i < points; i += 1) {
    const at = group.offset + i * k;
    const white = group.whiteDie === 'lit' ? whiteOf(frame, at) : 0;
    for (let c = 0; c < k; c += 1) {
      const count = countOf(i, c);
      const light = byteOf(group, frame[at + c] ?? 0) * count;
      weight += count;
      bytes += light - white * count;
      luminance += light * (weights[c] ?? 0);
      if (k === 3) red += c === 0 ? light : -light;
    }
    if (dice > k) {
      const count = countOf(i, k);
      weight += count;
      bytes += white * count;
    }
  }
  const full = 255 * Math.max(1, weight / dice);
  return { bytes: bytes / (full * dice), luminance: luminance / full, red: red / full };
}

/**
 * The worst of three: luminance as a screen would have it, saturated red, and the bytes themselves, since a blue that is
 * dark on a screen is bright as a light at night.
 */
function worstFlashing(timesMs: readonly number[], glows: readonly Glow[], periodMs: number | null): Flashing {
  const find = (pick: (glow: Glow) => number, change?: typeof redFlash): Flashing =>
    findFlashing(timesMs, glows.map(pick), periodMs, change);
  return [
    find((glow) => glow.luminance),
    find((glow) => glow.bytes),
    find(({ red }) => Math.max(0, red), redFlash),
  ].reduce((worst, each) => (each.perS > worst.perS ? each : worst));
}

const meanOf = (glows: readonly Glow[]): number => glows.reduce((sum, glow) => sum + glow.bytes, 0) / glows.length;

const loadOf = (
  glows: readonly Glow[],
  mean: number,
  timesMs: readonly number[],
  periodMs: number | null,
): GroupLoad => ({
  mean,
  peak: Math.max(...glows.map((glow) => glow.bytes)),
  flashing: worstFlashing(timesMs, glows, periodMs),
});

/** What one move alone comes to: its own period says all; of some how long they are lit is known exactly. */
function loadAlone(move: CompiledMove, timesMs: readonly number[], glows: readonly Glow[]): GroupLoad {
  const lit = Math.max(...glows.map((glow) => glow.bytes));
  const share = moveOf(move.kind).litShare?.(move);
  const mean = share === undefined ? meanOf(glows) : lit * share;
  return loadOf(glows, mean, timesMs, move.periodMs);
}

/** One move on the whole of one group. Where every point shows the same, one stands for all. */
function measureAlone(group: ShowGroup, set: ShowSet, layer: ShowLayer, lightsAt?: readonly number[]): GroupLoad {
  const { move } = layer;
  const points = isAlike(move) ? Math.min(1, group.points) : group.points;
  const frame = new Uint8Array(points * group.bytesPerPoint);
  const times = sampleTimes(move);
  const glows = times.map((tMs) => {
    frame.fill(0);
    paintLayer(frame, { ...set, points, offset: 0 }, layer, tMs, []);
    return sumGlow(frame, { ...group, points, offset: 0 }, lightsAt);
  });
  return loadAlone(move, times, glows);
}

/** Frames that are looked at one after another for what flashes, and how far apart. */
const SERIES = 200;
const SERIES_MS = 40;
/** Moments that stand for a long evening: by the golden ratio they meet the moves of a stack in every combination. */
const MOMENTS = 64;
const EVENING_MS = 3_600_000;
const GOLDEN = 0.618_033_988_749_894_9;

const momentMs = (i: number): number => Math.trunc((((i + 1) * GOLDEN) % 1) * EVENING_MS);

/** A group of a mood that has to be measured, by its number in the show. */
interface Asked {
  readonly index: number;
  readonly group: ShowGroup;
  readonly lightsAt: readonly number[] | undefined;
}

/** Paints layers at these times, and sums up every group that was asked for: by group, then by time. */
function lookAt(
  show: Show,
  layers: readonly ShowLayer[],
  timesMs: readonly number[],
  asked: readonly Asked[],
): Glow[][] {
  const frame = new Uint8Array(show.frameBytes);
  const glows: Glow[][] = asked.map(() => []);
  for (const tMs of timesMs) {
    frame.fill(0);
    paintLayers(show, layers, tMs, [], frame);
    asked.forEach(({ group, lightsAt }, i) => {
      glows[i]?.push(sumGlow(frame, group, lightsAt));
    });
  }
  return glows;
}

/** What flashes faster than this slips between the frames of a series; each move is then asked by itself. */
const FASTEST_SEEN_PER_S = 500 / SERIES_MS / 2;

/** What one layer of a stack would do on each group if it were alone: at its own period nothing slips through. */
interface Alone {
  readonly flashing: readonly Flashing[];
  /** When each group is at its brightest. */
  readonly peakMs: readonly number[];
}

function lookAlone(show: Show, layer: ShowLayer, asked: readonly Asked[]): Alone {
  const times = sampleTimes(layer.move);
  const glows = lookAt(show, [layer], times, asked);
  return {
    flashing: glows.map((each) => worstFlashing(times, each, layer.move.periodMs)),
    peakMs: glows.map((each) => {
      const peak = Math.max(...each.map((glow) => glow.bytes));
      return times[each.findIndex((glow) => glow.bytes === peak)] ?? 0;
    }),
  };
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** From so many rounds of the longest move on until all begin together again, every phase of the others meets it. */
const ROUNDS_APART = 12;

/**
 * Whether moves of these periods drift against each other until their heights meet; those of one beat, that come round
 * together soon, are always the same way apart.
 * @example 2 s and 4 s do not; 100 s and 97 s meet again only after 9700 s, and do
 */
function driftsApart(layers: readonly ShowLayer[]): boolean {
  const periodsMs = layers.map(({ move }) => Math.max(1, move.periodMs));
  const apartMs = ROUNDS_APART * Math.max(...periodsMs);
  let togetherMs = 1;
  for (const periodMs of periodsMs) {
    togetherMs = (togetherMs / gcd(togetherMs, periodMs)) * periodMs;
    if (togetherMs >= apartMs) return true;
  }
  return false;
}

/** Frames in which all layers are at their height at once, one for each group that was asked for. */
function lookAtMeetings(
  show: Show,
  layers: readonly ShowLayer[],
  alone: readonly Alone[],
  asked: readonly Asked[],
): Glow[][] {
  const frame = new Uint8Array(show.frameBytes);
  const glows: Glow[][] = asked.map(() => []);
  if (!driftsApart(layers)) return glows;
  asked.forEach((_, met) => {
    frame.fill(0);
    layers.forEach((layer, l) => {
      paintLayers(show, [layer], alone[l]?.peakMs[met] ?? 0, [], frame);
    });
    asked.forEach(({ group, lightsAt }, i) => {
      glows[i]?.push(sumGlow(frame, group, lightsAt));
    });
  });
  return glows;
}

interface Together {
  readonly loads: readonly GroupLoad[];
  readonly glows: readonly (readonly Glow[])[];
}

/** Everything that the frames of these layers on these groups depend on, as a text. */
function keyOf(show: Show, layers: readonly ShowLayer[], asked: readonly Omit<Asked, 'index'>[]): string {
  const list = (values: Uint16Array | null): string => values?.join() ?? '';
  const ofLayers = layers.map(({ set, how, move, length, places }) => {
    const ground = show.sets[set];
    return [
      how,
      JSON.stringify(move),
      length,
      list(places),
      ground?.points,
      ground?.bytesPerPoint,
      ground?.offset,
      list(ground?.offsets ?? null),
    ].join('/');
  });
  const ofGroups = asked.map(({ group, lightsAt }) =>
    [group.offset, group.points, group.bytesPerPoint, group.whiteDie, lightsAt?.join()].join('/'),
  );
  return [show.frameBytes, ...ofLayers, ...ofGroups].join('|');
}

const rememberAlone = remember<GroupLoad>(300);
const rememberTogether = remember<Together>(60);
const rememberLimited = remember<LimitedLoad>(120);

/** Several moves on the same lights: looked at together, over many moments of a long evening and frame by frame. */
function measureTogether(show: Show, layers: readonly ShowLayer[], asked: readonly Asked[]): Together {
  const times = Array.from({ length: SERIES }, (_, i) => i * SERIES_MS);
  const evening = Array.from({ length: MOMENTS }, (_, i) => momentMs(i));
  const [series, moments] = [lookAt(show, layers, times, asked), lookAt(show, layers, evening, asked)];
  const alone = layers.map((layer) => lookAlone(show, layer, asked));
  const meetings = lookAtMeetings(show, layers, alone, asked);
  const loads = asked.map((_, i) => {
    const [inTime, overall] = [series[i] ?? [], moments[i] ?? []];
    const load = loadOf(inTime, meanOf(overall), times, null);
    const fast = alone.map((each) => each.flashing[i] ?? noFlashing).filter((each) => each.perS > FASTEST_SEEN_PER_S);
    return {
      ...load,
      peak: Math.max(load.peak, ...[...overall, ...(meetings[i] ?? [])].map((glow) => glow.bytes)),
      flashing: fast.reduce((worst, each) => (each.perS > worst.perS ? each : worst), load.flashing),
    };
  });
  return {
    loads,
    glows: asked.map((_, i) => [...(series[i] ?? []), ...(moments[i] ?? []), ...(meetings[i] ?? [])]),
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
 * What a mood asks of each group, and how it flashes there, taken from the engine's own frames at full brightness.
 * Gauges count as full. `lightsAt` says how many lights hang on each point of a group, where that is
 * not the same for all.
 */
export function measureMood(
  show: Show,
  mood: Pick<ShowMood, 'layers'>,
  lightsAt: (groupId: string) => readonly number[] | undefined = () => undefined,
): MoodLoad {
  const groups: GroupLoad[] = show.groups.map(() => none);
  const clusters: LoadCluster[] = [];
  const shared = new Map<ShowLayer, Asked[]>();
  const stacked: Asked[] = [];
  show.groups.forEach((group, index) => {
    const layers = mood.layers.filter((layer) => touches(show, layer, index));
    const [only] = layers;
    const set = only && show.sets[only.set];
    if (group.points === 0 || !only || !set) return;
    const asked = { index, group, lightsAt: lightsAt(group.id) };
    if (layers.length > 1) stacked.push(asked);
    else if (only.set === index) {
      const load = rememberAlone(keyOf(show, [only], [asked]), () => measureAlone(group, set, only, asked.lightsAt));
      groups[index] = load;
      clusters.push({ groups: [{ index, bytes: [load.peak] }] });
    } else shared.set(only, [...(shared.get(only) ?? []), asked]);
  });
  const take = (asked: readonly Asked[], loads: readonly GroupLoad[], glows: readonly (readonly Glow[])[]): void => {
    asked.forEach(({ index }, i) => {
      groups[index] = loads[i] ?? none;
    });
    clusters.push({
      groups: asked.map(({ index }, i) => ({ index, bytes: (glows[i] ?? []).map((glow) => glow.bytes) })),
    });
  };
  for (const [layer, asked] of shared) {
    const times = sampleTimes(layer.move);
    const glows = lookAt(show, [layer], times, asked);
    take(
      asked,
      glows.map((each) => loadAlone(layer.move, times, each)),
      glows,
    );
  }
  if (stacked.length > 0) {
    const layers = mood.layers.filter((layer) => stacked.some(({ index }) => touches(show, layer, index)));
    const { loads, glows } = rememberTogether(keyOf(show, layers, stacked), () =>
      measureTogether(show, layers, stacked),
    );
    take(stacked, loads, glows);
  }
  return { groups, clusters };
}

/** The most that the groups of a mood ask for at one time, each weighed by what it is worth at full. */
export function peakOfMood(load: MoodLoad, worth: readonly number[]): number {
  // What moves as one peaks at one moment; what does not drifts until its peaks meet.
  return load.clusters.reduce((sum, { groups }) => {
    const moments = Math.max(0, ...groups.map((group) => group.bytes.length));
    const sums = Array.from({ length: moments }, (_, t) =>
      groups.reduce((total, { index, bytes }) => total + (worth[index] ?? 0) * (bytes[t] ?? 0), 0),
    );
    return sum + Math.max(0, ...sums);
  }, 0);
}

/** A mood's current once the limiter has seen each frame. */
export interface LimitedLoad {
  /** Whether any frame passes a limit. */
  readonly acts: boolean;
  readonly meanA: number;
  readonly peakA: number;
}

/** Mean and height of what the lights of a mood draw above the rest once the limiter has seen each frame, in amperes. */
export function measureLimited(show: Show, moodIndex: number, limit: ShowLimit): LimitedLoad {
  const mood = show.moods[moodIndex];
  const asked = show.groups.map((group) => ({ group, lightsAt: undefined }));
  const key = `${keyOf(show, mood?.layers ?? [], asked)}|${mood?.brightness256}|${JSON.stringify(limit)}`;
  return rememberLimited(key, () => lookLimited(show, moodIndex, limit));
}

function lookLimited(show: Show, moodIndex: number, limit: ShowLimit): LimitedLoad {
  const frame = new Uint8Array(show.frameBytes);
  let acts = false;
  // Where nothing moves, one moment says all.
  const isStill = show.moods[moodIndex]?.throughMs === 1;
  const currents = Array.from({ length: isStill ? 1 : MOMENTS }, (_, i) => {
    paintFrame(show, moodIndex, momentMs(i), frame);
    if (limitFrame(show, limit, frame) < 256) acts = true;
    return (limit.restMicroA + lightsOf(show, limit, frame) / 255) / 1e6;
  });
  return {
    acts,
    meanA: currents.reduce((sum, currentA) => sum + currentA, 0) / currents.length,
    peakA: Math.max(...currents),
  };
}

const rememberUnderSign = remember<readonly (readonly number[])[]>(60);

/**
 * What the groups of a mood come to while a sign lies over it: by moment, then by group, as shares of their bytes. The
 * mood is dimmed as it is set; the sign is not, and what it covers it takes the place of.
 */
export function measureUnderSign(show: Show, moodIndex: number, signIndex: number): readonly (readonly number[])[] {
  const [mood, sign] = [show.moods[moodIndex], show.signs[signIndex]];
  if (!mood || !sign) return [];
  const asked = show.groups.map((group) => ({ group, lightsAt: undefined }));
  const key = `${keyOf(show, mood.layers, asked)}|${mood.brightness256}|${keyOf(show, sign.layers, asked)}`;
  return rememberUnderSign(key, () => {
    const frame = new Uint8Array(show.frameBytes);
    const times = [
      ...sign.layers.flatMap((layer) => sampleTimes(layer.move)),
      ...Array.from({ length: 24 }, (_, i) => momentMs(i)),
    ];
    return times.map((tMs) => {
      paintFrame(show, moodIndex, tMs, frame);
      paintLayers(show, sign.layers, tMs, [], frame);
      return show.groups.map((group) => (group.points === 0 ? 0 : sumGlow(frame, group).bytes));
    });
  });
}
