import type { Assessment } from '@glimmer/core/assess';
import {
  ANY,
  type PlayerState,
  paintNow,
  passTime,
  type Show,
  START_MS,
  sense,
  startPlayer,
  touch,
} from '@glimmer/core/motion';
import type { Design } from '@glimmer/core/plan';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { type Onlooker, type Touch, useViewStore, view } from '../state/viewStore.ts';
import { type Exposure, type Fitting, listLights, paintLights } from './glow.ts';
import { tellMoment } from './pieceStore.ts';

/** The piece as it is played: its state, its clock, and the clock of a mood that is shown by hand. */
interface Stage {
  player: PlayerState;
  nowMs: number;
  shownMs: number;
}

/** What the shows of two designs must have in common for the one to go on where the other was. */
const shapeOf = (show: Show): string =>
  [show.moods.map((mood) => mood.id), show.controls.map((control) => control.id)].map((ids) => ids.join()).join(' ');

/** The player after virtual hands have done what they did and the sensors were read. */
function actOn(show: Show, state: PlayerState, touches: readonly Touch[], nowMs: number): PlayerState {
  const { dials } = useViewStore.getState();
  const indexOf = (id: string): number => show.controls.findIndex((control) => control.id === id);
  const after = touches.reduce((now, each) => touch(show, now, indexOf(each.controlId), each.isOn, nowMs), state);
  return show.controls.reduce((now, control, i) => {
    const { sensing } = control;
    if (!sensing) return now;
    const code = sensing.emptyCode + (sensing.fullCode - sensing.emptyCode) * (dials[control.id] ?? 1);
    return sense(show, now, i, Math.round(code), nowMs);
  }, after);
}

/** A video frame in 25 a second; read from top to bottom in most of that time. */
const CAMERA_FRAME_MS = 40;
const READ_OUT_S = 0.02;

/** Frames that a camera lays one upon another while its shutter is open. */
const mixedFrames = (shutterS: number): number => Math.min(6, Math.max(1, Math.ceil(shutterS / 0.008)));

interface Moment {
  readonly show: Show;
  readonly limit: Assessment['limit'];
  readonly state: PlayerState;
  readonly nowMs: number;
}

/** Makes what an onlooker sees of a moment: the frame itself, or a camera's mean over its shutter time. */
function createLooker(bytes: number) {
  const [frame, scratch, mean] = [new Uint8Array(bytes), new Uint8Array(bytes), new Float64Array(bytes)];
  return (
    at: Moment,
    shutterS: number | null,
  ): { readonly frame: ArrayLike<number>; readonly exposure: Exposure | null } => {
    if (shutterS === null) {
      paintNow({ ...at, out: frame, scratch });
      return { frame, exposure: null };
    }
    const from = Math.trunc(at.nowMs / CAMERA_FRAME_MS) * CAMERA_FRAME_MS;
    const count = mixedFrames(shutterS);
    mean.fill(0);
    for (let i = 0; i < count; i += 1) {
      const momentMs = Math.max(at.state.sinceMs, from + Math.trunc((i * shutterS * 1000) / count));
      paintNow({ ...at, nowMs: momentMs, out: frame, scratch });
      for (let k = 0; k < mean.length; k += 1) mean[k] = (mean[k] ?? 0) + (frame[k] ?? 0) / count;
    }
    return { frame: mean, exposure: { shutterS, fromS: from / 1000, readOutS: READ_OUT_S } };
  };
}

/** From how far the back row looks, and how far a screen is from the one who reads it. */
const BACK_ROW_M = 15;
const SCREEN_M = 0.6;
const PX_PER_MM = 96 / 25.4;

/** The fitting for an onlooker: from the back row the piece is as small as it looks from there. */
function fittingFor(fitting: Fitting, onlooker: Onlooker, design: Design): Fitting {
  if (onlooker.from === 'near') return fitting;
  const scale = Math.min(fitting.scale, (PX_PER_MM * SCREEN_M) / BACK_ROW_M);
  return {
    ...fitting,
    scale,
    leftPx: (fitting.widthPx - design.view.widthMm * scale) / 2,
    topPx: (fitting.heightPx - design.view.heightMm * scale) / 2,
  };
}

/**
 * Runs the moods on a canvas over the picture: the engine's frames at the display's rate while running, one still
 * frame while held. Virtual hands and cues move the player; a mood chosen by hand is shown by itself, on a clock that
 * can be set.
 * @returns the mood that is showing.
 */
