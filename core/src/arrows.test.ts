import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const source = new URL('.', import.meta.url).pathname;

/** What each folder of core may import from, besides itself. */
const allowed: Readonly<Record<string, readonly string[]>> = {
  units: [],
  parts: ['units'],
  plan: ['units', 'parts'],
  circuit: ['units'],
  lights: ['units', 'parts', 'plan', 'circuit'],
  motion: ['units', 'parts', 'plan', 'lights'],
  drive: ['units', 'parts', 'plan', 'circuit', 'lights'],
  power: ['units', 'parts', 'plan', 'circuit'],
  heat: ['units'],
  wires: ['units', 'parts', 'plan', 'circuit', 'lights'],
};
const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.test.ts'),
);
const importsOf = (file: string): string[] =>
  [...readFileSync(`${source}${file}`, 'utf8').matchAll(/from '([^']+)'/g)].map((match) => match[1] ?? '');

describe('arrows between the folders of core', () => {
  it.each(Object.entries(allowed))('%s imports only from %j', (folder, others) => {
    const strays = files
      .filter((file) => file.startsWith(`${folder}/`))
      .flatMap((file) =>
        importsOf(file)
          .filter((path) => path.startsWith('../'))
          .filter((path) => !others.some((other) => path === `../${other}/index.ts`))
          .map((path) => `${file} imports ${path}`),
      );
    expect(strays).toEqual([]);
  });
  it('imports nothing from outside but the packages it names', () => {
    const outside = new Set(
      files.flatMap(importsOf).filter((path) => !path.startsWith('.') && !path.startsWith('@glimmer')),
    );
    expect([...outside].sort()).toEqual(['ml-matrix', 'papaparse', 'zod']);
  });
});
