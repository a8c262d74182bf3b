import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { assess as assessOf } from '@glimmer/core/assess';
import type * as Exports from '@glimmer/core/exports';
import type * as Findings from '@glimmer/core/findings';
import type * as Moves from '@glimmer/core/moves';
import type * as Reading from '@glimmer/core/plan/reading';
import { usualPrinter } from '@glimmer/core/units';
import { afterAll, expect, it } from 'vitest';
import { emptySimple, moodOf, planOf, soundDesign, tapeOf } from '../../core/tests/designs.ts';
import { copyCore } from '../../core/tests/toy.ts';
import { listMoves } from '../../scripts/writeLists.mjs';
import { engineFiles } from './program.ts';

/** A move that nobody needs: it blinks, lit for the first half of its period. All of it lies in its folder. */
const blink = {
  'moves/blink/schema.ts': `import { z } from 'zod';
import { bands } from '../../items/limits.ts';
import { colour, inBand, level } from '../schemaFields.ts';

export const blinkSchema = z.strictObject({ kind: z.literal('blink'), colour, periodS: inBand(bands.periodS), level });
export type Blink = Readonly<z.infer<typeof blinkSchema>>;
`,
  'moves/blink/move.ts': `import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { level, time } from '../rows.ts';
import { litOf, wholeMs } from '../whole.ts';
import type { Blink } from './schema.ts';

export const blink = defineMove<Blink, CompiledBase>({
  kind: 'blink',
  rank: 15,
  usual: (colour, height) => ({ kind: 'blink', colour, periodS: 1, level: height }),
  rows: [time('periodS', 'On and off in'), level],
  words: (move) => say\`blinks in \${seconds(move.periodS)}\`,
  spanS: (move) => 2 * move.periodS,
  calmer: (move) => slower('periodS', move.periodS, 0.5),
  switches: true,
  compile: (move) => ({ kind: 'blink', periodMs: wholeMs(move.periodS), ...litOf(move) }),
  program: {},
  sampleMs: (move) => [0, Math.ceil(move.periodMs / 2)],
  begin: (moment, move) => {
    moment.level = (moment.tMs % move.periodMs) * 2 < move.periodMs ? move.level : 0;
  },
});
`,
  'moves/blink/move.c': `static void begin_blink(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  if ((t_ms % move->period_ms) * 2u >= move->period_ms) moment->level = 0;
}
`,
};

const program = mkdtempSync(join(tmpdir(), 'glimmer-toy-'));
afterAll(() => rmSync(program, { recursive: true, force: true }));

it('a move that is a folder reaches plan, form, words, findings, mends and program, and the program gives its bytes', async () => {
  const { source, write, load } = copyCore(blink);
  for (const [file, text] of Object.entries(listMoves(join(source, 'moves')))) write(`moves/${file}`, text);
  const moves: typeof Moves = await load('moves/index.ts');
  const { assess }: { assess: typeof assessOf } = await load('assess.ts');
  const { checkDesign }: typeof Findings = await load('findings/index.ts');
  const { readPlanText }: typeof Reading = await load('plan/reading.ts');
  const { exportProgram, writeMovesHeader, writeMovesSource }: typeof Exports = await load('exports/index.ts');

  // Offered after the steady one, with its form.
  const kinds: readonly string[] = moves.moveKinds;
  expect(kinds.slice(0, 3)).toEqual(['steady', 'blink', 'breathe']);
  expect(moves.moveOf('blink').rows.map(({ label }) => label)).toEqual(['On and off in', 'Level']);

  // Ten blinks a second: stopped for, and calmed with one click.
  const quick = { kind: 'blink', colour: '#ffffff', periodS: 0.1, level: 1 };
  const design = soundDesign({
    tapes: [tapeOf({ lengthMm: 300 })],
    moods: {
      ...emptySimple.moods,
      list: [moodOf({ brightness: 1, moves: { tape: quick as never } })],
      startId: 'mood',
    },
  });
  const read = readPlanText(JSON.stringify(planOf(design)));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { plan } = read;
  const flash = checkDesign(plan.design, assess(plan.design)).find(({ rule }) => rule === 'flash');
  expect(flash?.gravity).toBe('stop');
  expect(flash?.fixes[0]?.edits[0]).toMatchObject({ kind: 'move', move: { periodS: 0.5 } });
  const [move] = Object.values(plan.design.moods.list[0]?.moves ?? {});
  if (!move) throw new Error('the move is read');
  expect(usualPrinter.message(moves.sayMove(move))).toBe('blinks in 100 ms');

  // The program knows it, builds without a warning, and blinks.
  const texts = Object.fromEntries(
    kinds.flatMap((kind) => {
      try {
        return [[kind, readFileSync(join(source, 'moves', kind, 'move.c'), 'utf8')]];
      } catch {
        return [];
      }
    }),
  );
  const files = exportProgram(plan, assess(plan.design), {
    ...engineFiles,
    'moves.h': writeMovesHeader(),
    'moves.c': writeMovesSource(texts),
  });
  for (const [name, text] of Object.entries(files)) writeFileSync(join(program, name), text);
  expect(files['show.c']).toContain('.kind = UG_BLINK');
  execFileSync('make', ['host'], { cwd: program, stdio: 'pipe' });
  const lines = execFileSync(join(program, 'host'), { input: 'frame 1000\nframe 1049\nframe 1050\nframe 1099\n' })
    .toString()
    .trim()
    .split('\n')
    .slice(-4);
  expect(lines.map((line) => /[1-9a-f]/.test(line.split(' ')[0] ?? ''))).toEqual([true, true, false, false]);
});
