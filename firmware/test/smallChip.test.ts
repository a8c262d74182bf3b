import { assess } from '@glimmer/core/assess';
import { exportProgram } from '@glimmer/core/exports';
import { memoryOfShow, programOfShow, RECKONED_OVER_BYTES, sense, startPlayer } from '@glimmer/core/motion';
import { changeMove, moveKinds } from '@glimmer/core/moves';
import { talksAtBaud } from '@glimmer/core/parts';
import type { Design, Item, Plan } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { moodOf, planOf, soundDesign, soundSimple, tapeOf } from '../../core/tests/designs.ts';
import { buildChip, decodeLine } from './chip.ts';
import { driftingPiece, expectPreviewOnLine, PIXEL_BYTES, previewOf } from './driftingPiece.ts';
import { engineFiles, writeProgram } from './program.ts';
import { lineOfDemand, runSmallChip } from './smallChip.ts';

type Change = NonNullable<Parameters<typeof soundDesign>[0]>;
const flat = { startId: null, cues: [], course: [], cueUses: [] };
const on = (controller: string, change: Change): Design =>
  soundDesign({ ...change, drive: { ...soundSimple.drive, controller } });
const lineOf = (design: Design, demandId: string): number => lineOfDemand(assess(design), demandId);
const run = (plan: Plan, milliseconds: number, wired?: Parameters<typeof runSmallChip>[2]) => {
  const folder = writeProgram(plan);
  const sizes = buildChip(folder);
  return { sizes, ...runSmallChip(folder, milliseconds, wired) };
};

describe('the program on a small chip, instruction by instruction', () => {
  const design = driftingPiece('controller-small-5v');
  const assessed = assess(design);
  const found = run(planOf(design), 1200);
  const previewAt = previewOf(assessed);

  it('goes in, with room for its stack, where all of the engine together would not', () => {
    const part = assessed.boards[0]?.part;
    expect(part?.code).toBe('eight5');
    expect(found.sizes.flashBytes).toBeLessThanOrEqual(part?.programBytes ?? 0);
    expect(found.sizes.dataBytes + found.stackBytes).toBeLessThan(part?.memoryBytes ?? 0);
    expect(found.stackBytes).toBeLessThanOrEqual(part?.stackBytes ?? 0);
  });

  it('every frame on the pixel line is one of the preview, at its own time, byte for byte; each bit within bounds', () => {
    const frames = decodeLine(found.edges.get(lineOf(design, 'data:tape')) ?? []);
    expectPreviewOnLine(frames, previewAt);
    for (const { highNs, periodNs } of frames.slice(0, -1)) {
      for (const ns of highNs) expect(Math.abs(ns - (ns > 560 ? 800 : 400))).toBeLessThanOrEqual(150);
      periodNs.forEach((ns, i) => {
        if (i % 8 !== 7) expect(Math.abs(ns - 1250)).toBeLessThanOrEqual(150);
      });
    }
  });

  it('dims two channels by its timers as the preview says, and lights one that it has no timer for', () => {
    const channels = [...previewAt(1200).slice(PIXEL_BYTES)];
    const pins = channels.map((_, i) => lineOf(design, `channel:leds:${i + 1}`));
    expect(pins.map((line) => found.dimmed.get(line))).toEqual(channels);
  });

  it('reads its knob: the mood that turning it down calls comes, and at the other end does not', () => {
    const knob: Item = {
      kind: 'knob',
      id: 'knob',
      name: 'Knob',
      at: { xMm: 0, yMm: 0 },
      board: null,
      turnedTo: 0.5,
    };
    const base = on('controller-small-5v', {
      tapes: [tapeOf({ lengthMm: 60 })],
      moods: {
        ...flat,
        list: ['day', 'night'].map((id) =>
          moodOf({
            id,
            name: id,
            brightness: 1,
            moves: { tape: { kind: 'steady', colour: id === 'day' ? '#00ff00' : '#ff0000', level: 1 } },
          }),
        ),
        startId: 'day',
        cues: [
          { id: 'c', from: null, when: { kind: 'dark', controlId: 'knob' }, to: 'night', fadeS: 0, backAfterS: null },
        ],
      },
    });
    const sensing: Design = { ...base, items: [...base.items, knob] };
    const { show } = assess(sensing);
    const line = lineOf(sensing, 'control:knob');
    // The converter's channels of lines 2, 3 and 4 are 1, 3 and 2.
    const channel = [0, 0, 1, 3, 2][line] ?? 0;
    const lastAt = (volts: number): readonly number[] => {
      const levels = [0, 0, 0, 0];
      levels[channel] = volts;
      const { edges } = run(planOf(sensing), 1500, { volts: levels });
      return (
        decodeLine(edges.get(lineOf(sensing, 'data:tape')) ?? [])
          .at(-2)
          ?.bytes.slice(0, 3) ?? []
      );
    };
    const isDark = (code: number): boolean => {
      let state = startPlayer(show);
      for (let ms = 0; ms <= 1400; ms += 16) state = sense(show, state, 0, code, ms);
      return state.controls[0]?.isOn ?? false;
    };
    // Of 5 V: 0.54 V is code 111, 4.5 V code 921.
    expect([isDark(111), isDark(921)]).toEqual([true, false]);
    const [night, day] = [lastAt(0.54), lastAt(4.5)];
    expect(night[1]).toBeGreaterThan(0);
    expect(night[0]).toBe(0);
    expect(day[0]).toBeGreaterThan(0);
    expect(day[1]).toBe(0);
  });
});

describe('each kind of move by itself', () => {
  it.each(['controller-small-5v', 'controller-large-5v'])(
    'on %s builds, goes in, and takes no more than was reckoned',
    (controller) => {
      for (const kind of moveKinds) {
        const design = on(controller, {
          tapes: [tapeOf({ lengthMm: 200 })],
          moods: {
            ...flat,
            list: [moodOf({ brightness: 0.4, moves: { tape: changeMove(kind, undefined, '#ff8040') } })],
          },
        });
        const { show, boards } = assess(design);
        const sizes = buildChip(writeProgram(planOf(design)));
        const reckoned = programOfShow(show, boards[0] !== undefined && talksAtBaud(boards[0].part) !== null);
        expect(sizes.flashBytes, kind).toBeLessThanOrEqual(reckoned);
        expect(sizes.flashBytes + RECKONED_OVER_BYTES, kind).toBeGreaterThan(reckoned);
        expect(sizes.dataBytes, kind).toBeLessThanOrEqual(memoryOfShow(show));
        expect(reckoned, kind).toBeLessThanOrEqual(boards[0]?.part.programBytes ?? 0);
      }
    },
  );
  it('what has no serial line says so where it is loaded, and tells the mark to compare', () => {
    const of = (controller: string): string => {
      const plan = planOf(on(controller, {}));
      return exportProgram(plan, assess(plan.design), engineFiles)['LOADING.md'] ?? '';
    };
    expect(of('controller-small-5v')).toContain('It has no serial line to say its mark: compare the one in `show.h`');
    expect(of('controller-small-5v')).toContain('`make avr` builds `program.hex` with the board file `eight5.c`');
    expect(of('controller-large-5v')).toContain('At 115 200 baud it must say the mark');
  });
});
