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
import { clock, useClock } from '../state/clock.ts';
import { hands, type Touch, useHands } from '../state/hands.ts';
import { type Onlooker, useLamp } from '../state/lamp.ts';
import { type Exposure, type Fitting, layGlows, listLights, type Painter, paintLights } from './glow.ts';
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
  const { dials } = useHands.getState();
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
  ): { readonly frame: ArrayLike<number>; readonly exposure: Exposure | null; readonly scale256: number } => {
    if (shutterS === null) return { scale256: paintNow({ ...at, out: frame, scratch }), frame, exposure: null };
    const from = Math.trunc(at.nowMs / CAMERA_FRAME_MS) * CAMERA_FRAME_MS;
    const count = mixedFrames(shutterS);
    mean.fill(0);
    let scale256 = 256;
    for (let i = 0; i < count; i += 1) {
      const momentMs = Math.max(at.state.sinceMs, from + Math.trunc((i * shutterS * 1000) / count));
      scale256 = Math.min(scale256, paintNow({ ...at, nowMs: momentMs, out: frame, scratch }));
      for (let k = 0; k < mean.length; k += 1) mean[k] = (mean[k] ?? 0) + (frame[k] ?? 0) / count;
    }
    return { frame: mean, scale256, exposure: { shutterS, fromS: from / 1000, readOutS: READ_OUT_S } };
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

/** Sets a canvas up for the pixels of its screen; null while there is none. */
function setUp(canvas: HTMLCanvasElement | null, fitting: Fitting): CanvasRenderingContext2D | null {
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return null;
  const ratio = window.devicePixelRatio || 1;
  canvas.width = Math.round(fitting.widthPx * ratio);
  canvas.height = Math.round(fitting.heightPx * ratio);
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  return context;
}

/** Lays the lights for an onlooker, anew only where another looks on, or the lamp is switched. */
function createLayer(assessment: Assessment, design: Design, fitting: Fitting) {
  const lights = listLights(assessment);
  const viewMm = Math.max(design.view.widthMm, design.view.heightMm);
  const layFor = (lamp: Painter['lamp'], onlooker: Onlooker) => {
    const seen = { fitting: fittingFor(fitting, onlooker, design), lamp, viewMm };
    return { ...seen, onlooker, glows: layGlows(lights, seen) };
  };
  let last: ReturnType<typeof layFor> | null = null;
  return (lamp: Painter['lamp'], onlooker: Onlooker) => {
    if (last?.lamp !== lamp || last.onlooker !== onlooker) last = layFor(lamp, onlooker);
    return last;
  };
}

interface Painted {
  readonly design: Design;
  readonly assessment: Assessment;
  readonly fitting: Fitting;
  readonly context: CanvasRenderingContext2D;
  readonly piece: Stage;
  readonly onShowing: (moodId: string | null) => void;
}

/** Makes what paints the piece as it is at this moment, as whoever looks on sees it. */
function createPainter({ design, assessment, fitting, context, piece, onShowing }: Painted): () => void {
  const { show, limit } = assessment;
  const lay = createLayer(assessment, design, fitting);
  const look = createLooker(show.frameBytes);
  const [looked, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
  return () => {
    const { lamp, onlooker } = useLamp.getState();
    const shown = show.moods.findIndex((mood) => mood.id === useHands.getState().shownMoodId);
    const nowMs = Math.round(piece.nowMs);
    piece.player = passTime(show, actOn(show, piece.player, [], nowMs), nowMs);
    const sinceMs = nowMs - Math.round(piece.shownMs);
    const state: PlayerState =
      shown < 0 ? piece.player : { ...piece.player, mood: shown, sinceMs, fade: null, back: null };
    const seen = look({ show, limit, state, nowMs }, onlooker.shutterS);
    // A controller holds the frame of this moment, whoever looks on.
    if (seen.exposure) paintNow({ show, limit, state, nowMs, out: looked, scratch });
    else looked.set(seen.frame);
    const laid = lay(lamp, onlooker);
    paintLights({ ...laid, context, exposure: seen.exposure }, laid.glows, seen.frame);
    clock.tell(nowMs - state.sinceMs);
    tellMoment({ nowMs, state, frame: looked, scale256: seen.scale256 });
    onShowing(state.mood === ANY ? null : (show.moods[state.mood]?.id ?? null));
  };
}

/** Lets the clock of a piece run, and paints each frame; gives what stops it. */
function run(piece: Stage, paint: () => void): () => void {
  let handle = 0;
  let lastTick = performance.now();
  const tick = (at: number): void => {
    // A tab that was away must not leap ahead by minutes.
    const passedMs = Math.min(250, Math.max(0, at - lastTick)) * useClock.getState().speed;
    piece.nowMs += passedMs;
    piece.shownMs += passedMs;
    lastTick = at;
    paint();
    handle = requestAnimationFrame(tick);
  };
  handle = requestAnimationFrame(tick);
  return () => cancelAnimationFrame(handle);
}

/** Does to the piece what hands, lamp and clock do, and paints it where it stands still. */
function useHandsOn(stage: RefObject<Stage>, show: Show, paint: (() => void) | null): void {
  const shownBefore = useRef(useHands.getState().shownMoodId);
  useEffect(() => {
    if (!paint) return;
    const piece = stage.current;
    const act = (): void => {
      const { shownMoodId } = useHands.getState();
      if (shownBefore.current !== shownMoodId) {
        shownBefore.current = shownMoodId;
        piece.shownMs = 0;
      }
      const skip = clock.takeSkip();
      piece.nowMs += skip;
      piece.shownMs = clock.takeScrub() ?? piece.shownMs + skip;
      piece.player = actOn(show, piece.player, hands.takeTouches(), Math.round(piece.nowMs));
    };
    // While it runs the next frame paints what hands did; taking what they left is a change of its own, with nothing in it.
    const actAndPaint = (): void => {
      act();
      if (!useClock.getState().running) paint();
    };
    actAndPaint();
    const leaves = [
      useHands.subscribe(actAndPaint),
      useLamp.subscribe(actAndPaint),
      useClock.subscribe((state, before) => {
        if (state.skipMs !== before.skipMs || state.scrubMs !== before.scrubMs) actAndPaint();
      }),
    ];
    return () => {
      for (const leave of leaves) leave();
    };
  }, [stage, paint, show]);
}

/**
 * Runs the moods on a canvas over the picture: the engine's frames at the display's rate while running, one still
 * frame while held. Virtual hands and cues move the player; a mood chosen by hand is shown by itself, on a clock that
 * can be set. What paints is built anew with the plan and the picture's size alone, not with each touch.
 * @returns the mood that is showing.
 */
export function useGlow(
  canvasRef: RefObject<HTMLCanvasElement | null>,
  options: { readonly design: Design; readonly assessment: Assessment; readonly fitting: Fitting | null },
): string | null {
  const { design, assessment, fitting } = options;
  const { show } = assessment;
  const stage = useRef<Stage>({ player: startPlayer(show), nowMs: START_MS, shownMs: 0 });
  const shape = useRef(shapeOf(show));
  const [showing, setShowing] = useState<string | null>(null);
  const [paint, setPaint] = useState<(() => void) | null>(null);
  const isRunning = useClock((state) => state.running);
  // A piece that comes onto the bench is at rest.
  useEffect(hands.letGo, []);

  useEffect(() => {
    const context = fitting && setUp(canvasRef.current, fitting);
    if (!context) return;
    const piece = stage.current;
    if (shape.current !== shapeOf(show)) {
      shape.current = shapeOf(show);
      // It begins anew; what hands hold closed they still hold.
      const held = [...useHands.getState().closed].map((controlId) => ({ controlId, isOn: true }));
      piece.player = actOn(show, startPlayer(show), held, 0);
      piece.nowMs = START_MS;
    }
    const painter = createPainter({ design, assessment, fitting, context, piece, onShowing: setShowing });
    painter();
    setPaint(() => painter);
  }, [canvasRef, design, assessment, show, fitting]);

  useHandsOn(stage, show, paint);
  useEffect(() => (paint && isRunning ? run(stage.current, paint) : undefined), [paint, isRunning]);
  return showing;
}
