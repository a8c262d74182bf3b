import { chanceByte } from '../moves/index.ts';
import { crossFade, type FadeShares } from './fade.ts';
import { dimFrame, paintFrame, paintLayers, switchFrame } from './frame.ts';
import { limitFrame, type ShowLimit } from './limit.ts';
import { ANY, type Show, type ShowCue, type ShowSensing } from './show.ts';

/** A second press within this time makes a double one. */
export const DOUBLE_MS = 400;
/** Light comes up over this time at power-on, so that a weak pack is not asked for all at once. */
export const START_MS = 512;

/** What is known of one control. `isOn`: closed, dark or low. */
export interface ControlState {
  /** Closed, dark or low. */
  readonly isOn: boolean;
  /** Time at which it became so. */
  readonly onSinceMs: number;
  /** 0…255, for what shows a value. */
  readonly level: number;
  /** Since when a sensor's code has been beyond its threshold; null = it isn't. */
  readonly crossingSinceMs: number | null;
  /** A press is waiting for a second one since then. */
  readonly tappedAtMs: number | null;
  /** How long the contact has been looked at while closed: holds up to there are done. */
  readonly heldMs: number;
  /** The press has been used up by a double one or by holding. */
  readonly isSpent: boolean;
}

interface Fade {
  readonly from: number;
  readonly fromSinceMs: number;
  readonly outMs: number;
  readonly inMs: number;
  readonly keepsLook: boolean;
}

/** Where the piece goes back to, with which fade, and when: at a time, or when a control opens. */
interface Back {
  readonly to: number;
  readonly fadeMs: number;
  readonly keepsLook: boolean;
  readonly atMs: number | null;
  readonly control: number | null;
}

/** Where the piece stands: the mood by its number in the show, since when, what it fades from, what it goes back to. */
export interface PlayerState {
  /** Its number; ANY before the first. */
  readonly mood: number;
  /** Time at which it began. */
  readonly sinceMs: number;
  /** Null while none is under way. */
  readonly fade: Fade | null;
  /** Where it goes back to, and when; null where it stays. */
  readonly back: Back | null;
  /** How many moods have begun; chance is drawn from it. */
  readonly entries: number;
  /** By their number in the show. */
  readonly controls: readonly ControlState[];
}

const atRest: ControlState = {
  isOn: false,
  onSinceMs: 0,
  level: 0,
  crossingSinceMs: null,
  tappedAtMs: null,
  heldMs: 0,
  isSpent: false,
};

/** The state at power-on: contacts open, rooms light, packs full. */
export function startPlayer(show: Show): PlayerState {
  return {
    mood: show.start,
    sinceMs: 0,
    fade: null,
    back: null,
    entries: 0,
    controls: show.controls.map(({ sensing }) => ({ ...atRest, level: sensing ? 255 : 0 })),
  };
}

interface Way {
  readonly to: number;
  readonly fadeMs: number;
  readonly keepsLook: boolean;
}

function enter(show: Show, state: PlayerState, way: Way, nowMs: number, back: Back | null): PlayerState {
  const outMs = show.moods[state.mood]?.fadeOutMs ?? way.fadeMs;
  const inMs = show.moods[way.to]?.fadeInMs ?? way.fadeMs;
  const fade =
    state.mood !== ANY && Math.max(outMs, inMs) > 0
      ? { from: state.mood, fromSinceMs: state.sinceMs, outMs, inMs, keepsLook: way.keepsLook }
      : null;
  return { ...state, mood: way.to, sinceMs: nowMs, fade, back, entries: (state.entries + 1) & 0xffff };
}

function follow(show: Show, state: PlayerState, cue: ShowCue, nowMs: number): PlayerState {
  const home = state.back?.to ?? state.mood;
  const comesBack = home !== ANY && (cue.backAfterMs !== null || cue.when === 'while');
  const back: Back | null = comesBack
    ? {
        to: home,
        fadeMs: cue.fadeMs,
        keepsLook: cue.keepsLook,
        atMs: cue.backAfterMs === null ? null : nowMs + cue.backAfterMs,
        control: cue.when === 'while' ? cue.control : null,
      }
    : null;
  return enter(show, state, cue, nowMs, back);
}

const applies = (cue: ShowCue, state: PlayerState): boolean =>
  (cue.from === ANY || cue.from === state.mood) && cue.to !== state.mood;

