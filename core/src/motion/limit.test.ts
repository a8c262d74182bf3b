import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { limitFrame, type ShowLimit } from './index.ts';

const { show, limit } = assess(demoPlan().design);

/** Current of a frame by a second way: light by light, in amperes. */
function frameA(of: ShowLimit, frame: Uint8Array): number {
  let currentA = of.restMicroA / 1e6;
  show.groups.forEach((group, g) => {
    for (let i = 0; i < group.points * group.bytesPerPoint; i += 1)
      currentA += (((frame[group.offset + i] ?? 0) / 255) * (of.microAPerByte[g] ?? 0)) / 1e6;
  });
  return currentA;
}

describe('the limiter (N30)', () => {
  if (!limit) throw new Error('the demo has a pack');
  it('no frame out of 100 000 random ones passes the limit, and those below it are left alone', () => {
    let state = 3;
    const random = (): number => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return state >>> 24;
    };
    const frame = new Uint8Array(show.frameBytes);
    for (let round = 0; round < 100_000; round += 1) {
      const height = random();
      // Most of a frame is alike, as in a mood; every tenth byte is by chance.
      frame.fill(height);
      for (let i = round % 10; i < frame.length; i += 10) frame[i] = random();
      const before = frameA(limit, frame);
      const first = frame[0];
      const scale = limitFrame(show, limit, frame);
      if (before <= limit.limitMicroA / 1e6) expect([scale, frame[0]]).toEqual([256, first]);
      else expect(frameA(limit, frame)).toBeLessThanOrEqual(limit.limitMicroA / 1e6 + 1e-9);
    }
  });
  it('is dark where even the dark pixels are too much', () => {
    const frame = new Uint8Array(show.frameBytes).fill(200);
    expect(limitFrame(show, { ...limit, limitMicroA: 10 }, frame)).toBe(0);
    expect(frame.every((byte) => byte === 0)).toBe(true);
  });
  it('keeps the colour: every byte is cut alike', () => {
    const frame = new Uint8Array(show.frameBytes).fill(255);
    const scale = limitFrame(show, limit, frame);
    expect(scale).toBeLessThan(256);
    expect(new Set(frame)).toEqual(new Set([(255 * scale) >> 8]));
  });
});
