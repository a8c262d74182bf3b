import type { Assessment } from '@glimmer/core/assess';
import { paintNow, startPlayer } from '@glimmer/core/motion';
import type { Design } from '@glimmer/core/plan';
import { expect } from 'vitest';
import { ledsOf, moodOf, soundDesign, soundSimple, tapeOf } from '../../core/tests/designs.ts';
import type { decodeLine } from './chip.ts';

/** Eight pixels that drift, and two lights on dimmed channels, on a controller. */
export const driftingPiece = (controller: string): Design =>
  soundDesign({
    drive: { ...soundSimple.drive, controller },
    tapes: [tapeOf({ lengthMm: 110 })],
    leds: [
      ledsOf({ channels: 2, places: ['a', 'b'].map((id, i) => ({ id, at: { xMm: i, yMm: 0 }, hollowId: null })) }),
    ],
    moods: {
      list: [
        moodOf({
          brightness: 1,
          moves: {
            tape: { kind: 'drift', colour: '#ff2010', second: '#1030ff', periodS: 2, wave: 5, level: 1 },
            leds: { kind: 'steady', colour: '#ffffff', level: 0.5 },
          },
        }),
      ],
      startId: 'mood',
      cues: [],
      course: [],
      cueUses: [],
    },
  });

/** Its eight pixels, red first, and then its channels, as the preview shows them at a time. */
export function previewOf({ show, limit }: Assessment): (nowMs: number) => Uint8Array {
  return (nowMs) => {
    const out = new Uint8Array(show.frameBytes);
    paintNow({ show, state: startPlayer(show), nowMs, out, scratch: new Uint8Array(show.frameBytes), limit });
    return out;
  };
}

/** Where its channels begin in a frame. */
export const PIXEL_BYTES = 24;

/** Every whole frame on its line is one of the preview, at its own time, byte for byte; green goes first. */
export function expectPreviewOnLine(
  frames: ReturnType<typeof decodeLine>,
  previewAt: (nowMs: number) => Uint8Array,
): void {
  expect(frames.length).toBeGreaterThan(20);
  for (const { atMs, bytes } of frames.slice(0, -1)) {
    expect(bytes).toHaveLength(PIXEL_BYTES);
    // A chip looked at its clock up to some milliseconds before the first bit, and its clock counts by one of its own.
    const times = Array.from({ length: 10 }, (_, i) => Math.floor(atMs) - i + 2).filter((ms) => ms >= 0);
    const isShown = times.some((ms) => {
      const light = previewAt(ms);
      return bytes.every((byte, i) => byte === light[i - (i % 3) + ([1, 0, 2][i % 3] ?? 0)]);
    });
    expect(isShown, `frame at ${atMs} ms`).toBe(true);
  }
}
