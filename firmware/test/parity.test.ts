import { execFileSync, spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Assessment, assess } from '@glimmer/core/assess';
import { exportProgram, fingerprint, writeEngineTables } from '@glimmer/core/exports';
import { itemsOf } from '@glimmer/core/items';
import { gammaTable, lookTable, paintNow, passTime, sense, startPlayer, touch } from '@glimmer/core/motion';
import { breathTable, changeMove, type Move, moveKinds } from '@glimmer/core/moves';
import {
  applyEdits,
  type Control,
  type Cue,
  changeItem,
  controlsOf,
  type Design,
  type Mood,
  type Plan,
} from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../core/tests/anyDesign.ts';
import { demoPlan, ledsOf, moodOf, planOf, soundDesign, tapeOf } from '../../core/tests/designs.ts';
import { anyMove } from '../../core/tests/moves.ts';
import { twoRails } from '../../core/tests/twoRails.ts';
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

/** What happens, in order: a frame is looked at, a contact closes or opens, a sensor is read. */
type Step =
  | { readonly kind: 'frame'; readonly atMs: number }
  | { readonly kind: 'close' | 'open'; readonly control: number; readonly atMs: number }
  | { readonly kind: 'code'; readonly control: number; readonly code: number; readonly atMs: number };

function writeStep(step: Step): string {
  if (step.kind === 'frame') return `frame ${step.atMs}`;
  return step.kind === 'code'
    ? `code ${step.control} ${step.code} ${step.atMs}`
    : `${step.kind} ${step.control} ${step.atMs}`;
}

function runHost(folder: string, steps: readonly Step[]): string[] {
  const { stdout, status } = spawnSync(join(folder, 'host'), [], {
    encoding: 'utf8',
    input: `${steps.map(writeStep).join('\n')}\n`,
    maxBuffer: 1 << 30,
  });
  expect(status).toBe(0);
  return stdout.trimEnd().split('\n').slice(1);
}

/** What one program runs: a show, and what its limiter keeps to. */
type Programmed = Pick<Assessment['programs'][number], 'show' | 'limit'>;

function runPreview(design: Design, steps: readonly Step[], { show, limit }: Programmed = assess(design)): string[] {
  const [out, scratch] = [new Uint8Array(show.frameBytes), new Uint8Array(show.frameBytes)];
  let state = startPlayer(show);
  const name = (): string => design.moods.list[state.mood]?.name ?? 'dark';
  return steps.map((step) => {
    if (step.kind === 'code') state = sense(show, state, step.control, step.code, step.atMs);
    else if (step.kind !== 'frame') state = touch(show, state, step.control, step.kind === 'close', step.atMs);
    if (step.kind !== 'frame') return name();
    state = passTime(show, state, step.atMs);
    paintNow({ show, state, nowMs: step.atMs, out, scratch, limit });
    return `${Buffer.from(out).toString('hex')} ${name()}`;
  });
}

function expectEqual(plan: Plan, steps: readonly Step[]): void {
  expectSame(runHost(buildHost(plan), steps), runPreview(plan.design, steps), steps);
}

/** The same of each board by itself, where there are several: each has a program and controls of its own. */
function expectEachEqual(plan: Plan, stepsFor: (controls: readonly Control[]) => readonly Step[]): void {
  const folder = writeProgram(plan);
  const folders = readdirSync(folder).sort();
  const { programs } = assess(plan.design);
  expect(folders).toHaveLength(programs.length);
  programs.forEach((programmed, i) => {
    const own = join(folder, folders[i] ?? '');
    execFileSync('make', ['-s', 'host'], { cwd: own });
    const controls = controlsOf(plan.design).filter(({ id }) =>
      programmed.show.controls.some((control) => control.id === id),
    );
    const steps = stepsFor(controls);
    expectSame(runHost(own, steps), runPreview(plan.design, steps, programmed), steps);
  });
}

function expectSame(program: readonly string[], preview: readonly string[], steps: readonly Step[]): void {
  expect(program.length).toBe(preview.length);
  const differs = preview.findIndex((line, i) => line !== program[i]);
  // The first line that differs says more than twenty thousand that don't.
  expect([differs, program[differs], steps[differs]]).toEqual([-1, undefined, undefined]);
}

const contactKinds = ['button', 'latching switch', 'tilt switch'] as const;
const nowhere = { xMm: 0, yMm: 0 };

