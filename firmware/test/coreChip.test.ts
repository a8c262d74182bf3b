import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess } from '@glimmer/core/assess';
import { exportProgram, fingerprint } from '@glimmer/core/exports';
import { changeMove } from '@glimmer/core/moves';
import { applyEdits, changeItem, type Design, type Item, type Plan } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { demoPlan, ledsOf, moodOf, planOf, soundDesign, soundSimple, tapeOf } from '../../core/tests/designs.ts';
import { decodeLine } from './chip.ts';
import { buildCore, lineOfDemand, runCore } from './coreChip.ts';
import { driftingPiece, expectPreviewOnLine, PIXEL_BYTES, previewOf } from './driftingPiece.ts';
import { engineFiles, writeProgram } from './program.ts';

type Change = NonNullable<Parameters<typeof soundDesign>[0]>;
const flat = { startId: null, cues: [], course: [], cueUses: [] };
const on = (change: Change): Design =>
  soundDesign({ ...change, drive: { ...soundSimple.drive, controller: 'controller-dual-3v3' } });
const lineOf = (design: Design, demandId: string): number => lineOfDemand(assess(design), demandId);
const run = (plan: Plan, milliseconds: number, wired?: Parameters<typeof runCore>[2]) => {
  const folder = writeProgram(plan);
  return { folder, sizes: buildCore(folder), ...runCore(folder, milliseconds, wired) };
};

describe('the program on a 32-bit chip, instruction by instruction', () => {
  const design = driftingPiece('controller-dual-3v3');
  const assessed = assess(design);
  const found = run(planOf(design), 600);
  const previewAt = previewOf(assessed);

  it('has a board file of its own, and goes in with room to spare', () => {
    const part = assessed.boards[0]?.part;
    expect(part?.code).toBe('two26');
    expect(found.sizes.flashBytes).toBeLessThan(part?.programBytes ?? 0);
    expect(found.sizes.dataBytes).toBeLessThan(part?.memoryBytes ?? 0);
  });

  it('every frame on the pixel line is one of the preview, at its own time, byte for byte; each bit within bounds', () => {
    const frames = decodeLine(found.edges.get(lineOf(design, 'data:tape')) ?? []);
    expectPreviewOnLine(frames, previewAt);
    for (const { highNs, periodNs } of frames.slice(0, -1)) {
      for (const ns of highNs) expect(Math.abs(ns - (ns > 560 ? 780 : 360))).toBeLessThanOrEqual(110);
      // Between two bytes it looks up the next one.
      periodNs.forEach((ns, i) => {
        expect(Math.abs(ns - 1260)).toBeLessThanOrEqual(i % 8 === 7 ? 300 : 130);
      });
    }
  });

  it('says its mark and its mood on pin 21, at 115 200 baud', () => {
    const [mark, mood] = found.said.split('\n');
    expect(mark).toContain(fingerprint(design));
    expect(mood).toContain(design.moods.list[0]?.name ?? '–');
    expect(Math.abs(found.saidAtBaud / 115_200 - 1)).toBeLessThan(0.005);
  });

  it('says nothing where the plan uses that pin', () => {
    const taken = applyEdits(design, changeItem(design, 'board', { pinLocks: [{ demand: 'data:tape', pin: '21' }] }));
    expect(assess(taken).pins[0]?.plan.ok).toBe(true);
    const silent = run(planOf(taken), 100);
    expect(silent.said).toBe('');
    expect(silent.edges.get(20)?.length).toBeGreaterThan(100);
    const text = exportProgram(planOf(taken), assess(taken), engineFiles)['LOADING.md'] ?? '';
    expect(text).toContain('It says nothing, since the plan uses pin 21, its line');
  });

  it('dims two channels by its timers as the preview says', () => {
    const channels = [...previewAt(1200).slice(PIXEL_BYTES)];
    const shares = channels.map((_, i) => found.highShare.get(lineOf(design, `channel:leds:${i + 1}`)) ?? -1);
    channels.forEach((light, i) => {
      expect(shares[i]).toBeCloseTo(light / 255, 2);
    });
  });

  it('drives nothing that the plan has no use for', () => {
    const used = assessed.pins[0]?.plan.given.map(({ demand }) => lineOf(design, demand.id)) ?? [];
    for (const line of found.outputs) expect(used).toContain(line);
  });
});

