import type { Assessment } from '@glimmer/core/assess';
import type { PlacedGroup } from '@glimmer/core/lights';
import {
  handleEvent,
  type PlayerState,
  paintNow,
  parseColour,
  passTime,
  type Show,
  startPlayer,
} from '@glimmer/core/motion';
import type { Design } from '@glimmer/core/plan';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { useViewStore, view } from '../state/viewStore.ts';

/** How millimetres of the view become pixels of the canvas. */
export interface Fitting {
  readonly scale: number;
  readonly leftPx: number;
  readonly topPx: number;
  readonly widthPx: number;
  readonly heightPx: number;
}

const SPRITE_PX = 64;
const sprites = new Map<number, HTMLCanvasElement>();

/** A soft round glow of one colour, made once and drawn many times; colours are rounded to 16 steps each. */
function spriteOf(red: number, green: number, blue: number): HTMLCanvasElement {
  const key = ((red >> 4) << 8) | ((green >> 4) << 4) | (blue >> 4);
  const known = sprites.get(key);
  if (known) return known;
  const sprite = document.createElement('canvas');
  sprite.width = SPRITE_PX;
  sprite.height = SPRITE_PX;
  const context = sprite.getContext('2d');
  if (context) {
    const glow = context.createRadialGradient(
      SPRITE_PX / 2,
      SPRITE_PX / 2,
      0,
      SPRITE_PX / 2,
      SPRITE_PX / 2,
      SPRITE_PX / 2,
    );
    const colour = (alpha: number, whiten = 0): string =>
      `rgba(${[red, green, blue].map((value) => Math.round(value + (255 - value) * whiten)).join(',')},${alpha})`;
    glow.addColorStop(0, colour(1, 0.55));
    glow.addColorStop(0.16, colour(0.85, 0.15));
    glow.addColorStop(0.42, colour(0.26));
    glow.addColorStop(1, colour(0));
    context.fillStyle = glow;
    context.fillRect(0, 0, SPRITE_PX, SPRITE_PX);
  }
  sprites.set(key, sprite);
  return sprite;
}

/** Light, 0…255, to what a screen shows for it. */
const screenLevel = Uint8Array.from({ length: 256 }, (_, light) => Math.round(255 * (light / 255) ** (1 / 2.2)));

interface Light {
  readonly xMm: number;
  readonly yMm: number;
  readonly at: number;
  /** Null = three bytes from the frame; else one byte scales this colour. */
  readonly colour: readonly [number, number, number] | null;
  readonly radiusMm: number;
}

function listLights(placed: readonly PlacedGroup[], show: Show): Light[] {
  return placed.flatMap((group, g): Light[] => {
    const row = show.groups[g];
    if (!row) return [];
    if (group.kind === 'tape')
      return group.places.map((place, i) => ({ ...place, at: row.offset + i * 3, colour: null, radiusMm: 11 }));
    const channels = Math.max(1, row.points);
    const radiusMm = 9 + 4 * Math.log10(Math.max(10, group.part.intensityMcd) / 100);
    return group.places.map((place, i) => ({
      ...place,
      at: row.offset + (i % channels),
      colour: parseColour(group.part.colour),
      radiusMm,
    }));
  });
}

interface Painter {
  readonly context: CanvasRenderingContext2D;
  readonly fitting: Fitting;
  readonly lamp: 'on' | 'off';
  readonly viewMm: number;
}

/** Small models need small dots: radii are held to a share of the view. */
const sizeOf = (radiusMm: number, viewMm: number): number => Math.min(radiusMm * 1.4, (viewMm * radiusMm) / 260);

