// Writes the lists of what is a folder each, so that a new one is listed by being there.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** Name of a folder as the name of what it exports. @example "build-up": "buildUp" */
const camel = (folder) => folder.replace(/-(\w)/g, (_, letter) => letter.toUpperCase());

const foldersOf = (path) =>
  readdirSync(path, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name)
    .sort();

const NOTE = '// Written by `npm run docs` from the folders beside it; change those, not this.\n';

/** The texts of the lists of moves, by file: their definitions, and their schemas. */
export function listMoves(movesFolder) {
  const folders = foldersOf(movesFolder);
  const names = folders.map((folder) => ({ folder, name: camel(folder) }));
  const list = names.map(({ name }) => `  ${name},`).join('\n');
  const imports = [
    ...names.map(({ folder, name }) => ({ path: `./${folder}/move.ts`, text: `{ ${name} }` })),
    { path: './contract.ts', text: 'type { AnyMove }' },
  ].sort((a, b) => (a.path < b.path ? -1 : 1));
  return {
    'definitions.ts': `${NOTE}${imports.map(({ path, text }) => `import ${text} from '${path}';`).join('\n')}

/** Every kind of move. */
export const definitions: readonly AnyMove[] = [
${list}
];
`,
    'moveSchema.ts': `${NOTE}import { z } from 'zod';
${names.map(({ folder, name }) => `import { ${name}Schema } from './${folder}/schema.ts';`).join('\n')}

/** A move of any kind. */
export const moveSchema = z.discriminatedUnion('kind', [
${names.map(({ name }) => `  ${name}Schema,`).join('\n')}
]);
`,
  };
}

/** The facts of the boards, in the order in which they are offered. */
export const readBoards = (boardsFolder) =>
  foldersOf(boardsFolder)
    .map((folder) => JSON.parse(readFileSync(join(boardsFolder, folder, 'facts.json'), 'utf8')))
    .sort((a, b) => a.rank - b.rank);

/** The text of the list of boards that core reads. */
export const listBoards = (
  boardsFolder,
) => `// Written by \`npm run docs\` from firmware/boards/BOARD/facts.json; change those, not this.
import type { BoardFacts } from './kinds.ts';

/** What every board is and can do, in the order in which they are offered. */
export const boardFacts: readonly BoardFacts[] = ${JSON.stringify(readBoards(boardsFolder), null, 2)};
`;

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const folder = join(root, 'core/src/moves');
  for (const [file, text] of Object.entries(listMoves(folder))) writeFileSync(join(folder, file), text);
  writeFileSync(join(root, 'core/src/parts/boardFacts.ts'), listBoards(join(root, 'firmware/boards')));
}
