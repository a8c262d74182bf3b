import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Assessment, assess } from '@glimmer/core/assess';
import { fingerprint } from '@glimmer/core/exports';
import { itemsOf } from '@glimmer/core/items';
import { cyclesAtWorst, memoryOfShow, paintNow, RECKONED_OVER_BYTES, startPlayer } from '@glimmer/core/motion';
import { changeMove, type Move } from '@glimmer/core/moves';
import { applyEdits, changeItem, type Design, type Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../core/tests/anyDesign.ts';
import { moodOf, planOf, soundDesign, tapeOf } from '../../core/tests/designs.ts';
import { twoRails } from '../../core/tests/twoRails.ts';
import { buildChip, decodeLine, runChip } from './chip.ts';
import { driftingPiece, expectPreviewOnLine, PIXEL_BYTES, previewOf } from './driftingPiece.ts';
import { writeProgram } from './program.ts';

const demoFolder = join(import.meta.dirname, '../../demo');
const plan: Plan = planOf(driftingPiece('controller-large-5v'));
const assessedPlan = assess(plan.design);
/** Line of the chip that a pin of its board is led to: the first two are kept for its serial line. */
const lineOf = (of: Assessment, demandId: string): number =>
  Number(of.pins[0]?.plan.given.find((each) => each.demand.id === demandId)?.pin.name ?? '') + 1;
const previewAt = previewOf(assessedPlan);
const pinOf = (demandId: string): number => lineOf(assessedPlan, demandId);

describe('the program on an eight-bit chip, instruction by instruction', () => {
  const folder = writeProgram(plan);
  const sizes = buildChip(folder);
  const run = runChip(folder, 800);
  const frames = decodeLine(run.edges.get(pinOf('data:tape')) ?? []);

  it('builds without a warning and leaves room in the controller', () => {
    expect(sizes.flashBytes).toBeLessThan(16_384);
    // Half of the memory stays for the stack.
    expect(sizes.dataBytes).toBeLessThan((assessedPlan.boards[0]?.part.memoryBytes ?? 0) / 2);
  });
  it('says the mark of the plan, and its mood', () => {
    expect(run.said).toBe(`plan ${fingerprint(plan.design)}\nmood Mood\n`);
  });
  it('every frame on the pixel line is one of the preview, at its own time, byte for byte', () => {
    expectPreviewOnLine(frames, previewAt);
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
    const channels = [...previewAt(800).slice(PIXEL_BYTES)];
    expect(channels.map((_, i) => run.dimmed.get(pinOf(`channel:leds:${i + 1}`)))).toEqual(channels);
  });
});

describe('pixels with a white die', () => {
  it.each([
    ['white die', 'GRB'],
    ['three dice', 'GRB'],
    ['white die', 'BGR'],
  ] as const)(
    'take what their colours have in common from the %s, in the order %s, and their line its own time',
    (whiteFrom, order) => {
      const [tape] = itemsOf(plan.design, 'pixel tape');
      const white = planOf(
        applyEdits(
          plan.design,
          changeItem(plan.design, tape?.id ?? '', { part: 'pixel-tape-60-rgbw', lengthMm: 110, whiteFrom, order }),
        ),
      );
      const { show: shown, limit: cap, dataLines } = assess(white.design);
      const folder = writeProgram(white);
      buildChip(folder);
      const sent = decodeLine(runChip(folder, 300).edges.get(pinOf('data:tape')) ?? []).slice(0, -1);
      const [out, scratch] = [new Uint8Array(shown.frameBytes), new Uint8Array(shown.frameBytes)];
      const wireAt = (nowMs: number): string => {
        paintNow({ show: shown, state: startPlayer(shown), nowMs, out, scratch, limit: cap });
        return Array.from({ length: 6 }, (_, i) => {
          const [red = 0, green = 0, blue = 0] = out.slice(i * 3, i * 3 + 3);
          const common = whiteFrom === 'white die' ? Math.min(red, green, blue) : 0;
          const [r, g, b] = [red - common, green - common, blue - common];
          return order === 'GRB' ? [g, r, b, common] : [b, g, r, common];
        }).join();
      };
      expect(sent.length).toBeGreaterThan(10);
      for (const { bytes, atMs } of sent) {
        const times = Array.from({ length: 8 }, (_, i) => Math.floor(atMs) - i + 1).filter((ms) => ms >= 0);
        expect(times.map(wireAt)).toContain(bytes.join());
      }
      // Six pixels of 32 bits of 1.25 us, and 300 us of silence.
      expect(dataLines[0]?.line.frameS).toBeCloseTo(6 * 32 * 1.25e-6 + 300e-6, 9);
    },
  );
});

describe('a line of which not every pixel is lit', () => {
  const built = soundDesign({
    tapes: [tapeOf({ lengthMm: 110 }), tapeOf({ id: 'tail', after: 'tape', lengthMm: 60 })],
    moods: {
      ...plan.design.moods,
      list: [
        moodOf({
          brightness: 1,
          moves: {
            tape: { kind: 'steady', colour: '#ff0000', level: 1 },
            tail: { kind: 'steady', colour: '#00ff00', level: 1 },
          },
        }),
      ],
    },
  });
  const partly = planOf(
    applyEdits(built, [
      ...changeItem(built, 'tape', { litFirst: 3, spareFirst: 'plain', order: 'RGB' }),
      ...changeItem(built, 'tail', { litFirst: 2, order: 'RGB' }),
    ]),
  );
  const folder = writeProgram(partly);
  const pin = lineOf(assess(partly.design), 'data:tape');
  const sentBy = (milliseconds: number, paints: boolean) =>
    decodeLine(runChip(folder, milliseconds, { open: [], volts: [], paints }).edges.get(pin) ?? []);

  it('sends a dark spare, three red of eight, the five dark ones, then two green of four, and no more', () => {
    buildChip(folder);
    const [last] = sentBy(700, true).slice(-2);
    const pixels = (count: number, rgb: number[]): number[] => Array.from({ length: count }, () => rgb).flat();
    // The limiter may have cut them: what matters is which dice are lit.
    const lit = last?.bytes.map((byte) => (byte > 0 ? 1 : 0));
    expect(lit).toEqual([
      ...pixels(1, [0, 0, 0]),
      ...pixels(3, [1, 0, 0]),
      ...pixels(5, [0, 0, 0]),
      ...pixels(2, [0, 1, 0]),
    ]);
  });
  it('the colour test in place of the show: red, then green, then blue on the first, in the order it is taken for', () => {
    buildChip(folder, 'colours.c');
    const frames = sentBy(2300, false);
    const at = (ms: number): readonly number[] =>
      frames
        .filter(({ atMs }) => atMs <= ms)
        .at(-1)
        ?.bytes.slice(0, 6) ?? [];
    expect(at(600)).toEqual([40, 0, 0, 40, 0, 0]);
    expect(at(1500)).toEqual([0, 40, 0, 0, 40, 0]);
    expect(at(2200)).toEqual([0, 0, 40, 0, 0, 40]);
  });
});

describe('the reckoned loop against the chip', () => {
  const onChip = (design: Design): Design =>
    applyEdits(
      design,
      itemsOf(design, 'board').flatMap(({ id }) => changeItem(design, id, { part: 'controller-large-5v' })),
    );

  /** The examples whose one board is an eight-bit one with a ready file. */
  const demosOnEight = readdirSync(demoFolder).flatMap((file) => {
    const read = readPlanText(readFileSync(join(demoFolder, file), 'utf8'));
    const programs = read.ok ? assess(read.plan.design).programs : [];
    const isEight = ['eight5', 'eight16'].includes(programs[0]?.board.part.code ?? '');
    return read.ok && programs.length === 1 && isEight ? [[file, read.plan.design] as const] : [];
  });
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
      buildChip(movingFolder);
      const { paintCycles, stackBytes } = runChip(movingFolder, 640);
      expect(stackBytes).toBeLessThanOrEqual(assess(moving.design).boards[0]?.part.stackBytes ?? 0);
      const reckoned = assess(moving.design).show;
      const late = [...paintCycles.slice(-8)].sort((a, b) => a - b);
      const measured = late[4] ?? 0;
      expect(cyclesAtWorst(reckoned) / measured).toBeGreaterThan(0.8);
      expect(cyclesAtWorst(reckoned) / measured).toBeLessThan(1.25);
    },
  );
  it('several rails of one pack, held together, take the room and the cycles that were reckoned', () => {
    const design = onChip(twoRails('pack-lithium-round-2600', 800));
    const [program] = assess(design).programs;
    const own = writeProgram(planOf(design));
    const built = buildChip(own);
    const { paintCycles } = runChip(own, 640);
    expect(program?.limit.supplies[0]?.together).not.toBeNull();
    expect(program?.loop.programBytes).toBeGreaterThanOrEqual(built.flashBytes);
    expect(program?.loop.programBytes).toBeLessThan(built.flashBytes * 1.25);
    const reckoned = (program?.loop.computeS ?? 0) * 16e6;
    // Once light has come up.
    const late = Math.max(...paintCycles.slice(-8));
    expect(reckoned / late).toBeGreaterThan(0.8);
    expect(reckoned / late).toBeLessThan(1.25);
  });
  it.each(demosOnEight)('%s takes the room that was reckoned, or a little less', (_name, design) => {
    const [program] = assess(design).programs;
    const built = buildChip(writeProgram(planOf(design)));
    const dataBytes = (program?.loop.memoryBytes ?? 0) - (program?.board.part.stackBytes ?? 0);
    expect(program?.loop.programBytes).toBeGreaterThanOrEqual(built.flashBytes);
    expect(program?.loop.programBytes).toBeLessThan(built.flashBytes + RECKONED_OVER_BYTES);
    expect(dataBytes).toBeGreaterThanOrEqual(built.dataBytes);
  });
  it('any plan builds without a warning, and takes the room that was reckoned or a little less', () => {
    const fitting = fc
      .sample(anyDesign, { numRuns: 60, seed: 9 })
      .filter((design) => itemsOf(design, 'board').length === 1)
      .map(onChip)
      .filter((design) => assess(design).pins.every(({ plan: { ok } }) => ok))
      // What takes turns and is fed by nothing is in no program yet.
      .filter((design) => {
        const { show, driven } = assess(design);
        return show.groups.every(({ id, scan }) => !scan || driven.some((each) => each.itemId === id));
      });
    expect(fitting.length).toBeGreaterThan(8);
    const shares = fitting.map((design) => {
      const built = buildChip(writeProgram(planOf(design)));
      const assessed = assess(design);
      const programBytes = assessed.programs[0]?.loop.programBytes ?? 0;
      expect(programBytes).toBeGreaterThanOrEqual(built.flashBytes);
      expect(programBytes).toBeLessThan(built.flashBytes + RECKONED_OVER_BYTES);
      expect(memoryOfShow(assessed.show)).toBeGreaterThanOrEqual(built.dataBytes);
      return programBytes / built.flashBytes;
    });
    expect(shares.reduce((sum, share) => sum + share, 0) / shares.length).toBeLessThan(1.3);
  });
});
