import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { kinds } from './items/index.ts';
import { moveKinds } from './moves/index.ts';

const source = new URL('.', import.meta.url).pathname;

/** What each folder of core may import from, besides itself. */
const base = ['units', 'parts', 'circuit', 'items', 'moves', 'plan'];
const reckoning = [...base, 'lights', 'motion', 'drive', 'heat', 'wires', 'network', 'power'];
const told = [...reckoning, 'assess', 'figures'];
const allowed: Readonly<Record<string, readonly string[]>> = {
  units: [],
  parts: ['units'],
  circuit: ['units'],
  items: ['units', 'parts', 'circuit'],
  moves: ['units', 'items'],
  plan: ['units', 'parts', 'items', 'moves'],
  lights: base,
  choice: [...base, 'lights'],
  motion: [...base, 'lights'],
  drive: [...base, 'lights'],
  heat: ['units'],
  wires: [...base, 'lights'],
  network: [...base, 'lights', 'drive', 'wires'],
  power: base,
  assess: reckoning,
  figures: told,
  exact: told,
  states: told,
  findings: [...told, 'states', 'bench', 'logbook'],
  exports: [...told, 'exact', 'states', 'findings', 'bench', 'logbook'],
  bench: [...told, 'states'],
  logbook: [...told, 'bench'],
  sums: [...told, 'findings', 'logbook'],
  trial: [...told, 'findings'],
  workshop: ['units', 'parts', 'plan'],
};
const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.test.ts'),
);
const importsOf = (file: string): string[] =>
  [...readFileSync(`${source}${file}`, 'utf8').matchAll(/from '([^']+)'/g)].map((match) => match[1] ?? '');

/** The folder that a relative import leads to; the pipeline beside the folders counts as theirs. */
function folderOf(file: string, path: string): string {
  const to = new URL(path, `file:///${file}`).pathname.slice(1);
  return to.includes('/') ? (to.split('/')[0] ?? '') : to.replace(/\.ts$/, '');
}

describe('arrows between the folders of core', () => {
  it('are told of every folder', () => {
    const folders = readdirSync(source, { withFileTypes: true }).flatMap((entry) =>
      entry.isDirectory() ? [entry.name] : [],
    );
    expect(folders.sort()).toEqual(Object.keys(allowed).sort());
  });
  it.each(Object.entries(allowed))('%s imports only from %j', (folder, others) => {
    const strays = files
      .filter((file) => file.startsWith(`${folder}/`))
      .flatMap((file) =>
        importsOf(file)
          .filter((path) => path.startsWith('.'))
          .filter((path) => folderOf(file, path) !== folder && !others.includes(folderOf(file, path)))
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

describe('what is told', () => {
  /** Where text becomes text: tables and files for other programs, what two texts are compared by, and printing itself. */
  const rims =
    /^(units\/|exports\/(program|csv)\.ts|sums\/answer\.ts|logbook\/compareVersions\.ts|parts\/(own|ownWords|stock)\.ts)/;
  it('keeps its quantities until the rim: no printer of its own, and no figure cut to a text', () => {
    const printed = files
      .filter((file) => !rims.test(file))
      .flatMap((file) =>
        [...readFileSync(`${source}${file}`, 'utf8').matchAll(/usualPrinter|printerFor\(|\.toFixed\(/g)].map(
          (match) => `${file}: ${match[0]}`,
        ),
      );
    expect(printed).toEqual([
      // Lengths of a cut as a sum of numbers, voltages of a catalogue.
      'parts/packs.ts: .toFixed(',
      'sums/lights/tapeCut.ts: .toFixed(',
    ]);
  });
});

describe('kinds of moves', () => {
  it('are named by nobody but their folders, old plans and what offers moods', () => {
    const names = moveKinds.join('|');
    const named = new RegExp(`\\bmove\\.kind [!=]== '(?:${names})'`, 'g');
    const found = files
      .filter((file) => !file.startsWith('moves/'))
      .flatMap((file) =>
        [...readFileSync(`${source}${file}`, 'utf8').matchAll(named)].map((match) => `${file}: ${match[0]}`),
      );
    expect(found).toEqual([]);
  });
});

describe('kinds of items', () => {
  const names = kinds.map(({ kind }) => kind).join('|');
  /** A kind compared with, asked for by its name, or picked out of the items by it. */
  const named = new RegExp(
    [
      `\\b(?:item|control|served|named|hub|giver)\\??\\.kind [!=]== '(?:${names})'`,
      `itemsOf\\([^)]*'(?:${names})'`,
      `(?:ItemOf|kindOf)[<(]'(?:${names})'`,
      `Extract<Item, \\{ kind: '(?:${names})'`,
    ].join('|'),
    'g',
  );
  /** Where one has to be: what makes old plans new, and what puts something fresh into a plan. */
  const mayName = (file: string): boolean =>
    ['items/', 'plan/versionOne/', 'sums/', 'choice/'].some((folder) => file.startsWith(folder));
  it('are named by nobody but their folders: what is new is one folder more', () => {
    const found = files
      .filter((file) => !mayName(file))
      .flatMap((file) =>
        [...readFileSync(`${source}${file}`, 'utf8').matchAll(named)].map((match) => `${file}: ${match[0]}`),
      );
    expect(found.sort()).toEqual([
      "findings/addBoost.ts: kindOf('converter'",
      "findings/fuseRules.ts: kindOf('switch'",
      "findings/invisibleRules.ts: kindOf('light'",
      "findings/receiverRules.ts: kindOf('receiver'",
    ]);
  });
});
