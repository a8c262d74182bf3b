import { assess } from '@glimmer/core/assess';
import { fingerprint } from '@glimmer/core/exports';
import { cyclesAtWorst, memoryOfShow, paintNow, programOfShow, startPlayer } from '@glimmer/core/motion';
import { changeMove, type Move, type Plan } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { ledsOf, moodOf, planOf, soundDesign, tapeOf } from '../../core/tests/designs.ts';
import { buildChip, decodeLine, runChip } from './chip.ts';
import { writeProgram } from './program.ts';

/** Eight pixels that drift, and two lights on dimmed channels, on the larger eight-bit controller. */
const plan: Plan = planOf(
  soundDesign({
    tapes: [tapeOf({ lengthMm: 110 })],
    leds: [
      ledsOf({
        channels: 2,
        places: ['a', 'b'].map((id, i) => ({ id, at: { xMm: i, yMm: 0 }, hollowId: null })),
      }),
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
  }),
);
const { show, limit, pinPlan, controller } = assess(plan.design);
/** What the preview shows at a time: the pixels, green first as the tape wants them, and the channels. */
function previewAt(nowMs: number): { pixels: number[]; channels: number[] } {
  const [out, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
  paintNow({ show, state: startPlayer(show), nowMs, out, scratch, limit });
  const pixels = Array.from({ length: 8 }, (_, i) => [
    out[i * 3 + 1] ?? 0,
    out[i * 3] ?? 0,
    out[i * 3 + 2] ?? 0,
  ]).flat();
  return { pixels, channels: [...out.slice(24)] };
}
const pinOf = (demandId: string): number =>
  Number((pinPlan?.given.find((each) => each.demand.id === demandId)?.pin.name ?? '').slice(1));

describe('the program on an eight-bit chip, instruction by instruction (D09)', () => {
  const folder = writeProgram(plan);
  const sizes = buildChip(folder);
  const run = runChip(folder, 800);
  const frames = decodeLine(run.edges.get(pinOf('data:tape')) ?? []);

  it('builds without a warning and leaves room in the controller', () => {
    expect(sizes.flashBytes).toBeLessThan(16_384);
    // Half of the memory stays for the stack.
    expect(sizes.dataBytes).toBeLessThan((controller?.memoryBytes ?? 0) / 2);
  });
  it('says the mark of the plan, and its mood', () => {
    expect(run.said).toBe(`plan ${fingerprint(plan.design)}\nMood\n`);
  });
  it('every frame on the pixel line is one of the preview, at its own time, byte for byte', () => {
    expect(frames.length).toBeGreaterThan(20);
    for (const frame of frames.slice(0, -1)) {
      expect(frame.bytes).toHaveLength(24);
      // The chip looked at its clock up to a few milliseconds before the first bit; and its clock counts by 1.024 ms.
      const times = Array.from({ length: 8 }, (_, i) => Math.floor(frame.atMs) - i + 1).filter((ms) => ms >= 0);
      const same = times.filter((ms) => previewAt(ms).pixels.every((byte, i) => byte === frame.bytes[i]));
      expect(same.length).toBeGreaterThan(0);
    }
  });
  it('its bits are within 150 ns of 0.4 and 0.8 µs, and 1.25 µs apart', () => {
    for (const { bytes, highNs, periodNs } of frames.slice(0, -1)) {
      highNs.forEach((ns, i) => {
        const isOne = ((bytes[Math.floor(i / 8)] ?? 0) >> (7 - (i % 8))) & 1;
        expect(Math.abs(ns - (isOne ? 800 : 400))).toBeLessThanOrEqual(150);
      });
      // Within a byte; between bytes the line may rest for some microseconds.
      periodNs.forEach((ns, i) => {
        if (i % 8 !== 7) expect(Math.abs(ns - 1250)).toBeLessThanOrEqual(150);
        else expect(ns).toBeLessThan(9000);
      });
    }
  });
  it('the dimmed channels stand at the level of the preview', () => {
    const { channels } = previewAt(800);
    expect(channels.map((_, i) => run.dimmed.get(pinOf(`channel:leds:${i + 1}`)))).toEqual(channels);
  });
});

describe('the reckoned loop against the chip (N42)', () => {
  const flat = { startId: null, cues: [], course: [], cueUses: [] };
  it.each(['steady', 'chase', 'sweep', 'drift', 'sparkle', 'flicker', 'cells'] as const)(
    'a frame of 50 pixels of %s takes the cycles that were reckoned, within a fifth',
    (kind) => {
      const move: Move = changeMove(kind, undefined, '#ff8040');
      const moving = planOf(
        soundDesign({
          tapes: [tapeOf({ lengthMm: 676 })],
          moods: { ...flat, list: [moodOf({ brightness: 0.4, moves: { tape: move } })] },
        }),
      );
      const movingFolder = writeProgram(moving);
      const movingSizes = buildChip(movingFolder);
      const { paintCycles } = runChip(movingFolder, 640);
      const reckoned = assess(moving.design).show;
      const late = [...paintCycles.slice(-8)].sort((a, b) => a - b);
      const measured = late[4] ?? 0;
      expect(cyclesAtWorst(reckoned) / measured).toBeGreaterThan(0.8);
      expect(cyclesAtWorst(reckoned) / measured).toBeLessThan(1.25);
      expect(Math.abs(memoryOfShow(reckoned) - movingSizes.dataBytes)).toBeLessThan(16);
      expect(programOfShow(reckoned) / movingSizes.flashBytes).toBeGreaterThan(0.95);
      expect(programOfShow(reckoned) / movingSizes.flashBytes).toBeLessThan(1.05);
    },
  );
});