/** Follows the first cue that fits what has happened to a control; where none fits nothing changes. */
function followFirst(
  show: Show,
  state: PlayerState,
  whens: readonly ShowCue['when'][],
  control: number,
  nowMs: number,
): PlayerState {
  const cue = show.cues.find((each) => whens.includes(each.when) && each.control === control && applies(each, state));
  return cue ? follow(show, state, cue, nowMs) : state;
}

const withControl = (state: PlayerState, index: number, change: Partial<ControlState>): PlayerState => ({
  ...state,
  controls: state.controls.map((each, i) => (i === index ? { ...each, ...change } : each)),
});

/** The state after a contact has closed or opened, bounces already taken out. */
export function touch(show: Show, state: PlayerState, index: number, isOn: boolean, nowMs: number): PlayerState {
  const [control, before] = [show.controls[index], state.controls[index]];
  if (!control || !before || before.isOn === isOn) return state;
  return isOn ? close(show, state, index, nowMs) : open(show, state, index, nowMs);
}

function close(show: Show, state: PlayerState, index: number, nowMs: number): PlayerState {
  const [control, before] = [show.controls[index], state.controls[index]];
  const isDouble = control?.hasDouble && before?.tappedAtMs != null && nowMs - before.tappedAtMs <= DOUBLE_MS;
  const closed = withControl(state, index, {
    isOn: true,
    onSinceMs: nowMs,
    level: 255,
    heldMs: 0,
    isSpent: isDouble ?? false,
    tappedAtMs: null,
  });
  if (isDouble) return followFirst(show, closed, ['double'], index, nowMs);
  return followFirst(show, closed, control?.waits ? ['while'] : ['button', 'while'], index, nowMs);
}

function open(show: Show, state: PlayerState, index: number, nowMs: number): PlayerState {
  const [control, before] = [show.controls[index], state.controls[index]];
  const isTap = (control?.waits ?? false) && !before?.isSpent;
  let next = withControl(state, index, {
    isOn: false,
    level: 0,
    tappedAtMs: isTap && control?.hasDouble ? nowMs : null,
  });
  if (next.back?.control === index) next = goBack(show, next, next.back, nowMs);
  if (isTap && !control?.hasDouble) next = followFirst(show, next, ['button'], index, nowMs);
  return followFirst(show, next, ['opened'], index, nowMs);
}

const goBack = (show: Show, state: PlayerState, back: Back, nowMs: number): PlayerState =>
  enter(show, state, back, nowMs, null);

/** What a code comes to between its two ends, 0…255. */
function levelOfCode(sensing: ShowSensing, code: number): number {
  const span = sensing.fullCode - sensing.emptyCode;
  if (span === 0) return 255;
  return Math.min(255, Math.max(0, Math.trunc(((code - sensing.emptyCode) * 255) / span)));
}

/** A reading this near to the last is noise: what shows the value would else tremble between two steps. */
const NOISE = 4;

/** The level that is shown after a reading: it moves only where the reading has, and always reaches both ends. */
const settle = (shown: number, read: number): number =>
  Math.abs(read - shown) < NOISE && read !== 0 && read !== 255 ? shown : read;

/** The state after a sensor was read. What lies beyond a threshold must stay there for the settling time. */
export function sense(show: Show, state: PlayerState, index: number, code: number, nowMs: number): PlayerState {
  const [sensing, before] = [show.controls[index]?.sensing, state.controls[index]];
  if (!sensing || !before) return state;
  const level = settle(before.level, levelOfCode(sensing, code));
  const isBeyond = before.isOn ? code > sensing.offAbove : code < sensing.onBelow;
  const since = isBeyond ? (before.crossingSinceMs ?? nowMs) : null;
  if (since === null || nowMs - since < sensing.settleMs) {
    return level === before.level && since === before.crossingSinceMs
      ? state
      : withControl(state, index, { level, crossingSinceMs: since });
  }
  const isOn = !before.isOn;
  const next = withControl(state, index, { level, crossingSinceMs: null, isOn, onSinceMs: nowMs });
  return followFirst(show, next, isOn ? ['dark', 'low'] : ['light'], index, nowMs);
}

