import { execFileSync, spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess } from '@glimmer/core/assess';
import { exportProgram, fingerprint, writeEngineTables } from '@glimmer/core/exports';
import { breathTable, gammaTable, handleEvent, paintNow, passTime, startPlayer } from '@glimmer/core/motion';
import type { Cue, Design, Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlan, ledsOf, moodOf, planOf, soundDesign, tapeOf } from '../../core/tests/designs.ts';
import { anyMove } from '../../core/tests/moves.ts';
import { engineFiles, writeProgram } from './program.ts';

const firmware = join(import.meta.dirname, '..');
const demoFolder = join(firmware, '../demo');
const demos = readdirSync(demoFolder).map((file): [string, Plan] => {
  const read = readPlanText(readFileSync(join(demoFolder, file), 'utf8'));
  if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
  return [file, read.plan];
});

/** The simulated controller of a plan, built with gcc, warnings as errors; gives its folder. */
function buildHost(plan: Plan): string {
  const folder = writeProgram(plan);
  execFileSync('make', ['-s', 'host'], { cwd: folder });
  return folder;
}

/** What happens, in order: a frame is looked at, or a control is touched. */
type Step =
  | { readonly kind: 'frame'; readonly atMs: number }
  | { readonly kind: 'button' | 'dark' | 'light'; readonly control: number; readonly atMs: number };

function runHost(folder: string, steps: readonly Step[]): string[] {
  const input = steps.map((step) =>
    step.kind === 'frame'
      ? `frame ${step.atMs}`
      : `${step.kind === 'button' ? 'press' : step.kind} ${step.control} ${step.atMs}`,
  );
  const { stdout, status } = spawnSync(join(folder, 'host'), [], {
    encoding: 'utf8',
    input: `${input.join('\n')}\n`,
    maxBuffer: 1 << 30,
  });
  expect(status).toBe(0);
  return stdout.trimEnd().split('\n').slice(1);
}