describe('a pin that is lit while low, a contact and a knob on a 32-bit chip', () => {
  it('holds what is lit while low dark from its first moment on', () => {
    const design = on({
      leds: [ledsOf()],
      moods: { ...flat, list: [moodOf({ moves: {} })], startId: 'mood' },
    });
    const lights = design.items.find(({ kind }) => kind === 'light');
    const low: Design = {
      ...design,
      items: design.items.map((item) =>
        item.id === lights?.id ? ({ ...item, switchedBy: { way: 'pin low', board: null } } as Item) : item,
      ),
    };
    const { folder, edges, highShare } = run(planOf(low), 60);
    expect(readFileSync(join(folder, 'pins.h'), 'utf8')).toMatch(/UG_CHANNEL_LOW \{ 1/);
    const line = lineOf(low, `channel:${lights?.id}:1`);
    expect(edges.get(line)?.[0]?.high).toBe(true);
    expect(highShare.get(line)).toBeCloseTo(1, 3);
  });

  it('sees its button: the mood that it calls comes, and without it does not', () => {
    const base = on({
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
          { id: 'c', from: null, when: { kind: 'button', controlId: 'key' }, to: 'night', fadeS: 0, backAfterS: null },
        ],
      },
    });
    const key: Item = { kind: 'button', id: 'key', name: 'Key', at: { xMm: 0, yMm: 0 }, board: null };
    const design: Design = { ...base, items: [...base.items, key] };
    const lastWith = (high: readonly number[]): readonly number[] => {
      const { edges, pulledUp } = run(planOf(design), 200, { high });
      expect(pulledUp.has(lineOf(design, 'control:key'))).toBe(true);
      return (
        decodeLine(edges.get(lineOf(design, 'data:tape')) ?? [])
          .at(-2)
          ?.bytes.slice(0, 3) ?? []
      );
    };
    const line = lineOf(design, 'control:key');
    // Green comes first on the wire.
    const [open, closed] = [lastWith([line]), lastWith([])];
    expect(open[0]).toBeGreaterThan(open[1] ?? 255);
    expect(closed[1]).toBeGreaterThan(closed[0] ?? 255);
  });

  it('reads its knob: turned down it dims all lights', () => {
    const base = on({
      tapes: [tapeOf({ lengthMm: 60 })],
      moods: {
        ...flat,
        list: [moodOf({ brightness: 1, moves: { tape: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
        startId: 'mood',
      },
    });
    const knob = {
      kind: 'knob',
      id: 'knob',
      name: 'Knob',
      at: { xMm: 0, yMm: 0 },
      board: null,
      turnedTo: 0.5,
      dims: true,
    };
    const design: Design = { ...base, items: [...base.items, knob as Item] };
    const channel = lineOf(design, 'control:knob') - 26;
    const lightAt = (code: number): number => {
      const codes = [0, 0, 0].map((_, i) => (i === channel ? code : 0));
      const { edges } = run(planOf(design), 260, { codes });
      return decodeLine(edges.get(lineOf(design, 'data:tape')) ?? []).at(-2)?.bytes[0] ?? 0;
    };
    const [low, high] = [lightAt(600), lightAt(4000)];
    expect(low).toBeLessThan(high / 3);
    // Light comes up over half a second: it is half way.
    expect(high).toBeGreaterThan(60);
  });
});

/** What is built never takes more than was reckoned. */
function expectReckoned(design: Design, built: { readonly flashBytes: number; readonly dataBytes: number }): void {
  const [program] = assess(design).programs;
  expect(built.flashBytes).toBeLessThanOrEqual(program?.loop.programBytes ?? 0);
  expect(built.dataBytes).toBeLessThanOrEqual((program?.loop.memoryBytes ?? 0) - (program?.board.part.stackBytes ?? 0));
}

describe('what the 32-bit board takes', () => {
  // Of all kinds those that take most beside what an eight-bit controller takes, in program and in memory.
  it.each(['build-up', 'swell', 'cells'] as const)('no more than was reckoned, with nothing but %s', (kind) => {
    const design = on({
      tapes: [tapeOf({ lengthMm: 200 })],
      moods: {
        ...flat,
        list: [moodOf({ brightness: 0.4, moves: { tape: changeMove(kind, undefined, '#ff8040') } })],
      },
    });
    expectReckoned(design, buildCore(writeProgram(planOf(design))));
  });

  it('is a file of blocks with its check sum, and its checklist says how it comes on to the board', () => {
    const plan = demoPlan();
    const larger: Plan = {
      ...plan,
      design: {
        ...plan.design,
        items: plan.design.items.map((item) =>
          item.kind === 'board' ? { ...item, part: 'controller-dual-3v3', pinLocks: [] } : item,
        ),
      },
    };
    const folder = writeProgram(larger);
    const { flashBytes, dataBytes } = buildCore(folder);
    expectReckoned(larger.design, { flashBytes, dataBytes });
    const blocks = readFileSync(join(folder, 'program.uf2'));
    expect(blocks.length % 512).toBe(0);
    const boot = Buffer.concat([blocks.subarray(32, 32 + 256)]);
    // The check sum of the first 252 bytes (polynomial 04c11db7, from all ones), bit by bit.
    let sum = 0xffffffff;
    for (const byte of boot.subarray(0, 252)) {
      sum ^= byte << 24;
      for (let bit = 0; bit < 8; bit += 1) sum = sum & 0x80000000 ? (sum << 1) ^ 0x04c11db7 : sum << 1;
    }
    expect(boot.readUInt32LE(252)).toBe(sum >>> 0);
    for (let at = 0, i = 0; at < blocks.length; at += 512, i += 1)
      expect([blocks.readUInt32LE(at + 12), blocks.readUInt32LE(at + 20)]).toEqual([0x10000000 + 256 * i, i]);
    const text = exportProgram(larger, assess(larger.design), engineFiles)['LOADING.md'] ?? '';
    expect(text).toContain('`make arm` builds `program.uf2` with the board file `two26.c`');
    expect(text).toContain('copy the file on to the drive that it shows');
    expect(text).toContain('Listen at pin 21, by an adapter of 3.3 V');
  });
});
