import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import { assess } from '@glimmer/core/assess';
import { type EngineFiles, exportProgram } from '@glimmer/core/exports';
import type { Plan } from '@glimmer/core/plan';

const firmware = join(import.meta.dirname, '..');

/** The engine and the board files as they stand in the repository. */
export const engineFiles: EngineFiles = Object.fromEntries(
  ['engine', 'boards'].flatMap((folder) =>
    readdirSync(join(firmware, folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.(c|h|ld|mk)$/.test(file))
      .map((file) => [basename(file), readFileSync(join(firmware, folder, file), 'utf8')]),
  ),
);

/** Writes the program of a plan into a folder of its own; of several boards each has a folder in it, in their order. */
export function writeProgram(plan: Plan): string {
  const folder = mkdtempSync(join(tmpdir(), 'glimmer-program-'));
  for (const [name, text] of Object.entries(exportProgram(plan, assess(plan.design), engineFiles))) {
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), text);
  }
  return folder;
}
