import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { onTestFinished } from 'vitest';

const core = join(import.meta.dirname, '..');

/**
 * A copy of core’s source in a folder of its own, with these files laid into it; it is gone when the test that asked for it is over.
 * @returns the folder, and what imports a module of the copy
 */
export function copyCore(files: Readonly<Record<string, string>>): {
  readonly source: string;
  readonly write: (file: string, text: string) => void;
  readonly load: (module: string) => Promise<never>;
} {
  // Packages are found from within the workspace alone.
  const folder = mkdtempSync(join(core, '.toy-'));
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }));
  const source = join(folder, 'src');
  cpSync(join(core, 'src'), source, { recursive: true, filter: (path) => !path.endsWith('.test.ts') });
  const write = (file: string, text: string): void => {
    mkdirSync(dirname(join(source, file)), { recursive: true });
    writeFileSync(join(source, file), text);
  };
  for (const [file, text] of Object.entries(files)) write(file, text);
  return { source, write, load: (module) => import(/* @vite-ignore */ join(source, module)) as Promise<never> };
}