export function useGlow(
  canvasRef: RefObject<HTMLCanvasElement | null>,
  options: { readonly design: Design; readonly assessment: Assessment; readonly fitting: Fitting | null },
): string | null {
  const { design, assessment, fitting } = options;
  const { lamp, running, shownMoodId, touches, dials, speed, skipMs, scrubMs, onlooker } = useViewStore(
    useShallow(({ lamp, running, shownMoodId, touches, dials, speed, skipMs, scrubMs, onlooker }) => ({
      lamp,
      running,
      shownMoodId,
      touches,
      dials,
      speed,
      skipMs,
      scrubMs,
      onlooker,
    })),
  );
  const { show, limit } = assessment;
  const stage = useRef<Stage>({ player: startPlayer(show), nowMs: START_MS, shownMs: 0 });
  const shape = useRef(shapeOf(show));
  const shownBefore = useRef(shownMoodId);
  const [showing, setShowing] = useState<string | null>(null);
  // A piece that comes onto the bench is at rest.
  useEffect(view.letGo, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: hands, dials and the clock are read from the store as they change
  useEffect(() => {
    const canvas = canvasRef.current;
    const context = canvas?.getContext('2d');
    if (!canvas || !context || !fitting) return;
    const ratio = window.devicePixelRatio || 1;
    canvas.width = Math.round(fitting.widthPx * ratio);
    canvas.height = Math.round(fitting.heightPx * ratio);
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    const lights = listLights(assessment);
    const look = createLooker(show.frameBytes);
    const [looked, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
    const piece = stage.current;
    if (shape.current !== shapeOf(show)) {
      shape.current = shapeOf(show);
      // It begins anew; what hands hold closed they still hold.
      const held = [...useViewStore.getState().closed].map((controlId) => ({ controlId, isOn: true }));
      piece.player = actOn(show, startPlayer(show), held, 0);
      piece.nowMs = START_MS;
    }
    if (shownBefore.current !== shownMoodId) {
      shownBefore.current = shownMoodId;
      piece.shownMs = 0;
    }
    const skip = view.takeSkip();
    piece.nowMs += skip;
    piece.shownMs = view.takeScrub() ?? piece.shownMs + skip;
    piece.player = actOn(show, piece.player, view.takeTouches(), Math.round(piece.nowMs));
    const shown = show.moods.findIndex((mood) => mood.id === shownMoodId);

    const paint = (): void => {
      const nowMs = Math.round(piece.nowMs);
      piece.player = passTime(show, actOn(show, piece.player, [], nowMs), nowMs);
      const sinceMs = nowMs - Math.round(piece.shownMs);
      const state: PlayerState =
        shown < 0 ? piece.player : { ...piece.player, mood: shown, sinceMs, fade: null, back: null };
      const seen = look({ show, limit, state, nowMs }, onlooker.shutterS);
      // A controller holds the frame of this moment, whoever looks on.
      if (seen.exposure) paintNow({ show, limit, state, nowMs, out: looked, scratch });
      else looked.set(seen.frame);
      paintLights(
        {
          context,
          fitting: fittingFor(fitting, onlooker, design),
          lamp,
          viewMm: Math.max(design.view.widthMm, design.view.heightMm),
          exposure: seen.exposure,
        },
        lights,
        seen.frame,
      );
      view.tellPlayhead(nowMs - state.sinceMs);
      tellMoment({ nowMs, state, frame: looked });
      setShowing(state.mood === ANY ? null : (show.moods[state.mood]?.id ?? null));
    };
    paint();
    if (!running) return;
    let handle = 0;
    let lastTick = performance.now();
    const tick = (at: number): void => {
      // A tab that was away must not leap ahead by minutes.
      const passedMs = Math.min(250, Math.max(0, at - lastTick)) * speed;
      piece.nowMs += passedMs;
      piece.shownMs += passedMs;
      lastTick = at;
      paint();
      handle = requestAnimationFrame(tick);
    };
    handle = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(handle);
  }, [
    canvasRef,
    design,
    assessment,
    fitting,
    lamp,
    running,
    shownMoodId,
    touches,
    dials,
    speed,
    skipMs,
    scrubMs,
    onlooker,
  ]);
  return showing;
}
