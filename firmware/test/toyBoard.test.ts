import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { assess as assessOf } from '@glimmer/core/assess';
import type * as Exports from '@glimmer/core/exports';
import type * as Findings from '@glimmer/core/findings';
import { itemsOf } from '@glimmer/core/items';
import type * as Parts from '@glimmer/core/parts';
import { applyEdits, changeItem, type Plan } from '@glimmer/core/plan';
import { afterAll, expect, it } from 'vitest';
import { demoPlan } from '../../core/tests/designs.ts';
import { copyCore } from '../../core/tests/toy.ts';
import { listBoards, readBoards } from '../../scripts/writeLists.mjs';
import { engineFiles } from './program.ts';

const boards = mkdtempSync(join(tmpdir(), 'glimmer-boards-'));
afterAll(() => rmSync(boards, { recursive: true, force: true }));

/** The larger eight-bit board, slow and with little memory, under a name of its own: all of it lies in its folder. */
function layBoard(): void {
  cpSync(join(import.meta.dirname, '../boards'), boards, { recursive: true });
  const like = (readBoards(boards) as readonly Record<string, unknown>[]).find(
    ({ id }) => id === 'controller-large-5v',
  );
  const facts = {
    ...like,
    id: 'controller-pebble',
    name: 'Pebble, 18 pins',
    rank: 5,
    clockMhz: 1,
    memoryBytes: 400,
    loopTickMs: 50,
    converterReferenceV: 1.1,
    code: 'pebble',
  };
  mkdirSync(join(boards, 'pebble'));
  writeFileSync(join(boards, 'pebble/facts.json'), JSON.stringify(facts));
}

it('a board that is a folder is offered, given its pins, judged by its facts, and named in its program', async () => {
  layBoard();
  const { load } = copyCore({ 'parts/boardFacts.ts': listBoards(boards) });
  const { controllers }: typeof Parts = await load('parts/index.ts');
  const { assess }: { assess: typeof assessOf } = await load('assess.ts');
  const { checkDesign }: typeof Findings = await load('findings/index.ts');
  const { exportProgram }: typeof Exports = await load('exports/index.ts');
  expect(controllers[0]?.name).toBe('Pebble, 18 pins');

  const demo = demoPlan();
  const on = (part: string): Plan => ({
    ...demo,
    design: applyEdits(
      demo.design,
      itemsOf(demo.design, 'board').flatMap(({ id }) => changeItem(demo.design, id, { part })),
    ),
  });
  const [before, now] = [on('controller-large-5v'), on('controller-pebble')].map(({ design }) => assess(design));
  if (!before || !now) throw new Error('both are assessed');
  // The same pins, by the same abilities.
  const given = (assessment: typeof now): unknown =>
    assessment.pins.flatMap(({ plan }) => (plan.ok ? plan.given.map(({ demand, pin }) => [demand.id, pin.name]) : []));
  expect(given(now)).toEqual(given(before));
  // A sixteenth of the clock takes sixteen times as long; the loop turns every 50 ms at most.
  const [slow, quick] = [now.programs[0]?.loop, before.programs[0]?.loop];
  expect((slow?.computeS ?? 0) / (quick?.computeS ?? 1)).toBeCloseTo(16, 6);
  expect(1 / (slow?.framesPerS ?? 1) / 0.05).toBeCloseTo(Math.round(1 / (slow?.framesPerS ?? 1) / 0.05), 6);
  expect(slow?.memoryOf).toBe(400);
  const rules = checkDesign(on('controller-pebble').design, now).map(({ rule }) => rule);
  expect(rules).toEqual(expect.arrayContaining(['memory', 'frame-rate']));

  const files = exportProgram(on('controller-pebble'), now, {
    ...engineFiles,
    'pebble.mk': '\n# pebble\navr: pebble.hex\n',
  });
  expect(files.Makefile).toContain('# pebble');
  expect(files.Makefile).not.toContain('eight16');
  expect(files['LOADING.md']).toContain('with the board file `pebble.c`, which is made for this controller at 1 MHz');
  expect(Object.keys(files).filter((name) => name.endsWith('.mk'))).toEqual([]);
});