/** Sixty contacts, and one sensor of each kind behind them; a knob dims all. */
const manyControls: readonly Control[] = [
  ...Array.from(
    { length: 60 },
    (_, i): Control => ({
      kind: contactKinds[i % 3] ?? 'button',
      id: `b${i}`,
      name: `Contact ${i}`,
      at: nowhere,
      board: null,
    }),
  ),
  { kind: 'light sensor', id: 'room', name: 'Room', at: nowhere, board: null, darkOhm: 180_000, lightOhm: 2400 },
  { kind: 'charge sense', id: 'charge', name: 'Charge', at: nowhere, board: null, of: null, lowV: 3.3, settleS: 0.6 },
  { kind: 'knob', id: 'dimmer', name: 'Dimmer', at: nowhere, board: null, turnedTo: 0.5, dims: true },
];

/** What leads to the i-th mood: every kind of cue comes round. */
function whenOf(i: number): Cue['when'] {
  const controlId = `b${i}`;
  const kinds: readonly Cue['when'][] = [
    { kind: 'button', controlId },
    { kind: 'while', controlId },
    { kind: 'double', controlId },
    { kind: 'held', controlId, holdS: 0.5 },
    { kind: 'opened', controlId },
    { kind: 'button', controlId },
    { kind: 'dark', controlId: 'room' },
    { kind: 'light', controlId: 'room' },
    { kind: 'low', controlId: 'charge' },
    { kind: 'random', leastS: 0.7, mostS: 3 },
    { kind: 'through' },
    { kind: 'after', afterS: 2.5 },
  ];
  return kinds[i % kinds.length] ?? { kind: 'button', controlId };
}

/**
 * Sixty moods of random moves in stacks of up to four, over two tapes (one a grid), single lights on three channels and
 * two sets; cues of every kind, fades of their own, a sign over all.
 */
function manyMoods(seed: number): Plan {
  const moves = fc.sample(anyMove, { numRuns: 60 * 6, seed });
  const shows = (move: Move | undefined, i: number): Move | undefined =>
    move && 'controlId' in move ? { ...move, controlId: ['room', 'charge', `b${i}`][i % 3] ?? null } : move;
  const ids = Array.from({ length: 60 }, (_, i) => `m${i}`);
  const on = ['one', 'two', 'leds', 'mix', 'one', 'leds'];
  const list = ids.map((id, i): Mood => {
    const own = on.map((_group, g) => shows(moves[i * 6 + g], i));
    return {
      ...moodOf({
        id,
        name: `Mood ${i}`,
        brightness: (i % 7) / 6,
        moves: Object.fromEntries(
          on.slice(0, 4).flatMap((group, g) => {
            const move = own[g];
            return move && (i + g) % 5 !== 0 ? [[group, move] as const] : [];
          }),
        ),
      }),
      tops: [4, 5].flatMap((g) => {
        const move = own[g];
        const how = (['over', 'add', 'lightest'] as const)[(i + g) % 3] ?? 'over';
        return move && i % 2 === 0 ? [{ id: `t${g}`, on: on[g] ?? 'one', how, move }] : [];
      }),
      ...(i % 4 === 1 ? { fadeInS: 0.9, fadeOutS: 0.3 } : {}),
      ...(i % 9 === 2 ? { fadeOutS: 1.1 } : {}),
    };
  });
  const cues = ids.map(
    (id, i): Cue => ({
      id: `c${i}`,
      // Those by themselves only leave the mood before, or nothing else would ever be seen.
      from: i % 12 >= 9 ? `m${i - 1}` : null,
      when: whenOf(i),
      to: id,
      fadeS: i % 3 === 0 ? 0.4 : 0,
      ...(i % 2 === 0 ? { keeps: 'look' as const } : {}),
      backAfterS: i % 11 === 5 ? 1.3 : null,
    }),
  );
  const design = soundDesign({
    tapes: [
      tapeOf({ id: 'one', lengthMm: 300 }),
      tapeOf({ id: 'two', name: 'Second', after: 'one', grid: { columns: 5, rows: 4, snakes: true } }),
    ],
    leds: [
      ledsOf({
        channels: 3,
        places: Array.from({ length: 7 }, (_, i) => ({ id: `p${i}`, at: { xMm: i, yMm: 0 }, hollowId: null })),
      }),
    ],
    moods: {
      list,
      startId: 'm0',
      cues,
      course: [],
      cueUses: [],
      sets: [
        {
          id: 'mix',
          name: 'Mix',
          order: 'interleaved',
          of: [
            { groupId: 'one', first: 15, last: 2, every: 2 },
            { groupId: 'two', first: 1, last: 12, every: 1 },
          ],
        },
      ],
      signs: [
        {
          id: 's',
          name: 'Low',
          controlId: 'charge',
          moves: { leds: { kind: 'shots', colour: '#ff0000', count: 2, onS: 0.1, offS: 0.2, pauseS: 1, level: 0.7 } },
        },
      ],
    },
  });
  return planOf({ ...design, items: [...design.items, ...manyControls] });
}

