import type { Cue, Design } from '../plan/index.ts';
import { crossFade, paintFrame } from './frame.ts';
import { limitFrame, type ShowLimit } from './limit.ts';
import type { Show } from './show.ts';

/** What can happen to a running piece. */
export type ShowEvent =
  | { readonly kind: 'button'; readonly controlId: string }
  | { readonly kind: 'dark'; readonly controlId: string }
  | { readonly kind: 'light'; readonly controlId: string };

/** Where the piece stands: the mood, since when, what it fades from, and what it goes back to. */
export interface PlayerState {
  readonly moodId: string | null;
  readonly sinceMs: number;
  readonly fade: { readonly fromId: string; readonly fromSinceMs: number; readonly lengthMs: number } | null;
  readonly back: { readonly toId: string; readonly atMs: number; readonly fadeMs: number } | null;
}

/** The state at power-on. */
export function startPlayer(design: Design): PlayerState {
  const first = design.moods.startId ?? design.moods.list[0]?.id ?? null;
  return { moodId: first, sinceMs: 0, fade: null, back: null };
}

function enter(
  state: PlayerState,
  options: { toId: string; nowMs: number; fadeMs: number; backAfterMs: number | null },
): PlayerState {
  const { toId, nowMs, fadeMs, backAfterMs } = options;
  const fade =
    state.moodId && fadeMs > 0 ? { fromId: state.moodId, fromSinceMs: state.sinceMs, lengthMs: fadeMs } : null;
  const homeId = state.back?.toId ?? state.moodId;
  const back = backAfterMs !== null && homeId ? { toId: homeId, atMs: nowMs + backAfterMs, fadeMs } : null;
  return { moodId: toId, sinceMs: nowMs, fade, back };
}

const ms = (seconds: number): number => Math.round(seconds * 1000);

const follow = (state: PlayerState, cue: Cue, nowMs: number): PlayerState =>
  enter(state, {
    toId: cue.to,
    nowMs,
    fadeMs: ms(cue.fadeS),
    backAfterMs: cue.backAfterS === null ? null : ms(cue.backAfterS),
  });

const applies = (cue: Cue, state: PlayerState): boolean =>
  (cue.from === null || cue.from === state.moodId) && cue.to !== state.moodId;

/** The state after an event: the first cue that fits is followed; where none fits nothing changes. */
export function handleEvent(design: Design, state: PlayerState, event: ShowEvent, nowMs: number): PlayerState {
  const cue = design.moods.cues.find((candidate) => {
    const { when } = candidate;
    return (
      applies(candidate, state) && when.kind === event.kind && 'controlId' in when && when.controlId === event.controlId
    );
  });
  return cue ? follow(state, cue, nowMs) : state;
}

/** The state after time has passed: going back, cues "after a time", the end of a fade. */
export function passTime(design: Design, state: PlayerState, nowMs: number): PlayerState {
  if (state.back && nowMs >= state.back.atMs) {
    const { toId, atMs, fadeMs } = state.back;
    return enter({ ...state, back: null }, { toId, nowMs: atMs, fadeMs, backAfterMs: null });
  }
  const due = design.moods.cues.find(
    (cue) => cue.when.kind === 'after' && applies(cue, state) && nowMs - state.sinceMs >= ms(cue.when.afterS),
  );
  if (due && due.when.kind === 'after') return follow(state, due, state.sinceMs + ms(due.when.afterS));
  return state.fade && nowMs - state.sinceMs >= state.fade.lengthMs ? { ...state, fade: null } : state;
}

/** The frame that the piece shows now; `scratch` is a second frame for the fade. */
export function paintNow(options: {
  readonly show: Show;
  readonly state: PlayerState;
  readonly nowMs: number;
  readonly out: Uint8Array;
  readonly scratch: Uint8Array;
  /** Where the supply is known: the program's limiter is part of what is seen. */
  readonly limit?: ShowLimit;
}): void {
  paintUnlimited(options);
  if (options.limit) limitFrame(options.show, options.limit, options.out);
}

function paintUnlimited(options: Omit<Parameters<typeof paintNow>[0], 'limit'>): void {
  const { show, state, nowMs, out, scratch } = options;
  const indexOf = (id: string | null): number => show.moods.findIndex((mood) => mood.id === id);
  paintFrame(show, indexOf(state.moodId), nowMs - state.sinceMs, out);
  if (!state.fade) return;
  const share256 = Math.min(256, Math.trunc(((nowMs - state.sinceMs) * 256) / state.fade.lengthMs));
  paintFrame(show, indexOf(state.fade.fromId), nowMs - state.fade.fromSinceMs, scratch);
  crossFade(scratch, out, share256, out);
}