function runPreview(design: Design, steps: readonly Step[]): string[] {
  const { show, limit } = assess(design);
  const [out, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
  let state = startPlayer(design);
  const nameOf = (id: string | null): string => design.moods.list.find((mood) => mood.id === id)?.name ?? 'dark';
  return steps.map((step) => {
    if (step.kind !== 'frame') {
      const controlId = design.drive.controls[step.control]?.id ?? '';
      state = handleEvent(design, state, { kind: step.kind, controlId }, step.atMs);
      return nameOf(state.moodId);
    }
    state = passTime(design, state, step.atMs);
    paintNow({ show, state, nowMs: step.atMs, out, scratch, limit });
    return `${Buffer.from(out).toString('hex')} ${nameOf(state.moodId)}`;
  });
}

function expectEqual(plan: Plan, steps: readonly Step[]): void {
  const [program, preview] = [runHost(buildHost(plan), steps), runPreview(plan.design, steps)];
  expect(program.length).toBe(preview.length);
  const differs = preview.findIndex((line, i) => line !== program[i]);
  // The first line that differs says more than twenty thousand that don't.
  expect([differs, program[differs], steps[differs]]).toEqual([-1, undefined, undefined]);
}

/** Sixty moods of random moves over two tapes and single lights on three channels, one button to each. */
function manyMoods(seed: number): Plan {
  const moves = fc.sample(anyMove, { numRuns: 180, seed });
  const ids = Array.from({ length: 60 }, (_, i) => `m${i}`);
  const list = ids.map((id, i) =>
    moodOf({
      id,
      name: `Mood ${i}`,
      brightness: (i % 7) / 6,
      moves: Object.fromEntries(
        ['one', 'two', 'leds'].flatMap((group, g) => {
          const move = moves[i * 3 + g];
          return move ? [[group, move] as const] : [];
        }),
      ),
    }),
  );
  const cues = ids.map(
    (id, i): Cue => ({
      id: `c${i}`,
      from: null,
      when: { kind: 'button', controlId: `b${i}` },
      to: id,
      fadeS: i % 3 === 0 ? 0.4 : 0,
      backAfterS: i % 11 === 5 ? 1.3 : null,
    }),
  );
  return planOf(
    soundDesign({
      tapes: [tapeOf({ id: 'one', lengthMm: 300 }), tapeOf({ id: 'two', name: 'Second', after: 'one', lengthMm: 120 })],
      leds: [
        ledsOf({
          channels: 3,
          places: Array.from({ length: 7 }, (_, i) => ({ id: `p${i}`, at: { xMm: i, yMm: 0 }, hollowId: null })),
        }),
      ],
      moods: { list, startId: 'm0', cues, course: [], cueUses: [] },
      drive: {
        ...soundDesign().drive,
        controls: ids.map((_, i) => ({
          kind: 'button' as const,
          id: `b${i}`,
          name: `Button ${i}`,
          at: { xMm: 0, yMm: 0 },
        })),
      },
    }),
  );
}

describe('the program gives the bytes of the preview (N43)', () => {
  it.each(demos)('%s with every control touched again and again: 20 000 frames', (_file, plan) => {
    const { controls } = plan.design.drive;
    const steps: Step[] = [];
    for (let i = 0, atMs = 0; i < 20_000; i += 1, atMs += 17) {
      controls.forEach((control, c) => {
        if (control.kind === 'button' && i % 450 === 100 + c) steps.push({ kind: 'button', control: c, atMs });
        if (control.kind !== 'button' && i % 700 === 350)
          steps.push({ kind: i % 1400 === 350 ? 'dark' : 'light', control: c, atMs });
      });
      steps.push({ kind: 'frame', atMs });
    }
    expectEqual(plan, steps);
  });
  it.each([1, 2, 3])('sixty moods of random moves, faded and left again: 20 000 frames (start number %d)', (seed) => {
    const steps: Step[] = [];
    for (let i = 0, atMs = 0; i < 20_000; i += 1, atMs += 1 + ((i * 37) % 61)) {
      if (i % 333 === 0) steps.push({ kind: 'button', control: Math.trunc(i / 333) % 60, atMs });
      steps.push({ kind: 'frame', atMs });
    }
    expectEqual(manyMoods(seed), steps);
  });
  it('long after it was switched on: forty hours and more', () => {
    const from = 40 * 3_600_000;
    expectEqual(
      manyMoods(4),
      Array.from({ length: 400 }, (_, i): Step => ({ kind: 'frame', atMs: from + i * 23 })),
    );
  });
  it('a plan without lights, moods or controls still builds, and is dark', () => {
    const empty = planOf({
      ...soundDesign(),
      tapes: [],
      leds: [],
      moods: { list: [], startId: null, cues: [], course: [], cueUses: [] },
    });
    expect(runHost(buildHost(empty), [{ kind: 'frame', atMs: 5 }])).toEqual([' dark']);
  });
});

describe('the files of the program', () => {
  const filesOf = (plan: Plan): Record<string, string> => ({
    ...exportProgram(plan, assess(plan.design), engineFiles),
  });
  it('the engine’s tables are those of the preview', () => {
    expect(engineFiles['tables.h']).toBe(writeEngineTables({ gamma: gammaTable, breath: breathTable }));
  });
  it('one pin changed in the plan changes one line, and the mark', () => {
    const plan = demoPlan();
    const { drive } = plan.design;
    const moved: Plan = {
      ...plan,
      design: {
        ...plan.design,
        drive: { ...drive, pinLocks: drive.pinLocks.map((lock) => ({ ...lock, pin: 'G17' })) },
      },
    };
    const [before, after] = [filesOf(plan), filesOf(moved)];
    const changed = (name: string): string[] =>
      (after[name] ?? '').split('\n').filter((line, i) => line !== (before[name] ?? '').split('\n')[i]);
    expect(changed('pins.h')).toEqual(['#define PIN_DATA_OF_UPPER_JAW G17 /* Data of Upper jaw */']);
    expect(changed('show.h')).toEqual([`#define UG_FINGERPRINT "${fingerprint(moved.design)}"`]);
    expect(fingerprint(moved.design)).not.toBe(fingerprint(plan.design));
  });
  it('every pin of the program is one of the plan', () => {
    const plan = demoPlan();
    const { pinPlan } = assess(plan.design);
    const named = [...(filesOf(plan)['pins.h'] ?? '').matchAll(/#define PIN_\S+ (\S+)/g)].map((match) => match[1]);
    expect(named.sort()).toEqual(pinPlan?.given.map((each) => each.pin.name).sort());
  });
  it('a name that would end a comment or a string does no harm', () => {
    const plan = demoPlan();
    const list = plan.design.moods.list.map((mood) => ({ ...mood, name: `${mood.name} */ "; int x = 1; /*` }));
    const sly: Plan = {
      ...plan,
      name: 'Fish */ #error',
      design: { ...plan.design, moods: { ...plan.design.moods, list } },
    };
    expect(runHost(buildHost(sly), [{ kind: 'frame', atMs: 0 }])[0]).toMatch(/ Doze int x 1$|Doze/);
  });
  it('the board template builds without a warning', () => {
    const folder = buildHost(demoPlan());
    expect(execFileSync('make', ['-s', 'board'], { cwd: folder, encoding: 'utf8' })).toBe('');
  });
});