const pressesMs = [60, 150, 900] as const;

/** Contacts that are pressed shortly, twice, long; a room that gets dark and light; a pack that sags and recovers. */
function manySteps(frames: number, fromMs = 0): Step[] {
  const steps: Step[] = [];
  const closed = new Map<number, number>();
  for (let i = 0, atMs = fromMs; i < frames; i += 1, atMs += 1 + ((i * 37) % 61)) {
    for (const [control, untilMs] of closed)
      if (atMs >= untilMs) {
        steps.push({ kind: 'open', control, atMs });
        closed.delete(control);
      }
    const control = Math.trunc(i / 83) % 60;
    if ((i % 83 === 0 || i % 83 === 7) && !closed.has(control)) {
      steps.push({ kind: 'close', control, atMs });
      closed.set(control, atMs + (pressesMs[Math.trunc(i / 83) % 3] ?? 60));
    }
    if (i % 5 === 0) {
      steps.push({ kind: 'code', control: 60, code: (i * 7) % 3000 > 1500 ? 12 : 900 + (i % 60), atMs });
      steps.push({ kind: 'code', control: 62, code: Math.min(1023, (i * 11) % 1700), atMs });
      steps.push({ kind: 'code', control: 61, code: (i * 3) % 2000 > 1400 ? 300 : 600 + (i % 200), atMs });
    }
    steps.push({ kind: 'frame', atMs });
  }
  return steps;
}

/** Every contact is closed and opened again, one after another, once in so many frames; what is sensed goes up and down. */
function touchAll(
  controls: readonly Control[],
  { frames, everyMs, period }: { readonly frames: number; readonly everyMs: number; readonly period: number },
): Step[] {
  return Array.from({ length: frames }, (_, i): Step[] => {
    const atMs = i * everyMs;
    const phase = i % period;
    const touched = controls.flatMap((control, c): Step[] => {
      if (control.kind === 'light sensor' || control.kind === 'charge sense')
        return [{ kind: 'code', control: c, code: i % (3 * period) < 1.5 * period ? 2 : 1000, atMs }];
      if (phase === 10 + c) return [{ kind: 'close', control: c, atMs }];
      return phase === 20 + c ? [{ kind: 'open', control: c, atMs }] : [];
    });
    return [...touched, { kind: 'frame', atMs }];
  }).flat();
}

describe('the program gives the bytes of the preview', () => {
  it.each(demos)('%s with every control touched again and again: 20 000 frames', (_file, plan) => {
    const stepsFor = (controls: readonly Control[]): Step[] =>
      touchAll(controls, { frames: 20_000, everyMs: 17, period: 450 });
    if (itemsOf(plan.design, 'board').length > 1) expectEachEqual(plan, stepsFor);
    else expectEqual(plan, stepsFor(controlsOf(plan.design)));
  });
  it.each([1, 2, 3])('stacks of random moves under cues of every kind: 20 000 frames (start number %d)', (seed) => {
    expectEqual(manyMoods(seed), manySteps(20_000));
  });
  it('two dozen of those moods are seen in that script, and every kind of move in them', () => {
    const { design } = manyMoods(1);
    const lines = runPreview(design, manySteps(20_000));
    const seen = design.moods.list.filter(({ name }) => lines.some((line) => line.endsWith(` ${name}`)));
    expect(seen.length).toBeGreaterThan(20);
    const kinds = new Set(
      seen.flatMap(({ moves, tops }) =>
        [...Object.values(moves), ...(tops ?? []).map(({ move }) => move)].map(({ kind }) => kind),
      ),
    );
    expect([...kinds].sort()).toEqual([...moveKinds].sort());
  });
  it('long after it was switched on: forty hours and more', () => {
    expectEqual(manyMoods(4), manySteps(400, 40 * 3_600_000));
  });
  it('plans of any kind, sense or nonsense, build without a warning and give the same bytes', () => {
    const oneBoard = fc
      .sample(anyDesign, { numRuns: 40, seed: 31 })
      .filter((design) => itemsOf(design, 'board').length < 2);
    expect(oneBoard.length).toBeGreaterThan(15);
    for (const design of oneBoard) {
      expectEqual(planOf(design), touchAll(controlsOf(design), { frames: 400, everyMs: 29, period: 60 }));
    }
  });
  it('a plan without lights, moods or controls still builds, and is dark', () => {
    const moods = { list: [], startId: null, cues: [], course: [], cueUses: [] };
    const empty = planOf(soundDesign({ tapes: [], leds: [], moods }));
    expect(runHost(buildHost(empty), [{ kind: 'frame', atMs: 5 }])).toEqual([' dark']);
  });
});

