import { execFileSync, spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { assess } from '@glimmer/core/assess';
import { startSimulated } from '@glimmer/core/bench';
import { fingerprint } from '@glimmer/core/exports';
import { readHeard } from '@glimmer/core/motion';
import { controlsOf, type Plan } from '@glimmer/core/plan';
import { describe, expect, it } from 'vitest';
import { demoPlan, ledsOf, moodOf, planOf, soundDesign, tapeOf } from '../../core/tests/designs.ts';
import { writeProgram } from './program.ts';

type Step =
  | { readonly kind: 'loop'; readonly atMs: number }
  | { readonly kind: 'close' | 'open'; readonly control: number; readonly atMs: number }
  | { readonly kind: 'code'; readonly control: number; readonly code: number; readonly atMs: number };

const write = (step: Step): string =>
  step.kind === 'loop'
    ? `loop ${step.atMs}`
    : step.kind === 'code'
      ? `code ${step.control} ${step.code} ${step.atMs}`
      : `${step.kind} ${step.control} ${step.atMs}`;

/** What the built program says, turn by turn of its loop. */
function heardFrom(plan: Plan, steps: readonly Step[]): readonly string[] {
  const folder = writeProgram(plan);
  execFileSync('make', ['-s', 'host'], { cwd: folder });
  const { stdout, status } = spawnSync(join(folder, 'host'), [], {
    encoding: 'utf8',
    input: `${steps.map(write).join('\n')}\n`,
  });
  expect(status).toBe(0);
  const answers = stdout.split('\n').slice(1);
  return steps.flatMap((step, i) => (step.kind === 'loop' && answers[i] ? answers[i].split(' | ') : []));
}

/** What the simulated controller says of the same. */
function toldOf(plan: Plan, steps: readonly Step[]): readonly string[] {
  const { answer } = startSimulated(plan.design, assess(plan.design), fingerprint(plan.design));
  return steps.flatMap((step) => {
    const line = answer(write(step));
    return step.kind === 'loop' && line !== '' ? line.split(' | ') : [];
  });
}

const loops = (fromMs: number, toMs: number, everyMs = 20): readonly Step[] =>
  Array.from({ length: Math.ceil((toMs - fromMs) / everyMs) }, (_, i) => ({
    kind: 'loop',
    atMs: fromMs + i * everyMs,
  }));

describe('what a board says on its line', () => {
  it('mark, moods and what the limiter holds back, as the simulated controller does, word for word', () => {
    const plan = demoPlan();
    const button = controlsOf(plan.design).findIndex(({ kind }) => kind === 'button');
    const steps: readonly Step[] = [
      ...loops(0, 3000),
      { kind: 'close', control: button, atMs: 3000 },
      ...loops(3000, 3200),
      { kind: 'open', control: button, atMs: 3200 },
      ...loops(3200, 20_000),
    ];
    const heard = heardFrom(plan, steps);
    expect(heard).toEqual(toldOf(plan, steps));
    expect(heard[0]).toBe(`plan ${fingerprint(plan.design)}`);
    expect(heard.filter((line) => line.startsWith('mood ')).length).toBeGreaterThan(1);
    // Each of them is read back as what it says.
    for (const line of heard) expect(readHeard(line), line).not.toBeNull();
  });

  it('the charge, once it is another by two in a hundred, and the limiter while it holds', () => {
    const base = soundDesign({
      leds: [ledsOf()],
      tapes: [tapeOf({ lengthMm: 2000 })],
      moods: {
        list: [
          moodOf({ id: 'rest', name: 'Rest', moves: {} }),
          moodOf({ id: 'all', name: 'Alle Lichter, größer', brightness: 1 }),
        ],
        startId: 'all',
        cues: [],
        course: [],
        cueUses: [],
      },
    });
    const board = base.items.find(({ kind }) => kind === 'board');
    const design = {
      ...base,
      items: [
        ...base.items,
        {
          kind: 'charge sense' as const,
          id: 'charge',
          name: 'Charge',
          at: { xMm: 1, yMm: 1 },
          board: board?.id ?? null,
          of: null,
          lowV: 3.4,
          settleS: 8,
        },
      ],
    };
    const plan = planOf(design);
    const [sensing] = assess(design).show.controls;
    const { emptyCode = 0, fullCode = 0 } = sensing?.sensing ?? {};
    const codeAt = (share: number): number => Math.round(emptyCode + share * (fullCode - emptyCode));
    const reads = [1, 0.995, 0.9, 0.895, 0.4];
    const steps: readonly Step[] = reads.flatMap((share, i): readonly Step[] => [
      { kind: 'code', control: 0, code: codeAt(share), atMs: i * 2500 },
      ...loops(i * 2500, (i + 1) * 2500),
    ]);
    const heard = heardFrom(plan, steps);
    expect(heard).toEqual(toldOf(plan, steps));
    const percents = heard.flatMap((line) => {
      const read = readHeard(line);
      return read?.kind === 'charge' ? [read.percent] : [];
    });
    // Half a percent less is no news; what wavers by a step is smoothed away.
    expect(percents.length).toBe(3);
    expect(percents.map((each) => Math.round(each / 10))).toEqual([10, 9, 4]);
    expect(heard).toContain('mood Alle Lichter, groer');
    expect(heard.some((line) => /^light held to \d+ %$/.test(line))).toBe(true);
  });

  it('what is no line of ours is left alone', () => {
    for (const line of ['', 'hello', 'charge full', 'light held to a lot', 'plan', 'moody'])
      expect(readHeard(line)).toBeNull();
    expect(readHeard('charge 63 %\r')).toEqual({ kind: 'charge', percent: 63 });
    expect(readHeard('mood none: dark')).toEqual({ kind: 'mood', name: null });
  });
});