function paintLights({ context, fitting, lamp, viewMm }: Painter, lights: readonly Light[], frame: Uint8Array): void {
  context.clearRect(0, 0, fitting.widthPx, fitting.heightPx);
  context.globalCompositeOperation = lamp === 'off' ? 'lighter' : 'source-over';
  for (const light of lights) {
    const level = (k: number): number => screenLevel[frame[light.at + k] ?? 0] ?? 0;
    const mono = level(0);
    const rgb = light.colour ?? [level(0), mono === 0 && level(1) === 0 && level(2) === 0 ? 0 : level(1), level(2)];
    const strength = light.colour ? mono / 255 : Math.max(...rgb) / 255;
    if (strength <= 0.004) continue;
    const x = fitting.leftPx + light.xMm * fitting.scale;
    const y = fitting.topPx + light.yMm * fitting.scale;
    const full = light.colour ? rgb : rgb.map((value) => value / strength);
    const sprite = spriteOf(full[0] ?? 0, full[1] ?? 0, full[2] ?? 0);
    const radius = Math.max(3, sizeOf(light.radiusMm, viewMm) * fitting.scale * (lamp === 'off' ? 1.5 : 0.62));
    context.globalAlpha = Math.min(1, lamp === 'off' ? strength : 0.25 + 0.75 * strength);
    context.drawImage(sprite, x - radius, y - radius, 2 * radius, 2 * radius);
  }
  context.globalAlpha = 1;
}

/**
 * Runs the moods on a canvas over the picture: the engine's frames at the display's rate while running, one still
 * frame while held. Virtual hands and cues move the player; a mood chosen by hand is shown by itself.
 * @returns the mood that is showing.
 */
export function useGlow(
  canvasRef: RefObject<HTMLCanvasElement | null>,
  options: { readonly design: Design; readonly assessment: Assessment; readonly fitting: Fitting | null },
): string | null {
  const { design, assessment, fitting } = options;
  const lamp = useViewStore((state) => state.lamp);
  const running = useViewStore((state) => state.running);
  const shownMoodId = useViewStore((state) => state.shownMoodId);
  const events = useViewStore((state) => state.events);
  const speed = useViewStore((state) => state.speed);
  const skipMs = useViewStore((state) => state.skipMs);
  const player = useRef<PlayerState>(startPlayer(design));
  const clock = useRef({ nowMs: 0, lastTick: 0 });
  const [showing, setShowing] = useState<string | null>(player.current.moodId);

  useEffect(() => {
    const canvas = canvasRef.current;
    const context = canvas?.getContext('2d');
    if (!canvas || !context || !fitting) return;
    const ratio = window.devicePixelRatio || 1;
    canvas.width = Math.round(fitting.widthPx * ratio);
    canvas.height = Math.round(fitting.heightPx * ratio);
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    const { show, limit } = assessment;
    const lights = listLights(assessment.placed, show);
    const frame = new Uint8Array(show.frameBytes);
    const scratch = new Uint8Array(show.frameBytes);
    const known = (id: string | null): boolean => design.moods.list.some((mood) => mood.id === id);
    if (!known(player.current.moodId)) player.current = startPlayer(design);
    if (skipMs !== 0) clock.current.nowMs += view.takeSkip();
    for (const event of events.length > 0 ? view.takeEvents() : [])
      player.current = handleEvent(design, player.current, event, Math.round(clock.current.nowMs));

    const paint = (): void => {
      const nowMs = Math.round(clock.current.nowMs);
      player.current = passTime(design, player.current, nowMs);
      const state: PlayerState = known(shownMoodId)
        ? { moodId: shownMoodId, sinceMs: 0, fade: null, back: null }
        : player.current;
      paintNow({ show, state, nowMs, out: frame, scratch, limit });
      paintLights(
        { context, fitting, lamp, viewMm: Math.max(design.view.widthMm, design.view.heightMm) },
        lights,
        frame,
      );
      setShowing(state.moodId);
    };
    paint();
    if (!running) return;
    let handle = 0;
    clock.current.lastTick = performance.now();
    const tick = (at: number): void => {
      // A tab that was away must not leap ahead by minutes.
      clock.current.nowMs += Math.min(250, Math.max(0, at - clock.current.lastTick)) * speed;
      clock.current.lastTick = at;
      paint();
      handle = requestAnimationFrame(tick);
    };
    handle = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(handle);
  }, [canvasRef, design, assessment, fitting, lamp, running, shownMoodId, events, speed, skipMs]);
  return showing;
}