describe('the files of the program', () => {
  const filesOf = (plan: Plan): Record<string, string> => ({
    ...exportProgram(plan, assess(plan.design), engineFiles),
  });
  it('the engine’s tables are those of the preview', () => {
    expect(engineFiles['tables.h']).toBe(
      writeEngineTables({ gamma: gammaTable, look: lookTable, breath: breathTable }),
    );
  });
  it('one pin changed in the plan changes one line, and the mark', () => {
    const plan = demoPlan();
    const { design } = plan;
    const [board] = itemsOf(design, 'board');
    const pins = assess(design).pins[0]?.plan;
    const free = (pins?.ok ? pins.free.find((pin) => pin.can.includes('data'))?.name : undefined) ?? '';
    const locks = board?.pinLocks.map((lock) => ({ ...lock, pin: free })) ?? [];
    const moved: Plan = {
      ...plan,
      design: applyEdits(design, changeItem(design, board?.id ?? '', { pinLocks: locks })),
    };
    const [before, after] = [filesOf(plan), filesOf(moved)];
    const changed = (name: string): string[] =>
      (after[name] ?? '').split('\n').filter((line, i) => line !== (before[name] ?? '').split('\n')[i]);
    expect(changed('pins.h')).toEqual([`#define PIN_DATA_OF_UPPER_JAW ${free} /* Data of Upper jaw */`]);
    expect(changed('show.h')).toEqual([`#define UG_FINGERPRINT "${fingerprint(moved.design)}"`]);
    expect(fingerprint(moved.design)).not.toBe(fingerprint(plan.design));
  });
  it('every pin of the program is one of the plan', () => {
    const plan = demoPlan();
    const given = assess(plan.design).pins.flatMap((each) => each.plan.given);
    const named = [...(filesOf(plan)['pins.h'] ?? '').matchAll(/#define PIN_\S+ (\S+)/g)].map((match) => match[1]);
    expect(named.sort()).toEqual(given.map((each) => each.pin.name).sort());
  });
  it('the checklist names every pin and what it does at the start, and the way on to this very controller', () => {
    const plan = demoPlan();
    const radio = filesOf(plan)['LOADING.md'] ?? '';
    for (const { demand, pin } of assess(plan.design).pins.flatMap((each) => each.plan.given))
      expect(radio).toContain(`- pin ${pin.name}: ${demand.label}`);
    expect(radio).toContain('Copy `template.c`, fill in its functions');
    const [board] = itemsOf(plan.design, 'board');
    const larger = changeItem(plan.design, board?.id ?? '', { part: 'controller-large-5v', pinLocks: [] });
    const onLarger: Plan = { ...plan, design: applyEdits(plan.design, larger) };
    const ready = filesOf(onLarger)['LOADING.md'] ?? '';
    expect(ready).toContain('`make avr` builds `program.hex` with the board file `eight16.c`');
    expect(ready).toContain('At 115 200 baud it must say');
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

it('several rails of one pack are limited alike, each by itself and all together', () => {
  const design = twoRails('pack-lithium-round-2600', 800);
  const lively: Design = {
    ...design,
    moods: {
      ...design.moods,
      list: design.moods.list.map((mood) => ({
        ...mood,
        moves: {
          left: { kind: 'drift', colour: '#ffffff', second: '#ff4000', periodS: 2, wave: 5, level: 1 },
          right: changeMove('chase', undefined, '#ffffff'),
        },
      })),
    },
  };
  const steps = Array.from({ length: 400 }, (_, i): Step => ({ kind: 'frame', atMs: 25 * i }));
  for (const each of [design, lively]) expectEqual(planOf(each), steps);
});
