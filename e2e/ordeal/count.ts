import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../../scripts/server.mjs';

/** What was tried, and what came of it: the last four must stay 0. */
export const count = {
  saves: 0,
  kills: 0,
  damaged: 0,
  hostile: 0,
  notes: 0,
  upsets: 0,
  lost: 0,
  broke: 0,
  unexpected: 0,
};

export const demos: readonly string[] = readdirSync(join(root, 'demo'))
  .filter((name) => name.endsWith('.glimmer.json'))
  .map((name) => readFileSync(join(root, 'demo', name), 'utf8'));