/** How long after its mood began a cue by itself is due: at random, drawn anew for each mood that begins. */
function waitOf(show: Show, state: PlayerState, cue: ShowCue, cueIndex: number): number {
  const { entries } = state;
  if (cue.when === 'through') return show.moods[state.mood]?.throughMs ?? 0;
  if (cue.spanMs === 0) return cue.waitMs;
  const chance = chanceByte(entries, cueIndex, 1) * 256 + chanceByte(entries, cueIndex, 2);
  return cue.waitMs + Math.trunc((cue.spanMs * chance) / 65_535);
}

/** Presses that have waited long enough, and holds that have become long enough. */
function passControl(show: Show, state: PlayerState, index: number, nowMs: number): PlayerState {
  const control = state.controls[index];
  if (!control || show.controls[index]?.sensing) return state;
  if (control.tappedAtMs !== null && nowMs - control.tappedAtMs > DOUBLE_MS)
    return followFirst(show, withControl(state, index, { tappedAtMs: null }), ['button'], index, nowMs);
  if (!control.isOn || !show.controls[index]?.waits) return state;
  const heldMs = nowMs - control.onSinceMs;
  const cue = show.cues.find(
    (each) =>
      each.when === 'held' &&
      each.control === index &&
      each.waitMs > control.heldMs &&
      each.waitMs <= heldMs &&
      applies(each, state),
  );
  if (!cue) return state;
  return follow(show, withControl(state, index, { heldMs: cue.waitMs, isSpent: true }), cue, nowMs);
}

/** The state after time has passed: long presses, going back, cues by themselves, the end of a fade. */
export function passTime(show: Show, state: PlayerState, nowMs: number): PlayerState {
  let next = state;
  for (let index = 0; index < next.controls.length; index += 1) next = passControl(show, next, index, nowMs);
  const { back } = next;
  if (back?.atMs != null && nowMs >= back.atMs) return goBack(show, next, back, back.atMs);
  const due = show.cues.findIndex(
    (cue, i) =>
      (cue.when === 'after' || cue.when === 'random' || cue.when === 'through') &&
      applies(cue, next) &&
      nowMs - next.sinceMs >= waitOf(show, next, cue, i),
  );
  const cue = show.cues[due];
  if (cue) return follow(show, next, cue, next.sinceMs + waitOf(show, next, cue, due));
  const { fade } = next;
  return fade && nowMs - next.sinceMs >= Math.max(fade.outMs, fade.inMs) ? { ...next, fade: null } : next;
}

/** How much there is of the old and of the new: what comes in takes no more than what goes out has left. */
export function fadeShares(fade: Pick<Fade, 'outMs' | 'inMs'>, tMs: number): FadeShares {
  const share = (lengthMs: number): number => (tMs >= lengthMs ? 256 : Math.trunc((tMs * 256) / lengthMs));
  const out256 = 256 - share(fade.outMs);
  return { out256, in256: Math.min(share(fade.inMs), 256 - out256) };
}

/** The frame that the piece shows now, and the scale of its limiter: 256 = untouched. */
export function paintNow(options: {
  readonly show: Show;
  readonly state: PlayerState;
  /** Time of the player. */
  readonly nowMs: number;
  /** The frame. */
  readonly out: Uint8Array;
  /** As long as a frame, for a fade. */
  readonly scratch: Uint8Array;
  /** Where the supply is known: the program's limiter is part of what is seen. */
  readonly limit?: ShowLimit;
}): number {
  const { show, state, nowMs, out, scratch } = options;
  const { fade, controls } = state;
  paintFrame(show, state.mood, nowMs - state.sinceMs, out, controls);
  if (fade) {
    paintFrame(show, fade.from, nowMs - fade.fromSinceMs, scratch, controls);
    crossFade(scratch, out, fadeShares(fade, nowMs - state.sinceMs), fade.keepsLook, out);
  }
  dimFrame(show, controls, out);
  for (const sign of show.signs) {
    const control = controls[sign.control];
    if (control?.isOn) paintLayers(show, sign.layers, nowMs - control.onSinceMs, controls, out);
  }
  if (nowMs < START_MS) for (let i = 0; i < out.length; i += 1) out[i] = ((out[i] ?? 0) * nowMs) >> 9;
  switchFrame(show, out);
  return options.limit ? limitFrame(show, options.limit, out) : 256;
}
